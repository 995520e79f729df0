<script setup lang="ts">
import { toSignificant } from '#core/quantity'
import { parseFormula } from '#core/formula'
import { crystalNotes, dryingAdvice, proposeMoves, recoveryOf, stagePot } from '#core/result'
import {
  clingingShare,
  comesDownAt,
  explainMove,
  explainMovePlan,
  explainSolubility,
  findCurve,
  follow,
  gramsIn,
  ionsOfSparing,
  justSaturated,
  liquorVolume,
  readMoves,
  saturationTemperature,
  spanOf,
  washOptions,
  type CourseProblem,
  type MovePlan,
  type MoveProblem,
  type WashOption,
} from '#core/solution'
import { withBench, withCrystals, withYield } from '#core/sheet'
import { potReadings } from '#core/journal'
import { useAttempt } from '~/composables/useAttempt'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import { useLibraryStore } from '~/stores/library'

const batch = useBatchStore()
const journal = useJournalStore()
const library = useLibraryStore()
const stage = computed(() => batch.stage!)
const sheet = computed(() => batch.stageSheet)
const curves = computed(() => library.curves)

const product = computed(() => {
  const read = parseFormula(stage.value.product.form ?? stage.value.product.species)
  return read.ok ? read.value : undefined
})
const curve = computed(() => (product.value ? findCurve(product.value, curves.value)?.curve : undefined))
const hasProduct = computed(() => (product.value ? ionsOfSparing(product.value) !== undefined : false))
/** Thrown down and not crystallised: only a solubility product is known, at one temperature. */
const sparing = computed(() => hasProduct.value && !curve.value)
const pot = useAttempt('The pot', () => (sheet.value && curve.value ? stagePot(sheet.value, curves.value) : undefined))
const start = pot.value
const proposal = useAttempt('A first way to crystallise', () =>
  start.value && product.value ? proposeMoves(start.value.pot, product.value, curves.value) : undefined,
)
const proposed = proposal.value
const moves = computed((): readonly MovePlan[] => stage.value.crystals?.moves ?? proposed.value ?? [])
const isOwn = computed(() => stage.value.crystals !== undefined)
const read = computed(() => readMoves(moves.value))
const way = useAttempt('The course of these moves', () =>
  start.value && read.value.ok ? follow(start.value.pot, read.value.value, curves.value) : undefined,
)
const course = way.value

const problem = computed(() => {
  if (!read.value.ok) {
    const { path, problem: found } = read.value.problem
    return { at: Number(path[0]), on: path[2], span: found.span, ...explainMovePlan(read.value.problem) }
  }
  if (!course.value || course.value.ok) return undefined
  const found = course.value.problem
  return { at: found.step, ...(isOfMoves(found) ? explainMove(found) : explainSolubility(found)) }
})
const isOfMoves = (found: CourseProblem): found is MoveProblem & CourseProblem => found.code.startsWith('moves.')
/** The whole way, or as far as it goes before the move that stops it. */
const doneAttempt = useAttempt('The way as far as it goes', () => {
  if (!course.value || course.value.ok) return course.value?.value
  if (!start.value || !read.value.ok) return undefined
  const far = follow(start.value.pot, read.value.value.slice(0, course.value.problem.step), curves.value)
  return far.ok ? far.value : undefined
})
const done = doneAttempt.value

function change(next: readonly MovePlan[], key: string): void {
  batch.change(stage => withCrystals(stage, next), `crystals ${key}`)
}
function drag(at: number, celsius: number): void {
  const move = moves.value[at]
  if (!move) return
  const text = `${Math.min(100, Math.max(0, celsius))} °C`
  change(
    moves.value.map((one, i) => (i === at ? ('heatTo' in one ? { heatTo: text } : { coolTo: text }) : one)),
    `move ${at}`,
  )
}

