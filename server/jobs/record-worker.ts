import { parentPort } from 'node:worker_threads'
import { compareBatches, factsOf, recordFrom, type Facts } from '#core/record'
import { paperOf } from '../print/paper'
import { answerJobs } from './apart'
import type { Answers, RecordJob } from './records'

/** What was worked out last: who looks at a record asks for its paper next, or for its other form. */
let last: { readonly state: string; readonly facts: Facts } | undefined
function factsFor({ source, judging, state }: RecordJob & { do: 'record' }): Facts {
  if (state !== undefined && last?.state === state) return last.facts
  const facts = factsOf(source, judging)
  last = state === undefined ? undefined : { state, facts }
  return facts
}

/** Works records out, and writes their paper, off the thread that answers requests; bundled on its own, beside the server. */
answerJobs(parentPort, async (job: RecordJob): Promise<Answers[RecordJob['do']]> => {
  switch (job.do) {
    case 'record':
      return recordFrom(factsFor(job), job.choice ?? job.source.document.record)
    case 'paper':
      return paperOf(job.paper)
    case 'compare':
      return compareBatches(job.a, job.b)
  }
})
