import { colourOf, formsOf, molarMass } from '#core/formula'
import { seenIn, type JournalLine, type Seen } from '#core/journal'
import { type Run } from '#core/procedure'
import { tellVessel, type Event, type ToldStage, type ToldVessel } from '#core/procedure'
import type { SubstanceRow } from '#core/reference'
import { formulaOf, type Vessel } from '#core/vessel'

/** What the vessel should hold and look like now, as far as the run is, and what was seen that does not go with it. */
export interface PotNow {
  readonly after: ToldVessel
  readonly beside: readonly { readonly name: string; readonly is: 'liquor' | 'crop'; readonly holds: ToldVessel }[]
  /** The colours of what is dissolved and of what stands; acid, alkaline, or neither. */
  readonly look: {
    readonly liquor: readonly string[]
    readonly solid: readonly string[]
    readonly litmus?: 'acid' | 'alkaline'
  }
  readonly contradicts: readonly string[]
  /** Charges that nobody read: planned amounts stand for them. */
  readonly isPlanned: boolean
}

/** The event that the run has come to: the last one of the steps that are done, counted by their portions. */
export function eventNow({ events }: ToldStage, { steps }: Run): Event | undefined {
  const done = new Map(steps.map(({ step, status, times }) => [step.id, status === 'done' ? Infinity : times] as const))
  let now: Event | undefined
  const counts = new Map<string, number>()
  for (const event of events) {
    const nth = (counts.get(event.step) ?? 0) + 1
    counts.set(event.step, nth)
    if (nth <= (done.get(event.step) ?? 0)) now = event
  }
  return now
}

/** Undefined before anything was done, and where what stands is not known. */
export function potNow(
  told: ToldStage,
  run: Run,
  lines: readonly JournalLine[],
  unread: readonly string[],
  own: readonly SubstanceRow[] = [],
): PotNow | undefined {
  const event = eventNow(told, run)
  if (!event?.isKnown) return undefined
  const after = tellVessel(event.after, told.named)
  const isEmpty = after.solid.length === 0 && after.dissolved.length === 0 && after.volume < 0.01
  if (isEmpty && event.beside.length === 0) return undefined
  const coloursOf = (
    forms: readonly { form: string; mass: number }[],
    as: (form: string) => string = form => form,
  ): string[] => [
    ...new Set(
      forms.flatMap(({ form, mass }) => (mass > SEEN ? (colourOf(formulaOf(as(form)), own)?.word ?? []) : [])),
    ),
  ]
  return {
    after,
    beside: event.beside.map(({ name, is, vessel }) => ({ name, is, holds: tellVessel(vessel, told.named) })),
    look: {
      liquor: coloursOf(after.dissolved, inWater).filter(word => word !== 'white' && word !== 'colourless'),
      solid: coloursOf(after.solid),
      ...litmusOf(event.after),
    },
    contradicts: contradictions(event, seenSince(run, event, lines, told.id)),
    isPlanned: unread.length > 0,
  }
}
/** In water a salt has the colour of its fullest hydrate. */
const inWater = (form: string): string => formsOf(formulaOf(form)).at(-1) ?? form
/** g that nobody sees. */
const SEEN = 5e-3
/** mol/L of protons or hydroxide that litmus tells from pure water; a judgement. */
const LITMUS = 1e-4
function litmusOf({ ions, solvents }: Vessel): { litmus?: 'acid' | 'alkaline' } {
  const litres = (solvents.get('water') ?? 0) / 1000
  if (!(litres > 0)) return {}
  if ((ions.get('H^+') ?? 0) / litres > LITMUS) return { litmus: 'acid' }
  return (ions.get('OH^-') ?? 0) / litres > LITMUS || (ions.get('NH3') ?? 0) / litres > LITMUS
    ? { litmus: 'alkaline' }
    : {}
}

/** What was seen at the step that the run has come to, or at the one under way. */
function seenSince(run: Run, event: Event, lines: readonly JournalLine[], stage: string): Seen[] {
  const here = new Set([event.step, run.next?.step.id])
  return lines.flatMap(({ entry, current }) =>
    current !== undefined && entry.kind === 'observation' && entry.stage === stage && here.has(entry.step)
      ? (seenIn(entry) ?? [])
      : [],
  )
}

/** What was seen against what should be there: solids, gas; each in words, with what it may mean. */
function contradictions({ after, operation }: Event, seen: readonly Seen[]): string[] {
  const last = (sign: Seen['sign'], place: Seen['place']): Seen | undefined =>
    seen.findLast(one => one.sign === sign && one.place === place)
  const solids = after.lumps.filter(({ moles, form }) => moles * molarMass(form) > VISIBLE)
  const names = solids.map(({ form }) => `{${form.text}}`).join(' and ')
  const solid = last('solid', 'pot')
  const isWet = [...after.solvents.values()].some(grams => grams > 1)
  return [
    ...(isWet && solid?.is === false && solids.length > 0
      ? [
          `All was seen dissolved, and by the account ${names} should stand at the bottom: less went in, or more of the other.`,
        ]
      : []),
    ...(isWet && solid?.is === true && solids.length === 0
      ? [
          'Solid was seen at the bottom, and by the account all should be dissolved: it is not through yet, or something else is in it.',
        ]
      : []),
    ...(operation.do === 'cool' && last('crystals', 'liquor')?.is === false && solids.length > 0
      ? [
          `No crystals were seen, and ${names} should have come: it is over-saturated (seed it, scratch), or there is more water than the account has.`,
        ]
      : []),
  ]
}
/** g of a solid that is seen in a pot. */
const VISIBLE = 0.02
