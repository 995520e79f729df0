<script setup lang="ts">
import { onKeyStroke, useNow } from '@vueuse/core'
import { colourOf, parseFormula } from '#core/formula'
import {
  cropsOf,
  dryingSeries,
  durationWords,
  minutesFrom,
  offTarget,
  readWait,
  weighingOf,
  type About,
  type JournalLine,
  type Measure,
  type Seen,
  type Trouble,
  type SpotTest,
  type Step,
} from '#core/journal'
import {
  amountGoingIn,
  forgottenBefore,
  minutesOf,
  pressOf,
  readingAsked,
  setUpOf,
  sumOfCautions,
  timesOf,
  waitEach,
  type StepState,
} from '#core/procedure'
import { gasFacts } from '#core/sheet'
import { formatFigure, product } from '#core/quantity'
import { currentStage } from '#core/overview'
import { coloursFor, judgeBatch, potNow } from '#core/outcome'
import { sheetNotes, yieldNotes, type MarginNote } from '#core/remarks'
import { spoken } from '#core/species'
import { useAnnounce } from '~/composables/useAnnounce'
import { useAttempt } from '~/composables/useAttempt'
import { useLetterKeys } from '~/composables/useLetterKeys'
import { useStageRun } from '~/composables/useStageRun'
import { useStepDrafts } from '~/composables/useStepDrafts'
import { useTimers } from '~/composables/useTimers'
import { localCalendar } from '~/utils/calendar'
import { useShows } from '~/composables/useShows'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import type { NewEntry } from '~/stores/outbox'
import { useLabStore } from '~/stores/lab'
import { useLibraryStore } from '~/stores/library'

const batch = useBatchStore()
/** A class may leave the app's own judgement out for its students. */
const shows = useShows()
const journal = useJournalStore()
const lab = useLabStore()
const library = useLibraryStore()
const stage = computed(() => batch.stage!)
const sheet = computed(() => batch.stageSheet)
const now = useNow({ interval: 1000 })
const { moved, proposal, run, spans, take, deviate, realAccount } = useStageRun()
const clocks = useTimers()
const minute = computed(() => Math.floor(now.value.getTime() / 60_000) * 60_000)
const planned = computed(() => spans(minute.value))

/** A run that names no stage opens at the first that is not through. */
const route = useRoute()
watch(
  () => [route.query.stage, batch.sheets, journal.isLoaded] as const,
  ([named, sheets, isLoaded]) => {
    const stages = batch.reading?.plan.stages ?? []
    if (named !== undefined || !isLoaded || sheets.length < 2 || stages.length !== sheets.length) return
    const first = sheets[currentStage({ stages }, sheets, journal.lines)]
    if (first && first.id !== stage.value.id) void navigateTo({ query: { stage: first.id } }, { replace: true })
  },
  { immediate: true },
)
const nextStage = computed(() => batch.stages[batch.stageAt + 1])
const chosenId = ref<string>()
watch(
  () => stage.value.id,
  () => (chosenId.value = undefined),
)
const chosen = computed(
  (): StepState | undefined =>
    run.value.steps.find(({ step }) => step.id === chosenId.value) ?? run.value.next ?? run.value.steps.at(-1),
)
const at = computed(() => (chosen.value ? run.value.steps.indexOf(chosen.value) : -1))
const step = computed(() => chosen.value?.step)
const times = computed(() => (step.value ? timesOf(step.value) : { hands: 0, wait: 0 }))

