import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'

/** What a process counts of itself, for Prometheus to fetch. */
export const registry = new Registry()
collectDefaultMetrics({ register: registry, prefix: 'zip_ledger_' })

/** Bounds from a healthy answer to what nobody waits for, s. */
const BUCKETS = [0.005, 0.01, 0.02, 0.04, 0.08, 0.15, 0.3, 0.6, 1.2, 2.5, 5, 10]

const requests = new Histogram({
  name: 'zip_ledger_request_seconds',
  help: 'Time to answer a request, by route, method and class of status',
  labelNames: ['route', 'method', 'status'],
  buckets: BUCKETS,
  registers: [registry],
})
const statements = new Histogram({
  name: 'zip_ledger_statement_seconds',
  help: 'Time of the database for a statement',
  buckets: BUCKETS,
  registers: [registry],
})
const recorded = new Counter({
  name: 'zip_ledger_entries_total',
  help: 'Entries that were recorded here, durably',
  registers: [registry],
})

export const countRecorded = (entries: number): void => recorded.inc(entries)
export const countStatement = (seconds: number): void => statements.observe(seconds)

/** Times of the last answers, ms, and how many there were since they were last taken. */
const RECENT = 4000
let recent: number[] = []
let answered = 0
let failed = 0

/** Counts an answer; of streams, which last, only that they were there. */
export function countAnswer(route: string, method: string, status: number, ms: number): void {
  requests.observe({ route, method, status: `${Math.floor(status / 100)}xx` }, ms / 1000)
  recent[answered % RECENT] = ms
  answered += 1
  if (status >= 500) failed += 1
}

export interface Answers {
  readonly count: number
  readonly failed: number
  readonly median: number
  readonly slowest20th: number
}
/** How answers went since this was last asked: how many, how many went wrong, and the median and 95th percentile of the last 4000 of them, ms. */
export function takeAnswers(): Answers {
  const times = recent.toSorted((a, b) => a - b)
  const at = (share: number): number => Math.round((times[Math.floor(times.length * share)] ?? 0) * 10) / 10
  const taken = { count: answered, failed, median: at(0.5), slowest20th: at(0.95) }
  recent = []
  answered = 0
  failed = 0
  return taken
}

/** A figure that is looked up when it is asked for; one that cannot be had is left out. */
export function gauge(name: string, help: string, look: () => number | undefined | Promise<number | undefined>): void {
  new Gauge({
    name: `zip_ledger_${name}`,
    help,
    registers: [registry],
    async collect() {
      this.remove()
      const now = await Promise.resolve(look()).catch(() => undefined)
      if (now !== undefined) this.set(now)
    },
  })
}

/** The same with a figure for each of some names. */
export function gauges(
  name: string,
  help: string,
  label: string,
  look: () => Promise<Readonly<Record<string, number>>>,
): void {
  new Gauge({
    name: `zip_ledger_${name}`,
    help,
    labelNames: [label],
    registers: [registry],
    async collect() {
      this.reset()
      const now = await look().catch(() => ({}))
      for (const [key, value] of Object.entries(now)) this.set({ [label]: key }, value)
    },
  })
}
