import type { About, Entry, Measure, Step } from '#core/journal'
import { readingAsked, timesOf } from '#core/procedure'
import { formatValue, scaleText } from '#core/quantity'
import { shownCrop, stateOf } from './outcome'
import { minutesOfStep, type Practice } from './practice'
import type { Choice } from './troubles'

/** An entry before somebody's name and an id are put to it. */
export type Act = Entry extends infer One ? (One extends Entry ? Omit<One, 'id' | 'by'> : never) : never

export const BALANCE = 'Practice balance'
export const PROBE = 'Practice probe'
/** Empty, g: the dish that every crop of the practice bench goes into. */
export const DISH = 42.18

const plain = (text: string): string => text.replaceAll('\u202f', ' ')
const later = (at: number, minutes: number): string => new Date(at + minutes * 60_000).toISOString()

/** What the sheet says of a charge, as it is measured. */
export function planned(
  { sheet }: Practice,
  species: string,
): { readonly value: string; readonly measure: Measure } | undefined {
  const line = sheet.reagents.find(one => one.species === species)
  if (line?.volume) return { value: plain(formatValue(line.volume.value, 'volume', 4)), measure: 'volume' }
  return line?.mass && { value: plain(`${line.mass.value.toFixed(2)} g`), measure: 'net' }
}

/** A step as it is done at `at`, with what is read at it; what is read is given, or as planned. Without a reading where none is asked. */
export function doing(practice: Practice, step: Step, at: number, read?: string): Act[] {
  const { stage } = practice
  const done: Act = {
    kind: 'step',
    at: later(at, minutesOfStep(step)),
    stage,
    step: step.id,
    what: 'done',
    words: step.words,
    whole: true,
  }
  const reading = (about: About, measure: Measure, value: string, instrument?: string): Act => ({
    kind: 'reading',
    at: later(at, Math.max(1, minutesOfStep(step) - 1)),
    about,
    measure,
    value,
    typed: instrument === undefined,
    step: step.id,
    ...(instrument && { instrument }),
  })
  if (step.about?.what === 'charge') {
    const asPlanned = planned(practice, step.about.species)
    if (!asPlanned) return [done]
    const { measure } = asPlanned
    return [
      reading(
        { what: 'charge', stage, species: step.about.species },
        measure,
        read ?? asPlanned.value,
        measure === 'net' ? BALANCE : undefined,
      ),
      done,
    ]
  }
  if (step.about?.what === 'product' && step.about.empty)
    return [reading({ what: 'product', stage, crop: 1 }, 'tare', `${DISH.toFixed(2)} g`, BALANCE), done]
  const asked = readingAsked(step)
  if ((asked === 'temperature' || asked === 'volume') && (read ?? step.target) !== undefined)
    return [reading({ what: 'pot', stage }, asked, read ?? step.target!, PROBE), done]
  return [done]
}

/** The crop is put on the balance once more, an hour of drying after the time before; the step is done when whoever weighs says so. */
export function weighing(practice: Practice, entries: readonly Entry[], step: Step, at: number): Act[] {
  const shown = shownCrop(practice, entries)
  if (shown === undefined) return []
  const isFirst = stateOf(practice, entries).weighings === 0
  return [
    {
      kind: 'reading',
      at: later(at, isFirst ? 5 : 65),
      about: { what: 'product', stage: practice.stage, crop: 1 },
      measure: 'gross',
      value: `${(DISH + shown).toFixed(2)} g`,
      typed: false,
      step: step.id,
      instrument: BALANCE,
    },
  ]
}

/** What was seen, and what was done about it. Of a weak bottle the right way is to add what was missing, and to say how much. */
export function choosing(practice: Practice, step: Step, choice: Choice, at: number): Act[] {
  const { stage } = practice
  const trouble = practice.planted.find(one => one.step === step.id)!
  const acts: Act[] = [
    { kind: 'observation', at: later(at, 1), stage, step: step.id, text: trouble.row.seen },
    {
      kind: 'deviation',
      at: later(at, 2),
      stage,
      step: step.id,
      text: choice.words,
      code: trouble.row.code,
      steps: [],
    },
  ]
  const missing = trouble.weak && planned(practice, trouble.weak.species)
  if (choice.isRight && trouble.weak && missing)
    acts.push({
      kind: 'reading',
      at: later(at, choice.minutes),
      about: { what: 'addition', stage, step: step.id, species: trouble.weak.species },
      measure: missing.measure,
      value: scaleText(missing.value, 1 / trouble.weak.share - 1),
      typed: true,
      step: step.id,
    })
  else
    acts.push({ kind: 'note', at: later(at, Math.max(3, choice.minutes)), stage, step: step.id, text: choice.because })
  return acts
}

/** What an expert does of the same run: as planned, every trouble rightly, the crop dried to constant mass. */
export function expertRun(practice: Practice, start: number, by: string, id: () => string): Entry[] {
  let entries: Entry[] = []
  const add = (acts: readonly Act[]): void => {
    entries = [...entries, ...acts.map(act => ({ ...act, id: id(), by }) as Entry)]
  }
  const now = (): number => Math.max(start, ...entries.map(({ at }) => Date.parse(at)))
  for (const step of practice.steps) {
    const trouble = practice.planted.find(one => one.step === step.id)
    if (trouble)
      add(
        choosing(
          practice,
          step,
          trouble.row.choices.find(({ isRight }) => isRight)!,
          now(),
        ),
      )
    if (step.about?.what === 'product' && !step.about.empty) {
      let [last, before] = ['', '-']
      for (let i = 0; i < 6 && last !== before; i++) {
        before = last
        add(weighing(practice, entries, step, now()))
        const reading = entries.at(-1)
        last = reading?.kind === 'reading' ? reading.value : last
      }
    } else if (timesOf(step).wait > 0)
      add([
        {
          kind: 'observation',
          at: later(now(), 2),
          stage: practice.stage,
          step: step.id,
          text: `Looked: ${step.until ?? 'as it should be'}`,
        },
      ])
    add(
      doing(practice, step, now()).filter(
        act => act.kind === 'step' || step.about?.what !== 'product' || step.about.empty,
      ),
    )
  }
  return entries
}
