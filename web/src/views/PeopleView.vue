<script setup lang="ts">
/** People of the school, and inviting more of them by link. */
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { ApiError } from '@/api/client'
import { LIMITS } from '@/api/limits'
import { api, catalogueQuery, schoolQuery, sessionQuery } from '@/api/queries'
import type { Role } from '@/api/types'
import EraseDialog from '@/components/EraseDialog.vue'
import PasswordDialog from '@/components/PasswordDialog.vue'
import RenameDialog from '@/components/RenameDialog.vue'
import Loading from '@/components/Loading.vue'
import Stepper from '@/components/Stepper.vue'
import { useWrite } from '@/composables/useWrite'
import { day, round } from '@/words'

const catalogue = useQuery(catalogueQuery)
const session = useQuery(sessionQuery)
const mayInvite = computed<Role[]>(() =>
  session.data.value?.person?.role === 'chief' ? ['student', 'instructor', 'chief'] : ['student'],
)
const name = ref('')
const role = ref<Role>('student')
const made = ref<{ name: string; link: string; days: number } | null>(null)
const problem = ref('')
const copied = ref(false)

async function invite() {
  problem.value = ''
  copied.value = false
  try {
    made.value = await api.invite(name.value, role.value)
    void client.invalidateQueries({ queryKey: ['invitations'] })
    name.value = ''
  } catch (error) {
    made.value = null
    problem.value = error instanceof ApiError ? (error.fields.name ?? error.message) : 'The invitation was not made.'
  }
}
async function copy() {
  await navigator.clipboard.writeText(made.value?.link ?? '')
  copied.value = true
}

