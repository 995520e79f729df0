<script setup lang="ts">
import { Check } from '@lucide/vue'
import { actions, may, roles, type Action, type Role } from '#core/people'
import { reviewRules } from '#core/record'
import { send, useAsked } from '~/composables/useAsked'
import { useLabStore, type Person } from '~/stores/lab'
import { useWhoStore } from '~/stores/who'
import { dayClockText } from '~/utils/dates'

interface Desk {
  readonly devices: readonly { id: string; name: string; addedAt: string; addedBy: string }[]
  readonly keys: readonly { id: string; name: string; scopes: readonly string[]; person: string }[]
  readonly happenings: readonly { at: string; person?: string; what: string; about: string }[]
}
/** The lab's people and what each may; for an administrator, what lets them in. */
useHead({ title: 'People · Zip Ledger' })
const who = useWhoStore()
const lab = useLabStore()
const desk = ref<Desk>()
const { isBusy, failure, problems, ask } = useAsked()
const load = (): Promise<boolean> =>
  ask(async () => {
    await lab.load()
    if (who.may('people')) desk.value = await send<Desk>('/api/people')
  })
onMounted(load)

const roleNames = Object.entries(roles) as [Role, string][]
const actionNames = Object.entries(actions) as [Action, string][]
const invited = ref<Role>('student')
const invitedName = ref('')
const invitedAt = ref('')
const sent = ref('')
const link = ref<{ text: string; for: string }>()
watch(
  () => who.me?.mayInvite,
  roles => (invited.value = roles?.includes('chemist') ? 'chemist' : 'student'),
  { immediate: true },
)
const invite = (): Promise<boolean> =>
  ask(async () => {
    const [name, address] = [invitedName.value.trim(), invitedAt.value.trim()]
    const body = { role: invited.value, ...(name && { name }), ...(address && { address }) }
    link.value = undefined
    sent.value = ''
    const answer = await send<{ link?: string; sent?: string }>('/api/people/links', { method: 'POST', body })
    invitedAt.value = ''
    sent.value = answer.sent ?? ''
    if (!answer.link) return
    link.value = {
      text: answer.link,
      for: `${invitedName.value.trim() || 'whoever gets it'}, as ${roles[invited.value].toLowerCase()}`,
    }
    invitedName.value = ''
  })
const helpIn = ({ id, name }: Person): Promise<boolean> =>
  ask(async () => {
    const answer = await send<{ link: string }>(`/api/people/${id}/link`, { method: 'POST', body: {} })
    link.value = { text: answer.link, for: `${name}, to come back in` }
  })
const change = (id: string, body: { role?: Role; isClosed?: boolean }): Promise<boolean> =>
  ask(async () => {
    await send(`/api/people/${id}`, { method: 'PUT', body })
    await lab.load()
    if (id === who.me?.person) await who.load()
  }).then(isDone => (isDone ? load() : load().then(() => false)))
const tabletName = ref('')
const enrol = (): Promise<boolean> =>
  ask(async () => {
    await send('/api/devices', { method: 'POST', body: { name: tabletName.value } })
    tabletName.value = ''
  }).then(isDone => (isDone ? load() : false))
const drop = (path: string): Promise<boolean> =>
  ask(() => send(path, { method: 'DELETE' })).then(isDone => (isDone ? load() : false))