/** Points of the way on the chart: where the liquor stands after each move. */
const pathAttempt = useAttempt('The path on the chart', () => {
  const salt = curve.value?.salt
  if (!done.value || !salt || !start.value) return []
  return done.value.steps.flatMap((told, i) => {
    const move = moves.value[i]!
    if ('wash' in move || told.freeWater < 0.05) return []
    const label =
      'heatTo' in move
        ? 'Heat to'
        : 'coolTo' in move
          ? 'Cool to'
          : 'evaporate' in move || 'evaporateTo' in move
            ? 'Boiled down'
            : 'filter' in move
              ? 'Filtered'
              : 'addWater' in move
                ? 'Water added'
                : 'addEthanol' in move
                  ? 'Ethanol added'
                  : 'hold' in move
                    ? 'Held'
                    : 'Salt added'
    return [
      {
        celsius: told.celsius,
        grams: gramsIn(told, salt),
        label,
        ...('heatTo' in move || 'coolTo' in move ? { move: i } : {}),
      },
    ]
  })
})
const path = computed(() => pathAttempt.value.value ?? [])
/** What the run really measured: volume and temperature of the pot. */
const realAttempt = useAttempt('What the run measured', () => {
  const salt = curve.value?.salt
  if (!salt || !start.value) return []
  const { pot } = start.value
  return potReadings(journal.lines, stage.value.id).flatMap(({ celsius, volume, at }) => {
    const ions = pot.totals
    let low = 0.01
    let high = 5000
    for (let i = 0; i < 50; i++) {
      const middle = (low + high) / 2
      if (liquorVolume({ freeWater: middle, dissolved: ions, celsius }) < volume) low = middle
      else high = middle
    }
    return [{ celsius, grams: gramsIn({ ions, freeWater: low }, salt), label: at.slice(11, 16) }]
  })
})
const real = computed(() => realAttempt.value.value ?? [])
const others = computed(() =>
  (start.value?.pot.solutes ?? [])
    .flatMap(({ curve: other }) => (other && other !== curve.value ? [other] : []))
    .slice(0, 3),
)

const questionsAttempt = useAttempt('When it is saturated', () => {
  if (!start.value || !product.value) return undefined
  const { pot } = start.value
  const span = spanOf(pot)
  if (!span) return undefined
  const hot = Math.min(span.to, 95)
  const least = justSaturated(pot, hot, curves.value)
  return {
    hot,
    least,
    volume: least === undefined ? undefined : liquorVolume({ freeWater: least, dissolved: pot.totals, celsius: hot }),
    first: saturationTemperature(pot, hot, curves.value),
  }
})
const questions = questionsAttempt.value
const {
  verdict,
  state: firstState,
  retry: askFirst,
} = useWhichFirst(
  computed(() => {
    if (!start.value || !product.value || !batch.document || start.value.pot.solutes.length < 2) return undefined
    const span = spanOf(start.value.pot)
    const steps = done.value?.steps ?? []
    const from = Math.max(...steps.map(({ celsius }) => celsius), 25)
    const to = Math.min(...steps.map(({ celsius }) => celsius), 25)
    if (!span || from <= to) return undefined
    const hottest = steps.filter(({ celsius }) => celsius === from).at(-1)
    return {
      plan: batch.document.plan,
      stage: stage.value.id,
      weighed: [...batch.weighed],
      product: product.value.text,
      water: hottest?.freeWater ?? start.value.pot.water,
      from: Math.min(from, span.to),
      to: Math.max(to, span.from),
      substances: library.substances,
      curves: library.curveRows,
    }
  }),
)
const filterAtAttempt = useAttempt('When it comes down in a filter', () => {
  if (!done.value || !product.value || !start.value) return undefined
  const hot = done.value.steps[0]
  return (
    hot &&
    comesDownAt(
      { ...start.value.pot, water: hot.freeWater },
      findCurve(product.value, curves.value)?.curve.salt.text ?? '',
      hot.celsius,
      curves.value,
    )
  )
})
const filterAt = filterAtAttempt.value
const cake = computed(() => done.value?.cakes[0])
const washesAttempt = useAttempt('How to wash', () => {
  if (!cake.value || !product.value || !read.value.ok) return []
  const unwashedMoves = read.value.value.slice(0, done.value?.steps.length).filter(({ do: kind }) => kind !== 'wash')
  const beforeWash = start.value && follow(start.value.pot, unwashedMoves, curves.value)
  const unwashed = beforeWash?.ok ? beforeWash.value.cakes[0] : undefined
  const retained = read.value.value.find(move => move.do === 'filter')
  return unwashed
    ? washOptions(
        {
          pot: unwashed.pot,
          retained: retained?.do === 'filter' ? retained.retained : 0.2,
          product: product.value,
          // Free acid clings as the rest of the liquor does.
          unknown:
            (start.value?.leftOut ?? []).reduce((sum, { mass }) => sum + mass, 0) *
            ((beforeWash?.ok && clingingShare(beforeWash.value, unwashedMoves)) || 0),
        },
        curves.value,
        library.substances,
      )
    : []
})
const washes = computed(() => washesAttempt.value.value ?? [])
function takeWash({ solvent, celsius, portions, portion }: WashOption): void {
  const wash: MovePlan = { wash: { with: solvent, volume: `${toSignificant(portion, 2)} mL`, at: `${celsius} °C` } }
  change([...moves.value.filter(move => !('wash' in move)), ...Array.from({ length: portions }, () => wash)], 'wash')
}
const dryingAttempt = useAttempt('How to dry', () =>
  product.value ? dryingAdvice(product.value, library.substances) : undefined,
)
const drying = dryingAttempt.value

