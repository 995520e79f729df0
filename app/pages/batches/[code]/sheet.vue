<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { parseFormula, relate } from '#core/formula'
import type { Figure } from '#core/quantity'
import { sheetNotes, type MarginNote } from '#core/remarks'
import {
  explainPlan,
  findReagent,
  gasFacts,
  heatOf,
  potOf,
  readStageReaction,
  withEquation,
  withForm,
  withMix,
  withSupply,
  withYield,
  type Path,
  type StagePlan,
  type SupplyPlan,
} from '#core/sheet'
import { useAttempt } from '~/composables/useAttempt'
import { useWorking } from '~/composables/useWorking'
import { focusSoon } from '~/utils/focus'
import { fieldPlace } from '~/components/sheet/problem-place'
import { useBatchStore } from '~/stores/batch'
import { useLibraryStore } from '~/stores/library'

type Open =
  { panel: 'supply' | 'excess'; species: string } | { panel: 'working' | 'product' | 'water' | 'gas' | 'heat' | 'ions' }

const PANELS = [
  'SupplyPanel',
  'ExcessPanel',
  'WaterPanel',
  'GasPanel',
  'HeatPanel',
  'ProductPanel',
  'IonPanel',
  'EquationField',
  'ReactionChoice',
  'SpreadCheck',
].map(name => `Lazy${name}`)

const batch = useBatchStore()
const library = useLibraryStore()
const stage = computed(() => batch.stage!)
const reaction = computed(() => readStageReaction(stage.value))
const sheet = computed(() => batch.stageSheet)

/** The theoretical yield's working stands open until something else is asked for. */
const theoretical = computed(() => sheet.value?.products[0]?.theoretical)
const open = ref<Open>()
const editsEquation = ref(false)
const equation = computed({
  get: () => stage.value.equation,
  set: text => batch.change(stage => withMix(withEquation(stage, library.writtenOut(text)), undefined), 'equation'),
})
watch(
  () => stage.value.id,
  () => {
    open.value = undefined
  },
)

const problemAt = (...path: (string | number)[]) => batch.problemAt('stages', batch.stageAt, ...path)
const supplyIndex = (species: string): number => stage.value.reagents.indexOf(findReagent(stage.value, species)!)

/** Everything that a panel of this page computes, so that an open working follows its figure. */
const { shown, show: showFigure } = useWorking(() => {
  const now = sheet.value
  const at = batch.setting
  if (!now || !at) return undefined
  return [now, potOf(at.stage, now, at.curves), heatOf(at.stage, now), gasFacts(at.stage, now, at.room)]
})
watch(shown, figure => {
  if (!figure && open.value?.panel === 'working') open.value = undefined
})
function showWorking(figure: Figure): void {
  showFigure(figure)
  open.value = { panel: 'working' }
}
function toggle(panel: 'product' | 'water' | 'gas' | 'heat' | 'ions'): void {
  open.value = open.value?.panel === panel ? undefined : { panel }
}

/** Earlier stages whose product is the reagent, with or without water. */
const sourcesOf = (species: string): { id: string; name: string }[] => {
  const wanted = parseFormula(species)
  return batch.stages.slice(0, batch.stageAt).flatMap(({ id, name, product }, i) => {
    const made = parseFormula(product.form ?? product.species)
    return wanted.ok && made.ok && relate(made.value, wanted.value)
      ? [{ id, name: `stage ${i + 1}, ${name ?? product.species}` }]
      : []
  })
}

