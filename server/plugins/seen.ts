import { randomUUID } from 'node:crypto'
import { statfs } from 'node:fs/promises'
import { hostname } from 'node:os'
import { monitorEventLoopDelay } from 'node:perf_hooks'
import type { H3Event } from 'h3'
import { failedJobs, lastBackup } from '../db/load'
import { forgetProcess, tellProcess, type Told } from '../db/processes'
import { jobsApart } from '../jobs/apart'
import { countAnswer, gauge, gauges, takeAnswers } from '../seen/metrics'
import { slowest } from '../seen/statements'
import { beginTraces, traceRequest } from '../seen/traces'

/** ms. */
const TELLS = 10_000
/** ms. Lateness is looked at so often, and the figure that Node.js gives has this wait in it. */
const LOOKS = 20
const SLOW_ONES = 12
const id = randomUUID()

/** The pattern of the route, and not the address: there are as many as there are files. */
const routeOf = (event: H3Event): string =>
  (event.context.matchedRoute as { path?: string } | undefined)?.path ?? (event.path.startsWith('/api') ? '/api' : '/')

/** What this process does is counted, for Prometheus, for traces, and for the page of whoever looks after the installation. */
export default defineNitroPlugin(({ hooks }) => {
  const sent = beginTraces().catch((error: unknown) => {
    console.error('No traces are made:', error)
    return undefined
  })
  hooks.hook('request', event => {
    const from = performance.now()
    const end = traceRequest(event.method)
    const { res } = event.node
    res.once('close', () => {
      const route = routeOf(event)
      end?.(route, res.statusCode)
      if (route !== '/api/live') countAnswer(route, event.method, res.statusCode, performance.now() - from)
    })
  })

  const lag = monitorEventLoopDelay({ resolution: LOOKS })
  lag.enable()
  gauge('streams', 'Pages that listen to this process', openStreams)
  gauge('entries_waiting', 'Entries that wait to be recorded', waitingEntries)
  gauge('jobs_waiting', 'Briefs, records and answers that wait to be worked out', () => jobsApart.waiting)
  gauge('connections_busy', 'Connections to the database in use', () => connections().busy)
  gauge('connections_wanted', 'Requests that wait for a connection', () => connections().wanted)
  gauge('ready', '1 while this process takes requests, 0 once it was asked to stop', () => (isStopping() ? 0 : 1))

  gauge('disk_free_bytes', 'Bytes that are free where this process runs', async () => {
    const { bavail, bsize } = await statfs('.')
    return bavail * bsize
  })
  gauge('disk_bytes', 'Bytes of the disk where this process runs', async () => {
    const { blocks, bsize } = await statfs('.')
    return blocks * bsize
  })
  gauge('backup_at_seconds', 'When the last backup was made, in seconds since 1970', async () => {
    const at = await lastBackup(useDatabase())
    return at && at.getTime() / 1000
  })
  gauges('jobs_failed', 'Jobs that failed for good in the last days', 'queue', () => failedJobs(useDatabase()))

  let toldAt = performance.now()
  async function tell(): Promise<void> {
    const disk = await statfs('.').catch(() => undefined)
    const seconds = (performance.now() - toldAt) / 1000
    toldAt = performance.now()
    const told: Told = {
      host: hostname(),
      pid: process.pid,
      builtAt: useRuntimeConfig().builtAt,
      memory: process.memoryUsage().rss,
      lag: Math.max(0, Math.round((lag.percentile(99) / 1e6 - LOOKS) * 10) / 10),
      streams: openStreams(),
      waiting: waitingEntries(),
      jobs: jobsApart.waiting,
      connections: connections(),
      answers: { ...takeAnswers(), seconds },
      ...(disk && { disk: { free: disk.bavail * disk.bsize, total: disk.blocks * disk.bsize } }),
      isStopping: isStopping(),
      slow: slowest(SLOW_ONES),
    }
    lag.reset()
    shareMeasure(await tellProcess(useDatabase(), id, told))
  }
  let last = Promise.resolve()
  const telling = (): void => void (last = tell().catch(() => {}))
  const first = setTimeout(telling, 1000)
  const timer = setInterval(telling, TELLS)
  first.unref()
  timer.unref()
  hooks.hook('close', async () => {
    clearTimeout(first)
    clearInterval(timer)
    // What is being told just now would stand there for good.
    await last
    await forgetProcess(useDatabase(), id).catch(() => {})
    await (await sent)?.().catch(() => {})
  })
})

/** How many connections to the database are in use and idle, and how many requests wait for one. */
function connections(): Told['connections'] {
  const { pool } = useDatabase().client as {
    pool: { numUsed(): number; numFree(): number; numPendingAcquires(): number }
  }
  return { busy: pool.numUsed(), free: pool.numFree(), wanted: pool.numPendingAcquires() }
}
