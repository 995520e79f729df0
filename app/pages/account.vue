<script setup lang="ts">
import { send, useAsked } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'
import { dayClockText } from '~/utils/dates'

interface Account {
  readonly name: string
  readonly address?: string
  readonly hasFactor: boolean
  readonly codes: number
  readonly passkeys: readonly { id: string; name: string; addedAt: string; usedAt?: string }[]
  readonly sessions: readonly {
    id: string
    about: string
    begunAt: string
    seenAt: string
    kind: string
    isThis: boolean
  }[]
  readonly hasPin: boolean
  readonly hasBadge: boolean
}
/** One's own account: by what one comes in, and where one is in. */
useHead({ title: 'Your account · Zip Ledger' })
const who = useWhoStore()
const account = ref<Account>()
const reading = useAsked()
const load = (): Promise<boolean> => reading.ask(async () => (account.value = await send<Account>('/api/account')))
onMounted(load)

const changing = useAsked()
const old = ref('')
const password = ref('')
const isChanged = ref(false)
async function changePassword(): Promise<void> {
  isChanged.value = false
  const body = { old: old.value, password: password.value }
  isChanged.value = await changing.ask(() => send('/api/account/password', { method: 'PUT', body }))
  if (!isChanged.value) return
  old.value = ''
  password.value = ''
  await load()
}
const proving = useAsked()
const proof = ref('')
const codes = ref<readonly string[]>()
const newCodes = (): Promise<boolean> =>
  proving.ask(async () => {
    codes.value = (
      await send<{ codes: string[] }>('/api/account/codes', { method: 'POST', body: { password: proof.value } })
    ).codes
    proof.value = ''
    await load()
  })
const dropFactor = (): Promise<boolean> =>
  proving.ask(async () => {
    await send('/api/account/factor', { method: 'DELETE', body: { password: proof.value } })
    proof.value = ''
    await load()
  })
const atTablet = useAsked()
const pin = ref('')
const pinProof = ref('')
const badge = ref<{ code: string; picture: string }>()
const setPin = (): Promise<boolean> =>
  atTablet.ask(async () => {
    await send('/api/account/pin', { method: 'PUT', body: { password: pinProof.value, pin: pin.value } })
    pin.value = ''
    pinProof.value = ''
    await load()
  })
const makeBadge = (): Promise<boolean> =>
  atTablet.ask(async () => {
    badge.value = await send<{ code: string; picture: string }>('/api/account/badge', {
      method: 'POST',
      body: { password: pinProof.value },
    })
    pinProof.value = ''
    await load()
  })
const picture = computed(() => `data:image/svg+xml;utf8,${encodeURIComponent(badge.value?.picture ?? '')}`)
const ending = useAsked()
const end = (id: string): Promise<boolean> =>
  ending.ask(async () => {
    await send(`/api/account/sessions/${id}`, { method: 'DELETE' })
    await load()
  })
const endOthers = (): Promise<boolean> =>
  ending.ask(async () => {
    await send('/api/account/sessions', { method: 'DELETE' })
    await load()
  })
