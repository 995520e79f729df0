import type { RecordChoice } from '#core/document'
import type { Compared, Judging, RecordPage, RecordSource } from '#core/record'
import { apart } from './apart'
import type { Paper } from '../print/paper'

interface RecordToTell {
  readonly do: 'record'
  readonly source: RecordSource
  readonly judging: Judging
  /** What goes in, where it is not what the document keeps. */
  readonly choice?: RecordChoice
  /** Names what the source is and how it is judged: facts of the same are not worked out twice. */
  readonly state?: string
}
export type RecordJob =
  | RecordToTell
  | { readonly do: 'paper'; readonly paper: Paper }
  | { readonly do: 'compare'; readonly a: RecordSource; readonly b: RecordSource }
export interface Answers {
  readonly record: RecordPage
  readonly paper: Uint8Array
  readonly compare: Compared
}

/** A record of two thousand entries takes some seconds on paper; ten times that is left for a loaded machine. ms, MB. */
const LONGEST = 60_000
const MOST_MEMORY = 512

/** The code that writes paper is in the worker's bundle alone. */
const ask = apart<RecordJob, Answers[RecordJob['do']]>({
  bundle: 'record-worker.mjs',
  longest: LONGEST,
  memory: MOST_MEMORY,
})

/** A record, or paper, made off the thread that answers requests. Rejects where it cannot be made. */
export const recordApart = <Job extends RecordJob>(job: Job): Promise<Answers[Job['do']]> =>
  ask(job) as Promise<Answers[Job['do']]>
