import { parentPort } from 'node:worker_threads'
import { briefHere, type BriefJob } from './briefs'

/** Works briefs out off the thread that answers requests; bundled on its own, beside the server. */
parentPort?.on('message', (job: BriefJob) => parentPort?.postMessage(briefHere(job)))
