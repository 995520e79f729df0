import { parentPort } from 'node:worker_threads'
import { compareBatches, recordOf } from '#core/record'
import { paperOf } from '../print/paper'
import { answerJobs } from './apart'
import type { Answers, RecordJob } from './records'

/** Works records out, and writes their paper, off the thread that answers requests; bundled on its own, beside the server. */
answerJobs(parentPort, async (job: RecordJob): Promise<Answers[RecordJob['do']]> => {
  switch (job.do) {
    case 'record':
      return recordOf(job.source, job.judging)
    case 'paper':
      return paperOf(job.paper)
    case 'compare':
      return compareBatches(job.a, job.b)
  }
})
