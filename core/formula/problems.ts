import type { Advice, Span } from '#core/problem'

export type FormulaProblem =
  | { code: 'formula.empty'; span: Span }
  | { code: 'formula.too-long'; span: Span; limit: number }
  | { code: 'formula.too-deep'; span: Span; limit: number }
  | { code: 'formula.unknown-element'; span: Span; text: string; readings: readonly string[] }
  | { code: 'formula.bare-ligand'; span: Span; ligand: string }
  | { code: 'formula.doubtful-case'; span: Span; readings: readonly [string, string] }
  | { code: 'formula.unexpected'; span: Span; text: string }
  | { code: 'formula.space'; span: Span }
  | { code: 'formula.unopened-bracket'; span: Span; text: string }
  | { code: 'formula.unclosed-bracket'; span: Span; text: string }
  | { code: 'formula.wrong-bracket'; span: Span; text: string; wanted: string }
  | { code: 'formula.empty-bracket'; span: Span }
  | { code: 'formula.leading-number'; span: Span; rest: string }
  | { code: 'formula.number-alone'; span: Span; text: string }
  | { code: 'formula.empty-part'; span: Span }
  | { code: 'formula.bad-count'; span: Span; text: string }
  | { code: 'formula.ambiguous-dot'; span: Span }
  | { code: 'formula.zero-for-oxygen'; span: Span }
  | { code: 'formula.ambiguous-charge'; span: Span; readings: readonly string[] }
  | { code: 'formula.bad-charge'; span: Span; text: string }
  | { code: 'formula.no-standard-weight'; span: Span; symbol: string; name: string }

export function explainFormula(problem: FormulaProblem): Advice {
  switch (problem.code) {
    case 'formula.empty':
      return { why: 'There is no formula here.', fix: 'Type one, such as CuSO4.5H2O.' }
    case 'formula.too-long':
      return { why: `A formula of more than ${problem.limit} characters is not read.`, fix: 'Check what was pasted.' }
    case 'formula.too-deep':
      return { why: `Brackets stand more than ${problem.limit} deep.`, fix: 'Check what was pasted.' }
    case 'formula.unknown-element':
      return {
        why: `${problem.text} is not an element.`,
        fix:
          problem.readings.length > 0
            ? `${problem.readings.join(' or ')}? Capitals count: Co is cobalt, CO is carbon and oxygen.`
            : 'Element symbols start with a capital: Zn, not zn or ZN.',
      }
    case 'formula.zero-for-oxygen':
      return { why: 'H20 has the digit zero in it: twenty hydrogens.', fix: 'Water is H2O, with the letter O.' }
    case 'formula.bare-ligand':
      return {
        why: `${problem.ligand} is a ligand, which is written in round brackets.`,
        fix: `Write (${problem.ligand}), as in [Ni(en)3]Cl2.`,
      }
    case 'formula.doubtful-case':
      return {
        why: `${problem.readings.join(' or ')}? Capitals decide, and both can be read.`,
        fix: `Write ${problem.readings[0]} for the metal, or put the two letters in brackets, (${problem.readings[1].slice(0, 2)}), if you mean two elements.`,
      }
    case 'formula.unexpected':
      return {
        why: `${problem.text} has no meaning in a formula.`,
        fix: 'Use element symbols, numbers, brackets, a dot before added parts, and ^ before a charge.',
      }
    case 'formula.space':
      return {
        why: 'There is a space in the middle of the formula.',
        fix: 'Put a dot before added water, CuSO4.5H2O; leave other spaces out.',
      }
    case 'formula.unopened-bracket':
      return { why: `This ${problem.text} closes nothing.`, fix: 'Open a bracket before it, or take it out.' }
    case 'formula.unclosed-bracket':
      return { why: `This ${problem.text} is never closed.`, fix: 'Close it, or take it out.' }
    case 'formula.wrong-bracket':
      return { why: `This ${problem.text} closes another kind of bracket.`, fix: `Close with ${problem.wanted} first.` }
    case 'formula.empty-bracket':
      return { why: 'There is nothing in this bracket.', fix: 'Fill it, or take it out.' }
    case 'formula.leading-number':
      return {
        why: 'A number in front belongs to an equation, not to one formula.',
        fix:
          problem.rest.trim() === ''
            ? 'Write what there are so many of. A charge stands behind a ^, its digit first: Fe^2+.'
            : `Write ${problem.rest}, or put the repeated part in brackets: (CdSO4)3.8H2O.`,
      }
    case 'formula.number-alone':
      return {
        why: `The number ${problem.text} stands before nothing.`,
        fix: 'Say what there are so many of: .5H2O. For half a water write .0.5H2O or .1/2H2O.',
      }
    case 'formula.empty-part':
      return { why: 'Nothing stands beside this dot.', fix: 'Write what is added, such as .5H2O, or take the dot out.' }
    case 'formula.bad-count':
      return {
        why: `${problem.text} cannot be a count.`,
        fix: 'Use whole numbers from 1, 0.5 or 1/2 before added parts, and no leading zeros.',
      }
    case 'formula.ambiguous-dot':
      return {
        why: 'This dot could be a decimal point or the dot before an added part.',
        fix: 'Write · or * before an added part.',
      }
    case 'formula.ambiguous-charge':
      return {
        why: 'The digits before this sign could be a count or a charge.',
        fix: `Write ${problem.readings.join(' or ')}.`,
      }
    case 'formula.bad-charge':
      return { why: `${problem.text} cannot be understood as a charge.`, fix: 'Write ^2-, ^3+ or ^-.' }
    case 'formula.no-standard-weight':
      return {
        why: `${problem.name} has no standard atomic weight: its mass depends on the isotope.`,
        fix: 'Work with the mass of your isotope outside this tool.',
      }
  }
}
