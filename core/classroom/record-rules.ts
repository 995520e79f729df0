import type { BatchDocument } from '#core/document'
import {
  dryingSeries,
  foldJournal,
  judgeDryness,
  toleranceOf,
  weighingOf,
  type About,
  type Entry,
  type JournalLine,
} from '#core/journal'

/** One rule by which record keeping is judged from the journal, and how far a run keeps it. */
export interface RuleKept {
  readonly rule: string
  /** A fraction of one. */
  readonly share: number
  readonly why: string
}

const part = (kept: number, of: number): number => (of === 0 ? 1 : Math.min(1, kept / of))

/** What a good record has, rule by rule: the rules are shown to whoever is marked by them. Teaching practice, no source. */
export function recordKept({ plan }: BatchDocument, entries: readonly Entry[]): RuleKept[] {
  const lines = foldJournal(entries)
  return [charges(plan, lines), seen(entries), asItWent(entries), dried(plan, lines)]
}

function charges(plan: BatchDocument['plan'], lines: readonly JournalLine[]): RuleKept {
  const wanted = plan.stages.flatMap(({ id, reagents }) =>
    reagents.flatMap(({ species, supply }): About[] =>
      supply.kind === 'stage' || supply.kind === 'gas' ? [] : [{ what: 'charge', stage: id, species }],
    ),
  )
  const read = wanted.filter(about => weighingOf(lines, about).portions.length > 0)
  return {
    rule: 'Every charge is read into the journal',
    share: part(read.length, wanted.length),
    why: `${read.length} of ${wanted.length} charges are there.`,
  }
}

/** So many things seen are what a run of an afternoon asks for: at the start, at the end point, at the crystals. */
const SEEN = 3
function seen(entries: readonly Entry[]): RuleKept {
  const found = entries.filter(({ kind }) => kind === 'observation' || kind === 'photo' || kind === 'test').length
  return {
    rule: `At least ${SEEN} things are told that were seen`,
    share: part(found, SEEN),
    why: `${found} ${found === 1 ? 'is' : 'are'} there.`,
  }
}

const MINUTE = 60_000
/** More than this share within one minute was written up afterwards. */
const AT_ONCE = 1 / 3
/** Below this one cannot tell. */
const FEW = 6
function asItWent(entries: readonly Entry[]): RuleKept {
  const rule = 'Written as it went, not at the end'
  if (entries.length < FEW)
    return { rule, share: part(entries.length, FEW), why: `Only ${entries.length} entries are there.` }
  const times = entries.map(({ at }) => Date.parse(at)).toSorted((a, b) => a - b)
  const most = Math.max(...times.map(from => times.filter(at => at >= from && at < from + MINUTE).length))
  const share = most / times.length
  return {
    rule,
    share: share <= AT_ONCE ? 1 : 1 - (share - AT_ONCE) / (1 - AT_ONCE),
    why: `At most ${most} of ${times.length} entries fall into one minute.`,
  }
}

function dried(plan: BatchDocument['plan'], lines: readonly JournalLine[]): RuleKept {
  const rule = 'The product is dried to constant mass'
  const { weighings, resolution } = dryingSeries(lines, { what: 'product', stage: plan.stages.at(-1)!.id, crop: 1 })
  if (weighings.length === 0) return { rule, share: 0, why: 'The product is not weighed.' }
  const first = Date.parse(weighings[0]!.at)
  const points = weighings.map(({ at, grams }) => ({ hours: (Date.parse(at) - first) / 3_600_000, mass: grams }))
  const { isConstant } = judgeDryness(points, toleranceOf(resolution))
  if (isConstant) return { rule, share: 1, why: 'Two weighings in a row agree.' }
  return {
    rule,
    share: weighings.length > 1 ? 0.5 : 0.25,
    why: weighings.length > 1 ? 'The last two weighings do not agree yet.' : 'It was weighed once.',
  }
}