/** What the step's readings are about; a step without says so, and the pot can always be read. */
const crop = ref(1)
watch(
  () => step.value?.id,
  () => (crop.value = step.value?.about?.what === 'product' ? step.value.about.crop : 1),
  { immediate: true },
)
const about = computed((): About | undefined => {
  const of = step.value?.about
  if (!of) return undefined
  if (of.what === 'product') return { what: 'product', stage: stage.value.id, crop: crop.value }
  return of.what === 'addition'
    ? { ...of, stage: stage.value.id, step: step.value!.id }
    : { ...of, stage: stage.value.id }
})
const hand = useBottleAtHand(
  () => stage.value,
  () => about.value,
  () => journal.lines,
)
/** A lab without a shelf is not asked for bottles: the panel is there once one is named. */
const asksBottle = ref(false)
const crops = computed(() =>
  [...new Set([...cropsOf(journal.lines, stage.value.id), crop.value, 1])].sort((a, b) => a - b),
)
const line = computed(() =>
  sheet.value?.reagents.find(({ species }) => about.value?.what === 'charge' && species === about.value.species),
)
const target = computed(() => {
  const figure = line.value?.volume ?? line.value?.mass
  return figure ? formatFigure(figure, 4) : step.value?.target?.replace(' ', '\u202f')
})
/** What goes in at a step that is not weighed here. */
const goingIn = computed(() =>
  step.value && sheet.value && batch.readStage ? amountGoingIn(step.value, batch.readStage, sheet.value) : undefined,
)
const beside = computed(() => {
  const { each, bottle } = goingIn.value ?? {}
  const label = bottle && !step.value?.words.includes(bottle) ? bottle : undefined
  return [each && `about ${each} each`, label].filter(Boolean).join('; ')
})
/** What the reading card shows unfolded. */
const wanted = computed((): Measure | undefined => {
  if (about.value?.what !== 'pot') return line.value?.volume ? 'volume' : undefined
  const asked = step.value ? readingAsked(step.value) : 'none'
  return asked === 'none' ? undefined : asked
})
/** The step asks for a reading of the pot; all others of it are behind their button. */
const isPotAsked = computed(() => about.value?.what === 'pot' && wanted.value !== undefined)
const setUpAttempt = useAttempt('The set-up of the step', () => {
  const account = realAccount.value
  const { room } = batch.reading?.plan ?? {}
  if (!step.value || !account || !sheet.value || !batch.readStage || !room) return undefined
  const traps = gasFacts(batch.readStage, sheet.value, room).flatMap(({ formula, trap }) =>
    trap ? [{ gas: formula, reagent: trap.reagent }] : [],
  )
  return setUpOf({ step: step.value, events: account.events, start: account.start.main, traps })
})
const setUp = computed(() => setUpAttempt.value.value)
const weighing = computed(() => (about.value ? weighingOf(journal.lines, about.value) : { portions: [] }))
const expected = computed(() => {
  const made = sheet.value?.products[0]?.theoretical
  const read = batch.readStage
  return made && read ? product('expected product', 'mass', [made, read.yield]) : undefined
})
const hands = computed(() => line.value?.mass?.value ?? expected.value?.value ?? 10)
/** How far what was read is off the target, against the tolerance. */
const off = computed(() => {
  const wanted = (line.value?.volume ?? line.value?.mass)?.value
  const net = weighing.value.net
  if (wanted === undefined || !net || net.kind !== (line.value?.volume ? 'volume' : 'mass')) return undefined
  return offTarget(net.value, wanted, net.kind, step.value?.tolerance)
})
const series = computed(() =>
  about.value?.what === 'product' && !(step.value?.about?.what === 'product' && step.value.about.empty)
    ? dryingSeries(journal.lines, about.value)
    : undefined,
)

const hasTare = computed(
  () => weighingOf(journal.lines, { what: 'product', stage: stage.value.id, crop: crop.value }).tare !== undefined,
)
const ignored = ref<readonly string[]>([])
const forgotten = computed(() =>
  chosen.value && chosen.value.status !== 'done' && chosen.value.status !== 'skipped'
    ? forgottenBefore(run.value, chosen.value.step.id, hasTare.value).filter(
        ({ code }) => !ignored.value.includes(`${chosen.value!.step.id} ${code}`),
      )
    : [],
)

/** What is typed at a step stays with it until it is recorded; a step that is done records it. */
const drafts = useStepDrafts(
  computed(() => batch.code),
  computed(() => `${stage.value.id} ${step.value?.id ?? ''}`),
)
const seenWords = drafts.draft('words')
const readings = useTemplateRef<{ settle: () => boolean }>('readings')
const seen = useTemplateRef<{ settle: () => void }>('seen')
function settleTyped(): boolean {
  if (readings.value && !readings.value.settle()) return false
  seen.value?.settle()
  return true
}

