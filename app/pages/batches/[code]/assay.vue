<script setup lang="ts">
import { computeWorksheet, newWorksheet, worksheetShapes, type Worksheet, type WorksheetKind } from '#core/assay'
import { parseFormula } from '#core/formula'
import { assayNotes, assayWords, expectedOf, shownDecimals } from '#core/result'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore, type NewEntry } from '~/stores/journal'

/** The assays of a batch: worksheets that are worked out as they are typed. */
const batch = useBatchStore()
const journal = useJournalStore()
const assays = computed(() => batch.document?.assays ?? [])
const chosen = ref<string>()
const sheet = computed(() => assays.value.find(({ id }) => id === chosen.value) ?? assays.value[0])
const result = computed(() => (sheet.value ? computeWorksheet(sheet.value) : undefined))

function change(make: (sheet: Worksheet) => Worksheet, key: string): void {
  const id = sheet.value?.id
  batch.changeAssays(list => list.map(one => (one.id === id ? make(one) : one)), key)
}
function add(kind: WorksheetKind): void {
  const id = crypto.randomUUID().slice(0, 8)
  batch.changeAssays(list => [...list, newWorksheet(id, kind)], `add ${kind}`)
  chosen.value = id
}
function remove(): void {
  const id = sheet.value?.id
  batch.changeAssays(list => list.filter(one => one.id !== id), 'remove')
  chosen.value = undefined
}

const show = (value: number): string => {
  const { unit } = worksheetShapes[sheet.value!.kind]
  const decimals = result.value ? shownDecimals(result.value) : 2
  return `${value.toFixed(decimals)}${unit.text && unit.text !== 'waters' ? `\u202f${unit.text}` : ''}`
}
const product = computed(() => {
  const stage = batch.stages.at(-1)
  const read = stage && parseFormula(stage.product.form ?? stage.product.species)
  return read?.ok ? read.value : undefined
})
const setting = computed(() =>
  sheet.value && result.value && product.value
    ? { sheet: sheet.value, result: result.value, product: product.value, all: assays.value }
    : undefined,
)
const expected = computed(() => setting.value && expectedOf(setting.value))
const notes = computed(() => (setting.value ? assayNotes(setting.value) : []))
const words = computed(() => (sheet.value && result.value ? assayWords(sheet.value, result.value) : undefined))
const isAttached = computed(() => journal.lines.some(({ current }) => current === words.value))
function attach(): void {
  if (words.value) journal.record({ kind: 'note', stage: batch.stages.at(-1)!.id, text: words.value } as NewEntry)
}
</script>

<template>
  <div class="assay-page grid min-h-0 flex-1">
    <main class="min-w-0 bg-sheet px-[22px] py-[18px]">
      <div class="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1>Assays</h1>
          <p class="mt-0.5 text-[14px] text-soft">The figures follow as you type, and no value is ever dropped.</p>
        </div>
        <UndoButtons />
      </div>
      <ConflictBanner
        v-if="batch.conflict"
        class="mt-3"
        :changes="batch.conflict.changes"
        @theirs="batch.takeTheirs()"
        @mine="batch.keepMine()"
      />
      <WorksheetTabs :assays="assays" :chosen="sheet?.id" @choose="chosen = $event" @add="add" />
      <WorksheetView
        v-if="sheet && result"
        :sheet="sheet"
        :result="result"
        :expected="expected"
        :show="show"
        :is-attached="isAttached"
        @change="change"
        @remove="remove"
        @attach="attach"
      />
    </main>
    <MarginColumn :notes="notes" />
  </div>
</template>

<style scoped>
.assay-page {
  grid-template-columns: minmax(0, 1fr) 270px;
}
@media (max-width: 900px) {
  .assay-page {
    grid-template-columns: 1fr;
  }
}
</style>
