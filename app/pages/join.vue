<script setup lang="ts">
import { send, useAsked } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'

interface Found {
  readonly kind: 'first' | 'invite' | 'recover'
  readonly lab?: string
  readonly role?: string
  readonly name?: string
  readonly signName?: string
  readonly isIn?: boolean
}
/** Where a link that was handed over leads: a first lab is set up, somebody comes into a lab, or back in. */
useHead({ title: 'Come in · Zip Ledger' })
const who = useWhoStore()
/** The link's secret stands behind the #, which a browser sends to no server. */
const link = useRoute().hash.slice(1)
const found = ref<Found>()
const { isBusy, failure, problems, ask } = useAsked()
const lab = ref('')
const name = ref('')
const signName = ref('')
const address = ref('')
const password = ref('')

onMounted(() =>
  ask(async () => {
    found.value = await send<Found>('/api/join/look', { method: 'POST', body: { link } })
    name.value = found.value.name ?? ''
  }),
)
async function comeIn(): Promise<void> {
  const given = {
    lab: lab.value,
    name: name.value,
    signName: signName.value,
    address: address.value,
    password: password.value,
  }
  const filled = Object.fromEntries(Object.entries(given).filter(([, text]) => text.trim() !== ''))
  if (await ask(() => send('/api/join', { method: 'POST', body: { link, ...filled } }))) {
    await who.load()
    window.location.assign('/')
  }
}
const heading = computed(() =>
  found.value?.kind === 'first'
    ? 'Set up your lab'
    : found.value?.kind === 'recover'
      ? 'Come back in'
      : found.value?.lab
        ? `Come into ${found.value.lab}`
        : 'Come in',
)
const isNew = computed(() => found.value && found.value.kind !== 'recover' && !found.value.isIn)
</script>

<template>
  <main class="grid flex-1 place-items-start justify-center bg-stone px-4 py-10">
    <section class="card w-[460px] max-w-full p-6">
      <h1>{{ heading }}</h1>
      <p v-if="!found && !failure" class="mt-3 text-soft" aria-busy="true">Looking at the link.</p>
      <p v-if="failure" class="mt-3 rounded-lg bg-amber-soft p-3 text-amber" role="alert">{{ failure }}</p>
      <form v-if="found" class="mt-4 grid gap-3" @submit.prevent="comeIn">
        <p v-if="found.kind === 'first'" class="text-soft">
          You will be its administrator. The demo stays beside it on this machine, and opens to nobody on a network.
        </p>
        <p v-else-if="found.kind === 'invite'" class="text-soft">As {{ found.role }}.</p>
        <p v-else class="text-soft">
          Choose another password for <b>{{ found.signName }}</b>. Whoever is in by the old one is out, and passkeys,
          codes and recovery codes are to be set up anew.
        </p>
        <p v-if="found.isIn && found.kind === 'invite'">You come in with the account that you are signed in by.</p>
        <LineField
          v-if="found.kind === 'first'"
          v-model="lab"
          label="What the lab is called"
          autocomplete="organization"
          :problem="problems.lab"
        />
        <LineField
          v-if="isNew"
          v-model="name"
          label="Your name"
          hint="It stands beside what you record."
          autocomplete="name"
          :problem="problems.name"
        />
        <LineField
          v-if="isNew"
          v-model="signName"
          label="Name to sign in by"
          hint="One word."
          autocomplete="username"
          :problem="problems.signName"
        />
        <LineField
          v-if="isNew"
          v-model="address"
          label="Mail address, if you want to sign in by it too"
          mode="email"
          autocomplete="email"
          :problem="problems.address"
        />
        <SecretField
          v-if="isNew || found.kind === 'recover'"
          v-model="password"
          label="Password"
          hint="12 characters or more; a few words in a row will do."
          autocomplete="new-password"
          :problem="problems.password"
        />
        <button type="submit" class="button glove" :disabled="isBusy">{{ isBusy ? 'Coming in' : 'Come in' }}</button>
      </form>
    </section>
  </main>
</template>
