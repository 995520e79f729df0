<script setup lang="ts">
import { completed, explainQuantity, formatFigure } from '#core/quantity'
import { readReading, type About, type Measure, type Weighing } from '#core/journal'

/** The readings of one charge or crop: typed here, or taken from the balance. */
const { about, weighing, byVolume, textOf, wanted } = defineProps<{
  about: About
  /** What the step asks for; the other readings are folded. All of them, where it is left out. */
  wanted?: Measure
  weighing: Weighing
  byVolume: boolean
  /** What is typed at this step and not recorded. */
  textOf: (field: string) => string
}>()
const emit = defineEmits<{ record: [measure: Measure, value: string]; type: [field: string, text: string] }>()

const fields = computed((): { measure: Measure; label: string; placeholder: string }[] =>
  about.what === 'pot'
    ? [
        { measure: 'temperature', label: 'Temperature of the pot', placeholder: '°C' },
        { measure: 'volume', label: 'Volume of the liquor', placeholder: 'mL' },
        { measure: 'net', label: 'Mass of what is in it', placeholder: 'g' },
        { measure: 'pH', label: 'pH', placeholder: '' },
        { measure: 'absorbance', label: 'Absorbance', placeholder: '' },
        { measure: 'conductivity', label: 'Conductivity', placeholder: 'mS/cm' },
      ]
    : byVolume
      ? [
          { measure: 'volume', label: weighing.portions.length > 0 ? 'Another portion' : 'Volume', placeholder: 'mL' },
          { measure: 'net', label: 'or mass, net', placeholder: 'g' },
        ]
      : [
          { measure: 'tare', label: 'Tare: empty vessel', placeholder: 'g' },
          { measure: 'gross', label: 'Gross: vessel with it', placeholder: 'g' },
          {
            measure: 'net',
            label: weighing.portions.length > 0 && about.what === 'charge' ? 'Another portion, net' : 'or net',
            placeholder: 'g',
          },
        ],
)

const isAll = ref(false)
/** What is typed already stays in sight. */
const visible = computed(() =>
  wanted === undefined || isAll.value
    ? fields.value
    : fields.value.filter(({ measure }) => measure === wanted || typed(measure).trim() !== ''),
)

/** Drafts of one step may be of several things: a crop and the next. */
const fieldOf = (measure: Measure): string =>
  `${about.what === 'product' ? `crop ${about.crop} ` : about.what === 'pot' ? 'pot ' : ''}${measure}`
const typed = (measure: Measure): string => textOf(fieldOf(measure))
const asked = ref<Measure>()
watch(
  () => JSON.stringify(about),
  () => {
    asked.value = undefined
    isAll.value = false
  },
)

const unitOf: Record<Measure, string> = {
  gross: 'g',
  tare: 'g',
  net: 'g',
  volume: 'mL',
  temperature: '°C',
  pH: '',
  absorbance: '',
  conductivity: 'mS/cm',
}
/** What is read beside the work: its button stands back. */
const aside: readonly Measure[] = ['net', 'pH', 'absorbance', 'conductivity']
/** A bare number takes the instrument's unit: grams or millilitres. */
const whole = (measure: Measure): string => completed(typed(measure), unitOf[measure])
const readOf = (measure: Measure) => readReading({ id: 'draft', about, measure }, whole(measure))

function problemOf(measure: Measure) {
  if (typed(measure) === '' && asked.value !== measure) return undefined
  const read = readOf(measure)
  if (!read.ok)
    return asked.value === measure || !['quantity.no-unit', 'quantity.unreadable'].includes(read.problem.code)
      ? { span: read.problem.span, ...explainQuantity(read.problem) }
      : undefined
  const { tare, gross } = weighing
  const isBelow =
    (measure === 'gross' && tare && read.value.value < tare.value) ||
    (measure === 'tare' && gross && gross.value < read.value.value)
  return isBelow
    ? {
        span: [0, typed(measure).length] as const,
        why: 'This would put the gross below its tare.',
        fix: 'Check whether the two are swapped or a digit was misread.',
      }
    : undefined
}

function record(measure: Measure): void {
  asked.value = measure
  if (!readOf(measure).ok) return
  emit('record', measure, whole(measure))
  emit('type', fieldOf(measure), '')
  asked.value = undefined
}

/** Records all that is typed and reads, as it stands in the card; false where something typed does not read, which is marked then. */
function settle(): boolean {
  const filled = fields.value.map(({ measure }) => measure).filter(measure => typed(measure).trim() !== '')
  const bad = filled.find(measure => !readOf(measure).ok)
  if (bad) asked.value = bad
  else for (const measure of filled) record(measure)
  return bad === undefined
}
defineExpose({ settle })

const words = {
  'gross-below-tare': 'The gross is below its tare: correct one of them in the journal.',
  'gross-missing': 'Now weigh it with the substance in it.',
  'tare-missing': 'The empty vessel is not weighed yet.',
  'mixed-kinds': 'By mass and by volume: counted together in moles.',
}
</script>

<template>
  <section class="card" aria-label="Readings">
    <p v-if="about.what !== 'pot'" class="flex items-baseline justify-between gap-3">
      <span class="text-[13.5px] text-soft">Counts so far</span>
      <span v-if="weighing.net" class="figure text-[34px] font-semibold leading-tight" data-testid="net">{{
        formatFigure(weighing.net)
      }}</span>
      <span
        v-else
        class="text-[15px]"
        :class="weighing.problem === 'gross-below-tare' ? 'font-semibold text-red' : 'text-soft'"
        >{{ weighing.problem ? words[weighing.problem] : 'no reading yet' }}</span
      >
    </p>
    <p v-if="weighing.portions.length > 1" class="figure small text-right">
      {{ weighing.portions.map(portion => formatFigure(portion)).join(' + ') }}
    </p>
    <p v-if="weighing.gross || weighing.tare" class="figure small text-right">
      {{ weighing.gross ? formatFigure(weighing.gross) : '?' }} −
      {{ weighing.tare ? formatFigure(weighing.tare) : '?' }}
    </p>
    <slot />
    <form
      v-for="field in visible"
      :key="field.measure"
      class="mt-2.5 grid grid-cols-[1fr_auto] items-end gap-2"
      @submit.prevent="record(field.measure)"
    >
      <QuantityField
        :model-value="typed(field.measure)"
        wide
        :label="field.label"
        :placeholder="field.placeholder"
        :problem="problemOf(field.measure)"
        class="tall"
        @update:model-value="emit('type', fieldOf(field.measure), $event)"
        @enter="record(field.measure)"
      />
      <button
        type="submit"
        class="button glove self-end"
        :class="{ 'button-quiet': aside.includes(field.measure) }"
        :aria-label="`Record ${field.measure}`"
      >
        Record
      </button>
    </form>
    <button
      v-if="wanted !== undefined && fields.length > 1"
      type="button"
      class="mt-1 min-h-12 rounded px-1 text-[15px] text-verdigris underline"
      :aria-expanded="isAll"
      @click="isAll = !isAll"
    >
      {{ isAll ? 'Only what this step asks for' : 'Other readings' }}
    </button>
  </section>
</template>

<style scoped>
.tall :deep(input) {
  min-height: 48px;
  font-size: 18px;
}
</style>
