<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { KeyRound } from '@lucide/vue'
import { meanings, type ActKind } from '#core/record'
import { send, useAsked } from '~/composables/useAsked'

/** Puts a name to a record: what that means, and the proof that it is they. */
const { kind, path, via, of, place } = defineProps<{
  kind: ActKind
  /** Where it is sent. */
  path: string
  /** How they came in, which says what proves them. */
  via: string
  of?: number | undefined
  place?: string | undefined
}>()
const emit = defineEmits<{ close: []; done: [] }>()
const { isBusy, failure, problems, ask } = useAsked()
const text = ref('')
const secret = ref('')

const titles = {
  signed: 'Sign as author',
  remark: 'Say something',
  returned: 'Send it back',
  countersigned: 'Countersign',
  sealed: 'Seal',
  addendum: 'Add an addendum',
  'addendum-countersigned': 'Countersign the addendum',
} as const
const meaning = computed(() => (meanings as Partial<Record<ActKind, string>>)[kind])
const hasText = computed(() => ['remark', 'returned', 'addendum'].includes(kind))
const isProven = computed(() => kind !== 'remark')
const isPin = computed(() => via === 'tablet')

const bodyWith = (proof?: object): object => ({
  kind,
  ...(hasText.value && { text: text.value }),
  ...(of !== undefined && { of }),
  ...(place !== undefined && { place }),
  ...(proof && { proof }),
})
async function post(proof?: object): Promise<void> {
  await send(path, { method: 'POST', body: bodyWith(proof) })
  emit('done')
}
const go = (): Promise<boolean> =>
  ask(async () => {
    if (!isProven.value) return post()
    if (via === 'demo') return post({ by: 'demo' })
    return post(isPin.value ? { by: 'pin', pin: secret.value } : { by: 'password', password: secret.value })
  })
const byPasskey = (): Promise<boolean> =>
  ask(async () => {
    const { startAuthentication } = await import('@simplewebauthn/browser')
    const { id, options } = await send<{ id: string; options: never }>('/api/session/passkey-begin', {
      method: 'POST',
      body: {},
    })
    await post({ by: 'passkey', id, response: await startAuthentication({ optionsJSON: options }) })
  })
const { isSecureContext } = window
const wrong = computed(() => problems.value.proof ?? problems.value.kind ?? problems.value.text)
</script>

<template>
  <Dialog :open="true" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-3 sm:pt-16">
      <DialogPanel class="w-[520px] max-w-full rounded-xl bg-sheet p-5 shadow-xl">
        <form @submit.prevent="go">
          <DialogTitle class="text-[19px] font-semibold">{{ titles[kind] }}</DialogTitle>
          <p v-if="meaning" class="mt-2 border-l-[3px] border-verdigris pl-3 text-[16px]">{{ meaning }}</p>
          <p v-if="kind === 'sealed'" class="mt-2 text-[14px]">
            After this nobody records, corrects or changes anything of this batch. It cannot be taken back.
          </p>
          <label v-if="hasText" class="mt-3 block"
            ><span class="label">{{ kind === 'returned' ? 'Why, and what is to be done' : 'In your words' }}</span>
            <textarea v-model="text" class="field" rows="4" maxlength="4000" required />
          </label>
          <template v-if="isProven">
            <p v-if="via === 'demo'" class="mt-3 rounded-lg bg-amber-soft p-3 text-[14px] text-amber">
              In the demo nobody has a password: your name is put without proof, and the record says so.
            </p>
            <label v-else class="mt-3 block"
              ><span class="label">{{ isPin ? 'Your PIN, once more' : 'Your password, once more' }}</span>
              <input
                v-model="secret"
                type="password"
                class="field"
                :inputmode="isPin ? 'numeric' : 'text'"
                :autocomplete="isPin ? 'off' : 'current-password'"
                :aria-invalid="!!problems.proof"
                required
              />
            </label>
          </template>
          <p v-if="wrong || failure" class="mt-2 text-red" role="alert">{{ wrong ?? failure }}</p>
          <div class="mt-4 flex flex-wrap gap-3">
            <button type="button" class="button button-quiet" @click="emit('close')">Not now</button>
            <button
              v-if="isProven && via === 'sign-in' && isSecureContext"
              type="button"
              class="button button-quiet"
              :disabled="isBusy"
              @click="byPasskey"
            >
              <KeyRound :size="17" aria-hidden="true" />With a passkey
            </button>
            <button type="submit" class="button" :disabled="isBusy">{{ titles[kind] }}</button>
          </div>
        </form>
      </DialogPanel>
    </div>
  </Dialog>
</template>
