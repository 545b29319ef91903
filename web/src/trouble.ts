/** What went wrong and was told nowhere else: said once at the top of the page, with what to do. */
import { say } from '@/said'
import Dexie from 'dexie'
import { ref } from 'vue'
import { ApiError } from './api/client'

const words = ref('')

/** In a person's words; what is kept on the device is not in danger, and that is said. */
function said(error: unknown): string {
  if (error instanceof ApiError) return error.message
  const text = error instanceof Error ? `${error.name} ${error.message}` : ''
  if (/dynamically imported module|Importing a module|error loading/i.test(text))
    return say('words.this-part-of-bullseye-could')
  if (/quota/i.test(text)) return say('words.the-storage-of-this-device')
  return say('words.something-went-wrong-in-this')
}

export const trouble = {
  words,
  tell(error: unknown) {
    // a request that was called off by us is no trouble; a browser that keeps nothing is told of before the flight
    if (error instanceof DOMException && error.name === 'AbortError') return
    if (error instanceof Dexie.DexieError && !/quota/i.test(`${error.name} ${error.message}`)) return
    // eslint-disable-next-line no-console -- for whoever looks for the cause
    console.error(error)
    words.value = typeof error === 'string' ? error : said(error)
  },
  clear() {
    words.value = ''
  },
}
