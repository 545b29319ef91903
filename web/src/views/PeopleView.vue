<script setup lang="ts">
/** People of the school, and inviting more of them by link. */
import { say } from '@/said'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { LIMITS } from '@/api/limits'
import { api } from '@/api/calls'
import { catalogueQuery, sessionQuery } from '@/api/queries'
import type { Role } from '@/api/types'
import EraseDialog from '@/components/EraseDialog.vue'
import PasswordDialog from '@/components/PasswordDialog.vue'
import RenameDialog from '@/components/RenameDialog.vue'
import Loading from '@/components/Loading.vue'
import Stepper from '@/components/Stepper.vue'
import InviteForm from '@/people/InviteForm.vue'
import SchoolSettings from '@/people/SchoolSettings.vue'
import WholeSchool from '@/people/WholeSchool.vue'
import { useWrite } from '@/composables/useWrite'
import { day } from '@/words'

const catalogue = useQuery(catalogueQuery)
const session = useQuery(sessionQuery)
const mayInvite = computed<Role[]>(() =>
  session.data.value?.person?.role === 'chief' ? ['student', 'instructor', 'chief'] : ['student'],
)
const client = useQueryClient()
const isChief = computed(() => session.data.value?.person?.role === 'chief')
const { write, problem: refusal } = useWrite({
  refresh: () =>
    Promise.all([
      client.invalidateQueries({ queryKey: ['catalogue'] }),
      client.invalidateQueries({ queryKey: ['invitations'] }),
      client.invalidateQueries({ queryKey: ['left'] }),
    ]),
})
function limit(person_id: number, before: number | null, now: number | null) {
  void write({
    call: () => api.setCrosswindLimit(person_id, now),
    undo: { what: say('people.crosswind-limit'), back: () => api.setCrosswindLimit(person_id, before) },
  })
}
const left = useQuery(computed(() => ({ queryKey: ['left'], queryFn: api.left, enabled: isChief.value })))
const invitations = useQuery({ queryKey: ['invitations'], queryFn: api.invitations })
const passwordLink = ref<{ name: string; link: string; hours: number } | null>(null)
async function linkFor(id: number) {
  const written = await write({ call: () => api.passwordLink(id) })
  passwordLink.value = written ? written.answer : null
}
type Person = NonNullable<typeof catalogue.data.value>['people'][number]
/** What the chief may do with somebody; each can be taken back but the last. */
function actsOf(person: Person) {
  const isMe = person.id === session.data.value?.person?.id
  const change = (what: string, now: Parameters<typeof api.changePerson>[1], back: typeof now) =>
    void write({
      call: () => api.changePerson(person.id, now),
      undo: { what, back: () => api.changePerson(person.id, back) },
    })
  const roles = (['student', 'instructor', 'chief'] as const).filter((one) => one !== person.role)
  return [
    {
      label: say('people.rename'),
      run: () => (toRename.value = { id: person.id, name: person.name }),
    },
    ...roles.map((role) => ({
      label: say('people.make-them', { role }),
      run: () => change(say('people.as', { name: person.name, role }), { role }, { role: person.role }),
    })),
    {
      label: say('people.link-for-a-new-password'),
      run: () => linkFor(person.id),
    },
    ...(isMe
      ? []
      : [
          {
            label: say('people.leaves-the-school'),
            run: () => change(say('people.leaving', { name: person.name }), { is_active: false }, { is_active: true }),
          },
          {
            label: say('people.take-the-second-factor'),
            run: () => (toFree.value = { id: person.id, name: person.name }),
          },
          { label: say('people.erase'), run: () => (toErase.value = { id: person.id, name: person.name }) },
        ]),
  ]
}
const toRename = ref<{ id: number; name: string } | null>(null)
async function rename(name: string) {
  const { id, name: before } = toRename.value!
  if (name && name !== before) {
    const undo = { what: say('people.the-new-name'), back: () => api.changePerson(id, { name: before }) }
    if (!(await write({ call: () => api.changePerson(id, { name }), undo }))) return
  }
  toRename.value = null
}
/** Who has lost the telephone and the paper with the codes. */
const toFree = ref<{ id: number; name: string } | null>(null)
async function free(password: string) {
  const { id } = toFree.value!
  if (await write({ call: () => api.takeSecondFactor(id, password) })) toFree.value = null
}
const toErase = ref<{ id: number; name: string } | null>(null)
</script>
<template>
  <Loading v-if="!catalogue.data.value" :error="catalogue.error.value" :retry="catalogue.refetch" />
  <div v-else class="grid gap-4 lg:grid-cols-2">
    <section class="panel" aria-labelledby="people">
      <h1 id="people" class="text-2xl font-bold">{{ say('common.people') }}</h1>
      <table class="mt-2 w-full text-left">
        <thead>
          <tr class="border-b border-line text-sm text-soft">
            <th class="py-1">{{ say('common.name') }}</th>
            <th>{{ say('people.role') }}</th>
            <th>{{ say('people.own-crosswind-limit') }}</th>
            <th v-if="isChief">
              <span class="sr-only">{{ say('people.more') }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="person in catalogue.data.value.people" :key="person.id" class="border-b border-line">
            <td class="py-2 font-bold">{{ person.name }}</td>
            <td>{{ person.role }}</td>
            <td class="w-56 py-1">
              <Stepper
                v-if="person.role === 'student'"
                :model-value="person.crosswind_limit_kt ?? null"
                :label="say('people.crosswind-limit-of', { name: person.name })"
                hide-label
                unit="kt"
                :min="LIMITS.crosswindLimitKt.min"
                :max="LIMITS.crosswindLimitKt.max"
                :start="8"
                :empty-word="say('people.none-set')"
                @update:model-value="limit(person.id, person.crosswind_limit_kt ?? null, $event)"
              />
            </td>
            <td v-if="isChief" class="text-right">
              <Menu as="div" class="relative">
                <MenuButton class="button !px-3" :aria-label="say('people.more-for', { name: person.name })">{{
                  say('people.more')
                }}</MenuButton>
                <MenuItems class="panel absolute right-0 z-20 w-64 !p-1 text-left shadow-lg">
                  <MenuItem v-for="act in actsOf(person)" :key="act.label" v-slot="{ active }">
                    <button
                      type="button"
                      class="flex min-h-11 w-full items-center rounded px-3 text-left font-bold"
                      :class="active ? 'bg-paper' : ''"
                      @click="act.run"
                    >
                      {{ act.label }}
                    </button>
                  </MenuItem>
                </MenuItems>
              </Menu>
            </td>
          </tr>
        </tbody>
      </table>
      <PasswordDialog
        v-if="toFree"
        :title="say('people.button-take-the-second-factor')"
        :words="say('people.signs-in-by-the-password', { name: toFree.name })"
        act="Take it"
        :problem="refusal"
        @close="toFree = null"
        @confirm="free"
      />
      <RenameDialog
        v-if="toRename"
        :name="toRename.name"
        :problem="refusal"
        @close="toRename = null"
        @confirm="rename"
      />
      <EraseDialog v-model="toErase" />
      <div v-if="passwordLink" role="status" class="mt-2 rounded border border-line p-2">
        <p>
          {{ say('people.give-this-link-to-it', { name: passwordLink.name, hours: passwordLink.hours }) }}
        </p>
        <p class="figure mt-1 break-all text-sm">{{ passwordLink.link }}</p>
      </div>
      <section v-if="left.data.value?.people.length" class="mt-3" aria-labelledby="left">
        <h2 id="left" class="font-bold">{{ say('people.have-left-or-have-no') }}</h2>
        <ul class="divide-y divide-line">
          <li v-for="one in left.data.value.people" :key="one.id" class="flex flex-wrap items-center gap-3 py-1">
            <span class="flex-1">{{ one.name }}, {{ one.role }}</span>
            <button
              type="button"
              class="button"
              :aria-label="say('people.comes-back', { name: one.name })"
              @click="
                write({
                  call: () => api.changePerson(one.id, { is_active: true }),
                  undo: {
                    what: say('people.back', { name: one.name }),
                    back: () => api.changePerson(one.id, { is_active: false }),
                  },
                })
              "
            >
              {{ say('people.button-comes-back') }}
            </button>
            <button type="button" class="button" @click="linkFor(one.id)">
              {{ say('people.link-for-a-password') }}
            </button>
          </li>
        </ul>
      </section>
      <section v-if="invitations.data.value?.invitations.length" class="mt-3" aria-labelledby="open-links">
        <h2 id="open-links" class="font-bold">{{ say('people.links-that-still-work') }}</h2>
        <ul class="divide-y divide-line">
          <li
            v-for="one in invitations.data.value.invitations"
            :key="one.id"
            class="flex flex-wrap items-center gap-3 py-1"
          >
            <span class="flex-1">
              {{ one.name }},
              {{ one.is_for_password ? say('people.a-new-password') : say('people.joins-as', { role: one.role }) }}
              <span class="text-sm text-soft">{{
                say('people.until', { expires_at: day(one.expires_at.slice(0, 10)) })
              }}</span>
            </span>
            <button
              type="button"
              class="button"
              :aria-label="say('people.withdraw-the-link-for', { name: one.name })"
              @click="write({ call: () => api.withdrawInvitation(one.id) })"
            >
              {{ say('people.withdraw') }}
            </button>
          </li>
        </ul>
      </section>
      <p v-if="refusal" role="alert" class="mt-2 font-bold text-fail-ink">{{ refusal }}</p>
      <SchoolSettings :is-chief="isChief" />
    </section>
    <div class="space-y-4">
      <InviteForm :roles="mayInvite" />
      <WholeSchool v-if="isChief" />
    </div>
  </div>
</template>
