<script setup lang="ts">
import { send, useAsked } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'

/** Somebody whose role needs a second factor gives its code, or sets one up, before the lab opens. */
const who = useWhoStore()
const { isBusy, problems, failure, ask } = useAsked()
const code = ref('')
async function give(): Promise<void> {
  if (await ask(() => send('/api/session/factor', { method: 'POST', body: { code: code.value } }))) await who.load()
}
</script>

<template>
  <main class="grid flex-1 place-items-start justify-center bg-stone px-4 py-10">
    <section class="card w-[520px] max-w-full p-6">
      <template v-if="who.me?.needs === 'code'">
        <h1>Your second factor</h1>
        <form class="mt-4 grid gap-3" @submit.prevent="give">
          <LineField
            v-model="code"
            label="Code, or a recovery code"
            autocomplete="one-time-code"
            :problem="problems.code"
          />
          <p v-if="failure" class="text-amber" role="alert">{{ failure }}</p>
          <button type="submit" class="button glove" :disabled="isBusy">Go on</button>
        </form>
      </template>
      <template v-else>
        <h1>Set up a second factor</h1>
        <p class="mt-1 text-soft">
          Your role decides about others: it takes more than a password. A passkey is the simplest; codes from a program
          on your phone do as well.
        </p>
        <FactorSetUp class="mt-4" />
        <PasskeyList class="mt-6" />
      </template>
      <button type="button" class="mt-6 min-h-11 underline" @click="who.leave()">Sign out</button>
    </section>
  </main>
</template>