const crops = computed(() => (done.value?.crops ?? []).filter(({ mass }) => mass > 1e-4))
const recoveryAttempt = useAttempt('What of it comes', () =>
  done.value && product.value ? recoveryOf(done.value, product.value, curves.value) : 0,
)
const recovery = computed(() => recoveryAttempt.value.value ?? 0)
function takeYield(): void {
  batch.change(stage => withYield(stage, `${toSignificant(recovery.value * 100, 3)} %`), 'yield from crystals')
}
const boiledOff = computed(() => done.value?.boiledOff ?? 0)
function takeWater(): void {
  batch.change(stage => withBench(stage, 'evaporate', `${toSignificant(boiledOff.value, 3)} g`), 'water from crystals')
}

const potVolume = computed(() => {
  const { total, intoProduct } = sheet.value?.water ?? {}
  return total && intoProduct ? total.value + intoProduct.value : 0
})

const tab = ref<'first' | 'wash' | 'dry' | 'again' | 'throw'>('wash')
watch(
  () => [stage.value.id, sparing.value],
  () => (tab.value = sparing.value ? 'throw' : 'wash'),
  { immediate: true },
)
const tabs = [
  { key: 'wash', name: 'How to wash' },
  { key: 'dry', name: 'How to dry' },
  { key: 'first', name: 'Which salt first' },
  { key: 'again', name: 'Recrystallise' },
  { key: 'throw', name: 'Precipitate' },
] as const

const notesAttempt = useAttempt('The margin', () =>
  product.value
    ? crystalNotes({
        product: product.value,
        curve: curve.value,
        leftOut: (start.value?.leftOut ?? []).map(({ form }) => form),
        course: done.value,
        verdict: verdict.value,
        hotFilter: filterAt.value,
        curves: curves.value,
      })
    : [],
)
const notes = computed(() => notesAttempt.value.value ?? [])
const attempts = [
  pot,
  proposal,
  way,
  doneAttempt,
  pathAttempt,
  realAttempt,
  questionsAttempt,
  filterAtAttempt,
  washesAttempt,
  dryingAttempt,
  recoveryAttempt,
  notesAttempt,
]
</script>

