import type { Advice } from '#core/problem'

export type AssayProblem =
  | { code: 'gravimetric.not-held'; analyte: string; weighed: string; by?: string }
  | { code: 'hydrate.gained' }
  | { code: 'empirical.not-element'; symbol: string }
  | { code: 'empirical.too-few' }
  | { code: 'empirical.no-fit'; ratios: readonly string[]; nearest: string; percentOff: number }
  | { code: 'titrate.blank-over'; species: string }
  | { code: 'titrate.not-in-equation'; species: string }
  | { code: 'titrate.more-than-added'; species: string }
  | { code: 'titrate.aliquot-over' }
  | { code: 'titrate.form-mismatch'; form: string; species: string }

export function explainAssay(problem: AssayProblem): Advice {
  switch (problem.code) {
    case 'gravimetric.not-held':
      return {
        why: problem.by
          ? `${problem.weighed} and ${problem.analyte} do not both hold ${problem.by}.`
          : `${problem.weighed} does not hold ${problem.analyte}.`,
        fix: 'Give an analyte that shares an ion or an element besides hydrogen and oxygen with the weighed formula.',
      }
    case 'hydrate.gained':
      return {
        why: 'The sample weighs more after heating than before.',
        fix: 'Check whether the two masses are swapped; a hot vessel weighs wrong, and some salts take up oxygen.',
      }
    case 'empirical.not-element':
      return {
        why: `${problem.symbol} is not an element with a weight.`,
        fix: 'Give element symbols, such as Mo and O.',
      }
    case 'empirical.too-few':
      return { why: 'One element alone makes no formula.', fix: 'Give the masses of at least two.' }
    case 'empirical.no-fit':
      return {
        why: `No small whole numbers fit the ratios ${problem.ratios.join(', ')}: the nearest, ${problem.nearest}, is ${problem.percentOff.toFixed(1)} % off.`,
        fix: 'Check the masses: was the reaction complete, was everything dry?',
      }
    case 'titrate.blank-over':
      return { why: 'The blank is larger than the volume used.', fix: 'Check whether the two are swapped.' }
    case 'titrate.not-in-equation':
      return { why: `${problem.species} is not in the equation.`, fix: 'Write it in the equation as it is named here.' }
    case 'titrate.more-than-added':
      return {
        why: `More ${problem.species} was found left over than was added.`,
        fix: 'Check the volumes and the strengths of both solutions.',
      }
    case 'titrate.aliquot-over':
      return { why: 'More was taken than was made up.', fix: 'Check the two volumes of the aliquot.' }
    case 'titrate.form-mismatch':
      return {
        why: `${problem.form} is not ${problem.species} with or without water.`,
        fix: `Give forms that hold ${problem.species}.`,
      }
  }
}
