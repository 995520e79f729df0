import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import type { BatchDocument } from '#core/document'
import type { Entry } from '#core/journal'
import type { OwnTables } from '#core/solution'
import { briefOf, unreadableBrief, type BatchBrief } from '#core/overview'

/** A batch to work out. */
export interface BriefJob {
  readonly document: BatchDocument
  readonly entries: readonly Entry[]
  readonly tables: OwnTables
}

/**
 * A batch that takes longer, or more memory, has something in it that no bench has; its neighbours must not wait for it. ms, MB. A demo
 * batch takes some tens of ms: a hundred times that is left for a loaded machine and for the worker to start.
 */
const LONGEST = 10_000
const MOST_MEMORY = 256

/** A brief here and now; one that cannot be made says so. */
export function briefHere({ document, entries, tables }: BriefJob): BatchBrief {
  try {
    return briefOf(document, entries, tables)
  } catch (error) {
    console.error(error)
    return unreadableBrief(document.title)
  }
}

const bundle = join(dirname(process.argv[1] ?? ''), 'brief-worker.mjs')
let worker: Worker | undefined
let last: Promise<unknown> = Promise.resolve()
/** Takes the answer, or the end, of the job at hand. */
let settle: ((brief: BatchBrief | undefined, why?: unknown) => void) | undefined

/** A brief made in a worker with a limit in time and memory, one after the other; where no worker was built, here. */
export function briefApart(job: BriefJob): Promise<BatchBrief> {
  if (!existsSync(bundle)) return Promise.resolve(briefHere(job))
  const mine = last.then(() => ask(job))
  last = mine
  return mine
}

function begin(): Worker {
  const fresh = new Worker(bundle, { resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY } })
  const end = (why: unknown): void => {
    if (worker !== fresh) return
    worker = undefined
    settle?.(undefined, why)
  }
  fresh.on('message', (brief: BatchBrief) => settle?.(brief))
  fresh.on('error', end)
  fresh.on('exit', end)
  fresh.unref()
  return fresh
}

function ask(job: BriefJob): Promise<BatchBrief> {
  worker ??= begin()
  const mine = worker
  return new Promise(resolve => {
    const timer = setTimeout(() => {
      worker = undefined
      void mine.terminate()
      settle?.(undefined, `it took more than ${LONGEST} ms`)
    }, LONGEST)
    settle = (brief, why) => {
      settle = undefined
      clearTimeout(timer)
      if (!brief) console.error(`The brief of “${job.document.title}” cannot be made:`, why)
      resolve(brief ?? unreadableBrief(job.document.title))
    }
    mine.postMessage(job)
  })
}
