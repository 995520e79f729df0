import type { Advice } from '#core/problem'
import type { Cosolvent } from '#core/reference'

export type SolubilityProblem =
  | { code: 'solubility.unknown'; salt: string }
  | {
      code: 'solubility.out-of-range'
      salt: string
      celsius: number
      ranges: readonly { form: string; from: number; to: number }[]
    }
  | { code: 'solubility.spirit-dissolves'; salt: string; solvent: Cosolvent; known: boolean }
  | { code: 'solubility.spirit-too-strong'; solvent: Cosolvent; strength: number }

export type MoveProblem =
  | { code: 'moves.nothing-to-wash'; step: number }
  | { code: 'moves.dry'; step: number; water: number }
  | { code: 'moves.not-so-much'; step: number; water: number }
  | { code: 'moves.boils-ethanol'; step: number }

export function explainMove(problem: MoveProblem): Advice {
  switch (problem.code) {
    case 'moves.nothing-to-wash':
      return { why: 'There is no crop to wash.', fix: 'Filter first, and see that something has come down.' }
    case 'moves.dry':
      return {
        why: `There are only ${problem.water.toFixed(1)} g of water in the pot, crystals included.`,
        fix: 'Boil off less than that; to dryness is not modelled.',
      }
    case 'moves.not-so-much':
      return {
        why: `There are only ${problem.water.toFixed(1)} g of water beside the salts.`,
        fix: 'Give a smaller amount, or add water.',
      }
    case 'moves.boils-ethanol':
      return {
        why: 'There is ethanol in the pot: it boils away from 78 °C, before the water, and how much goes is not modelled.',
        fix: 'Boil down first and add the ethanol at the end, cold. No flame near it.',
      }
  }
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
    case 'solubility.spirit-dissolves':
      return {
        why: problem.known
          ? `${problem.salt} dissolves in ${problem.solvent}, which will not throw it down.`
          : `The table has no word for ${problem.salt} in ${problem.solvent}.`,
        fix: 'Crystallise it from water, or try it on a test tube of the liquor.',
      }
    case 'solubility.spirit-too-strong':
      return {
        why: `The liquor would be ${(problem.strength * 100).toFixed(0)} % ${problem.solvent} by mass; the estimate ends at 60 %, above which hydrates lose water too.`,
        fix: 'Add less of it.',
      }
  }
}

const round = (value: number): string => String(Math.round(value * 10) / 10)
