<script setup lang="ts">
import {
  computeWorksheet,
  newWorksheet,
  shapeOf,
  startFor,
  type BatchFacts,
  type Worksheet,
  type WorksheetKind,
} from '#core/assay'
import { assayNotes, assayWords, expectedOf, shownDecimals } from '#core/remarks'

/** Worksheets that are worked out as they are typed, of a batch or standing alone; the margin says what they mean. */
const { assays, facts } = defineProps<{
  assays: readonly Worksheet[]
  /** What the batch knows, where there is one: a fresh worksheet is filled in with it. */
  facts: BatchFacts
}>()
const product = computed(() => facts.product)
const emit = defineEmits<{ change: [make: (all: readonly Worksheet[]) => readonly Worksheet[], key: string] }>()

const chosen = ref<string>()
const sheet = computed(() => assays.find(({ id }) => id === chosen.value) ?? assays[0])
const result = computed(() => (sheet.value ? computeWorksheet(sheet.value) : undefined))

function change(make: (sheet: Worksheet) => Worksheet, key: string): void {
  const id = sheet.value?.id
  emit('change', list => list.map(one => (one.id === id ? make(one) : one)), `${id} ${key}`)
}
function add(kind: WorksheetKind): void {
  const id = crypto.randomUUID().slice(0, 8)
  emit('change', list => [...list, newWorksheet(id, kind, startFor(kind, facts))], `add ${kind}`)
  chosen.value = id
}
function remove(): void {
  const id = sheet.value?.id
  emit('change', list => list.filter(one => one.id !== id), 'remove')
  chosen.value = undefined
}

const show = (value: number): string => {
  const { unit } = shapeOf(sheet.value!)
  const decimals = result.value ? shownDecimals(result.value) : 2
  return `${value.toFixed(decimals)}${unit.text && unit.text !== 'waters' ? `\u202f${unit.text}` : ''}`
}
const setting = computed(() =>
  sheet.value && result.value
    ? { sheet: sheet.value, result: result.value, product: product.value, all: assays }
    : undefined,
)
const expected = computed(() => setting.value && expectedOf(setting.value))
const notes = computed(() => (setting.value ? assayNotes(setting.value) : []))
const words = computed(() => (sheet.value && result.value ? assayWords(sheet.value, result.value) : undefined))
</script>

<template>
  <MarginPage :notes="notes">
    <slot name="head" />
    <ProofPanel v-if="product && assays.length > 0" :product="product" :assays="assays" />
    <WorksheetTabs :assays="assays" :chosen="sheet?.id" @choose="chosen = $event" @add="add" />
    <WorksheetView
      v-if="sheet && result"
      :sheet="sheet"
      :result="result"
      :expected="expected"
      :show="show"
      @change="change"
      @remove="remove"
    >
      <slot name="result" :words="words" :sheet="sheet" />
    </WorksheetView>
    <slot v-if="sheet" name="foot" :sheet="sheet" />
  </MarginPage>
</template>