/** One press counts once: after it acted the large key rests. */
const REST = 1000
const isResting = ref(false)
function rest(): void {
  isResting.value = true
  setTimeout(() => (isResting.value = false), REST)
}

function next(): void {
  chosenId.value = undefined
}
function done(): void {
  const state = chosen.value
  if (!state || !settleTyped()) return
  const left = (state.step.repeat?.times ?? 1) - state.times
  take(state.step, 'done', left > 1 ? { whole: true } : {})
  stopClocks(state.step)
  next()
}
const press = computed(() =>
  chosen.value
    ? pressOf(
        chosen.value,
        mine.value.some(timer => timer.step === chosen.value!.step.id),
      )
    : 'next',
)
/** The large key: one more of the repeats, the wait, or the end of the step. */
function primary(): void {
  const state = chosen.value
  if (!state || isResting.value) return
  rest()
  if (press.value === 'next') return next()
  const { step: of, times: so } = state
  switch (press.value) {
    case 'count':
      if (so === 0 && of.repeat?.every) startEvery(of, of.repeat.every)
      else if (!of.repeat?.every) stopClocks(of)
      chosenId.value = of.id
      return take(of, 'done')
    case 'wait':
      if (!settleTyped()) return
      chosenId.value = of.id
      take(of, 'begun')
      return clocks.start(journal.code, stage.value.id, nameFor(of), { step: of.id, seconds: secondsOf(of) })
    default:
      done()
  }
}
/** A wait that is told by a day and an hour lasts from now till then. */
function secondsOf(step: Step): number {
  const { wait } = step
  const read = wait === undefined ? undefined : readWait(wait)
  return Math.round(60 * (read ? minutesFrom(read, Date.now(), localCalendar) : waitEach(step)))
}
function startEvery(of: Step, every: string): void {
  clocks.start(journal.code, stage.value.id, nameFor(of), { step: of.id, every: minutesOf(every, 3) * 60 })
}
const nameFor = (of: Step): string => of.words.replace(/[{}]/g, '').slice(0, 60)
function stopClocks(of: Step): void {
  for (const timer of journal.timers) if (timer.step === of.id && !timer.stoppedAt) clocks.stop(journal.code, timer)
}
function skip(why: string): void {
  take(step.value!, 'skipped', { why })
  stopClocks(step.value!)
  next()
}
function again(): void {
  take(step.value!, 'opened')
  chosenId.value = step.value!.id
}

const troubled = ref(false)
function recordTrouble(text: string, steps: readonly Omit<Step, 'id'>[], code: Trouble): void {
  deviate(step.value?.id, text, steps, code)
  troubled.value = false
  chosenId.value = undefined
  if (steps.length > 0) void nextTick(() => (chosenId.value = run.value.steps[at.value + 1]?.step.id))
}
function putIn(one: Step): void {
  const before = run.value.steps[at.value - 1]?.step.id
  const { id: _, ...draft } = one
  deviate(before, `Forgotten: ${one.words}`, [draft])
}
const adding = ref(false)
function addStep(draft: Omit<Step, 'id'>): void {
  deviate(step.value?.id, `Added: ${draft.words}`, [draft])
  adding.value = false
}

