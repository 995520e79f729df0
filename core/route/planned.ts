import { formFromWater, type First } from './first'
import type { Wanted } from './forms'
import type { PlannedStep } from './plan-of'
import { dissolves } from './properties'
import type { Step } from './search'
import { stuffOf } from './stuff'

/** A step as it is planned: in which form its product comes, and whether the pot goes on. */
export function plannedStep(
  step: Step,
  i: number,
  steps: readonly Step[],
  wanted: Wanted,
  first: First | undefined,
): PlannedStep {
  const isLast = i === steps.length - 1
  const next = steps[i + 1]
  const species =
    step.reaction.products.find(({ species: one }) => stuffOf(one.formula.text)?.key === step.target.key)?.species
      .formula.text ?? step.target.text
  const dry = step.family.medium !== 'water'
  const form = isLast
    ? dry && !wanted.isSaid
      ? species
      : wanted.form.text
    : dry
      ? step.target.text
      : nextForm(step, next)
  const staysInPot = !isLast && !dry && next?.family.medium === 'water' && dissolves(step.target) && first === undefined
  return { ...step, species, form, staysInPot }
}

/** As the next stage takes it: the hydrate that it heats, else as it comes from water. */
const nextForm = (step: Step, next: Step | undefined): string => {
  const taken = next?.draft.left.find(text => stuffOf(text)?.key === step.target.key)
  return taken !== undefined && taken !== step.target.text ? taken : formFromWater(step.target)
}
