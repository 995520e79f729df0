import { existsSync } from 'node:fs'
import { setPriority } from 'node:os'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { Busy } from '../busy'

export interface Apart<Job, Answer> {
  /** A bundle beside the built server. */
  readonly bundle: string
  /** Does the work here, where no bundle was built; left out where it is done nowhere else. */
  readonly here?: (job: Job) => Answer | Promise<Answer>
  /** A job that takes longer, ms, or more memory, MB, ends: its neighbours must not wait for it. */
  readonly longest: number
  readonly memory: number
  /** So many may wait: more of them would wait longer than anybody does. */
  readonly most?: number
}
/** Jobs of all threads that wait or run in this process. */
export const jobsApart = { waiting: 0 }
const MOST_WAITING = 50

/** What a job throws away at once is taken back at once, MB: a thread that works all night stays small. */
const YOUNG = 12

type Told<Answer> = { readonly answer: Answer } | { readonly failed: string }

/** Does jobs in a thread of their own, one after the other, so that requests are answered meanwhile. Rejects with what went wrong; the next job begins a fresh thread. Refuses to let more than `most` wait. */
export function apart<Job, Answer>({
  bundle,
  here,
  longest,
  memory,
  most = MOST_WAITING,
}: Apart<Job, Answer>): (job: Job) => Promise<Answer> {
  const file = join(dirname(process.argv[1] ?? ''), bundle)
  let worker: Worker | undefined
  let last: Promise<unknown> = Promise.resolve()
  let waiting = 0
  let settle: ((told: Told<Answer>) => void) | undefined

  function begin(): Worker {
    const fresh = new Worker(file, {
      resourceLimits: { maxOldGenerationSizeMb: memory, maxYoungGenerationSizeMb: YOUNG },
    })
    const end = (why: unknown): void => {
      if (worker !== fresh) return
      worker = undefined
      settle?.({ failed: why instanceof Error ? why.message : `the thread ended (${String(why)})` })
    }
    fresh.on('message', (told: Told<Answer>) => settle?.(told))
    fresh.on('error', end)
    fresh.on('exit', end)
    fresh.unref()
    return fresh
  }
  function ask(job: Job): Promise<Answer> {
    worker ??= begin()
    const mine = worker
    return new Promise((resolve, reject) => {
      const timer = setTimeout(() => {
        worker = undefined
        void mine.terminate()
        settle?.({ failed: `it took more than ${longest} ms` })
      }, longest)
      settle = told => {
        settle = undefined
        clearTimeout(timer)
        if ('answer' in told) resolve(told.answer)
        else reject(new Error(told.failed))
      }
      mine.postMessage(job)
    })
  }
  return job => {
    if (!existsSync(file))
      return here ? Promise.resolve(here(job)) : Promise.reject(new Error(`${bundle} was not built beside the server.`))
    if (waiting >= most) return Promise.reject(new Busy('This server has much to work out just now.'))
    waiting += 1
    jobsApart.waiting += 1
    const mine = last
      .then(() => ask(job))
      .finally(() => {
        waiting -= 1
        jobsApart.waiting -= 1
      })
    last = mine.catch(() => {})
    return mine
  }
}

/** How far a thread stands back behind those that answer requests and write: where cores are few it gets a third of one. */
const STANDS_BACK = 5

/** The other side: answers each job that comes, behind whoever answers requests. */
export function answerJobs<Job, Answer>(
  port: { on(event: 'message', heard: (job: Job) => void): void; postMessage(told: Told<Answer>): void } | null,
  work: (job: Job) => Answer | Promise<Answer>,
): void {
  // Of this thread alone: Linux keeps it for each. Elsewhere it would be the whole process.
  if (process.platform === 'linux' && port) setPriority(0, STANDS_BACK)
  port?.on('message', job => {
    void Promise.resolve()
      .then(() => work(job))
      .then(
        answer => port.postMessage({ answer }),
        (error: unknown) => port.postMessage({ failed: error instanceof Error ? error.message : String(error) }),
      )
  })
}