/** A reading belongs to the step at hand and keeps it there. */
function record(
  measure: Measure,
  value: string,
  instrument?: string,
  of: About = about.value ?? { what: 'pot', stage: stage.value.id },
): void {
  chosenId.value = step.value?.id
  announce(spoken(`Recorded, ${measure}: ${value}`))
  journal.record({
    kind: 'reading',
    about: of,
    measure,
    value,
    typed: instrument === undefined,
    ...(instrument ? { instrument } : {}),
    ...(step.value ? { step: step.value.id } : {}),
    ...hand.named(of),
  } as NewEntry)
}
function say(kind: 'observation' | 'note', text: string, seen?: Seen): void {
  journal.record({
    kind,
    stage: stage.value.id,
    ...(step.value ? { step: step.value.id } : {}),
    text,
    ...(seen && { seen }),
  } as NewEntry)
}
const unreadAttempt = useAttempt('What was not read', () => {
  if (!batch.read?.ok) return []
  const actual = judgeBatch(batch.read.value, journal.lines, stage.value.id)
  return actual.ok ? actual.value.unread : []
})
const potAttempt = useAttempt('What is in the pot', () =>
  realAccount.value
    ? potNow(realAccount.value, run.value, journal.lines, unreadAttempt.value.value ?? [], library.substances)
    : undefined,
)
const pot = potAttempt.value
/** What can hurt at the step at hand, by the account of the run. */
const cautionsAttempt = useAttempt('The cautions of the step', () =>
  sumOfCautions(
    (realAccount.value?.events ?? [])
      .filter(event => event.step === step.value?.id)
      .flatMap(({ cautions }) => cautions),
  ),
)
const cautions = computed(() => cautionsAttempt.value.value ?? [])
/** The pot can be read at any step, whatever the step is about. */
const isReadingPot = ref(false)
watch(
  () => step.value?.id,
  () => (isReadingPot.value = false),
)
function recordPot(measure: Measure, value: string, instrument?: string): void {
  record(measure, value, instrument, { what: 'pot', stage: stage.value.id })
}
const spots = computed((): SpotTest[] =>
  journal.lines.flatMap(({ entry, current }) =>
    entry.kind === 'test' && current !== undefined && entry.stage === stage.value.id ? [entry] : [],
  ),
)
function test(added: string, result: SpotTest['result']): void {
  journal.record({
    kind: 'test',
    stage: stage.value.id,
    ...(step.value ? { step: step.value.id } : {}),
    added,
    result,
  } as NewEntry)
}
const isTest = computed(() => step.value?.do === 'test')

const colour = computed(() => {
  const read = parseFormula(stage.value.product.form ?? stage.value.product.species)
  return read.ok ? colourOf(read.value, library.substances) : undefined
})
const colours = computed(() => (batch.readStage ? coloursFor(batch.readStage) : []))
const mine = computed(() => journal.timers.filter(timer => timer.stage === stage.value.id && !timer.stoppedAt))

const correcting = ref<JournalLine>()
function correct(why: string, instead: string | undefined): void {
  journal.record({
    kind: 'correction',
    corrects: correcting.value!.entry.id,
    why,
    ...(instead === undefined ? {} : { instead }),
  })
  correcting.value = undefined
}

const judged = useAttempt('What the margin says', (): MarginNote[] => {
  if (!batch.read?.ok) return []
  const actual = judgeBatch(batch.read.value, journal.lines, stage.value.id)
  return actual.ok && batch.setting
    ? [
        ...yieldNotes(actual.value).filter(({ tag }) => tag !== 'Not read'),
        ...sheetNotes(actual.value.sheet, batch.setting).filter(({ tone }) => tone !== 'info'),
      ]
    : []
})

const notes = computed(() => judged.value.value ?? [])

/** Keys act where nothing is typed and no dialog stands open; space and Enter belong to a key or link that has the focus. */
const isFree = (event: KeyboardEvent, but = ''): boolean =>
  !troubled.value &&
  !adding.value &&
  !correcting.value &&
  !event.ctrlKey &&
  !event.metaKey &&
  event.target instanceof HTMLElement &&
  !event.target.closest(`input, textarea, select, [role=dialog]${but}`)