const client = useQueryClient()
const school = useQuery(schoolQuery)
const isChief = computed(() => session.data.value?.person?.role === 'chief')
const { write, problem: refusal } = useWrite({
  refresh: () =>
    Promise.all([
      client.invalidateQueries({ queryKey: ['catalogue'] }),
      client.invalidateQueries({ queryKey: ['invitations'] }),
      client.invalidateQueries({ queryKey: ['left'] }),
      client.invalidateQueries(schoolQuery),
    ]),
})
function limit(person_id: number, before: number | null, now: number | null) {
  void write({
    call: () => api.setCrosswindLimit(person_id, now),
    undo: { what: 'crosswind limit', back: () => api.setCrosswindLimit(person_id, before) },
  })
}
function setSchool(change: Parameters<typeof api.changeSchool>[0]) {
  const was = school.data.value
  if (!was) return
  const before = Object.fromEntries(Object.entries(was).filter(([name]) => name !== 'name')) as Parameters<
    typeof api.changeSchool
  >[0]
  void write({
    call: () => api.changeSchool(change),
    undo: { what: 'school setting', back: () => api.changeSchool(before) },
  })
}
const RULES = {
  three_in_90: '3 landings in 90 days (US, Europe)',
  three_full_stop: '3 full-stop landings in 90 days (US, tailwheel types)',
  three_by_night: '3 full-stop landings by night in 90 days (US)',
  five_in_six_months: '5 landings in 6 months (Canada)',
} as const
type Rule = keyof typeof RULES
function toggle(code: Rule) {
  const now = (school.data.value?.currency_rules ?? []) as Rule[]
  setSchool({ currency_rules: now.includes(code) ? now.filter((one) => one !== code) : [...now, code] })
}
const taken = ref('')
async function takeIn(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  taken.value = ''
  const written = await write({ call: () => api.takeInSchool(file), refresh: () => client.invalidateQueries() })
  if (written)
    taken.value = `${written.answer.rows.lap ?? 0} laps of ${written.answer.rows.sortie ?? 0} sorties taken in.`
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
const WHOM = {
  nobody: 'nobody',
  teachers: 'those who teach',
  everybody: 'everybody',
} as const
const toErase = ref<{ id: number; name: string } | null>(null)
const canCopy = Boolean(globalThis.navigator?.clipboard)
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
      <div v-if="school.data.value" class="mt-4 grid gap-3 sm:grid-cols-2">
        <template v-if="isChief">
          <Stepper
            :model-value="school.data.value.crosswind_limit_kt"
            label="School’s crosswind limit for students"
            unit="kt"
            :min="LIMITS.crosswindLimitKt.min"
            :max="LIMITS.crosswindLimitKt.max"
            :start="10"
            empty-word="none set"
            @update:model-value="setSchool({ crosswind_limit_kt: $event })"
          />
          <Stepper
            :model-value="school.data.value.aim_step_ft"
            label="One lap moves the aim point by at most"
            unit="ft"
            :min="LIMITS.aimStepFt.min"
            :max="LIMITS.aimStepFt.max"
            :step="10"
            @update:model-value="$event !== null && setSchool({ aim_step_ft: $event })"
          />
          <Stepper
            :model-value="school.data.value.least_ceiling_ft"
            label="Lowest cloud for pattern lessons"
            unit="ft"
            :min="0"
            :max="LIMITS.ceilingFt.max"
            :step="100"
            @update:model-value="$event !== null && setSchool({ least_ceiling_ft: $event })"
          />
          <Stepper
            :model-value="school.data.value.least_visibility_m"
            label="Shortest visibility for pattern lessons"
            unit="m"
            :min="0"
            :max="LIMITS.visibilityM.max"
            :step="500"
            @update:model-value="$event !== null && setSchool({ least_visibility_m: $event })"
          />
          <Stepper
            :model-value="Math.round(school.data.value.needed_chance * 100)"
            label="At standard: landings of 100 that meet it"
            unit="of 100"
            :min="50"
            :max="95"
            :step="5"
            @update:model-value="$event !== null && setSchool({ needed_chance: $event / 100 })"
          />
          <Stepper
            :model-value="school.data.value.stale_days"
            label="An exercise is stale after"
            unit="days"
            :min="7"
            :max="365"
            @update:model-value="$event !== null && setSchool({ stale_days: $event })"
          />
          <fieldset class="sm:col-span-2">
            <legend class="heading">A second factor when signing in is asked of</legend>
            <label v-for="(label, code) in WHOM" :key="code" class="flex min-h-11 items-center gap-3">
              <input
                type="radio"
                name="second-factor"
                class="size-6"
                :checked="school.data.value.second_factor === code"
                @change="setSchool({ second_factor: code })"
              />
              {{ label }}
            </label>
          </fieldset>
          <fieldset class="sm:col-span-2">
            <legend class="heading">Recent experience that is asked for (quoted from memory)</legend>
            <label v-for="(label, code) in RULES" :key="code" class="flex min-h-11 items-center gap-3">
              <input
                type="checkbox"
                class="size-6"
                :checked="school.data.value.currency_rules.includes(code)"
                @change="toggle(code)"
              />
              {{ label }}
            </label>
          </fieldset>
        </template>
        <p v-else class="text-sm text-soft">
          The school’s crosswind limit for students:
          {{
            school.data.value.crosswind_limit_kt === null ? 'none set' : `${school.data.value.crosswind_limit_kt} kt`
          }}; one lap moves the aim point by at most {{ school.data.value.aim_step_ft }} ft. The chief instructor sets
          both, and that no pattern lesson is flown with cloud below {{ round(school.data.value.least_ceiling_ft) }} ft
          or visibility below {{ round(school.data.value.least_visibility_m) }} m.
        </p>
      </div>
    </section>
    <div class="space-y-4">
      <section class="panel space-y-3" aria-labelledby="invite">
        <h2 id="invite" class="text-2xl font-bold">Invite</h2>
        <form class="space-y-3" @submit.prevent="invite">
          <div>
            <label for="invite-name" class="heading">Name</label>
            <input id="invite-name" v-model="name" class="field" required maxlength="80" />
          </div>
          <div>
            <label for="invite-role" class="heading">Role</label>
            <select id="invite-role" v-model="role" class="field">
              <option v-for="one in mayInvite" :key="one" :value="one">{{ one }}</option>
            </select>
          </div>
          <button type="submit" class="button button-main">Make the link</button>
        </form>
        <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
        <div v-if="made" role="status">
          <p>Send this link to {{ made.name }}. It works once, for {{ made.days }} days, and is shown only now.</p>
          <p class="figure mt-1 break-all rounded border border-line bg-paper p-2 text-sm">{{ made.link }}</p>
          <button v-if="canCopy" type="button" class="button mt-2" @click="copy">
            {{ copied ? 'Copied' : 'Copy' }}
          </button>
        </div>
      </section>
      <section v-if="isChief" class="panel space-y-2" aria-labelledby="archive">
        <h2 id="archive" class="text-2xl font-bold">Everything, as one file</h2>
        <p>
          People, aircraft, fields, sorties, laps, recorded flights, logbooks and sign-offs, in open formats. Passwords
          are not in it.
        </p>
        <div class="flex flex-wrap gap-2">
          <a class="button" href="/api/archive/school.zip">Take the school out (ZIP)</a>
          <label class="button cursor-pointer">
            Take a school in<input type="file" accept=".zip,application/zip" class="sr-only" @change="takeIn" />
          </label>
        </div>
        <p class="text-sm text-soft">
          Only into an empty school, all of it or nothing. Its people are there by name, with their laps; give each a
          link for a password.
        </p>
        <p v-if="taken" role="status">{{ taken }}</p>
      </section>
    </div>
  </div>
</template>
