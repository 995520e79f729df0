<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import {
  equipment,
  operationNames,
  operationOf,
  readWait,
  type Equipment,
  type Operation,
  type Step,
} from '#core/journal'
import { explainQuantity, parseQuantity, type Kind } from '#core/quantity'
import { readOperation, type OperationPlan } from '#core/vessel'

/** One step of a procedure, made or changed: what is done, with what target, how long, until when. */
const { step, open, species } = defineProps<{
  step: Step | undefined
  open: boolean
  /** What the sheet charges, for a step that puts it in. */
  species: readonly string[]
}>()
const does = ref<OperationPlan>()
const emit = defineEmits<{ close: []; keep: [step: Omit<Step, 'id'>] }>()

const operation = ref<Operation>('wash')
const words = ref('')
const text = reactive({ target: '', tolerance: '', hands: '', wait: '', until: '', every: '' })
const times = ref(1)
const needs = ref<readonly Equipment[]>([])
watch(
  () => open,
  isOpen => {
    if (!isOpen) return
    operation.value = step?.do ?? 'wash'
    words.value = step?.words ?? ''
    does.value = step?.does
    Object.assign(text, {
      target: step?.target ?? '',
      tolerance: step?.tolerance ?? '',
      hands: step?.hands ?? '',
      wait: step?.wait ?? '',
      until: step?.until ?? '',
      every: step?.repeat?.every ?? '',
    })
    times.value = step?.repeat?.times ?? 1
    needs.value = step?.needs ?? operationOf(operation.value).needs
  },
)
watch(operation, () => {
  if (!step) needs.value = operationOf(operation.value).needs
})

const ANY: readonly Kind[] = ['mass', 'volume', 'temperature', 'time', 'number']
const kinds: Record<'target' | 'tolerance' | 'hands' | 'wait' | 'every', readonly Kind[]> = {
  target: ANY,
  tolerance: [...ANY, 'mass fraction'],
  hands: ['time'],
  wait: ['time'],
  every: ['time'],
}
function problemOf(field: keyof typeof kinds) {
  if (text[field].trim() === '') return undefined
  if (field === 'wait' && readWait(text.wait)) return undefined
  const read = parseQuantity(text[field], { kinds: kinds[field], name: field, source: field, zero: true })
  return read.ok ? undefined : { span: read.problem.span, ...explainQuantity(read.problem) }
}
const fields = ['target', 'tolerance', 'hands', 'wait', 'every'] as const
const labels = {
  target: 'Target',
  tolerance: 'How far off it may be',
  hands: 'Hands-on',
  wait: 'Then wait',
  every: 'Every so long',
} as const
/** An amount that does not read would take the account’s sight; it is said beside its field. */
const isEffectGood = computed(() => does.value === undefined || readOperation(does.value).ok)
const isGood = computed(
  () => words.value.trim() !== '' && fields.every(field => !problemOf(field)) && times.value >= 1 && isEffectGood.value,
)

function keep(): void {
  if (!isGood.value) return
  const given = (field: 'target' | 'tolerance' | 'hands' | 'wait' | 'until') =>
    text[field].trim() === '' ? {} : { [field]: text[field].trim() }
  const about = step?.about
  emit('keep', {
    do: operation.value,
    words: words.value.trim(),
    ...(step?.why && { why: step.why }),
    ...(about && { about }),
    ...(does.value && { does: does.value }),
    ...given('target'),
    ...given('tolerance'),
    ...given('hands'),
    ...given('wait'),
    ...given('until'),
    ...(times.value > 1 && {
      repeat: { times: Math.min(99, Math.round(times.value)), ...(text.every.trim() && { every: text.every.trim() }) },
    }),
    needs: [...needs.value],
  })
}
const toggle = (one: Equipment): void => {
  needs.value = needs.value.includes(one) ? needs.value.filter(other => other !== one) : [...needs.value, one]
}
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-10">
      <DialogPanel class="w-[640px] max-w-full rounded-xl bg-sheet p-5 shadow-xl">
        <DialogTitle class="text-[19px] font-semibold">{{ step ? 'Change the step' : 'Add a step' }}</DialogTitle>
        <form class="mt-3 grid gap-3 sm:grid-cols-2" @submit.prevent="keep">
          <label
            ><span class="label">Operation</span>
            <select v-model="operation" class="field min-h-12">
              <option v-for="name in operationNames" :key="name">{{ name }}</option>
            </select>
          </label>
          <label
            ><span class="label">How often</span>
            <input v-model.number="times" type="number" min="1" max="99" class="field figure min-h-12" />
          </label>
          <label class="sm:col-span-2"
            ><span class="label">What is done, in words; formulas in braces</span>
            <input
              v-model="words"
              class="field min-h-12"
              maxlength="300"
              placeholder="Wash with 4 mL of ice-cold water"
            />
          </label>
          <QuantityField
            v-for="field in fields"
            :key="field"
            v-model="text[field]"
            wide
            class="tall"
            :label="labels[field]"
            :problem="problemOf(field)"
            @enter="keep"
          />
          <label
            ><span class="label">Until</span>
            <input v-model="text.until" class="field min-h-12" maxlength="200" placeholder="it no longer fizzes" />
          </label>
          <EffectFields v-model="does" :species="species" />
          <fieldset class="sm:col-span-2">
            <legend class="label">Needs</legend>
            <div class="flex flex-wrap gap-2">
              <button
                v-for="one in equipment"
                :key="one"
                type="button"
                class="button button-quiet glove px-3"
                :class="{ 'border-verdigris bg-verdigris-soft': needs.includes(one) }"
                :aria-pressed="needs.includes(one)"
                @click="toggle(one)"
              >
                {{ one }}
              </button>
            </div>
          </fieldset>
          <div class="flex gap-2 sm:col-span-2">
            <button type="submit" class="button glove" :disabled="!isGood">{{ step ? 'Keep it' : 'Add it' }}</button>
            <button type="button" class="button button-quiet glove" @click="emit('close')">Cancel</button>
          </div>
        </form>
      </DialogPanel>
    </div>
  </Dialog>
</template>

<style scoped>
.tall :deep(input) {
  min-height: 48px;
}
</style>
