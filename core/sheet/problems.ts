import { explainEquation, type EquationProblem } from '#core/equation'
import type { Advice, Span } from '#core/problem'
import { explainQuantity, type QuantityProblem } from '#core/quantity'

export type SheetProblem =
  | { code: 'sheet.no-stages' }
  | { code: 'sheet.repeated-stage'; id: string }
  | { code: 'sheet.several-reactions'; reactions: readonly string[] }
  | { code: 'sheet.unknown-species'; species: string; side: 'reactant' | 'product'; among: readonly string[] }
  | { code: 'sheet.mix-stranger'; species: string }
  | { code: 'sheet.mix-empty' }
  | { code: 'sheet.mix-not-whole'; total: number }
  | { code: 'sheet.mix-mixed' }
  | { code: 'sheet.over-whole'; species: string }
  | { code: 'sheet.no-stock'; species: string }
  | { code: 'sheet.repeated-reagent'; species: string }
  | { code: 'sheet.form-mismatch'; weighed: string; species: string }
  | { code: 'sheet.electron'; species: string }
  | { code: 'sheet.bad-equivalents'; value: number }
  | { code: 'sheet.not-by-volume'; species: string }
  | { code: 'sheet.no-density'; species: string }
  | { code: 'sheet.too-strong'; species: string }
  | { code: 'sheet.unknown-stage'; from: string }
  | { code: 'sheet.no-scale'; stage: string }
  | { code: 'sheet.two-scales'; stage: string }
  | { code: 'sheet.target-not-last'; stage: string }
  | { code: 'sheet.taken-twice'; from: string; takers: number }
  | { code: 'sheet.shares-over-whole'; from: string; total: number }
  | { code: 'sheet.unknown-solvent'; name: string; among: readonly string[] }

/** Where in the plan, as keys from its root: `stages`, 0, `reagents`, 1, `charge`, `mass`. */
export type Path = readonly (string | number)[]

export interface PlanProblem {
  readonly path: Path
  readonly problem: SheetProblem | EquationProblem | QuantityProblem
}

export const spanOf = ({ problem }: PlanProblem): Span | undefined => ('span' in problem ? problem.span : undefined)

export function explainPlan({ problem }: PlanProblem): Advice {
  if (isQuantity(problem)) return explainQuantity(problem)
  if (isSheet(problem)) return explainSheet(problem)
  return explainEquation(problem)
}

const isQuantity = (problem: PlanProblem['problem']): problem is QuantityProblem => problem.code.startsWith('quantity.')
const isSheet = (problem: PlanProblem['problem']): problem is SheetProblem => problem.code.startsWith('sheet.')

function explainSheet(problem: SheetProblem): Advice {
  switch (problem.code) {
    case 'sheet.no-stages':
      return { why: 'The plan has no stage.', fix: 'Give at least one reaction.' }
    case 'sheet.repeated-stage':
      return { why: `Two stages are called ${problem.id}.`, fix: 'Give each stage its own id.' }
    case 'sheet.several-reactions':
      return {
        why: `These species allow ${problem.reactions.length} independent reactions: ${problem.reactions.join('; ')}.`,
        fix: 'Say which of them runs, or in what shares; or leave out what the other one makes.',
      }
    case 'sheet.unknown-solvent':
      return { why: `“${problem.name}” is not a solvent known here.`, fix: `Use ${problem.among.join(', ')}.` }
    case 'sheet.mix-stranger':
      return { why: `${problem.species} is not in the equation of this stage.`, fix: 'Choose the reactions again.' }
    case 'sheet.mix-empty':
      return { why: 'None of the reactions has a share.', fix: 'Give at least one of them a share above 0 %.' }
    case 'sheet.mix-not-whole':
      return {
        why: `The shares come to ${(problem.total * 100).toFixed(1).replace(/\.0$/, '')} %.`,
        fix: 'Change one of them so that they make 100 %.',
      }
    case 'sheet.mix-mixed':
      return {
        why: 'Some shares are percentages and some are plain numbers.',
        fix: 'Give all of them in percent, or all as a ratio such as 2 and 1.',
      }
    case 'sheet.over-whole':
      return {
        why: `Assay and moisture of ${problem.species} come to more than 100 %, or leave nothing.`,
        fix: 'Check which of the two the label means.',
      }
    case 'sheet.no-stock':
      return {
        why: `A dilution by volumes needs to know the stock of ${problem.species}.`,
        fix: 'Say what was diluted, such as 37 % w/w, or give the concentration itself.',
      }
    case 'sheet.unknown-species':
      return {
        why: `${problem.species} is not a ${problem.side} of this equation.`,
        fix: `Use one of ${problem.among.join(', ')}.`,
      }
    case 'sheet.repeated-reagent':
      return { why: `${problem.species} is charged twice.`, fix: 'Give it one supply and one charge.' }
    case 'sheet.form-mismatch':
      return {
        why: `${problem.weighed} is not ${problem.species} with or without water or a solvent of crystallisation.`,
        fix: `Give a form that holds ${problem.species} and nothing but water, or whole molecules of a solvent, beside it.`,
      }
    case 'sheet.electron':
      return { why: 'Electrons cannot be weighed.', fix: 'Write the whole reaction, not a half one.' }
    case 'sheet.bad-equivalents':
      return {
        why: Number.isFinite(problem.value)
          ? `${problem.value} equivalents cannot be charged.`
          : 'This cannot be understood as a number of equivalents.',
        fix: 'Give a number above 0, such as 1.2.',
      }
    case 'sheet.not-by-volume':
      return {
        why: `${problem.species} comes as a solid, which is not measured by volume.`,
        fix: 'Give a mass, or choose a solution.',
      }
    case 'sheet.no-density':
      return {
        why: `No density is known for this ${problem.species}.`,
        fix: 'Give the density from its label, such as 1.18 g/mL, or charge it by mass.',
      }
    case 'sheet.too-strong':
      return { why: `No solution of ${problem.species} is that strong.`, fix: 'Check the concentration.' }
    case 'sheet.unknown-stage':
      return {
        why: `There is no earlier stage called ${problem.from}.`,
        fix: 'Name a stage that stands before this one.',
      }
    case 'sheet.taken-twice':
      return {
        why: `${problem.takers} stages take from ${problem.from}, and it is not said how much of it comes here.`,
        fix: 'Give the share that this stage takes, such as 40 %.',
      }
    case 'sheet.shares-over-whole':
      return {
        why: `The shares taken from ${problem.from} come to ${(problem.total * 100).toFixed(1).replace(/\.0$/, '')} %.`,
        fix: 'Make one of them smaller: together they are no more than 100 %.',
      }
    case 'sheet.no-scale':
      return {
        why: 'Nothing sets the scale of this stage.',
        fix: 'Give one charge as a mass, volume or amount, or a target mass of product.',
      }
    case 'sheet.two-scales':
      return {
        why: 'Both a target and a charge set the scale.',
        fix: 'Keep the target and give the charges as equivalents, or keep the charge and drop the target.',
      }
    case 'sheet.target-not-last':
      return {
        why: 'This stage has a target but is not the last.',
        fix: 'Put the target on the last stage; what the others need follows.',
      }
  }
}
