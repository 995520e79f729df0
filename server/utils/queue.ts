import type PgBoss from 'pg-boss'
import { anchorToday } from '../db/anchors'
import { tidy } from '../db/tidy'
import { queueOn, type QueueName } from '../jobs/queue'

/** One lab's briefs are made for so long, ms; then another lab has its turn. */
const TURN = 20_000
/** ms. A queue whose database is away is looked for again after so long. */
const RETRY = 5000

let queue: PgBoss | undefined
let isClosed = false
const workers = new Map<QueueName, string>()

const today = (): string => new Date().toISOString().slice(0, 10)

const work: Record<QueueName, (data: { readonly lab?: string }) => Promise<unknown>> = {
  async briefs({ lab = '' }) {
    if (await freshenAll({ lab }, TURN)) await wantBriefs(lab, { isMore: true })
  },
  anchors: () => anchorToday(useDatabase(), today()),
  tidy: () => tidy(useDatabase()),
}

/** Takes part in the queue: what is to be done once is done by one of the processes that do. */
export async function joinQueue(): Promise<void> {
  const mine = queueOn(useDatabase())
  // A database that is away is asked again by the queue itself; nothing else of it is for a log.
  mine.on('error', () => {})
  try {
    await mine.start()
    for (const [name, handle] of Object.entries(work) as [QueueName, (typeof work)[QueueName]][])
      workers.set(
        name,
        await mine.work<{ lab?: string }>(name, { pollingIntervalSeconds: 2 }, async ([job]) =>
          handle(job?.data ?? {}),
        ),
      )
    queue = mine
    await mine.send('anchors', {}, { singletonKey: today() })
  } catch {
    queue = undefined
    await mine.stop({ graceful: false, wait: false }).catch(() => {})
    if (!isClosed) setTimeout(() => void joinQueue(), RETRY).unref()
  }
}

/** Leaves it: what is under way here is finished, or taken up by another process. */
export async function leaveQueue(): Promise<void> {
  isClosed = true
  await queue?.stop({ graceful: true, timeout: 3000 }).catch(() => {})
  queue = undefined
}

/** Asks for a lab's briefs to be made anew, once however often it is asked. Where the queue cannot be reached, whoever looks next asks again. */
export async function wantBriefs(lab: string, { isMore = false } = {}): Promise<void> {
  await queue?.send('briefs', { lab }, { singletonKey: lab }).catch(() => {})
  const worker = workers.get('briefs')
  if (!isMore && worker) queue?.notifyWorker(worker)
}
