<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { explainQuantity, parseQuantity, toSignificant } from '#core/quantity'
import { type Step, type Trouble } from '#core/journal'
import { asksReagent, rescuesFor, withReagent, type Rescue } from '#core/procedure'
import type { ReagentLine } from '#core/sheet'

/** What went wrong at this step, the usual rescue, and the steps it puts in. */
const { step, open, reagents } = defineProps<{
  step: Step | undefined
  open: boolean
  /** What the sheet charges: more of one of them may be added. */
  reagents: readonly ReagentLine[]
}>()
const emit = defineEmits<{ close: []; record: [text: string, steps: readonly Omit<Step, 'id'>[], code: Trouble] }>()

const rescues = computed(() => (step ? rescuesFor(step.do) : []))
const chosen = ref<Rescue>()
const words = ref('')
watch(
  () => open,
  () => {
    chosen.value = undefined
    words.value = ''
  },
)
const candidates = computed(() => reagents.filter(({ planned, mass, volume }) => planned && (mass || volume)))
const species = ref('')
const amount = ref('')
const line = computed(() => candidates.value.find(one => one.species === species.value))
/** A tenth of what the sheet charges of it. */
const TENTH = 0.1
function suggest(): void {
  const { volume, mass } = line.value ?? {}
  amount.value = volume
    ? `${toSignificant(volume.value * TENTH, 2)} mL`
    : mass
      ? `${toSignificant(mass.value * TENTH, 2)} g`
      : ''
}
watch(chosen, () => {
  // What dissolves a solid is mostly measured: a solution comes first.
  species.value = (candidates.value.find(({ volume }) => volume) ?? candidates.value[0])?.species ?? ''
  suggest()
})
const isAsking = computed(() => chosen.value !== undefined && asksReagent(chosen.value) && candidates.value.length > 0)
const read = computed(() =>
  parseQuantity(amount.value, { kinds: line.value?.volume ? ['volume'] : ['mass'], name: 'added', source: 'added' }),
)
const amountProblem = computed(() =>
  read.value.ok ? undefined : { span: read.value.problem.span, ...explainQuantity(read.value.problem) },
)
const steps = computed(() => {
  if (!chosen.value) return []
  if (!isAsking.value) return chosen.value.steps
  return withReagent(
    chosen.value,
    species.value,
    line.value?.volume ? { volume: amount.value } : { mass: amount.value },
  )
})
const needsWords = computed(() => chosen.value?.code === 'other' && words.value.trim() === '')
function record(withSteps: boolean): void {
  if (!chosen.value || needsWords.value) return
  const text = words.value.trim()
  const said = chosen.value.code === 'other' ? text : text ? `${chosen.value.trouble}: ${text}` : chosen.value.trouble
  if (withSteps && isAsking.value && !read.value.ok) return
  emit('record', said, withSteps ? steps.value : [], chosen.value.code)
}
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-14">
      <DialogPanel class="w-[620px] max-w-full rounded-xl bg-sheet p-5 shadow-xl">
        <DialogTitle class="text-[19px] font-semibold">Something went wrong</DialogTitle>
        <p v-if="step" class="mt-0.5 text-soft">at: <RichText :text="step.words" /></p>
        <div class="mt-3 flex flex-wrap gap-2" role="group" aria-label="What happened">
          <button
            v-for="rescue in rescues"
            :key="rescue.trouble"
            type="button"
            class="button button-quiet glove px-4"
            :class="{ 'border-verdigris bg-verdigris-soft': rescue === chosen }"
            :aria-pressed="rescue === chosen"
            @click="chosen = rescue"
          >
            {{ rescue.trouble }}
          </button>
        </div>
        <template v-if="chosen">
          <p class="mt-3 text-[16px]">{{ chosen.advice }}</p>
          <div v-if="isAsking" class="mt-3 grid gap-3 sm:grid-cols-2">
            <label
              ><span class="label">More of</span>
              <select v-model="species" class="field min-h-12" @change="suggest">
                <option v-for="one in candidates" :key="one.species" :value="one.species">
                  {{ one.weighAs || one.species }}
                </option>
              </select>
            </label>
            <QuantityField v-model="amount" wide label="How much" :problem="amountProblem" />
          </div>
          <ol v-if="steps.length > 0" class="mt-2 list-decimal pl-6 text-[14.5px]">
            <li v-for="(one, i) in steps" :key="i">
              <RichText :text="one.words" /><span v-if="one.until" class="text-soft">, until {{ one.until }}</span>
            </li>
          </ol>
          <label class="mt-3 block"
            ><span class="label">{{ chosen.code === 'other' ? 'What happened' : 'More about it, if you like' }}</span>
            <textarea v-model="words" class="field" rows="2" maxlength="3000" />
          </label>
          <div class="mt-3 flex flex-wrap gap-2">
            <button
              v-if="chosen.steps.length > 0"
              type="button"
              class="button glove"
              :disabled="needsWords"
              @click="record(true)"
            >
              Record it and put these steps in
            </button>
            <button
              type="button"
              class="button glove"
              :class="{ 'button-quiet': chosen.steps.length > 0 }"
              :disabled="needsWords"
              @click="record(false)"
            >
              Only record it
            </button>
          </div>
        </template>
        <button type="button" class="button button-quiet glove mt-3" @click="emit('close')">Back to the step</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
