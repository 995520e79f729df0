<script setup lang="ts">
import { KeyRound } from '@lucide/vue'
import { send, useAsked } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'

/** How somebody comes in: by name and password, by a passkey, at the lab's tablet by PIN or badge, in the demo from its list. */
const who = useWhoStore()
const { isBusy, failure, problems, codes, ask } = useAsked()
const name = ref('')
const password = ref('')
const code = ref('')
const isCodeAsked = ref(false)
const person = ref('')
const pin = ref('')
const first = useTemplateRef('first')
const codeField = useTemplateRef('codeField')
onMounted(() => first.value?.focus())

const tablet = computed(() => who.ways?.tablet)
const chosen = computed(() => tablet.value?.people.find(({ id }) => id === person.value))
async function signIn(): Promise<void> {
  const body = { name: name.value, password: password.value, ...(isCodeAsked.value && { code: code.value }) }
  const isIn = await ask(() => send('/api/session', { method: 'POST', body }))
  if (codes.value.includes('access.code') && !isCodeAsked.value) {
    isCodeAsked.value = true
    problems.value = {}
    await nextTick()
    codeField.value?.focus()
  }
  if (isIn) await who.load()
}
async function byPasskey(): Promise<void> {
  const isIn = await ask(async () => {
    const { startAuthentication } = await import('@simplewebauthn/browser')
    const { id, options } = await send<{ id: string; options: never }>('/api/session/passkey-begin', {
      method: 'POST',
      body: {},
    })
    const response = await startAuthentication({ optionsJSON: options })
    await send('/api/session/passkey', { method: 'POST', body: { id, response } })
  })
  if (isIn) await who.load()
}
async function atTheTablet(): Promise<void> {
  const body = { ...(person.value && { person: person.value }), pin: pin.value }
  const isIn = await ask(() => send('/api/session/tablet', { method: 'POST', body }))
  pin.value = ''
  if (isIn) await who.load()
}
const { isSecureContext } = window
const byName = ref(false)
const isTablet = computed(() => tablet.value !== undefined && !byName.value)
</script>

<template>
  <main class="grid flex-1 place-items-start justify-center bg-stone px-4 py-10">
    <section class="card w-[420px] max-w-full p-6">
      <p class="small">Zip Ledger</p>
      <h1>{{ isTablet ? tablet?.name : 'Sign in' }}</h1>
      <p v-if="who.me" class="mt-1 text-soft">
        What you typed or recorded stays on this device, and goes out once you are in again.
      </p>
      <p v-if="failure" class="mt-3 rounded-lg bg-amber-soft p-3 text-amber" role="alert">{{ failure }}</p>

      <div v-if="who.ways?.demo" class="mt-4">
        <h2>The demo, as</h2>
        <div class="mt-2 flex flex-wrap gap-2">
          <button
            v-for="one in who.ways.demo"
            :key="one.id"
            type="button"
            class="button glove px-5"
            @click="ask(() => who.asDemo(one.id))"
          >
            {{ one.name }}
          </button>
        </div>
      </div>

      <form v-if="isTablet && tablet" class="mt-4" @submit.prevent="atTheTablet">
        <fieldset>
          <legend class="label">Who are you?</legend>
          <div class="mt-1 grid grid-cols-2 gap-2">
            <button
              v-for="one in tablet.people"
              :key="one.id"
              type="button"
              class="button button-quiet glove justify-start"
              :aria-pressed="person === one.id"
              :class="{ 'border-verdigris bg-verdigris-soft': person === one.id }"
              @click="person = person === one.id ? '' : one.id"
            >
              {{ one.name }}
            </button>
          </div>
        </fieldset>
        <SecretField
          v-model="pin"
          class="mt-4"
          :label="chosen ? `PIN of ${chosen.name}` : 'Badge: scan or type it'"
          autocomplete="off"
          :problem="problems.pin"
        />
        <button type="submit" class="button glove mt-4 w-full" :disabled="isBusy || pin === ''">Open</button>
        <button type="button" class="mt-4 min-h-11 underline" @click="byName = true">Sign in by name instead</button>
      </form>

      <template v-else-if="who.ways && !who.ways.isSetUp">
        <p class="mt-4">
          No lab is set up here yet. <span class="figure">bin/start</span> prints a link that makes the first
          administrator; it is good for a day.
        </p>
      </template>
      <template v-else>
        <form class="mt-4 grid gap-3" @submit.prevent="signIn">
          <LineField
            ref="first"
            v-model="name"
            label="Name or address"
            autocomplete="username"
            :problem="problems.name"
          />
          <SecretField
            v-model="password"
            label="Password"
            autocomplete="current-password"
            :problem="problems.password"
          />
          <LineField
            v-if="isCodeAsked"
            ref="codeField"
            v-model="code"
            label="Code of your second factor, or a recovery code"
            autocomplete="one-time-code"
            :problem="problems.code"
          />
          <button type="submit" class="button glove" :disabled="isBusy">{{ isBusy ? 'Looking' : 'Sign in' }}</button>
        </form>
        <button
          v-if="who.ways?.hasPasskeys"
          type="button"
          class="button button-quiet glove mt-3 w-full"
          @click="byPasskey"
        >
          <KeyRound :size="18" aria-hidden="true" class="mr-2 inline" />With a passkey
        </button>
        <p v-else-if="isSecureContext" class="small mt-4">
          Browsers give passkeys to pages from <span class="figure">localhost</span> or over TLS, by a name.
        </p>
        <p v-else class="small mt-4">
          This page came over a network without TLS: browsers give it no passkeys, no camera in the page and no serial
          port, and keep nothing of it for work without the network.
        </p>
        <p class="small mt-4">
          Forgotten? A recovery code takes the place of a second factor; for another password an administrator of your
          lab makes you a link.
        </p>
      </template>
    </section>
  </main>
</template>
