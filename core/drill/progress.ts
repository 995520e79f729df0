import { createEmptyCard, fsrs, generatorParameters, Rating, type Card } from 'ts-fsrs'
import { families } from './families'
import type { Family } from './family'
import type { Level } from './question'
import type { SlipId } from './slips'

/** What came of one answer, as it is kept: the first that was given to its question. */
export const outcomes = ['right', 'too short', 'slip', 'wrong'] as const
export type Outcome = (typeof outcomes)[number]
export interface Answered {
  readonly family: string
  readonly level: Level
  readonly seed: number
  readonly outcome: Outcome
  readonly slips: readonly SlipId[]
  /** ms since 1970. */
  readonly at: number
}

/** How somebody stands in one family. */
export interface Standing {
  readonly family: Family
  readonly level: Level
  readonly answers: number
  /** Of the last ten, a fraction of one. */
  readonly right: number | undefined
  /** When it is to be asked again, ms since 1970; undefined where it never was. */
  readonly due: number | undefined
  /** The slip that the last answer showed, and that is asked after in another dress. */
  readonly open: SlipId | undefined
  /** How often each slip was made in it. */
  readonly slips: ReadonlyMap<SlipId, number>
}

/** Two in a row, either way, change the step: one may be luck. A judgement. */
const IN_A_ROW = 2
const LAST = 10
/** Spacing by FSRS (package ts-fsrs, its default weights), without chance, so that the same answers give the same days. */
const scheduler = fsrs(generatorParameters({ enable_fuzz: false, enable_short_term: true }))
const RATING = { right: Rating.Good, 'too short': Rating.Hard, slip: Rating.Again, wrong: Rating.Again } as const

/** How somebody stands in every family, folded from their answers in the order in which they were given. */
export const standingsOf = (answers: readonly Answered[]): Standing[] =>
  families.map(family =>
    standingIn(
      family,
      answers.filter(one => one.family === family.id),
    ),
  )

function standingIn(family: Family, answers: readonly Answered[]): Standing {
  let card: Card | undefined
  let level: Level = 1
  let row = 0
  const slips = new Map<SlipId, number>()
  for (const { outcome, at, level: asked, slips: made } of answers) {
    card = scheduler.next(card ?? createEmptyCard(new Date(at)), new Date(at), RATING[outcome]).card
    const went = outcome === 'right' ? 1 : outcome === 'too short' ? 0 : -1
    if (asked === level) row = Math.sign(row) === went ? row + went : went
    if (row >= IN_A_ROW && level < 3) [level, row] = [(level + 1) as Level, 0]
    else if (row <= -IN_A_ROW && level > 1) [level, row] = [(level - 1) as Level, 0]
    for (const slip of made) slips.set(slip, (slips.get(slip) ?? 0) + 1)
  }
  const last = answers.slice(-LAST)
  return {
    family,
    level,
    answers: answers.length,
    right: last.length > 0 ? last.filter(({ outcome }) => outcome === 'right').length / last.length : undefined,
    due: card?.due.getTime(),
    open: answers.at(-1)?.slips[0],
    slips,
  }
}

/**
 * What to ask next: the slip that was made in the question just answered, in another dress; then slips made before; then what is longest due; then what was never asked, in the order of the work; then what is due soonest. `only` keeps to some families.
 */
export function nextOf(
  standings: readonly Standing[],
  now: number,
  { only = new Set(), just }: { readonly only?: ReadonlySet<string>; readonly just?: string | undefined } = {},
): Standing {
  const all = only.size > 0 ? standings.filter(({ family }) => only.has(family.id)) : standings
  const byDue = all.filter(({ due }) => due !== undefined).toSorted((a, b) => a.due! - b.due!)
  return (
    all.find(({ family, open }) => family.id === just && open !== undefined) ??
    byDue.find(({ open, due }) => open !== undefined && due! <= now + SOON) ??
    byDue.find(({ due }) => due! <= now) ??
    all.find(({ due }) => due === undefined) ??
    byDue[0] ??
    standings[0]!
  )
}
/** What a slip is asked after so soon, ms, it is asked after at once: the first interval after a lapse is a minute. */
const SOON = 60_000