<template>
  <MarginPage :notes="notes" :attempts="attempts">
    <div class="flex items-start justify-between gap-3">
      <div>
        <h1>Crystals of <FormulaText :text="stage.product.form ?? stage.product.species" /></h1>
        <p v-if="start && questions" class="mt-0.5 text-[14px] text-soft">
          <span class="figure text-ink">{{ start.pot.water.toFixed(1) }} g</span> of water in the pot.
          <template v-if="questions.least !== undefined">
            Just saturated at {{ questions.hot.toFixed(0) }} °C with
            <b class="figure text-ink">{{ questions.least.toFixed(1) }} g</b>, about
            <b class="figure text-ink">{{ questions.volume!.toFixed(0) }} mL</b>.</template
          >
          <template v-if="questions.first !== undefined">
            As it stands, crystals come from
            <b class="figure text-ink">{{ questions.first.toFixed(1) }} °C</b>.</template
          >
        </p>
      </div>
      <UndoButtons :of="batch" />
    </div>
    <ConflictBanner v-if="batch.clashes.length > 0" class="mt-3" :clashes="batch.clashes" @settle="batch.settle" />
    <p v-if="!sheet" class="mt-3">
      The sheet has no figures yet:
      <NuxtLink :to="{ path: `/batches/${batch.code}/sheet`, query: $route.query }" class="text-verdigris underline"
        >give a charge or a target</NuxtLink
      >.
    </p>
    <p v-else-if="sparing" class="mt-3 max-w-[44em] text-[15px]">
      <FormulaText :text="stage.product.species" /> is sparingly soluble: it is thrown down, not crystallised. How
      completely, and what washing it costs, stands below.
    </p>
    <p v-else-if="!start || !curve" class="mt-3 max-w-[44em] text-[15px]">
      The table has no solubility of <FormulaText :text="stage.product.species" /> in water, so its crop cannot be told.
      <NuxtLink to="/tables?table=solubility" class="text-verdigris underline">Add your own curve</NuxtLink>, by hand or
      pasted, and this page works with it. What is known of drying it stands below.
    </p>
    <template v-else>
      <div class="mt-3 grid gap-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,380px)]">
        <div>
          <PanelGuard name="The chart"
            ><LazyCrystalChart :curve="curve" :others="others" :path="path" :real="real" @drag="drag"
          /></PanelGuard>
          <div class="crops mt-2" role="status">
            <p v-for="crop in crops" :key="crop.form">
              <b class="figure text-[20px]">{{ toSignificant(crop.mass, 4) }} g</b> <FormulaText :text="crop.form" />,
              {{ (crop.recovery * 100).toFixed(1) }} % of what could be
              <span v-if="crop.entrained > 0.0005" class="small"
                >with {{ toSignificant(crop.entrained, 2) }} g of the liquor’s salts dried into it</span
              >
            </p>
            <p v-if="crops.length === 0">No crop yet.</p>
          </div>
          <div class="mt-2 flex flex-wrap gap-2">
            <button type="button" class="button button-quiet" :disabled="recovery <= 0" @click="takeYield">
              Expect {{ (recovery * 100).toFixed(0) }} % on the sheet
            </button>
            <button v-if="boiledOff > 0.005" type="button" class="button button-quiet" @click="takeWater">
              Boil off {{ toSignificant(boiledOff, 3) }} g on the sheet
            </button>
            <button
              v-if="isOwn"
              type="button"
              class="button button-quiet"
              @click="batch.change(stage => withCrystals(stage, undefined), 'propose')"
            >
              Propose anew
            </button>
          </div>
        </div>
        <PanelGuard name="The moves"
          ><MoveList
            :moves="moves"
            :product="stage.product.form ?? stage.product.species"
            :course="done"
            :problem="problem"
            @change="change"
        /></PanelGuard>
      </div>
    </template>
    <nav class="mt-5 flex gap-1 border-b border-rule" aria-label="Advice">
      <button
        v-for="one in tabs"
        :key="one.key"
        type="button"
        class="rounded-t-md px-3 py-1.5 text-[14px]"
        :class="one.key === tab ? 'border border-b-0 border-rule bg-paper font-semibold' : 'text-soft hover:bg-paper'"
        :aria-pressed="one.key === tab"
        @click="tab = one.key"
      >
        {{ one.name }}
      </button>
    </nav>
    <section class="pt-3" :aria-label="tabs.find(({ key }) => key === tab)!.name">
      <template v-if="tab === 'wash'">
        <PanelGuard v-if="washes.length > 0" name="How to wash"
          ><WashTable :options="washes" @take="takeWash"
        /></PanelGuard>
        <p v-else>There is no crop to wash yet.</p>
      </template>
      <PanelGuard v-else-if="tab === 'dry' && drying" name="How to dry"><DryingTable :advice="drying" /></PanelGuard>
      <template v-else-if="tab === 'first'">
        <template v-if="verdict">
          <ol class="text-[14px]">
            <li v-for="arrival in verdict.order" :key="arrival.form" class="border-b border-rule py-1.5">
              <FormulaText :text="arrival.form" /> from <b class="figure">{{ arrival.celsius.toFixed(0) }} °C</b>, in
              the end
              <b class="figure">{{ toSignificant(arrival.mass, 3) }} g</b>
            </li>
          </ol>
          <p v-if="verdict.order.length === 0" class="text-[14px]">Nothing comes down on this way.</p>
          <p v-if="verdict.wanted === 'first'" class="mt-2 text-verdigris">The salt you want comes first.</p>
          <p v-else class="mt-2 font-semibold text-red">
            The salt you want {{ verdict.wanted === 'never' ? 'does not come' : 'is not the first to come' }}.
          </p>
          <ul class="mt-1 text-[14px]">
            <li v-for="exchange in verdict.exchanges" :key="exchange.words"><RichText :text="exchange.words" /></li>
          </ul>
        </template>
        <p v-else-if="firstState === 'working'" class="text-[14px]" role="status">Working out what comes first…</p>
        <PartFailed
          v-else-if="firstState === 'failed'"
          name="Which salt comes first"
          why="the worker stopped"
          @retry="askFirst"
        />
        <p v-else-if="firstState === 'gave up'" class="text-[14px]">
          This mixture did not come to rest in ten seconds, so what comes first is not known. Take a substance out of
          the sheet that hardly matters, or change a temperature.
        </p>
        <p v-else class="text-[14px]">
          Only one salt is in this pot, as far as the table knows: nothing can come before it.
        </p>
      </template>
      <PanelGuard v-else-if="tab === 'throw'" name="Precipitation"
        ><PrecipitatePanel
          :key="stage.id"
          :salt="hasProduct ? (stage.product.form ?? stage.product.species) : ''"
          :grams="sheet?.products[0]?.theoretical.value ?? 1"
          :millilitres="potVolume"
      /></PanelGuard>
      <PanelGuard v-else-if="tab === 'again' && product" name="Recrystallisation"
        ><RecrystallisePanel
          :key="stage.id"
          :product="product"
          :crude="sheet?.products[0]?.theoretical.value ?? 10"
          :curves="curves"
      /></PanelGuard>
    </section>
  </MarginPage>
</template>
