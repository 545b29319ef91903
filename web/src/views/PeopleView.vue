<script setup lang="ts">
/** People of the school, and inviting more of them by link. */
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
    undo: { what: 'crosswind limit', back: () => api.setCrosswindLimit(person_id, before) },
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
      label: 'Rename…',
      run: () => (toRename.value = { id: person.id, name: person.name }),
    },
    ...roles.map((role) => ({
      label: `Make them ${role}`,
      run: () => change(`${person.name} as ${role}`, { role }, { role: person.role }),
    })),
    {
      label: 'Link for a new password',
      run: () => linkFor(person.id),
    },
    ...(isMe
      ? []
      : [
          {
            label: 'Leaves the school',
            run: () => change(`${person.name} leaving`, { is_active: false }, { is_active: true }),
          },
          { label: 'Take the second factor…', run: () => (toFree.value = { id: person.id, name: person.name }) },
          { label: 'Erase…', run: () => (toErase.value = { id: person.id, name: person.name }) },
        ]),
  ]
}
const toRename = ref<{ id: number; name: string } | null>(null)
async function rename(name: string) {
  const { id, name: before } = toRename.value!
  if (name && name !== before) {
    const undo = { what: 'the new name', back: () => api.changePerson(id, { name: before }) }
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
      <h1 id="people" class="text-2xl font-bold">People</h1>
      <table class="mt-2 w-full text-left">
        <thead>
          <tr class="border-b border-line text-sm text-soft">
            <th class="py-1">Name</th>
            <th>Role</th>
            <th>Own crosswind limit</th>
            <th v-if="isChief"><span class="sr-only">More</span></th>
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
                :label="`Crosswind limit of ${person.name}`"
                hide-label
                unit="kt"
                :min="LIMITS.crosswindLimitKt.min"
                :max="LIMITS.crosswindLimitKt.max"
                :start="8"
                empty-word="none set"
                @update:model-value="limit(person.id, person.crosswind_limit_kt ?? null, $event)"
              />
            </td>
            <td v-if="isChief" class="text-right">
              <Menu as="div" class="relative">
                <MenuButton class="button !px-3" :aria-label="`More for ${person.name}`">More</MenuButton>
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
        title="Take the second factor"
        :words="`${toFree.name} signs in by the password alone then, and is signed out everywhere. Do it only when they stand before you.`"
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
          Give this link to {{ passwordLink.name }}. It sets a new password once, within {{ passwordLink.hours }} hours,
          and is shown only now.
        </p>
        <p class="figure mt-1 break-all text-sm">{{ passwordLink.link }}</p>
      </div>
      <section v-if="left.data.value?.people.length" class="mt-3" aria-labelledby="left">
        <h2 id="left" class="font-bold">Have left, or have no password yet</h2>
        <ul class="divide-y divide-line">
          <li v-for="one in left.data.value.people" :key="one.id" class="flex flex-wrap items-center gap-3 py-1">
            <span class="flex-1">{{ one.name }}, {{ one.role }}</span>
            <button
              type="button"
              class="button"
              :aria-label="`${one.name} comes back`"
              @click="
                write({
                  call: () => api.changePerson(one.id, { is_active: true }),
                  undo: { what: `${one.name} back`, back: () => api.changePerson(one.id, { is_active: false }) },
                })
              "
            >
              Comes back
            </button>
            <button type="button" class="button" @click="linkFor(one.id)">Link for a password</button>
          </li>
        </ul>
      </section>
      <section v-if="invitations.data.value?.invitations.length" class="mt-3" aria-labelledby="open-links">
        <h2 id="open-links" class="font-bold">Links that still work</h2>
        <ul class="divide-y divide-line">
          <li
            v-for="one in invitations.data.value.invitations"
            :key="one.id"
            class="flex flex-wrap items-center gap-3 py-1"
          >
            <span class="flex-1">
              {{ one.name }}, {{ one.is_for_password ? 'a new password' : `joins as ${one.role}` }}
              <span class="text-sm text-soft">until {{ day(one.expires_at.slice(0, 10)) }}</span>
            </span>
            <button
              type="button"
              class="button"
              :aria-label="`Withdraw the link for ${one.name}`"
              @click="write({ call: () => api.withdrawInvitation(one.id) })"
            >
              Withdraw
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
