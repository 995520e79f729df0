<script setup lang="ts">
import { comesOf, formulaOf, knownBy, strengthText, type KnownBy, type Label, type MakerCode } from '#core/shelf'
import { parseQuantity } from '#core/quantity'

/** What is written on a bottle, to be typed; what does not read is told at its field. */
const {
  label,
  action,
  isBusy = false,
  hasAmount = false,
  came = '',
} = defineProps<{
  label?: Label | undefined
  action: string
  isBusy?: boolean
  /** Asks how much came, too. */
  hasAmount?: boolean
  /** How much came, as far as it is known already. */
  came?: string
}>()
const emit = defineEmits<{ write: [label: Label, amount: string] }>()
const text = reactive({
  formula: label?.formula ?? '',
  strength: label ? strengthText({ ...label.comes, moisture: undefined } as Label['comes']) : '',
  density: label && 'density' in label.comes ? (label.comes.density ?? '') : '',
  amount: came,
  words: label?.words ?? '',
  lot: label?.lot ?? '',
  place: label?.place ?? '',
  received: label?.received ?? '',
  opened: label?.opened ?? '',
  expires: label?.expires ?? '',
  empty: label?.empty ?? '',
  low: label?.low ?? '',
})
/** What was read off its maker's code goes where nothing stands yet. */
function fill(read: MakerCode): void {
  if (read.lot !== undefined && text.lot === '') text.lot = read.lot
  if (read.expires !== undefined && text.expires === '') text.expires = read.expires
  if (read.amount !== undefined && text.amount === '' && hasAmount) text.amount = read.amount
}
defineExpose({ fill })
const known = ref<KnownBy>(label?.known ?? 'label')
const isTried = ref(false)

const formula = computed(() => formulaOf(text.formula.trim()))
const amount = computed(() => {
  const typed = text.amount.trim()
  return typed === '' ? undefined : parseQuantity(typed, { kinds: ['mass', 'volume'], name: '', source: '' })
})
/** How it is measured out: by what was typed, or as it was before. */
const measured = computed(() =>
  amount.value?.ok
    ? amount.value.value.kind
    : label?.comes.kind === 'solution' || label?.comes.kind === 'liquid'
      ? 'volume'
      : undefined,
)
const comes = computed(() => comesOf(text.strength.trim(), measured.value))
const isMass = (typed: string, kinds: readonly ('mass' | 'volume' | 'density')[]): boolean =>
  typed.trim() === '' || parseQuantity(typed.trim(), { kinds, name: '', source: '' }).ok
const problems = computed(() => ({
  formula:
    formula.value === undefined && (isTried.value || text.formula.trim() !== '')
      ? 'Give a formula, or a name that the tables know.'
      : undefined,
  strength: comes.value ? undefined : 'Give a share such as 97 %, or a concentration such as 2.00 mol/L.',
  amount: amount.value && !amount.value.ok ? 'Give a mass or a volume, such as 500 g or 1.0 L.' : undefined,
  density: isMass(text.density, ['density']) ? undefined : 'Give it in g/mL.',
  empty: isMass(text.empty, ['mass']) ? undefined : 'Give a mass, such as 212.4 g.',
  low: isMass(text.low, ['mass', 'volume']) ? undefined : 'Give a mass or a volume.',
}))
function write(): void {
  isTried.value = true
  if (formula.value === undefined || !comes.value || Object.values(problems.value).some(Boolean)) return
  const has = (key: 'words' | 'lot' | 'place' | 'received' | 'opened' | 'expires' | 'empty' | 'low'): object =>
    text[key].trim() === '' ? {} : { [key]: text[key].trim() }
  const density = text.density.trim()
  const strong = comes.value
  emit(
    'write',
    {
      formula: formula.value,
      comes: (density !== '' && (strong.kind === 'solution' || strong.kind === 'liquid')
        ? { ...strong, density }
        : strong) as Label['comes'],
      known: known.value,
      ...has('words'),
      ...has('lot'),
      ...has('place'),
      ...has('received'),
      ...has('opened'),
      ...has('expires'),
      ...has('empty'),
      ...has('low'),
      ...(label?.made && { made: label.made }),
      ...(label?.from && { from: label.from }),
    },
    text.amount.trim(),
  )
}
</script>

<template>
  <form class="grid max-w-[760px] grid-cols-2 gap-x-5 gap-y-3 max-sm:grid-cols-1" @submit.prevent="write">
    <div>
      <LineField v-model="text.formula" label="What is in it: formula or name" :problem="problems.formula" />
      <p v-if="formula && formula !== text.formula.trim()" class="small mt-1" role="status">
        reads as <FormulaText :text="formula" />
      </p>
    </div>
    <LineField v-if="hasAmount" v-model="text.amount" label="How much came" :problem="problems.amount" />
    <LineField
      v-model="text.strength"
      label="Assay or strength"
      :problem="problems.strength"
      hint="with its uncertainty where it is known: 87 ± 2 %"
    />
    <label class="block"
      ><span class="label">Known</span>
      <select v-model="known" class="field">
        <option v-for="(words, key) in knownBy" :key="key" :value="key">{{ words }}</option>
      </select></label
    >
    <LineField
      v-if="comes?.kind === 'solution' || comes?.kind === 'liquid'"
      v-model="text.density"
      label="Density"
      :problem="problems.density"
    />
    <LineField v-model="text.words" label="What its maker calls it" />
    <LineField v-model="text.lot" label="Lot" />
    <LineField v-model="text.place" label="Place" />
    <LineField v-model="text.empty" label="What it weighs empty" :problem="problems.empty" />
    <LineField v-model="text.low" label="Low below" :problem="problems.low" />
    <label class="block"
      ><span class="label">Received</span><input v-model="text.received" type="date" class="field"
    /></label>
    <label class="block"
      ><span class="label">Opened</span><input v-model="text.opened" type="date" class="field"
    /></label>
    <label class="block"
      ><span class="label">Expires</span><input v-model="text.expires" type="date" class="field"
    /></label>
    <div class="col-span-full">
      <slot />
      <button type="submit" class="button mt-2" :disabled="isBusy">{{ action }}</button>
    </div>
  </form>
</template>