function move(by: 1 | -1): void {
  const to = run.value.steps[at.value + by]
  if (to) chosenId.value = to.step.id
}
function onKey(key: string | string[], act: () => void, but = ''): void {
  onKeyStroke(key, event => {
    // A key that is held down acts once.
    if (event.repeat || !isFree(event, but)) return
    event.preventDefault()
    act()
  })
}
/** The foot switch sends Page Down, also while a reading has the focus. */
onKeyStroke('PageDown', event => {
  const isField = event.target instanceof HTMLElement && event.target.closest('input, textarea') !== null
  if (!isField && !isFree(event)) return
  if (troubled.value || adding.value || correcting.value) return
  event.preventDefault()
  if (!event.repeat) primary()
})
/** The second pedal sends Page Up: it takes the reading that the step asks for, or goes to the field where it is typed. */
const probe = useTemplateRef<{ take: () => boolean }>('probe')
const balance = useTemplateRef<{ take: () => boolean }>('balance')
function takeReading(): void {
  const instrument = probe.value ?? balance.value
  if (instrument?.take()) return
  if (instrument) announce('Nothing steady to take yet.')
  document.querySelector<HTMLElement>('[aria-label=Readings] input')?.focus()
}
onKeyStroke('PageUp', event => {
  if (troubled.value || adding.value || correcting.value) return
  event.preventDefault()
  if (!event.repeat) takeReading()
})
onKey([' ', 'Enter'], primary, ', button, a, summary')
onKey('ArrowDown', () => move(1))
onKey('ArrowUp', () => move(-1))
/** Letters act where they are switched on. */
const letterKeys = useLetterKeys()
onKey('j', () => letterKeys.value && move(1))
onKey('k', () => letterKeys.value && move(-1))
onKey('w', () => letterKeys.value && (troubled.value = step.value !== undefined))

/** Where the columns do not stand side by side, what is beside the step is one press away. */
const jumps = computed(
  () =>
    [
      ['journal', 'Journal'],
      ['remarks', `Remarks (${notes.value.length})`],
    ] as const,
)
function jump(to: string): void {
  const place = document.getElementById(to)
  place?.scrollIntoView({ block: 'start' })
  place?.focus({ preventScroll: true })
}

/** What a new step asks for, and what was taken, for ears. */
const { announce } = useAnnounce()
watch(
  () => step.value?.id,
  (id, before) => {
    if (!step.value || before === undefined || id === before) return
    const measured = target.value && !step.value.words.includes(step.value.target ?? '—') ? target.value : undefined
    const amount = [measured ?? goingIn.value?.all, beside.value].filter(Boolean).map(words => `: ${words}`)
    announce(spoken(`Step ${at.value + 1} of ${run.value.steps.length}. ${step.value.words}${amount.join('')}`))
  },
)
</script>

