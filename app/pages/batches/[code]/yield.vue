<script setup lang="ts">
import { formatFigure, formatValue, standardUncertainty } from '#core/quantity'
import { judgeBatch, routeYields } from '#core/outcome'
import { residuesLeft } from '#core/cause'
import { yieldNotes, type MarginNote } from '#core/remarks'
import { useAttempt } from '~/composables/useAttempt'
import { useStageRun } from '~/composables/useStageRun'
import { useWorking } from '~/composables/useWorking'
import { useVerdict } from '~/composables/useVerdict'
import { useBatchList } from '~/composables/useBatchList'
import { useShows } from '~/composables/useShows'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import type { NewEntry } from '~/stores/outbox'
import { useLibraryStore } from '~/stores/library'

const batch = useBatchStore()
/** A class may leave the app's own judgement out for its students. */
const shows = useShows()
const journal = useJournalStore()
const library = useLibraryStore()
const { procedure, stageId } = useStageRun()
const actualAttempt = useAttempt('The yield', () => {
  if (!batch.read?.ok) return undefined
  const judged = judgeBatch(batch.read.value, journal.lines, batch.stage?.id)
  return judged.ok ? judged.value : undefined
})
const actual = actualAttempt.value
const result = computed(() => actual.value?.result)
const isLast = computed(() => batch.stageAt === batch.stages.length - 1)
const {
  verdict,
  isWorking,
  attempt: verdictAttempt,
} = useVerdict(
  computed(() =>
    result.value && batch.document
      ? {
          plan: batch.document.plan,
          lines: journal.lines,
          stage: stageId.value,
          steps: procedure.value,
          // Assays are of what the batch isolates in the end.
          assays: isLast.value ? (batch.document.assays ?? []) : [],
          substances: library.substances,
          curves: library.curveRows,
        }
      : undefined,
  ),
)
const routeAttempt = useAttempt('The yield of the route', () =>
  batch.read?.ok && batch.stages.length > 1 ? routeYields(batch.read.value, journal.lines) : undefined,
)
const route = routeAttempt.value
const residuesAttempt = useAttempt('The residues', () =>
  batch.read?.ok && result.value
    ? residuesLeft({
        plan: batch.read.value,
        lines: journal.lines,
        stageId: stageId.value,
        steps: procedure.value,
        curves: library.curves,
      })
    : undefined,
)
const residues = residuesAttempt.value
const form = computed(() => actual.value?.sheet.products[0]?.form ?? '')
const spread = computed(() => (result.value ? standardUncertainty(result.value.percent) : 0))
const isOver = computed(() => result.value !== undefined && result.value.percent.value - 1 > 2 * spread.value)
const notesAttempt = useAttempt('The remarks', (): MarginNote[] => [
  ...(verdict.value?.challenge !== undefined
    ? [{ tone: 'caution' as const, tag: 'More than the liquor allows', text: verdict.value.challenge }]
    : []),
  ...(actual.value ? yieldNotes(actual.value) : []),
])
const notes = computed(() => notesAttempt.value.value ?? [])

/** Other trials: the lab's weighed batches of the same product. */
const MOST_TRIALS = 30
const { batches, load } = useBatchList(computed(() => form.value ?? ''))
onMounted(load)
const trials = computed(() =>
  isLast.value
    ? (batches.value ?? [])
        .filter(one => one.code !== batch.code && one.result && one.product === form.value)
        .slice(0, MOST_TRIALS)
    : [],
)

const { shown, show, close } = useWorking(() => [actual.value, route.value, residues.value, verdict.value])
watch(stageId, close)

function keepRecovered(species: string, value: string): void {
  journal.record({
    kind: 'reading',
    about: { what: 'recovered', stage: stageId.value, species },
    measure: 'net',
    value,
    typed: true,
  } as NewEntry)
}
</script>

