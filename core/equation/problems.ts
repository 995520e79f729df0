import { explainFormula, type FormulaProblem } from '#core/formula'
import type { Advice, Span } from '#core/problem'

export type EquationProblem =
  | FormulaProblem
  | { code: 'equation.empty'; span: Span }
  | { code: 'equation.too-long'; span: Span; limit: number }
  | { code: 'equation.too-many-species'; span: Span; limit: number }
  | { code: 'equation.no-arrow'; span: Span }
  | { code: 'equation.several-arrows'; span: Span }
  | { code: 'equation.empty-side'; span: Span; side: 'left' | 'right' }
  | { code: 'equation.empty-term'; span: Span }
  | { code: 'equation.no-separator'; span: Span }
  | { code: 'equation.repeated'; span: Span; formula: string }
  | { code: 'equation.on-both-sides'; span: Span; formula: string }
  | { code: 'equation.impossible'; span: Span; elements: readonly string[]; species?: string; only?: 'left' | 'right' }
  | { code: 'equation.beyond-reach'; span: Span }

const names = (elements: readonly string[]): string =>
  elements.length === 1 ? elements[0]! : `${elements.slice(0, -1).join(', ')} and ${elements.at(-1)}`

export function explainEquation(problem: EquationProblem): Advice {
  switch (problem.code) {
    case 'equation.empty':
      return { why: 'There is no equation here.', fix: 'Type one, such as CuO + H2SO4 -> CuSO4 + H2O.' }
    case 'equation.too-long':
      return { why: `An equation of more than ${problem.limit} characters is not read.`, fix: 'Check what was pasted.' }
    case 'equation.too-many-species':
      return { why: `More than ${problem.limit} species cannot be one reaction.`, fix: 'Write it as several.' }
    case 'equation.no-arrow':
      return { why: 'There is no arrow between reactants and products.', fix: 'Put -> between them.' }
    case 'equation.several-arrows':
      return { why: 'There is a second arrow.', fix: 'Write one reaction at a time.' }
    case 'equation.empty-side':
      return {
        why: `Nothing stands on the ${problem.side}.`,
        fix: problem.side === 'left' ? 'Write the reactants before the arrow.' : 'Write the products after the arrow.',
      }
    case 'equation.empty-term':
      return {
        why: 'Nothing stands beside this +.',
        fix: 'Write a species, or take the + out. A charge wants no space before it: Na+, or ^ as in Na^+.',
      }
    case 'equation.no-separator':
      return { why: 'There is no + between these.', fix: 'Put + with spaces around it between species.' }
    case 'equation.repeated':
      return { why: `${problem.formula} stands here twice.`, fix: 'Write it once; its coefficient is worked out.' }
    case 'equation.on-both-sides':
      return { why: `${problem.formula} stands on both sides.`, fix: 'Leave it only where it is used up or made.' }
    case 'equation.impossible':
      return explainImpossible(problem)
    case 'equation.beyond-reach':
      return {
        why: 'These species allow too many reactions at once to work out.',
        fix: 'Write it as several equations.',
      }
    default:
      return explainFormula(problem)
  }
}

function explainImpossible({
  elements,
  species,
  only,
}: Extract<EquationProblem, { code: 'equation.impossible' }>): Advice {
  const what = elements.length === 1 && elements[0] === 'charge' ? 'The charge' : names(elements)
  if (only) {
    return {
      why: `${what} cannot balance: it stands only on the ${only}.`,
      fix:
        what === 'The charge'
          ? 'Add the ion or electron that is missing on the other side.'
          : `Add what holds ${what} on the other side, or correct a formula.`,
    }
  }
  return {
    why: `${what} cannot balance ${species ? `with ${species} where it stands` : 'with these species'}.`,
    fix: `${species ? `Move ${species} to the other side, take it out, or add` : 'Add'} what is missing (water, acid, base, a gas), or correct a formula.`,
  }
}