const notesAttempt = useAttempt('The remarks', (): MarginNote[] => {
  const doubts: MarginNote[] =
    here.value.length > 0 && !isSeveral.value
      ? [
          {
            tone: 'caution',
            tag: 'Cannot be understood',
            text: 'Something typed on this sheet cannot be understood, marked in red where it stands. Figures that hang on it are not shown until it can.',
          },
        ]
      : []
  return [...doubts, ...(sheet.value && batch.setting ? sheetNotes(sheet.value, batch.setting) : [])]
})
const notes = computed(() => notesAttempt.value.value ?? [])
const SCALES: readonly string[] = ['sheet.no-scale', 'sheet.two-scales', 'sheet.target-not-last']
const scaleProblem = computed(() => {
  const found = batch.problems.find(({ problem }) => SCALES.includes(problem.code))
  return found && explainPlan(found)
})
/** What does not read on this stage, or of the room that all share. */
const here = computed(() =>
  batch.problems.filter(
    ({ path, problem }) => !SCALES.includes(problem.code) && (path[0] !== 'stages' || path[1] === batch.stageAt),
  ),
)
/** Those whose field cannot be seen just now: in the table, or in a panel that stands open, it is marked where it was typed. */
const hidden = computed(() =>
  here.value.filter(({ path }) => {
    const place = fieldPlace(path)
    const now = open.value
    if (place.panel === 'table') return false
    if (place.panel === 'equation') return false
    if (place.panel === 'supply') return now?.panel !== 'supply' || now.species !== speciesOf(place.reagent)
    return now?.panel !== place.panel
  }),
)
/** A problem on another stage keeps this one from being computed. */
const elsewhere = computed(() => {
  if (sheet.value) return undefined
  const other = batch.problems.find(({ path }) => typeof path[1] === 'number' && path[1] !== batch.stageAt)
  return other && Number(other.path[1])
})
const speciesOf = (i: number): string => stage.value.reagents[i]?.species ?? ''
/** Opens the panel that a field stands in, and takes the focus to what is marked there. */
function show(path: Path): void {
  const place = fieldPlace(path)
  if (place.panel === 'equation') editsEquation.value = true
  else if (place.panel === 'supply') open.value = { panel: 'supply', species: speciesOf(place.reagent) }
  else if (place.panel !== 'table') open.value = { panel: place.panel }
  focusSoon(`${place.panel === 'table' ? 'table ' : 'section '}[aria-invalid=true]`)
}
const isSeveral = computed(
  () => !reaction.value.ok && reaction.value.problem.problem.code === 'sheet.several-reactions',
)
const change = (make: (stage: StagePlan) => StagePlan, key: string): void => batch.change(make, key)

/** What a press opens is fetched behind the first look, so that the press finds it there. */
onNuxtReady(() => void preloadComponents(PANELS))

onKeyStroke('Escape', () => {
  open.value = undefined
})
</script>