<template>
  <div class="run-page grid min-h-0 flex-1">
    <PanelGuard name="The tape of steps"
      ><StepTape :steps="run.steps" :spans="planned" :chosen="step?.id" @choose="chosenId = $event">
        <template #beside>
          <a
            v-for="[to, name] in jumps"
            :key="to"
            :href="`#${to}`"
            class="jump min-h-12 items-center px-3 text-verdigris underline"
            @click.prevent="jump(to)"
            >{{ name }}</a
          >
        </template>
        <p class="px-3 pt-3">
          <NuxtLink
            :to="{ path: `/batches/${batch.code}/procedure`, query: $route.query }"
            class="flex min-h-12 items-center text-[13.5px] text-verdigris underline"
            >Edit the procedure</NuxtLink
          >
        </p>
      </StepTape></PanelGuard
    >
    <main class="min-w-0 bg-sheet px-6 py-[18px] max-sm:px-4 max-sm:pb-36 max-sm:pt-3">
      <FailedParts :of="[proposal, judged, potAttempt, unreadAttempt, cautionsAttempt, setUpAttempt]" />
      <MovedCharges :moved="moved" />
      <p v-if="!sheet" class="text-[17px]">
        The sheet has no figures yet:
        <NuxtLink :to="`/batches/${batch.code}/sheet`" class="text-verdigris underline"
          >give a charge or a target</NuxtLink
        >, then weigh against it here.
      </p>
      <template v-else-if="chosen && step">
        <p class="text-[14px] text-soft">
          <template v-if="batch.stages.length > 1"
            >Stage {{ batch.stageAt + 1 }} of {{ batch.stages.length }}, {{ stage.name ?? stage.product.species }} ·
          </template>
          Step {{ at + 1 }} of {{ run.steps.length
          }}<template v-if="times.hands > 0"> · hands-on about {{ durationWords(times.hands) }}</template
          ><template v-if="times.wait > 0">, then wait {{ durationWords(times.wait) }}</template
          ><template v-if="step.needs?.length"> · needs {{ step.needs.join(', ') }}</template>
          <b v-if="chosen.status === 'done' || chosen.status === 'skipped'" class="text-verdigris">
            · {{ chosen.status }}<template v-if="chosen.why">: {{ chosen.why }}</template></b
          >
        </p>
        <div class="step-head" :class="{ bare: cautions.length === 0 }">
          <div class="words">
            <h1 class="mt-0.5 text-[28px] max-sm:text-[22px]">
              <RichText :text="step.words" /><template v-if="target && !step.words.includes(step.target ?? '—')"
                >: <span class="figure">{{ target }}</span></template
              ><template v-else-if="goingIn"
                >: <span class="figure whitespace-nowrap">{{ goingIn.all }}</span><span
                  v-if="beside"
                  class="text-[0.7em] font-normal"
                  >, {{ beside }}</span
                ></template
              >
            </h1>
            <p v-if="step.why || step.until" class="mt-1 max-w-[44em] text-[16px] text-soft">
              <RichText v-if="step.why" :text="step.why" />{{ ' '
              }}<template v-if="step.until">
                <span class="text-ink">Until <RichText :text="step.until" />.</span></template
              >
            </p>
          </div>
          <PanelGuard name="The cautions of the step"
            ><StepCautions class="cautions" :cautions="cautions"
          /></PanelGuard>
          <PanelGuard v-if="setUp" name="The set-up of the step"
            ><SetUpPicture class="picture" :set-up="setUp"
          /></PanelGuard>
        </div>
        <div
          v-for="one in forgotten"
          :key="one.code"
          class="mt-3 rounded-lg border border-amber-edge bg-amber-soft p-3 text-amber"
          role="alert"
        >
          <p class="text-[17px] font-semibold">{{ one.ask }}</p>
          <div class="mt-2 flex flex-wrap gap-2">
            <button v-if="one.open" type="button" class="button glove" @click="chosenId = one.open">
              Go to that step
            </button>
            <button v-else-if="one.put" type="button" class="button glove" @click="putIn(one.put)">
              Put that step in
            </button>
            <button
              type="button"
              class="button button-quiet glove"
              @click="ignored = [...ignored, `${step.id} ${one.code}`]"
            >
              Go on without
            </button>
          </div>
        </div>
        <PanelGuard name="The keys of the step"
          ><StepActions
            class="actions mt-4"
            :state="chosen"
            :press="press"
            :resting="isResting"
            @primary="primary"
            @done="done"
            @trouble="troubled = true"
            @skip="skip"
            @again="again"
            @add="adding = true"
        /></PanelGuard>
        <PanelGuard v-if="pot && shows.predictions.value" name="In the pot now"
          ><PotNow class="mt-4" :pot="pot"
        /></PanelGuard>
        <PanelGuard v-if="series && series.weighings.length > 0" name="The drying"
          ><DryingCard class="mt-3" :weighings="series.weighings" :resolution="series.resolution"
        /></PanelGuard>
        <PanelGuard v-if="hand.species.value && hand.supply.value" name="Bottle at hand">
          <LazyBottleAtHand
            v-if="hand.code.value || asksBottle"
            :key="hand.species.value"
            v-model="hand.code.value"
            :species="hand.species.value"
            :supply="hand.supply.value"
          />
          <button v-else type="button" class="mt-2 min-h-12 text-verdigris underline" @click="asksBottle = true">
            From a bottle of the shelf
          </button>
        </PanelGuard>
        <div class="mt-3 grid items-start gap-4 xl:grid-cols-2">
          <PanelGuard v-if="about && (about.what !== 'pot' || isPotAsked)" name="The reading"
            ><ReadingCard
              ref="readings"
              :about="about"
              :wanted="wanted"
              :weighing="weighing"
              :by-volume="!!line?.volume"
              :text-of="drafts.textOf"
              @type="drafts.setText"
              @record="record"
            >
              <p
                v-if="off?.share !== undefined"
                class="small text-right"
                :class="{ 'font-semibold text-amber': off.isFar }"
              >
                {{ off.share >= 0 ? '+' : '−' }}{{ Math.abs(off.share * 100).toFixed(1) }} % off {{ target
                }}<template v-if="off.isFar">; {{ step.tolerance }} is allowed</template>
              </p>
              <p v-else-if="about.what === 'product' && expected" class="small text-right">
                the sheet expects {{ formatFigure(expected, 4) }}
              </p>
              <div v-if="about.what === 'product'" class="mt-2 flex flex-wrap items-center gap-2">
                <button
                  v-for="number in crops"
                  :key="number"
                  type="button"
                  class="button button-quiet glove px-4"
                  :class="{ 'border-verdigris bg-verdigris-soft': number === crop }"
                  :aria-pressed="number === crop"
                  @click="crop = number"
                >
                  Crop {{ number }}
                </button>
                <button type="button" class="button button-quiet glove px-4" @click="crop = crops.at(-1)! + 1">
                  Another crop
                </button>
              </div>
            </ReadingCard></PanelGuard
          >
          <div v-if="wanted === 'temperature'" class="card">
            <ProbePanel ref="probe" quantity="temperature" @take="record" />
          </div>
          <div v-if="about && about.what !== 'pot'" class="card">
            <PanelGuard v-if="!line?.volume" name="The balance"
              ><BalancePanel ref="balance" bare :hands="hands" :wants="weighing.tare ? 'gross' : 'tare'" @take="record"
            /></PanelGuard>
            <p v-else class="small">A volume is read at the meniscus and typed.</p>
            <PanelGuard name="The serial line"
              ><SerialPanel :masses="['tare', 'gross', 'net']" @take="record"
            /></PanelGuard>
          </div>
          <PanelGuard v-if="mine.length > 0 || times.wait > 0 || step.repeat" name="The clocks"
            ><TimerCard
              :class="{ '-order-1': mine.length > 0 }"
              :timers="mine"
              :now="now.getTime()"
              :suggested="nameFor(step)"
              @start="(name, more) => clocks.start(journal.code, stage.id, name, { step: step!.id, ...more })"
              @toggle="clocks.toggle(journal.code, $event)"
              @add="(timer, seconds) => clocks.add(journal.code, timer, seconds)"
              @stop="clocks.stop(journal.code, $event)"
          /></PanelGuard>
          <PanelGuard v-if="isTest" name="Spot tests"
            ><SpotCard
              :reagents="[...(sheet?.reagents.map(({ species }) => species) ?? [])]"
              :tests="spots"
              @tested="test"
          /></PanelGuard>
        </div>
        <div class="mt-3">
          <button
            type="button"
            class="button button-quiet glove"
            :aria-expanded="isReadingPot"
            @click="isReadingPot = !isReadingPot"
          >
            {{ isPotAsked ? 'Other instruments' : 'Weigh or measure the pot' }}
          </button>
          <PanelGuard v-if="isReadingPot" name="The instruments"
            ><div class="card mt-2">
              <ProbePanel v-if="wanted !== 'temperature'" quantity="temperature" @take="recordPot" />
              <ProbePanel quantity="pH" @take="recordPot" />
              <ProbePanel quantity="absorbance" @take="recordPot" />
              <ProbePanel quantity="conductivity" @take="recordPot" />
              <SerialPanel :masses="['net']" @take="recordPot" /></div
          ></PanelGuard>
          <PanelGuard v-if="isReadingPot && !isPotAsked" name="The reading of the pot"
            ><ReadingCard
              class="mt-2"
              :about="{ what: 'pot', stage: stage.id }"
              :weighing="{ portions: [] }"
              :by-volume="false"
              :text-of="drafts.textOf"
              @type="drafts.setText"
              @record="recordPot"
          /></PanelGuard>
        </div>
        <PanelGuard name="What is seen"
          ><SeenCard
            ref="seen"
            v-model:words="seenWords"
            class="mt-4"
            :operation="step.do"
            :colour="colour"
            :colours="colours"
            @seen="(text, code) => say('observation', text, code)"
            @note="say('note', $event)"
          >
            <PhotoButton
              :code="batch.code"
              :stage="stage.id"
              :step="step.id"
              :text="`Photo at: ${step.words.replace(/[{}]/g, '')}`"
            /> </SeenCard
        ></PanelGuard>
        <p v-if="!run.next" class="mt-4 text-[17px]">
          Every step of this stage is done.
          <NuxtLink v-if="nextStage" :to="{ query: { stage: nextStage.id } }" class="text-verdigris underline"
            >On to stage {{ batch.stageAt + 2 }}, {{ nextStage.name ?? nextStage.product.species }}</NuxtLink
          ><NuxtLink
            v-else
            :to="{ path: `/batches/${batch.code}/yield`, query: $route.query }"
            class="text-verdigris underline"
            >Read the yield</NuxtLink
          >
        </p>
      </template>
      <p v-else class="text-[17px]">
        This procedure has no steps.
        <NuxtLink :to="`/batches/${batch.code}/procedure`" class="text-verdigris underline">Write one</NuxtLink>
      </p>
    </main>
    <div class="border-l border-rule bg-stone">
      <div id="journal" tabindex="-1" class="px-4 pt-[18px]">
        <p
          v-if="journal.waiting.length > 0"
          class="mb-2 rounded-md bg-amber-soft p-2 text-[13.5px] text-amber"
          role="status"
        >
          <b>{{ journal.waiting.length }} not saved yet.</b>
          {{ journal.away ? 'Kept on this device and sent when the server is back.' : 'On its way.' }}
        </p>
        <p v-else class="small mb-2" role="status">Everything recorded is saved.</p>
        <PanelGuard name="The journal"
          ><JournalTape
            class="max-h-[58vh] overflow-y-auto"
            tabindex="0"
            :code="batch.code"
            :lines="journal.lines"
            :waiting="journal.waiting"
            :name-of="lab.nameOf"
            @correct="correcting = $event"
        /></PanelGuard>
      </div>
      <div id="remarks" tabindex="-1">
        <PanelGuard name="The remarks"><MarginColumn :notes="notes" class="mt-2 border-l-0" /></PanelGuard>
      </div>
    </div>
    <CorrectionDialog :line="correcting" @close="correcting = undefined" @correct="correct" />
    <TroubleDialog
      :open="troubled"
      :step="step"
      :reagents="sheet?.reagents ?? []"
      @close="troubled = false"
      @record="recordTrouble"
    />
    <StepDialog
      :open="adding"
      :step="undefined"
      :species="(sheet?.reagents ?? []).filter(({ planned }) => planned).map(({ species }) => species)"
      @close="adding = false"
      @keep="addStep"
    />
  </div>
