<script setup lang="ts">
import { toSignificant } from '#core/quantity'
import type { Formula } from '#core/formula'
import { potReadings } from '#core/journal'
import { operationsIn, tellVessel, withWinning, type Event, type ToldStage } from '#core/procedure'
import { forecastOf, whenReacted } from '#core/outcome'
import { findCurve, gramsIn, justSaturated, liquorVolume, saturationTemperature, spanOf } from '#core/solution'
import { withBench, withOperations, withYield } from '#core/sheet'
import { explainOperation, potOf, readOperation, WATER, type OperationPlan } from '#core/vessel'
import { useAttempt } from '~/composables/useAttempt'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import { useLibraryStore } from '~/stores/library'

/** How the product is won: the curve with the way that the pot takes on it, and the operations beside it, to drag or to type. */
const { account, product } = defineProps<{ account: ToldStage; product: Formula }>()
const batch = useBatchStore()
const journal = useJournalStore()
const library = useLibraryStore()
const stage = computed(() => batch.stage!)
const kept = computed(() => batch.document?.procedures?.find(one => one.stage === stage.value.id)?.steps)
const curve = computed(() => findCurve(product, library.curves)?.curve)
const most = computed(() => batch.stageSheet?.products[0]?.theoretical.value ?? 0)

const listed = computed(() => operationsIn(account.steps))
const operations = computed((): readonly OperationPlan[] => listed.value.map(({ operation }) => operation))
/** What stood after each operation: the last event of its step, or of its turn. */
const told = computed(() => {
  const turns = new Map<string, number>()
  return listed.value.map(({ step }) => {
    const turn = turns.get(step) ?? 0
    turns.set(step, turn + 1)
    const mine = account.events.filter(event => event.step === step && event.operation.do !== 'take up')
    const event = mine.length > 1 ? mine[Math.min(turn, mine.length - 1)] : mine[0]
    return event && { event, ...(event.isKnown && { after: tellVessel(event.after, account.named) }) }
  })
})
const isOwn = computed(() => stage.value.operations !== undefined || kept.value !== undefined)
const problem = computed(() => {
  for (const [at, operation] of operations.value.entries()) {
    const read = readOperation(operation)
    if (read.ok) continue
    return { at, on: read.problem.path.at(-1), span: read.problem.problem.span, ...explainOperation(read.problem) }
  }
  return undefined
})

function change(next: readonly OperationPlan[], key: string): void {
  if (kept.value)
    batch.changeProcedure(stage.value.id, withWinning(kept.value, next, product.text), `operations ${key}`)
  else batch.change(of => withOperations(of, next), `operations ${key}`)
}
function drag(at: number, celsius: number): void {
  const text = `${Math.min(100, Math.max(0, celsius))} °C`
  change(
    operations.value.map((one, i) =>
      i === at ? ('heatTo' in one ? { ...one, heatTo: text } : { ...one, coolTo: text }) : one,
    ),
    `move ${at}`,
  )
}

const LABELS: Partial<Record<Event['operation']['do'], string>> = {
  'heat to': 'Heat to',
  cool: 'Cool to',
  'boil off': 'Boiled down',
  'boil down': 'Boiled down',
  'filter off': 'Filtered',
  'add solvent': 'Solvent added',
  charge: 'Salt added',
  stand: 'Held',
}
const liquorAfter = ({ after, beside, operation }: Event) =>
  operation.do === 'filter off' && operation.keep === 'solid'
    ? beside.findLast(({ is }) => is === 'liquor')?.vessel
    : after
/** Points of the way on the chart: where the liquor stands after each operation. */
const path = computed(() => {
  const salt = curve.value?.salt
  if (!salt) return []
  return told.value.flatMap((one, i) => {
    const operation = operations.value[i]
    if (!one?.event.isKnown || !operation || 'wash' in operation) return []
    const liquor = liquorAfter(one.event)
    const freeWater = liquor?.solvents.get(WATER) ?? 0
    if (!liquor || freeWater < 0.05) return []
    return [
      {
        celsius: liquor.celsius,
        grams: gramsIn({ ions: liquor.ions, freeWater }, salt),
        label: LABELS[one.event.operation.do] ?? '',
        ...('heatTo' in operation || 'coolTo' in operation ? { move: i } : {}),
      },
    ]
  })
})
const inTables = computed(() => ({
  path: '/tables',
  query: {
    table: 'solubility',
    q: curve.value?.salt.text ?? '',
    stood: (real.value.length > 0 ? real.value : path.value)
      .map(({ celsius, grams }) => `${celsius.toFixed(1)}:${toSignificant(grams, 4)}`)
      .join(','),
  },
}))
const reacted = computed(() => whenReacted(account))
/** What the run really measured: volume and temperature of the pot. */
const realAttempt = useAttempt('What the run measured', () => {
  const salt = curve.value?.salt
  const ions = reacted.value?.ions
  if (!salt || !ions) return []
  return potReadings(journal.lines, stage.value.id).flatMap(({ celsius, volume, at }) => {
    let [low, high] = [0.01, 5000]
    for (let i = 0; i < 50; i++) {
      const middle = (low + high) / 2
      if (liquorVolume({ freeWater: middle, dissolved: ions, celsius }) < volume) low = middle
      else high = middle
    }
    return [{ celsius, grams: gramsIn({ ions, freeWater: low }, salt), label: at.slice(11, 16) }]
  })
})
const real = computed(() => realAttempt.value.value ?? [])
const pot = computed(() => reacted.value && potOf(reacted.value, account.named, library.curves))
const others = computed(() =>
  (pot.value?.solutes ?? [])
    .flatMap(({ curve: other }) => (other && other.salt.text !== curve.value?.salt.text ? [other] : []))
    .slice(0, 3),
)
const questionsAttempt = useAttempt('When it is saturated', () => {
  const span = pot.value && spanOf(pot.value)
  if (!pot.value || !span) return undefined
  const hot = Math.min(span.to, 95)
  const least = justSaturated(pot.value, hot, library.curves)
  return {
    hot,
    least,
    volume:
      least === undefined ? undefined : liquorVolume({ freeWater: least, dissolved: pot.value.totals, celsius: hot }),
    first: saturationTemperature(pot.value, hot, library.curves),
  }
})
const questions = questionsAttempt.value

