import { parentPort } from 'node:worker_threads'
import { briefOf } from '#core/result'
import type { BriefJob } from './briefs'

/** Works briefs out off the thread that answers requests; bundled on its own, beside the server. */
parentPort?.on('message', ({ document, entries, own }: BriefJob) => {
  parentPort?.postMessage(briefOf(document, entries, own))
})