</template>

<style scoped>
.step-head {
  display: grid;
  grid-template: 'words picture' auto 'cautions picture' auto / minmax(0, 1fr) auto;
  gap: 0 16px;
  align-content: start;
  align-items: start;
}
.words {
  grid-area: words;
}
.step-head > :deep(.cautions) {
  grid-area: cautions;
}
.step-head > :deep(.picture) {
  grid-area: picture;
  width: 178px;
  margin-top: 8px;
}
.run-page {
  grid-template-columns: 226px minmax(0, 1fr) 292px;
}
.jump {
  display: none;
}
@media (max-width: 1100px) {
  .jump {
    display: flex;
  }
  .run-page {
    grid-template-columns: 200px minmax(0, 1fr);
  }
  .run-page > :nth-child(3) {
    grid-column: 1 / -1;
  }
}
@media (max-width: 640px) {
  .run-page {
    grid-template-columns: minmax(0, 1fr);
  }
  .step-head {
    grid-template: 'words words' auto 'cautions picture' auto / minmax(0, 1fr) auto;
  }
  .step-head > :deep(.picture) {
    width: 118px;
  }
  .step-head.bare > :deep(.picture) {
    grid-column: 1 / -1;
    display: grid;
    grid-template-columns: 118px 1fr;
    gap: 12px;
    align-items: center;
    width: auto;
  }
  /* The keys of the step stay under the thumb. */
  .actions {
    position: fixed;
    inset: auto 0 0;
    z-index: 20;
    padding: 8px 16px;
    border-top: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
}
</style>
