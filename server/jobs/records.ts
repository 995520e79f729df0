import { recordOf, type Judging, type RecordPage, type RecordSource } from '#core/record'
import { apart } from './apart'
import { paperOf, type Paper } from '../print/paper'

export type RecordJob =
  | { readonly do: 'record'; readonly source: RecordSource; readonly judging: Judging }
  | { readonly do: 'paper'; readonly paper: Paper }
type Answer<Job extends RecordJob> = Job extends { do: 'record' } ? RecordPage : Uint8Array

/** A record of two thousand entries takes some seconds on paper; a hundred demo batches' worth of time is left. ms, MB. */
const LONGEST = 60_000
const MOST_MEMORY = 512

export const recordHere = async (job: RecordJob): Promise<RecordPage | Uint8Array> =>
  job.do === 'record' ? recordOf(job.source, job.judging) : paperOf(job.paper)

const ask = apart<RecordJob, RecordPage | Uint8Array>({
  bundle: 'record-worker.mjs',
  here: recordHere,
  longest: LONGEST,
  memory: MOST_MEMORY,
})

/** A record, or paper, made off the thread that answers requests. Rejects where it cannot be made. */
export const recordApart = <Job extends RecordJob>(job: Job): Promise<Answer<Job>> => ask(job) as Promise<Answer<Job>>
