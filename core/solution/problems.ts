import type { Advice } from '#core/problem'

export type SolubilityProblem =
  | { code: 'solubility.unknown'; salt: string }
  | {
      code: 'solubility.out-of-range'
      salt: string
      celsius: number
      ranges: readonly { form: string; from: number; to: number }[]
    }

export function explainSolubility(problem: SolubilityProblem): Advice {
  switch (problem.code) {
    case 'solubility.unknown':
      return {
        why: `The table has no solubility of ${problem.salt} in water.`,
        fix: 'Add your own curve for it, or work with another form.',
      }
    case 'solubility.out-of-range':
      return {
        why: `The solubility of ${problem.salt} is not known at ${round(problem.celsius)} °C.`,
        fix: `The table holds ${problem.ranges.map(({ form, from, to }) => `${form} from ${round(from)} to ${round(to)} °C`).join(', ')}. Nothing is guessed outside it.`,
      }
  }
}

const round = (value: number): string => String(Math.round(value * 10) / 10)
