<script setup lang="ts">
/** Erasing a person who asks for it: the name typed again, the chief's own password, and what is kept told. */
import { say } from '@/said'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { api } from '@/api/calls'
import { useWrite } from '@/composables/useWrite'

const person = defineModel<{ id: number; name: string } | null>({ required: true })
const client = useQueryClient()
const name = ref('')
const password = ref('')
const told = ref<Awaited<ReturnType<typeof api.erase>> | null>(null)
const { write, problem, fields, isBusy, clear } = useWrite({
  refresh: () => client.invalidateQueries(),
  otherwise: say('parts.nothing-was-erased'),
})
watch(person, () => {
  name.value = password.value = ''
  told.value = null
  clear()
})
async function erase() {
  const written = await write({ call: () => api.erase(person.value!.id, name.value, password.value) })
  password.value = ''
  if (written) told.value = written.answer
}
</script>

<template>
  <Dialog :open="!!person" class="relative z-20" @close="person = null">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 overflow-y-auto p-4">
      <DialogPanel v-if="person" class="panel mx-auto w-full max-w-lg">
        <div v-if="told" class="space-y-3">
          <DialogTitle class="text-xl font-bold">{{ say('common.erased') }}</DialogTitle>
          <ul class="list-disc pl-5">
            <li v-for="line in told.gone" :key="line">{{ line }}</li>
          </ul>
          <template v-if="told.kept.length">
            <p class="font-bold">
              {{
                say('parts.tell-them-so', {
                  keep_until: told.keep_until ? say('parts.kept-some-of-it-because') : say('parts.kept'),
                })
              }}
            </p>
            <ul class="list-disc pl-5">
              <li v-for="line in told.kept" :key="line">{{ line }}</li>
            </ul>
          </template>
          <template v-if="told.named_in.length">
            <p class="font-bold">{{ say('parts.words-that-others-wrote-may') }}</p>
            <ul class="list-disc pl-5">
              <li v-for="line in told.named_in" :key="line">{{ line }}</li>
            </ul>
          </template>
          <button type="button" class="button button-main" @click="person = null">{{ say('common.close') }}</button>
        </div>
        <form v-else class="space-y-3" @submit.prevent="erase">
          <DialogTitle class="text-xl font-bold">{{ say('parts.erase', { name: person.name }) }}</DialogTitle>
          <p>
            {{ say('parts.for-somebody-who-asks-for') }}
          </p>
          <label for="erase-name" class="heading block">{{ say('parts.the-name-typed-again') }}</label>
          <input id="erase-name" v-model="name" class="field" required autocomplete="off" />
          <label for="erase-password" class="heading block">{{ say('parts.your-own-password') }}</label>
          <input
            id="erase-password"
            v-model="password"
            type="password"
            class="field"
            required
            autocomplete="current-password"
          />
          <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ Object.values(fields)[0] ?? problem }}</p>
          <div class="flex gap-2">
            <button type="submit" class="button button-main" :disabled="isBusy">
              {{ say('parts.erase-for-good') }}
            </button>
            <button type="button" class="button" @click="person = null">{{ say('common.back') }}</button>
          </div>
        </form>
      </DialogPanel>
    </div>
  </Dialog>
</template>
