<script setup lang="ts">
import { send, useAsked } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'

/** Sets up codes by the clock: the password again, the secret as a picture and as text, the first code, recovery codes. */
const emit = defineEmits<{ done: [] }>()
const who = useWhoStore()
const { isBusy, problems, failure, ask } = useAsked()
const password = ref('')
const code = ref('')
const offered = ref<{ secret: string; picture: string }>()
const codes = ref<readonly string[]>()
const begin = (): Promise<boolean> =>
  ask(async () => {
    offered.value = await send<{ secret: string; picture: string }>('/api/account/factor', {
      method: 'POST',
      body: { password: password.value },
    })
    password.value = ''
  })
async function confirm(): Promise<void> {
  who.showsCodes = true
  const isTaken = await ask(async () => {
    const answer = await send<{ codes: string[] }>('/api/account/factor', {
      method: 'PUT',
      body: { code: code.value },
    })
    codes.value = answer.codes
    if (answer.codes.length === 0) await done()
  })
  if (!isTaken) who.showsCodes = false
}
async function done(): Promise<void> {
  who.showsCodes = false
  emit('done')
  await who.load()
}
onBeforeUnmount(() => (who.showsCodes = false))
const picture = computed(() => `data:image/svg+xml;utf8,${encodeURIComponent(offered.value?.picture ?? '')}`)
</script>

<template>
  <div>
    <p v-if="failure" class="mb-2 text-amber" role="alert">{{ failure }}</p>
    <RecoveryCodes v-if="codes && codes.length > 0" :codes="codes" @kept="done" />
    <form v-else-if="offered" class="grid gap-3" @submit.prevent="confirm">
      <p>Photograph this with the program that makes your codes, or type the text into it.</p>
      <img
        :src="picture"
        width="180"
        height="180"
        alt="The secret as a code to photograph; the text below says the same"
        class="bg-white"
      />
      <p class="figure break-all select-all">{{ offered.secret.match(/.{1,4}/g)?.join(' ') }}</p>
      <LineField
        v-model="code"
        label="The code that it shows now"
        mode="numeric"
        autocomplete="one-time-code"
        :problem="problems.code"
      />
      <button type="submit" class="button glove" :disabled="isBusy">Take it</button>
    </form>
    <form v-else class="grid gap-3" @submit.prevent="begin">
      <SecretField
        v-model="password"
        label="Your password once more"
        autocomplete="current-password"
        :problem="problems.old"
      />
      <button type="submit" class="button glove" :disabled="isBusy || password === ''">Set up codes</button>
    </form>
  </div>
</template>