<template>
  <MarginPage :notes="notes" :attempts="[actualAttempt, routeAttempt, residuesAttempt, notesAttempt, verdictAttempt]">
    <h1>
      Yield of {{ batch.document!.title
      }}<template v-if="batch.stages.length > 1">, stage {{ batch.stageAt + 1 }}</template>
    </h1>
    <PanelGuard v-if="route" name="The yield of the route"
      ><OverallYield
        :yields="route"
        :names="batch.stages.map(({ name }) => name ?? '')"
        :at="batch.stageAt"
        @working="show"
    /></PanelGuard>
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
      <PanelGuard v-if="shown" name="The working"><WorkingPanel closes :figure="shown" @close="close" /></PanelGuard>
    </template>
    <template v-else>
      <div class="my-3 flex items-end gap-x-6 gap-y-2 max-sm:flex-wrap">
        <button
          type="button"
          class="figure rounded text-[62px] font-semibold leading-none tracking-[-0.04em] hover:bg-verdigris-soft"
          :class="{ 'text-red': isOver }"
          data-testid="percent"
          :aria-label="`Yield: ${formatFigure(result.percent)}. Show the working`"
          @click="show(result.percent)"
        >
          {{ formatFigure(result.percent) }}
        </button>
        <p class="max-w-[30em] pb-1 text-[15px]">
          of the theoretical
          <button
            type="button"
            class="figure font-semibold underline decoration-dotted"
            :aria-label="`Theoretical yield: ${formatFigure(result.theoretical)}. Show the working`"
            @click="show(result.theoretical)"
          >
            {{ formatFigure(result.theoretical) }}</button>, as <FormulaText :text="form" />, from
          <button
            type="button"
            class="figure font-semibold underline decoration-dotted"
            :aria-label="`Weighed: ${formatFigure(result.actual)}. Show the working`"
            @click="show(result.actual)"
          >
            {{ formatFigure(result.actual) }}
          </button>
          weighed. Standard uncertainty
          <span class="figure">{{ formatValue(spread * 100, 'number', 1) }}</span> percentage points.
          <b v-if="isOver" class="text-red">More than everything: the solid is not only this.</b>
          <template v-if="actual.credited">
            On what was really used up, with what came back credited:
            <button
              type="button"
              class="figure font-semibold underline decoration-dotted"
              data-testid="credited"
              :aria-label="`Yield with what came back credited: ${formatFigure(actual.credited)}. Show the working`"
              @click="show(actual.credited)"
            >
              {{ formatFigure(actual.credited) }}</button>.
          </template>
        </p>
      </div>
      <p v-if="isWorking && !verdict" class="small min-h-screen" role="status">
        Judging what this batch’s data leave possible.
      </p>
      <template v-if="verdict">
        <p v-if="!shows.explanations.value" class="mt-4 text-soft">
          In this class you explain the yield yourselves: what the app makes of it is left out.
        </p>
        <h2 v-if="shows.explanations.value" class="mb-1 mt-4 text-[15px] text-ink">
          The same mass as each form these ions can make
        </h2>
        <PanelGuard v-if="shows.explanations.value" name="The forms"
          ><FormLadder :rungs="verdict.rungs" @working="show($event.percent)"
        /></PanelGuard>
        <p v-if="shows.explanations.value && verdict.rungs.length < 2" class="small mt-1">
          The table knows no other form of this product.
        </p>
        <PanelGuard v-if="shows.explanations.value" name="The explanations"
          ><WhyPanel :verdict="verdict" @working="show(verdict.difference)"
        /></PanelGuard>
        <PanelGuard v-if="shows.explanations.value" name="The leftovers"
          ><LeftoverPanel :leftovers="verdict.leftovers" @working="show"
        /></PanelGuard>
        <PanelGuard v-if="verdict.ledger.length > 0" name="The ledger of matter"
          ><MatterLedger :rows="verdict.ledger" @working="show"
        /></PanelGuard>
      </template>
      <template v-if="verdict || !isWorking">
        <PanelGuard name="What was charged"
          ><ChargedTable :actual="actual" @working="show" @recovered="keepRecovered"
        /></PanelGuard>
        <PanelGuard v-if="residues" name="The residues"
          ><ResiduePanel :residues="residues" @working="show"
        /></PanelGuard>
        <PanelGuard v-if="trials.length > 0" name="Other trials"
          ><TrialsPanel
            :here="{ code: batch.code, title: batch.document!.title, percent: result.percent.value, spread }"
            :others="trials"
        /></PanelGuard>
      </template>
      <div v-if="shown" class="sticky bottom-0 z-10 bg-sheet pb-2">
        <PanelGuard name="The working"><WorkingPanel closes :figure="shown" @close="close" /></PanelGuard>
      </div>
    </template>
  </MarginPage>
</template>
