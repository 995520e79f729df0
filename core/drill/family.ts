import type { Dice } from './dice'
import type { Level, Made } from './question'

/** One kind of question. */
export interface Family {
  readonly id: string
  readonly name: string
  /** What it trains, as it is told in somebody's progress. */
  readonly skill: Skill
  /** What each step of difficulty adds. */
  readonly steps: readonly [string, string, string]
  /** Undefined where these dice give no fair question: the next are thrown. */
  readonly make: (dice: Dice, level: Level) => Made | undefined
}

export const skills = ['Formulas', 'Stoichiometry', 'Solutions', 'Assay', 'Crystals', 'Judgement'] as const
export type Skill = (typeof skills)[number]
