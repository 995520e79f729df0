import type { Calendar } from '#core/journal'
import type { Equipment, Operation } from '#core/journal'

/** A step as the bench's lanes need it, times in minutes. */
export interface LaneStep {
  readonly id: string
  readonly stage: string
  readonly do: Operation
  readonly words: string
  readonly hands: number
  readonly wait: number
  readonly needs: readonly Equipment[]
  readonly status: 'open' | 'begun' | 'done' | 'skipped'
  readonly begunAt?: string
  readonly doneAt?: string
  /** Moved to this time. */
  readonly at?: string
  /** When a running countdown of this step ends. */
  readonly rings?: string
}

export interface Hours {
  /** Hour of the day, local; hands work from one to the other. */
  readonly from: number
  readonly to: number
  /** Days of the week on which hands work, 0 for Sunday. */
  readonly days: readonly number[]
}
export const usualHours: Hours = { from: 8, to: 17, days: [1, 2, 3, 4, 5] }

export interface LaneSpan {
  readonly step: LaneStep
  readonly kind: 'done' | 'hands' | 'wait' | 'due' | 'late'
  /** ms since 1970. */
  readonly from: number
  readonly to: number
}

const MINUTE = 60_000
const HOUR = 3_600_000

/** The first moment at or after `ms` at which hands work; the same moment where no day is a working day. */
export function nextHands(ms: number, hours: Hours, calendar: Calendar): number {
  if (hours.days.length === 0 || hours.to <= hours.from) return ms
  let at = ms
  for (let i = 0; i < 15; i++) {
    if (hours.days.includes(calendar.dayOfWeek(at))) {
      const hour = calendar.hourOfDay(at)
      if (hour < hours.from) return calendar.startOfDay(at) + hours.from * HOUR
      if (hour < hours.to) return at
    }
    // Noon of the next day, then back to its start: a day may have 23 or 25 hours.
    at = calendar.startOfDay(calendar.startOfDay(at) + 36 * HOUR)
  }
  return ms
}

/**
 * A batch over time: what was done, what is under way and when it is due, and what is still to come, one after the other, hands only in
 * working hours. An estimate: it takes the planned times as they stand.
 */
export function layOut(steps: readonly LaneStep[], now: number, hours: Hours, calendar: Calendar): LaneSpan[] {
  const spans: LaneSpan[] = []
  let cursor = now
  for (const step of steps) {
    if (step.status === 'skipped') continue
    if (step.status === 'done') {
      const to = Date.parse(step.doneAt ?? step.begunAt ?? '')
      if (Number.isFinite(to)) spans.push({ step, kind: 'done', from: Math.min(to, begin(step, to)), to })
      continue
    }
    if (step.status === 'begun') {
      cursor = Math.max(cursor, underWay(step, now, spans))
      continue
    }
    const wanted = Math.max(cursor, step.at ? Date.parse(step.at) : 0)
    const from = step.hands > 0 ? nextHands(wanted, hours, calendar) : wanted
    const ready = from + step.hands * MINUTE
    if (step.hands > 0) spans.push({ step, kind: 'hands', from, to: ready })
    if (step.wait > 0) spans.push({ step, kind: 'wait', from: ready, to: ready + step.wait * MINUTE })
    cursor = ready + step.wait * MINUTE
  }
  return spans
}

const begin = ({ begunAt, hands }: LaneStep, to: number): number =>
  begunAt && Date.parse(begunAt) < to ? Date.parse(begunAt) : to - Math.max(1, hands) * MINUTE

const DUE = 20 * MINUTE

/** What is under way: its wait until it is due, then due, and late once that has passed. Gives when the next step can begin. */
function underWay(step: LaneStep, now: number, spans: LaneSpan[]): number {
  const begun = Date.parse(step.begunAt ?? '') || now
  const due = dueAt(step) ?? begun + step.hands * MINUTE
  const handsTo = Math.min(due, begun + step.hands * MINUTE)
  if (step.hands > 0)
    spans.push({ step, kind: 'hands', from: begun, to: step.wait > 0 || step.rings ? handsTo : Math.max(now, due) })
  if (step.wait === 0 && !step.rings) return Math.max(now, due)
  if (due > handsTo) spans.push({ step, kind: 'wait', from: handsTo, to: due })
  spans.push({ step, kind: due < now ? 'late' : 'due', from: due, to: Math.max(now, due) + DUE })
  return Math.max(now, due) + DUE
}

/** When what is under way wants hands again, ms; undefined for a step that waits for nothing. */
export function dueAt({ status, begunAt, hands, wait, rings }: LaneStep): number | undefined {
  if (status !== 'begun' || !begunAt) return undefined
  if (rings) return Date.parse(rings)
  return wait > 0 ? Date.parse(begunAt) + (hands + wait) * MINUTE : undefined
}

export interface Clash {
  readonly equipment: Equipment
  readonly batches: readonly string[]
  readonly from: number
  readonly to: number
}

const USES: ReadonlySet<LaneSpan['kind']> = new Set(['hands', 'wait', 'due', 'late'])

/** Where more batches want a piece of equipment at one time than there are of it; one where the lab has not said how many. */
export function clashesOf(
  lanes: readonly { readonly batch: string; readonly spans: readonly LaneSpan[] }[],
  have: Partial<Record<Equipment, number>> = {},
): Clash[] {
  const uses = new Map<Equipment, { batch: string; from: number; to: number }[]>()
  for (const { batch, spans } of lanes)
    for (const { step, kind, from, to } of spans)
      if (USES.has(kind)) for (const one of step.needs) uses.set(one, [...(uses.get(one) ?? []), { batch, from, to }])
  return [...uses].flatMap(([one, list]) => crowded(one, list, have[one] ?? 1))
}

function crowded(one: Equipment, list: readonly { batch: string; from: number; to: number }[], count: number): Clash[] {
  const edges = [...new Set(list.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b)
  const found: Clash[] = []
  for (const [i, from] of edges.slice(0, -1).entries()) {
    const to = edges[i + 1]!
    const batches = [...new Set(list.filter(use => use.from < to && use.to > from).map(({ batch }) => batch))].sort()
    if (batches.length <= count) continue
    const last = found.at(-1)
    if (last && last.to === from && last.batches.join() === batches.join()) found[found.length - 1] = { ...last, to }
    else found.push({ equipment: one, batches, from, to })
  }
  return found
}
