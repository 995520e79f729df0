import { judge, makeQuestion, outcomes, type Level, type Outcome, type SlipId } from '#core/drill'
import { apart } from './apart'

/** An answer to judge by the question that its number makes. */
export interface DrillJob {
  readonly family: string
  readonly level: Level
  readonly seed: number
  readonly typed: string
}
/** What came of it; why not, where there is no such question or the answer does not read. */
export type DrillJudged =
  { readonly outcome: Outcome; readonly slips: readonly SlipId[] } | { readonly refused: 'family' | 'unread' }

export function judgeHere({ family, level, seed, typed }: DrillJob): DrillJudged {
  const question = makeQuestion(family, seed, level)
  if (!question) return { refused: 'family' }
  const verdict = judge(question, typed)
  const outcome = outcomes.find(one => one === verdict.is)
  if (!outcome) return { refused: 'unread' }
  return { outcome, slips: verdict.is === 'slip' ? verdict.slips.map(({ id }) => id) : [] }
}

/** Some questions ask the model of solutions, a tenth of a second long; a hundred times that is left for a loaded machine. ms, MB. */
const LONGEST = 20_000
const MOST_MEMORY = 256

/** An answer judged off the thread that answers requests. Rejects where that takes too long. */
export const judgeApart = apart<DrillJob, DrillJudged>({
  bundle: 'drill-worker.mjs',
  longest: LONGEST,
  memory: MOST_MEMORY,
})
