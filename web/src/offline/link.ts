/** Whether the server was last reached: said on the screen, never guessed from the bars of the network alone. */
import { ref } from 'vue'

const reached = ref(true)

export const link = {
  reached,
  answered() {
    reached.value = true
  },
  failed() {
    reached.value = false
  },
}
