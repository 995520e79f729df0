<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import {
  compareSets,
  computeWorksheet,
  newWorksheet,
  worksheetKinds,
  worksheetShapes,
  type Worksheet,
  type WorksheetKind,
} from '#core/assay'
import { molarMass, parseFormula } from '#core/formula'
import type { Figure } from '#core/quantity'
import type { MarginNote } from '#core/result'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore, type NewEntry } from '~/stores/journal'

/** The assays of a batch: worksheets with replicates, worked out as they are typed. */
const batch = useBatchStore()
const journal = useJournalStore()
const assays = computed(() => batch.document?.assays ?? [])
const chosen = ref<string>()
const sheet = computed(() => assays.value.find(({ id }) => id === chosen.value) ?? assays.value[0])
const result = computed(() => (sheet.value ? computeWorksheet(sheet.value) : undefined))
const shape = computed(() => (sheet.value ? worksheetShapes[sheet.value.kind] : undefined))

function set(change: (sheet: Worksheet) => Worksheet, key: string): void {
  const id = sheet.value?.id
  batch.changeAssays(list => list.map(one => (one.id === id ? change(one) : one)), key)
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
const give = (key: string, text: string): void =>
  set(one => ({ ...one, given: { ...one.given, [key]: text } }), `given ${key}`)
const enter = (row: number, key: string, text: string): void =>
  set(
    one => ({ ...one, rows: one.rows.map((cells, i) => (i === row ? { ...cells, [key]: text } : cells)) }),
    `row ${row} ${key}`,
  )
const addRow = (): void => set(one => ({ ...one, rows: [...one.rows, {}] }), 'add row')
const removeRow = (row: number): void => set(one => ({ ...one, rows: one.rows.toSpliced(row, 1) }), 'remove row')

const scale = computed(() => (shape.value?.unit === '%' ? 100 : 1))
const decimals = computed(() => {
  const spread = result.value?.summary?.standardDeviation
  return spread && spread > 0 ? Math.min(5, Math.max(0, 1 - Math.floor(Math.log10(spread)))) : 2
})
const show = (value: number): string =>
  shape.value?.unit === '%' ? `${value.toFixed(decimals.value)}\u202f%` : value.toFixed(Math.max(2, decimals.value))

/** What the substance of this batch should hold, where the worksheet asks for that. */
const expected = computed(() => {
  if (sheet.value?.kind !== 'gravimetric') return undefined
  const { product } = batch.stages.at(-1)!
  const form = parseFormula(product.form ?? product.species)
  const analyte = parseFormula(sheet.value.given.analyte ?? '')
  if (!form.ok || !analyte.ok) return undefined
  const [symbol] = [...analyte.value.composition.keys()]
  const count = symbol && analyte.value.composition.size === 1 ? form.value.composition.get(symbol) : undefined
  return count === undefined
    ? undefined
    : { form: form.value.text, percent: ((count * molarMass(analyte.value)) / molarMass(form.value)) * 100 }
})
const shown = ref<Figure>()
watch(sheet, () => (shown.value = undefined))

const words = computed(() => {
  const { summary, values } = result.value ?? {}
  if (!summary || !values || !shape.value) return ''
  const spread =
    summary.confidence95 === undefined
      ? ''
      : ` ± ${summary.confidence95.toFixed(decimals.value)} (95 %, ${values.length} replicates)`
  return `${sheet.value!.name}: ${shape.value.result.toLowerCase()} ${show(summary.mean)}${spread}`
})
function attach(): void {
  journal.record({ kind: 'note', stage: batch.stages.at(-1)!.id, text: `Assay. ${words.value}` } as NewEntry)
}
const isAttached = computed(() => journal.lines.some(({ current }) => current === `Assay. ${words.value}`))

/** Other worksheets that ask the same: another person's, another day's. */
const comparisons = computed((): MarginNote[] =>
  assays.value
    .filter(one => one !== sheet.value && one.kind === sheet.value?.kind)
    .flatMap((other): MarginNote[] => {
      const found = compareSets(result.value?.values ?? [], computeWorksheet(other).values)
      if (!found) return []
      const { meansDiffer, spreadsDiffer, t, degrees, tProbability, f } = found
      return [
        {
          tone: meansDiffer ? 'caution' : 'info',
          tag: `Against “${other.name}”`,
          text: `The means ${meansDiffer ? 'differ' : 'agree'}: t = ${t.toFixed(2)} with ${degrees.toFixed(0)} degrees of freedom, p = ${tProbability.toPrecision(2)}. The spreads ${spreadsDiffer ? 'differ, so they are not pooled' : 'agree'} (F = ${f.toFixed(1)}).`,
        },
      ]
    }),
)

const notes = computed((): MarginNote[] => {
  const found = result.value
  if (!found) return []
  const { summary, outliers, values } = found
  return [
    ...(expected.value && summary
      ? [
          {
            tone:
              Math.abs(summary.mean - expected.value.percent) >
              Math.max(summary.confidence95 ?? 0, 0.005 * expected.value.percent)
                ? 'caution'
                : 'info',
            tag: 'Against the formula',
            text: `{${expected.value.form}} holds ${expected.value.percent.toFixed(2)} %. The mean is ${(summary.mean - expected.value.percent).toFixed(2).replace('-', '−')} percentage points off.`,
          } as const,
        ]
      : []),
    ...(sheet.value?.kind === 'hydrate' && summary
      ? [
          {
            tone: Math.abs(summary.mean - Math.round(summary.mean)) > 0.15 ? 'caution' : 'info',
            tag: 'Which hydrate',
            text:
              Math.abs(summary.mean - Math.round(summary.mean)) > 0.15
                ? `${summary.mean.toFixed(2)} waters are no whole number: not yet dry, a mixture of two hydrates, or some of the salt decomposed.`
                : `${summary.mean.toFixed(2)} waters: {${sheet.value.given.salt}·${Math.round(summary.mean)}H2O} fits.`,
          } as const,
        ]
      : []),
    ...outliers
      .filter(({ outlier }) => outlier.suspected)
      .map(({ test, outlier, row }): MarginNote => ({
        tone: 'caution',
        tag: 'Doubtful',
        text: `Replicate ${row + 1} stands out by ${test}’s test (${outlier.q.toFixed(2)} over ${outlier.critical.toFixed(2)}). It stays in the mean; look for a reason before you strike it.`,
      })),
    ...comparisons.value,
    ...(values.length === 1
      ? [{ tone: 'info', tag: 'One value', text: 'One value has no spread: repeat it.' } as const]
      : []),
  ]
})
</script>

<template>
  <div class="assay-page grid min-h-0 flex-1">
    <main class="min-w-0 bg-sheet px-[22px] py-[18px]">
      <div class="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1>Assays</h1>
          <p class="mt-0.5 text-[14px] text-soft">
            Worksheets with replicates; the figures follow as you type, and no value is ever dropped.
          </p>
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
      <div class="mt-3 flex flex-wrap gap-2" role="group" aria-label="Worksheets">
        <button
          v-for="one in assays"
          :key="one.id"
          type="button"
          class="min-h-10 rounded-lg border px-3 text-[14px]"
          :class="one === sheet ? 'border-verdigris bg-verdigris-soft font-semibold' : 'border-edge bg-white'"
          :aria-pressed="one === sheet"
          @click="chosen = one.id"
        >
          {{ one.name }}
        </button>
        <button
          v-for="kind in worksheetKinds"
          :key="kind"
          type="button"
          class="inline-flex min-h-10 items-center gap-1 rounded-lg border border-dashed border-edge px-3 text-[14px] text-soft hover:border-ink"
          @click="add(kind)"
        >
          <Plus :size="15" />{{ worksheetShapes[kind].name }}
        </button>
      </div>
      <p v-if="!sheet || !shape || !result" class="mt-4 text-[16px]">
        No assay yet. Begin one above: a precipitate weighed, water driven off, or a titration.
      </p>
      <template v-else>
        <p class="mt-3 text-[14px] text-soft">{{ shape.about }}</p>
        <div class="mt-2 grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
          <label
            ><span class="label">Name</span
            ><input
              class="field"
              maxlength="120"
              :value="sheet.name"
              @input="set(one => ({ ...one, name: ($event.target as HTMLInputElement).value }), 'name')"
          /></label>
          <div v-for="one in shape.asked" :key="one.key" :class="{ 'sm:col-span-2': one.what === 'equation' }">
            <QuantityField
              wide
              :label="one.label"
              :placeholder="one.example"
              :model-value="sheet.given[one.key] ?? ''"
              :problem="result.problems.find(({ key }) => key === one.key)"
              @update:model-value="give(one.key, $event)"
            />
          </div>
        </div>
        <p v-if="result.factor" class="mt-2 text-[14px]">
          Gravimetric factor
          <button type="button" class="figure font-semibold underline decoration-dotted" @click="shown = result.factor">
            {{ result.factor.value.toFixed(5) }}
          </button>
        </p>
        <div class="mt-3 overflow-x-auto" tabindex="0">
          <table class="w-full min-w-[560px] text-[14px]">
            <thead>
              <tr class="text-right text-soft">
                <th class="w-8 font-normal"><span class="sr-only">Replicate</span></th>
                <th v-for="column in shape.columns" :key="column.key" class="px-1 pb-1 font-normal">
                  {{ column.label }}
                </th>
                <th class="pb-1 font-normal">{{ shape.result }}</th>
                <th class="w-10"><span class="sr-only">Delete</span></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, i) in sheet.rows" :key="i" class="border-t border-rule align-top">
                <td class="figure pt-3 text-right text-soft">{{ i + 1 }}</td>
                <td v-for="column in shape.columns" :key="column.key" class="p-1">
                  <QuantityField
                    wide
                    hidden
                    :label="`${column.label}, replicate ${i + 1}`"
                    :model-value="row[column.key] ?? ''"
                    :placeholder="column.kind === 'volume' ? 'mL' : 'g'"
                    :problem="result.rows[i]?.problems.find(({ key }) => key === column.key)"
                    @update:model-value="enter(i, column.key, $event)"
                  />
                </td>
                <td class="pt-2 text-right">
                  <button
                    v-if="result.rows[i]?.figure"
                    type="button"
                    class="figure text-[16px] font-semibold underline decoration-dotted"
                    :aria-label="`${shape.result}, replicate ${i + 1}: ${show(result.rows[i]!.figure!.value * scale)}`"
                    @click="shown = result.rows[i]!.figure"
                  >
                    {{ show(result.rows[i]!.figure!.value * scale) }}
                  </button>
                </td>
                <td class="pt-1">
                  <button
                    type="button"
                    class="grid size-9 place-items-center rounded hover:bg-paper"
                    :aria-label="`Delete replicate ${i + 1}`"
                    @click="removeRow(i)"
                  >
                    <Trash2 :size="15" />
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <div class="mt-2 flex flex-wrap gap-2">
          <button type="button" class="button button-quiet" @click="addRow">Another replicate</button>
          <button type="button" class="button button-quiet" @click="remove">Delete this worksheet</button>
        </div>
        <section v-if="result.summary" class="mt-4" aria-label="Result">
          <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
            <p class="figure text-[44px] font-semibold leading-none tracking-[-0.03em]" data-testid="mean">
              {{ show(result.summary.mean) }}
            </p>
            <dl class="grid grid-cols-[auto_auto] gap-x-3 text-[14px]">
              <template v-if="result.summary.standardDeviation !== undefined">
                <dt class="text-soft">standard deviation</dt>
                <dd class="figure">{{ result.summary.standardDeviation.toPrecision(2) }}</dd>
                <dt class="text-soft">relative</dt>
                <dd class="figure">{{ result.summary.relativePercent!.toPrecision(2) }} %</dd>
                <dt class="text-soft">95 % confidence, ±</dt>
                <dd class="figure">{{ result.summary.confidence95!.toPrecision(2) }}</dd>
              </template>
              <template v-for="{ test, outlier } in result.outliers" :key="test">
                <dt class="text-soft">{{ test }}, limit {{ outlier.critical.toFixed(2) }}</dt>
                <dd class="figure" :class="{ 'font-semibold text-amber': outlier.suspected }">
                  {{ outlier.q.toFixed(2) }}<template v-if="outlier.suspected">, doubtful</template>
                </dd>
              </template>
            </dl>
            <ReplicatePlot
              v-if="result.values.length > 1"
              :values="result.values"
              :mean="result.summary.mean"
              :expected="expected?.percent"
            />
          </div>
          <button type="button" class="button mt-3" :disabled="isAttached" @click="attach">
            {{ isAttached ? 'In the journal' : 'Write it into the journal' }}
          </button>
        </section>
        <WorkingPanel v-if="shown" closes :figure="shown" @close="shown = undefined" />
      </template>
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
