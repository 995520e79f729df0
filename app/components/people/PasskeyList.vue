<script setup lang="ts">
import { send, useAsked } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'
import { dayClockText } from '~/utils/dates'

interface Passkey {
  readonly id: string
  readonly name: string
  readonly addedAt: string
  readonly usedAt?: string
}
/** One's passkeys: what there is, another one, away with one. */
const { passkeys = [] } = defineProps<{ passkeys?: readonly Passkey[] }>()
const emit = defineEmits<{ changed: [] }>()
const who = useWhoStore()
const { isBusy, failure, problems, ask } = useAsked()
const name = ref('')
async function add(): Promise<void> {
  const isDone = await ask(async () => {
    const { startRegistration } = await import('@simplewebauthn/browser')
    const { id, options } = await send<{ id: string; options: never }>('/api/account/passkeys/begin', {
      method: 'POST',
      body: {},
    })
    const response = await startRegistration({ optionsJSON: options })
    await send('/api/account/passkeys', {
      method: 'POST',
      body: { id, name: name.value.trim() || 'This device', response },
    })
  })
  if (!isDone) return
  name.value = ''
  emit('changed')
  await who.load()
}
async function remove(id: string): Promise<void> {
  if (await ask(() => send(`/api/account/passkeys/${encodeURIComponent(id)}`, { method: 'DELETE' }))) emit('changed')
}
</script>

<template>
  <div>
    <ul v-if="passkeys.length > 0" class="mb-3">
      <li v-for="key in passkeys" :key="key.id" class="flex items-center gap-3 border-b border-rule py-1">
        <span class="flex-1"
          >{{ key.name }}
          <span class="small block"
            >added {{ dayClockText(Date.parse(key.addedAt))
            }}<template v-if="key.usedAt">, used {{ dayClockText(Date.parse(key.usedAt)) }}</template></span
          ></span
        >
        <button type="button" class="button button-quiet" :disabled="isBusy" @click="remove(key.id)">Remove</button>
      </li>
    </ul>
    <p v-if="failure" class="mb-2 text-amber" role="alert">{{ failure }}</p>
    <form v-if="who.me?.hasPasskeys" class="flex flex-wrap items-end gap-3" @submit.prevent="add">
      <LineField
        v-model="name"
        class="min-w-[180px] flex-1"
        label="Name of a new passkey"
        hint="such as Phone, or Key on the ring"
        :problem="problems.name"
      />
      <button type="submit" class="button glove mb-[22px]" :disabled="isBusy">Add a passkey</button>
    </form>
    <p v-else class="small">Passkeys need TLS, or a page from <span class="figure">localhost</span>.</p>
  </div>
</template>
