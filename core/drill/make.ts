import { diceOf } from './dice'
import { families } from './families'
import type { Level, Question } from './question'
import type { SlipId } from './slips'

/** Dice that give no fair question are thrown again so often; the families' tests hold that it is enough. */
const THROWS = 400

/** The question of a family for a seed and a step of difficulty: always the same one. Undefined for a family that there is not. */
export function makeQuestion(family: string, seed: number, level: Level): Question | undefined {
  const of = families.find(({ id }) => id === family)
  if (!of) return undefined
  for (let i = 0; i < THROWS; i++) {
    const made = of.make(diceOf(family, seed * THROWS + i, level), level)
    if (made) return { facts: [], why: [], working: [], ...made, family, seed, level }
  }
  throw new Error(`No fair question of ${family} at step ${level} for ${seed}.`)
}

/** Seeds that are tried for a question in which a slip can be made again. */
const TRIES = 40

/** Another question of the same family in which the same slip would show: the next seed that has it. */
export function askAgain({ family, seed, level, ask }: Question, slip: SlipId): Question | undefined {
  for (let i = 1; i <= TRIES; i++) {
    const next = makeQuestion(family, seed + i, level)
    if (next && next.ask !== ask && slipsOf(next).includes(slip)) return next
  }
  return makeQuestion(family, seed + 1, level)
}

/** The slips that would show in a question, each once. */
export const slipsOf = ({ answer }: Question): SlipId[] => [
  ...new Set(answer.slipped.flatMap(({ of }) => (of.length === 1 ? [of[0]!.id] : []))),
]
