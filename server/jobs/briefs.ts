import type { BatchDocument } from '#core/document'
import type { Entry } from '#core/journal'
import type { OwnTables } from '#core/solution'
import { briefOf, unreadableBrief, type BatchBrief } from '#core/overview'
import { apart } from './apart'

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

const ask = apart<BriefJob, BatchBrief>({
  bundle: 'brief-worker.mjs',
  here: briefHere,
  longest: LONGEST,
  memory: MOST_MEMORY,
})

/** A brief made in a worker with a limit in time and memory, one after the other; where no worker was built, here. */
export const briefApart = (job: BriefJob): Promise<BatchBrief> =>
  ask(job).catch((error: unknown) => {
    console.error(`The brief of “${job.document.title}” cannot be made:`, error)
    return unreadableBrief(job.document.title)
  })
