import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import type { BatchDocument } from '#core/document'
import type { Entry } from '#core/journal'
import type { SubstanceRow } from '#core/reference'
import { briefOf, unreadableBrief, type BatchBrief } from '#core/result'

/** A batch to work out. */
export interface BriefJob {
  readonly document: BatchDocument
  readonly entries: readonly Entry[]
  readonly own: readonly SubstanceRow[]
}

/** A batch that takes longer, or more memory, has something in it that no bench has; its neighbours must not wait for it. ms, MB. */
const LONGEST = 4000
const MOST_MEMORY = 256

/** A brief here and now; one that cannot be made says so. */
export function briefHere({ document, entries, own }: BriefJob): BatchBrief {
  try {
    return briefOf(document, entries, own)
  } catch (error) {
    console.error(error)
    return unreadableBrief(document.title)
  }
}

const bundle = join(dirname(process.argv[1] ?? ''), 'brief-worker.mjs')
let worker: Worker | undefined
let last: Promise<unknown> = Promise.resolve()

/** A brief made in a worker with a limit in time and memory, one after the other; where no worker was built, here. */
export function briefApart(job: BriefJob): Promise<BatchBrief> {
  if (!existsSync(bundle)) return Promise.resolve(briefHere(job))
  const mine = last.then(() => ask(job))
  last = mine
  return mine
}

function ask(job: BriefJob): Promise<BatchBrief> {
  worker ??= new Worker(bundle, { resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY } })
  const mine = worker
  mine.unref()
  return new Promise(resolve => {
    const settle = (brief: BatchBrief): void => {
      clearTimeout(timer)
      mine.removeAllListeners()
      // A worker that is ended may still say so.
      mine.on('error', () => {})
      resolve(brief)
    }
    const giveUp = (why: unknown): void => {
      console.error(`The brief of “${job.document.title}” cannot be made:`, why)
      worker = undefined
      settle(unreadableBrief(job.document.title))
      void mine.terminate()
    }
    const timer = setTimeout(() => giveUp(`it took more than ${LONGEST} ms`), LONGEST)
    mine.once('message', settle)
    mine.once('error', giveUp)
    mine.once('exit', giveUp)
    mine.postMessage(job)
  })
}
