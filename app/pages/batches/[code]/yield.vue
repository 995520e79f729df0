<script setup lang="ts">
import { formatFigure, formatValue, standardUncertainty, type Figure } from '#core/quantity'
import { explainYield, judgeBatch, ledgerOf, yieldNotes, type MarginNote } from '#core/result'
import { useStageRun } from '~/composables/useStageRun'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import { useLibraryStore } from '~/stores/library'

const batch = useBatchStore()
const journal = useJournalStore()
const actual = computed(() => {
  if (!batch.read?.ok) return undefined
  const judged = judgeBatch(batch.read.value, journal.lines, batch.stage?.id)
  return judged.ok ? judged.value : undefined
})
const result = computed(() => actual.value?.result)
const library = useLibraryStore()
const { procedure, stageId } = useStageRun()
const judgement = computed(() =>
  batch.read?.ok && result.value
    ? explainYield({
        plan: batch.read.value,
        lines: journal.lines,
        stageId: stageId.value,
        steps: procedure.value,
        moves: batch.stage?.crystals?.moves,
        curves: library.curves,
      })
    : undefined,
)
const ledger = computed(() => (actual.value && judgement.value ? ledgerOf(actual.value, judgement.value.facts) : []))
const form = computed(() => actual.value?.sheet.products[0]?.form ?? '')
const spread = computed(() => (result.value ? standardUncertainty(result.value.percent) : 0))
const isOver = computed(() => result.value !== undefined && result.value.percent.value - 1 > 2 * spread.value)
const charged = computed(() => (actual.value?.sheet.reagents ?? []).filter(({ planned }) => planned))
const notes = computed((): MarginNote[] => (actual.value ? yieldNotes(actual.value) : []))

const shown = ref<'percent' | 'theoretical' | 'actual' | string>('percent')
const isOpen = ref(true)
const working = computed((): Figure | undefined => {
  if (!result.value || !isOpen.value) return undefined
  if (shown.value === 'theoretical') return result.value.theoretical
  if (shown.value === 'actual') return result.value.actual
  return result.value.forms.find(one => one.form === shown.value)?.percent ?? result.value.percent
})
function show(what: string): void {
  shown.value = what
  isOpen.value = true
}
</script>

<template>
  <div class="yield-page grid min-h-0 flex-1">
    <main class="min-w-0 bg-sheet px-[22px] py-[18px]">
      <h1>
        Yield of {{ batch.document!.title
        }}<template v-if="batch.stages.length > 1">, stage {{ batch.stageAt + 1 }}</template>
      </h1>
      <OverallYield v-if="batch.stages.length > 1" :plan="batch.read" :lines="journal.lines" />
      <template v-if="!actual">
        <p class="mt-2 text-soft">
          The sheet has no theoretical yield yet.
          <NuxtLink :to="`/batches/${batch.code}/sheet`" class="text-verdigris underline"
            >Give a charge or a target</NuxtLink
          >.
        </p>
      </template>
      <template v-else-if="!result">
        <p class="mt-2 max-w-[38em] text-[16px]">
          At most <span class="figure font-semibold">{{ formatFigure(actual.sheet.products[0]!.theoretical) }}</span> of
          <FormulaText :text="form" /> can come from what is charged. The product is not weighed yet.
        </p>
        <NuxtLink :to="`/batches/${batch.code}/run`" class="button mt-4">Weigh the product</NuxtLink>
      </template>
      <template v-else>
        <div class="my-3 flex items-end gap-6">
          <button
            type="button"
            class="figure rounded text-[62px] font-semibold leading-none tracking-[-0.04em] hover:bg-verdigris-soft"
            :class="{ 'text-red': isOver }"
            data-testid="percent"
            @click="show('percent')"
          >
            {{ formatFigure(result.percent) }}
          </button>
          <p class="max-w-[26em] pb-1 text-[15px]">
            of the theoretical
            <button type="button" class="figure font-semibold underline decoration-dotted" @click="show('theoretical')">
              {{ formatFigure(result.theoretical) }}</button>, as <FormulaText :text="form" />, from
            <button type="button" class="figure font-semibold underline decoration-dotted" @click="show('actual')">
              {{ formatFigure(result.actual) }}
            </button>
            weighed. Standard uncertainty
            <span class="figure">{{ formatValue(spread * 100, 'number', 1) }}</span> percentage points.
            <b v-if="isOver" class="text-red">More than everything: the solid is not only this.</b>
          </p>
        </div>
        <h2 class="mb-1 mt-4 text-[15px] text-ink">The same mass as each known form</h2>
        <FormLadder :forms="result.forms" :wanted="form" @working="show($event.form)" />
        <p v-if="result.forms.length < 2" class="small mt-1">The table knows no other form of this product.</p>
        <WhyPanel v-if="judgement" :judgement="judgement" />
        <MatterLedger v-if="ledger.length > 0" :rows="ledger" />
        <h2 class="mb-1 mt-5 text-[15px] text-ink">What was really charged</h2>
        <table class="w-full text-[14px]">
          <thead>
            <tr class="text-right text-soft">
              <th class="text-left font-normal">Reagent</th>
              <th class="font-normal">Charged</th>
              <th class="font-normal">Moles</th>
              <th class="font-normal">Equivalents</th>
              <th class="font-normal">Left over</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in charged" :key="line.species" class="border-t border-rule text-right">
              <td class="py-1.5 text-left">
                <FormulaText :text="line.weighAs" />
                <span v-if="actual.unread.includes(line.species)" class="tag ml-1 bg-amber-soft text-amber"
                  >planned, not read</span
                >
              </td>
              <td class="figure">{{ formatFigure(line.volume ?? line.mass ?? line.amount) }}</td>
              <td class="figure">{{ formatFigure(line.amount) }}</td>
              <td class="figure">
                {{ line.limits ? '1' : formatFigure(line.equivalents) }}
                <span v-if="line.limits" class="tag bg-verdigris-soft font-sans text-verdigris">limits</span>
              </td>
              <td class="figure">{{ line.limits ? 'none' : formatFigure(line.leftover.mass) }}</td>
            </tr>
          </tbody>
        </table>
        <WorkingPanel v-if="working" closes :figure="working" @close="isOpen = false" />
      </template>
    </main>
    <MarginColumn :notes="notes" />
  </div>
</template>

<style scoped>
.yield-page {
  grid-template-columns: minmax(0, 1fr) 292px;
}
@media (max-width: 900px) {
  .yield-page {
    grid-template-columns: 1fr;
  }
}
</style>
