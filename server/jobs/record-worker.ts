import { parentPort } from 'node:worker_threads'
import { recordOf, type RecordPage } from '#core/record'
import { paperOf } from '../print/paper'
import { answerJobs } from './apart'
import type { RecordJob } from './records'

/** Works records out, and writes their paper, off the thread that answers requests; bundled on its own, beside the server. */
answerJobs(parentPort, async (job: RecordJob): Promise<RecordPage | Uint8Array> =>
  job.do === 'record' ? recordOf(job.source, job.judging) : paperOf(job.paper),
)