const time = (at: string): string => dayClockText(Date.parse(at))
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <h1>Your account</h1>
    <p v-if="who.me && who.me.via !== 'sign-in'" class="mt-3">
      {{
        who.me.isDemo
          ? 'People of the demo have no account: they are chosen from a list.'
          : 'Sign in by your name to see your account; the tablet does not show it.'
      }}
    </p>
    <p v-else-if="reading.failure.value" class="mt-3 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
      {{ reading.failure.value }} <button type="button" class="underline" @click="load">Try again</button>
    </p>
    <p v-else-if="!account" class="mt-3 text-soft" aria-busy="true">Reading your account.</p>
    <div v-else class="mt-1">
      <p class="text-soft">
        You sign in as <b>{{ account.name }}</b><template v-if="account.address"> or {{ account.address }}</template
        >.
      </p>
      <div class="mt-5 grid items-start gap-x-10 gap-y-8 lg:grid-cols-2">
        <section aria-label="Password">
          <h2>Password</h2>
          <form class="mt-2 grid max-w-[420px] gap-3" @submit.prevent="changePassword">
            <input
              type="text"
              class="sr-only"
              tabindex="-1"
              aria-hidden="true"
              autocomplete="username"
              :value="account.name"
              readonly
            />
            <SecretField
              v-model="old"
              label="The one you have"
              autocomplete="current-password"
              :problem="changing.problems.value.old"
            />
            <SecretField
              v-model="password"
              label="Another one"
              hint="12 characters or more; a few words in a row will do. Whoever is in elsewhere is out."
              autocomplete="new-password"
              :problem="changing.problems.value.password"
            />
            <button type="submit" class="button" :disabled="changing.isBusy.value || !old || !password">
              Change it
            </button>
            <p v-if="isChanged" role="status">Changed.</p>
            <p v-if="changing.failure.value" class="text-amber" role="alert">{{ changing.failure.value }}</p>
          </form>
        </section>
        <section aria-label="Passkeys">
          <h2>Passkeys</h2>
          <PasskeyList class="mt-2" :passkeys="account.passkeys" @changed="load" />
        </section>
        <section aria-label="Second factor by codes">
          <h2>Second factor by codes</h2>
          <FactorSetUp v-if="!account.hasFactor" class="mt-2 max-w-[420px]" @done="load" />
          <RecoveryCodes v-else-if="codes" class="mt-2" :codes="codes" @kept="codes = undefined" />
          <form v-else class="mt-2 grid max-w-[420px] gap-3" @submit.prevent="newCodes">
            <p>It is set up. {{ account.codes }} recovery codes are left.</p>
            <SecretField
              v-model="proof"
              label="Your password once more"
              autocomplete="current-password"
              :problem="proving.problems.value.old"
            />
            <div class="flex flex-wrap gap-3">
              <button type="submit" class="button" :disabled="proving.isBusy.value || !proof">
                New recovery codes
              </button>
              <button
                type="button"
                class="button button-quiet"
                :disabled="proving.isBusy.value || !proof"
                @click="dropFactor"
              >
                Take the factor away
              </button>
            </div>
            <p v-if="proving.failure.value" class="text-amber" role="alert">{{ proving.failure.value }}</p>
          </form>
        </section>
        <section aria-label="At the bench’s tablet">
          <h2>At the bench’s tablet</h2>
          <form class="mt-2 grid max-w-[420px] gap-3" @submit.prevent="setPin">
            <p>
              {{ account.hasPin ? 'You have a PIN.' : 'You have no PIN.' }}
              {{ account.hasBadge ? 'You have a badge.' : 'You have no badge.' }} Both are for this lab’s tablet alone.
            </p>
            <LineField
              v-model="pin"
              :label="account.hasPin ? 'Another PIN' : 'A PIN'"
              mode="numeric"
              hint="6 digits or more."
              :problem="atTablet.problems.value.pin"
            />
            <SecretField
              v-model="pinProof"
              label="Your password once more"
              autocomplete="current-password"
              :problem="atTablet.problems.value.old"
            />
            <div class="flex flex-wrap gap-3">
              <button type="submit" class="button" :disabled="atTablet.isBusy.value || !pin || !pinProof">
                Keep the PIN
              </button>
              <button
                type="button"
                class="button button-quiet"
                :disabled="atTablet.isBusy.value || !pinProof"
                @click="makeBadge"
              >
                Make a badge
              </button>
            </div>
            <p v-if="atTablet.failure.value" class="text-amber" role="alert">{{ atTablet.failure.value }}</p>
            <figure v-if="badge">
              <img :src="picture" width="160" height="160" alt="Your badge as a code to scan" class="bg-white" />
              <figcaption class="figure mt-1 select-all">{{ badge.code }}</figcaption>
              <p class="small">Print it now: it is shown this once.</p>
            </figure>
          </form>
        </section>
        <section aria-label="Where you are in" class="lg:col-span-2">
          <h2>Where you are in</h2>
          <ul class="mt-2 max-w-[760px]">
            <li
              v-for="one in account.sessions"
              :key="one.id"
              class="flex items-center gap-3 border-b border-rule py-1.5"
            >
              <span class="flex-1"
                >{{ one.about }}<template v-if="one.kind === 'tablet'">, the tablet</template>
                <span class="small block">since {{ time(one.begunAt) }}, last seen {{ time(one.seenAt) }}</span></span
              >
              <span v-if="one.isThis" class="tag">here</span>
              <button v-else type="button" class="button button-quiet" @click="end(one.id)">End it</button>
            </li>
          </ul>
          <button v-if="account.sessions.length > 1" type="button" class="button button-quiet mt-3" @click="endOthers">
            End all the others
          </button>
          <p v-if="ending.failure.value" class="text-amber" role="alert">{{ ending.failure.value }}</p>
        </section>
        <KeyList v-if="who.may('key')" class="lg:col-span-2" />
      </div>
    </div>
    <KeyList v-if="who.me?.isDemo && who.may('key')" class="mt-6" />
  </main>
</template>
