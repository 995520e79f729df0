<script setup lang="ts">
import { shapeOf, type CurvePoints, type Worksheet, type WorksheetResult } from '#core/assay'
import { coverageWords } from '#core/remarks'
import { useWorking } from '~/composables/useWorking'

/** One worksheet: what it asks, its rows or its file, and what they say. */
const { sheet, result, expected } = defineProps<{
  sheet: Worksheet
  result: WorksheetResult
  expected: number | undefined
  show: (value: number) => string
}>()
const emit = defineEmits<{ change: [change: (sheet: Worksheet) => Worksheet, key: string]; remove: [] }>()
const shape = computed(() => shapeOf(sheet))

const name = (text: string): void => emit('change', one => ({ ...one, name: text }), 'name')
const give = (key: string, text: string): void =>
  emit('change', one => ({ ...one, given: { ...one.given, [key]: text } }), `given ${key}`)
const enter = (row: number, key: string, text: string): void =>
  emit(
    'change',
    one => ({ ...one, rows: one.rows.map((cells, i) => (i === row ? { ...cells, [key]: text } : cells)) }),
    `row ${row} ${key}`,
  )
const addRow = (): void => emit('change', one => ({ ...one, rows: [...one.rows, {}] }), 'add row')
/** A reading of an instrument; one row below the last is made for it. */
const read = (row: number, key: string, text: string): void => {
  if (row >= sheet.rows.length) addRow()
  enter(row, key, text)
}
const removeRow = (row: number): void =>
  emit('change', one => ({ ...one, rows: one.rows.toSpliced(row, 1) }), 'remove row')
const takeCurve = (curve: CurvePoints): void => emit('change', one => ({ ...one, curve }), 'curve')

const { shown, show: showWorking, close } = useWorking(() => result)
watch(
  () => sheet.id,
  () => close(),
)
const unit = computed(() => (shape.value.unit.text === 'waters' ? '' : shape.value.unit.text))
const coverage = computed(() => coverageWords(result))
const hasResult = computed(() => !!result.summary || !!result.headline)
</script>

<template>
  <p class="mt-3 max-w-[58em] text-[14px] text-soft">{{ shape.about }}</p>
  <AskedFields :sheet="sheet" :shape="shape" :problems="result.problems" @name="name" @give="give" />
  <p v-if="result.factor" class="mt-2 text-[14px]">
    Gravimetric factor
    <button type="button" class="figure font-semibold underline decoration-dotted" @click="showWorking(result.factor)">
      {{ result.factor.value.toFixed(5) }}
    </button>
  </p>
  <CurveFile v-if="shape.rows === 'file'" :has="!!sheet.curve" @read="takeCurve" />
  <RowTable
    v-else
    :sheet="sheet"
    :shape="shape"
    :result="result"
    :show="show"
    @enter="enter"
    @remove="removeRow"
    @working="showWorking"
  />
  <div class="mt-2 flex flex-wrap gap-2">
    <button v-if="shape.rows !== 'file'" type="button" class="button button-quiet" @click="addRow">
      {{ shape.rows === 'replicates' ? 'Another replicate' : 'Another row' }}
    </button>
    <button type="button" class="min-h-9 px-2 text-[14px] text-soft underline" @click="emit('remove')">
      Delete this worksheet
    </button>
  </div>
  <InstrumentStrip v-if="shape.rows !== 'file'" :sheet="sheet" @take="read" />
  <section v-if="hasResult" class="mt-4" aria-label="Result">
    <ReplicateResult :result="result" :expected="expected" :unit="unit" :coverage="coverage" @working="showWorking" />
    <p v-if="result.headline" class="text-[18px]" data-testid="headline"><RichText :text="result.headline" /></p>
    <WashPlot v-if="result.washes" :washes="result.washes" />
    <slot />
  </section>
  <LazyCalibrationPlot
    v-if="result.calibrated && result.calibrated.calibrations.length > 0"
    class="mt-4"
    :calibrations="result.calibrated.calibrations"
    :unit="result.calibrated.unit"
    :y="result.calibrated.y"
  />
  <LazyCurvePlot
    v-if="result.curve && sheet.curve"
    :curve="sheet.curve"
    :plateaus="result.curve.plateaus"
    :bands="result.curve.bands"
  />
  <ChoiceTable v-for="one in result.choices" :key="one.title" :choices="one" />
  <WorkingPanel v-if="shown" closes :figure="shown" @close="close" />
</template>