const time = (at: string): string => dayClockText(Date.parse(at))
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <h1>People of {{ who.me?.lab.name }}</h1>
    <p v-if="failure" class="mt-3 rounded-lg bg-amber-soft p-3 text-amber" role="alert">{{ failure }}</p>
    <p v-if="link" class="mt-3 max-w-[860px] rounded-lg bg-verdigris-soft p-3" role="status">
      A link for {{ link.for }}. Hand it over in person or by a way that only they read; it is good once, and shown this
      once:
      <span class="figure mt-1 block break-all select-all">{{ link.text }}</span>
    </p>
    <p v-if="sent" class="mt-3 max-w-[860px] rounded-lg bg-verdigris-soft p-3" role="status">
      The link is on its way to {{ sent }}.
    </p>
    <ul class="mt-3 max-w-[860px]" aria-label="People">
      <li
        v-for="person in lab.lab?.people ?? []"
        :key="person.id"
        class="flex flex-wrap items-center gap-3 border-b border-rule py-1.5"
        :class="{ 'text-soft': person.closedAt }"
      >
        <span class="min-w-[200px] flex-1"
          >{{ person.name }} <span v-if="person.id === who.me?.person" class="tag">you</span>
          <span class="small block"
            >{{ roles[person.role]
            }}<template v-if="person.closedAt"
              >, closed {{ time(person.closedAt) }}; what they wrote stays theirs</template
            ><template v-else-if="!person.hasAccount && !who.me?.isDemo">, has no sign-in</template></span
          ></span
        >
        <template v-if="who.may('people')">
          <label v-if="!person.closedAt"
            ><span class="sr-only">Role of {{ person.name }}</span
            ><select
              class="field w-[150px]"
              :value="person.role"
              @change="change(person.id, { role: ($event.target as HTMLSelectElement).value as Role })"
            >
              <option v-for="[key, name] in roleNames" :key="key" :value="key">{{ name }}</option>
            </select></label
          >
          <button
            v-if="person.hasAccount && !person.closedAt"
            type="button"
            class="button button-quiet"
            @click="helpIn(person)"
          >
            Help back in<span class="sr-only">: {{ person.name }}</span>
          </button>
          <button type="button" class="button button-quiet" @click="change(person.id, { isClosed: !person.closedAt })">
            {{ person.closedAt ? 'Open again' : 'Close' }}<span class="sr-only">: {{ person.name }}</span>
          </button>
        </template>
      </li>
    </ul>
    <form
      v-if="who.me && who.me.mayInvite.length > 0"
      class="mt-4 flex max-w-[860px] flex-wrap items-end gap-3"
      @submit.prevent="invite"
    >
      <LineField v-model="invitedName" class="min-w-[200px] flex-1" label="Invite somebody, called" />
      <LineField
        v-if="who.me.hasMail"
        v-model="invitedAt"
        class="min-w-[200px] flex-1"
        label="Mail it to, or nothing"
        mode="email"
        :problem="problems.address"
      />
      <label
        ><span class="label">as</span
        ><select v-model="invited" class="field w-[160px]">
          <option v-for="role in who.me.mayInvite" :key="role" :value="role">{{ roles[role] }}</option>
        </select></label
      >
      <button type="submit" class="button" :disabled="isBusy">Make the link</button>
    </form>

    <section class="mt-8" aria-label="Who may do what">
      <h2>Who may do what</h2>
      <div class="mt-2 overflow-x-auto" tabindex="0" role="region" aria-label="Who may do what, as a table">
        <table class="border-collapse text-[14px]">
          <thead>
            <tr class="border-b-2 border-ink text-left">
              <th class="py-1.5 pr-6 font-normal text-soft">In this lab</th>
              <th
                v-for="[key, name] in roleNames"
                :key="key"
                class="px-2 text-center font-normal"
                :class="{ 'font-semibold': key === who.me?.role }"
              >
                {{ name }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="[action, name] in actionNames" :key="action" class="border-b border-rule">
              <th class="max-w-[460px] py-1.5 pr-6 text-left font-normal">{{ name }}</th>
              <td v-for="[role] in roleNames" :key="role" class="px-2 text-center">
                <template v-if="may(role, action)"
                  ><Check :size="16" class="inline text-verdigris" aria-hidden="true" /><span class="sr-only"
                    >yes</span
                  ></template
                ><span v-else class="sr-only">no</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="small mt-2">
        Administrators and reviewers need a second factor. At the tablet, by a PIN, nobody keeps tables, makes keys or
        lets people in.
      </p>
    </section>

    <template v-if="who.may('people') && desk">
      <section class="mt-8 max-w-[860px]" aria-label="The bench’s tablets">
        <h2>The bench’s tablets</h2>
        <ul class="mt-1">
          <li v-for="one in desk.devices" :key="one.id" class="flex items-center gap-3 border-b border-rule py-1.5">
            <span class="flex-1"
              >{{ one.name }}
              <span class="small block">enrolled {{ time(one.addedAt) }} by {{ lab.nameOf(one.addedBy) }}</span></span
            >
            <button type="button" class="button button-quiet" @click="drop(`/api/devices/${one.id}`)">
              Take its mark away
            </button>
          </li>
        </ul>
        <p v-if="who.me?.isDemo" class="mt-1">
          In the demo nobody is let in and no tablet is enrolled: set up a lab of your own by the link that
          <span class="figure">bin/start</span> prints.
        </p>
        <form v-else class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="enrol">
          <LineField
            v-model="tabletName"
            class="min-w-[200px] flex-1"
            label="Make this device a tablet of the bench, called"
          />
          <button type="submit" class="button" :disabled="isBusy || tabletName.trim() === ''">Enrol it</button>
        </form>
        <p v-if="!who.me?.isDemo" class="small mt-1">
          Then sign out on it: people come in there by their PIN or badge, and it locks when it is left.
        </p>
      </section>
      <section class="mt-8 max-w-[860px]" aria-label="Who countersigns a record">
        <h2>Who countersigns a record</h2>
        <div class="mt-1 grid gap-1">
          <label v-for="(words, rule) in reviewRules" :key="rule" class="flex min-h-8 items-center gap-2"
            ><input
              type="radio"
              name="review"
              class="size-5 accent-verdigris"
              :value="rule"
              :checked="(lab.lab?.settings.review ?? 'other') === rule"
              @change="ask(() => lab.saveSettings({ review: rule }))"
            />{{ words }}</label
          >
        </div>
        <p class="small mt-1">Before it is sealed. Whoever signed a record as its author never countersigns it.</p>
      </section>
      <section v-if="desk.keys.length > 0" class="mt-8 max-w-[860px]" aria-label="Keys of the lab">
        <h2>Keys of the lab</h2>
        <ul class="mt-1">
          <li v-for="key in desk.keys" :key="key.id" class="flex items-center gap-3 border-b border-rule py-1.5">
            <span class="flex-1"
              >{{ key.name }} <span class="tag">{{ key.scopes.join(', ') }}</span>
              <span class="small">of {{ lab.nameOf(key.person) }}</span></span
            >
            <button type="button" class="button button-quiet" @click="drop(`/api/keys/${key.id}`)">Close it</button>
          </li>
        </ul>
      </section>
      <p class="mt-8">
        <NuxtLink to="/load" class="text-verdigris underline underline-offset-4">How the installation stands</NuxtLink>:
        load, queue, backups, and what is slow.
      </p>
      <section class="mt-8 max-w-[860px]" aria-label="What happened at the door">
        <h2>What happened at the door</h2>
        <ol class="mt-1">
          <li v-for="(one, i) in desk.happenings" :key="i" class="border-b border-rule py-1 text-[14px]">
            <span class="figure mr-3 text-soft">{{ time(one.at) }}</span>{{
              one.person ? lab.nameOf(one.person) : 'Somebody'
            }}
            {{ one.what }}<template v-if="one.about"> ({{ one.about }})</template>
          </li>
        </ol>
        <p v-if="desk.happenings.length === 0" class="text-soft">Nothing yet.</p>
      </section>
    </template>
  </main>
</template>