const forecast = computed(() => forecastOf(account, product, most.value))
/** Each crop as it stands in the end: what it is, and what dried in beside it. */
const crops = computed(() => {
  if (!account.isKnown) return []
  const vessels = [
    ...account.end.beside.filter(({ is }) => is === 'crop').map(({ vessel }) => vessel),
    account.end.main,
  ]
  return vessels.flatMap(vessel => {
    const { solid } = tellVessel(vessel, account.named)
    return solid.some(({ mass }) => mass > 1e-4) ? [solid.filter(({ mass }) => mass > 1e-4)] : []
  })
})
const boiledOff = computed(() =>
  account.events
    .filter(({ operation }) => operation.do === 'boil off' || operation.do === 'boil down')
    .flatMap(({ out }) => out.flatMap(({ matter }) => matter.filter(({ form }) => form === 'H2O')))
    .reduce((sum, { mass }) => sum + mass, 0),
)
const takeYield = (): void =>
  batch.change(of => withYield(of, `${toSignificant((forecast.value?.recovery ?? 0) * 100, 3)} %`), 'yield forecast')
const takeWater = (): void =>
  batch.change(of => withBench(of, 'evaporate', `${toSignificant(boiledOff.value, 3)} g`), 'water forecast')
function propose(): void {
  if (kept.value) batch.changeProcedure(stage.value.id, undefined, 'propose')
  batch.change(of => withOperations(of, undefined), 'propose')
}
</script>

<template>
  <section class="mt-4" aria-label="Winning the product">
    <FailedParts :of="[realAttempt, questionsAttempt]" />
    <p v-if="questions && account.way.way === 'crystallise'" class="max-w-[60em] text-[14px] text-soft">
      <span class="figure text-ink">{{ reacted?.solvents.get(WATER)?.toFixed(1) }} g</span> of water in the pot.
      <template v-if="questions.least !== undefined">
        Just saturated at {{ questions.hot.toFixed(0) }} °C with
        <b class="figure text-ink">{{ questions.least.toFixed(1) }} g</b>, about
        <b class="figure text-ink">{{ questions.volume!.toFixed(0) }} mL</b>.</template
      >
      <template v-if="questions.first !== undefined">
        As it stands, crystals come from <b class="figure text-ink">{{ questions.first.toFixed(1) }} °C</b>.</template
      >
    </p>
    <div class="mt-2 grid gap-5" :class="curve ? 'lg:grid-cols-[minmax(0,1fr)_minmax(0,400px)]' : ''">
      <div v-if="curve">
        <PanelGuard name="The chart"
          ><LazyCrystalChart :curve="curve" :others="others" :path="path" :real="real" @drag="drag"
        /></PanelGuard>
        <p class="small mt-1">
          <NuxtLink :to="inTables" class="alone rounded text-verdigris underline">This curve in the tables</NuxtLink>,
          with its branches and its source.
        </p>
      </div>
      <PanelGuard name="The operations"
        ><OperationList
          :operations="operations"
          :product="product.text"
          :told="told"
          :problem="problem"
          @change="change"
      /></PanelGuard>
    </div>
    <div class="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
      <p v-for="(solids, i) in crops" :key="i" role="status" class="text-[15px]">
        <template v-if="crops.length > 1">Crop {{ i + 1 }}: </template>
        <template v-for="(solid, s) in solids" :key="solid.form"
          ><template v-if="s > 0">, with </template
          ><b class="figure" :class="s === 0 ? 'text-[20px]' : ''"
            >{{ toSignificant(solid.mass, s === 0 ? 4 : 2) }} g</b
          >
          <FormulaText :text="solid.form"
        /></template>
      </p>
      <p v-if="forecast" class="text-[14px] text-soft">
        {{ (forecast.recovery * 100).toFixed(1) }} % of what could be<span v-if="forecast.isEstimated"
          >, an estimate</span
        >
      </p>
      <p v-if="account.isKnown && crops.length === 0" class="text-[15px]">No crop yet.</p>
      <p v-if="!account.isKnown" class="text-[14px] text-soft">How much comes is not known.</p>
      <span class="flex flex-wrap gap-2">
        <button v-if="forecast && forecast.recovery > 0" type="button" class="button button-quiet" @click="takeYield">
          Expect {{ (forecast.recovery * 100).toFixed(0) }} % on the sheet
        </button>
        <button v-if="boiledOff > 0.005" type="button" class="button button-quiet" @click="takeWater">
          Boil off {{ toSignificant(boiledOff, 3) }} g on the sheet
        </button>
        <button v-if="isOwn" type="button" class="button button-quiet" @click="propose">Propose anew</button>
      </span>
    </div>
  </section>
</template>