<template>
  <MarginPage :notes="notes" :attempts="[notesAttempt]">
    <div class="flex items-start gap-3 max-sm:flex-wrap">
      <div class="min-w-0 flex-1 max-sm:basis-full">
        <h1>
          <input
            :value="batch.document!.title"
            class="-ml-1.5 w-full rounded px-1.5 font-semibold hover:bg-paper"
            aria-label="Title"
            maxlength="120"
            @input="batch.rename(($event.target as HTMLInputElement).value)"
          />
        </h1>
        <p class="mt-0.5 flex flex-wrap items-center gap-2 text-[14px] text-soft">
          <span v-if="batch.stages.length > 1">Stage {{ batch.stageAt + 1 }} of {{ batch.stages.length }}:</span>
          <EquationText v-if="reaction.ok" :reaction="reaction.value" />
          <button type="button" class="rounded px-1 text-verdigris underline" @click="editsEquation = !editsEquation">
            {{ editsEquation ? 'Done' : 'Change the equation' }}
          </button>
        </p>
      </div>
      <UndoButtons :of="batch" />
    </div>
    <LazyConflictBanner v-if="batch.clashes.length > 0" class="mt-3" :clashes="batch.clashes" @settle="batch.settle" />
    <LazyEquationField
      v-if="editsEquation || (!reaction.ok && !isSeveral)"
      v-model="equation"
      class="mt-3"
      label="Equation"
    />
    <PanelGuard
      v-if="isSeveral || stage.mix || here.some(({ path }) => path.includes('mix'))"
      name="The choice of reactions"
      ><LazyReactionChoice :stage="stage" :problem-at="problemAt" @change="change"
    /></PanelGuard>

    <template v-if="reaction.ok">
      <PanelGuard name="The table"
        ><SheetTable
          class="mt-4"
          :stage="stage"
          :reaction="reaction.value"
          :sheet="sheet"
          :open="open"
          :problem-at="problemAt"
          @change="change"
          @working="showWorking"
          @supply="open = { panel: 'supply', species: $event }"
          @excess="open = { panel: 'excess', species: $event }"
          @product="open = { panel: 'product' }"
      /></PanelGuard>
      <ProblemList v-if="hidden.length > 0" :problems="hidden" :species-of="speciesOf" @show="show" />
      <p v-if="scaleProblem" class="mt-3 rounded-lg border border-blue-edge bg-blue-soft px-3 py-2" role="status">
        {{ scaleProblem.why }} {{ scaleProblem.fix }}
      </p>
      <p v-else-if="elsewhere !== undefined" class="mt-3 rounded-lg bg-amber-soft px-3 py-2 text-amber" role="status">
        Stage {{ elsewhere + 1 }} cannot be understood, so this one has no figures yet.
        <NuxtLink :to="{ query: { stage: batch.stages[elsewhere]!.id } }" class="underline">Go there</NuxtLink>
      </p>
      <PanelGuard v-if="sheet && batch.setting" name="The figures of the stage"
        ><FactStrip :sheet="sheet" :setting="batch.setting" :plan="batch.sheet" :open="open?.panel" @open="toggle"
      /></PanelGuard>
      <p v-else-if="!sheet" class="small mt-3">
        No figures yet.
        <button
          v-for="panel in ['water', 'gas', 'heat', 'product'] as const"
          :key="panel"
          type="button"
          class="ml-2 min-h-6 rounded text-verdigris underline"
          @click="toggle(panel)"
        >
          {{ { water: 'Water and vessel', gas: 'Gas and room', heat: 'Heat', product: 'Product and yield' }[panel] }}
        </button>
      </p>
      <template v-if="open">
        <PanelGuard v-if="open.panel === 'water'" name="Water and vessel"
          ><LazyWaterPanel
            :stage="stage"
            :sheet="sheet"
            :setting="batch.setting"
            :problem-at="problemAt"
            @change="change"
            @working="showWorking"
            @close="open = undefined"
        /></PanelGuard>
        <PanelGuard v-else-if="open.panel === 'gas'" name="Gas"
          ><LazyGasPanel
            :plan="batch.document!.plan"
            :stage="stage"
            :sheet="sheet"
            :setting="batch.setting"
            :problem-at="problemAt"
            :room-problem-at="batch.problemAt"
            @change="change"
            @change-plan="batch.changePlan"
            @working="showWorking"
            @close="open = undefined"
        /></PanelGuard>
        <PanelGuard v-else-if="open.panel === 'heat'" name="Heat"
          ><LazyHeatPanel
            :stage="stage"
            :sheet="sheet"
            :setting="batch.setting"
            :problem-at="problemAt"
            @change="change"
            @working="showWorking"
            @close="open = undefined"
        /></PanelGuard>
        <PanelGuard v-else-if="open.panel === 'excess' && sheet && batch.setting" name="Excess"
          ><LazyExcessPanel
            :stage="stage"
            :sheet="sheet"
            :setting="batch.setting"
            :species="open.species"
            @change="change"
            @working="showWorking"
            @close="open = undefined"
        /></PanelGuard>
      </template>
      <PanelGuard v-if="open?.panel === 'ions'" name="Ions and names"
        ><LazyIonPanel :reaction="reaction.value" :own="library.substances" @close="open = undefined"
      /></PanelGuard>
      <PanelGuard v-else-if="open?.panel === 'working' && shown" name="The working"
        ><WorkingPanel :key="shown.name" closes :figure="shown" @close="open = undefined"
      /></PanelGuard>
      <PanelGuard v-else-if="open?.panel === 'supply'" name="Supply"
        ><LazySupplyPanel
          :key="open.species"
          :species="open.species"
          :supply="findReagent(stage, open.species)?.supply ?? { kind: 'solid' }"
          :sources="sourcesOf(open.species)"
          :plan="batch.document!.plan"
          :stage-id="stage.id"
          :own="library.substances"
          :problem-at="key => problemAt('reagents', supplyIndex((open as { species: string }).species), 'supply', key)"
          @change="
            (supply: SupplyPlan) =>
              batch.change(stage => withSupply(stage, (open as { species: string }).species, supply), 'supply')
          "
          @close="open = undefined"
      /></PanelGuard>
      <PanelGuard v-else-if="open?.panel === 'product'" name="Product"
        ><LazyProductPanel
          :species="stage.product.species"
          :form="stage.product.form ?? stage.product.species"
          :expected="stage.yield ?? ''"
          :own="library.substances"
          :problem-at="problemAt"
          @form="text => batch.change(stage => withForm(stage, library.writtenOut(text)), 'form')"
          @expected="text => batch.change(stage => withYield(stage, text), 'yield')"
          @close="open = undefined"
      /></PanelGuard>
      <PanelGuard v-else-if="theoretical && !open" name="The working"
        ><WorkingPanel :figure="theoretical"
      /></PanelGuard>
      <p v-if="sheet && !open" class="small mt-3">
        Press a figure to see its working, what a reagent comes as to change its bottle, where its excess goes to weigh
        one excess against another, or a pin to say what sets the scale.
      </p>
    </template>
  </MarginPage>
</template>
