import { printReaction, type Reaction } from '#core/equation'
import { draftStage, usualStock, type ChargePlan, type ReagentPlan, type StagePlan } from '#core/sheet'
import { volatileExcess } from './excess'
import type { Step } from './search'
import { dissolves } from './properties'
import { stuffOf } from './stuff'

/** A stage of a route as it is planned: what it makes, in which form, and whether it stays in the pot for the next. */
export interface PlannedStep extends Step {
  readonly form: string
  readonly species: string
  readonly staysInPot: boolean
}

const written = (reaction: Reaction): string => printReaction(reaction)

/**
 * A route as stages of a plan, ready to weigh: each reagent as it is usually had, what came of an earlier stage from that stage, the usual excess of what boils away or is washed out. It has no amount yet. Undefined where a stage cannot be drafted, which would be a fault of the route.
 */
export function planOf(steps: readonly PlannedStep[]): StagePlan[] | undefined {
  const stages: StagePlan[] = []
  for (const [i, step] of steps.entries()) {
    const drafted = draftStage(step.form, written(step.reaction))
    if (!drafted.ok) return undefined
    const made = new Map(stages.map(stage => [stuffOf(stage.product.species)?.key, stage]))
    const reagents = drafted.value.reagents.map((reagent): ReagentPlan => {
      const before = made.get(stuffOf(reagent.species)?.key)
      if (before) return { species: reagent.species, supply: { kind: 'stage', from: before.id } }
      const charge = excessOf(step, reagent.species)
      return { ...reagent, ...(charge && { charge }) }
    })
    stages.push({
      ...drafted.value,
      id: `s${i + 1}`,
      reagents,
      ...(step.staysInPot && { inPot: true }),
      ...(wantsWater(step, reagents) && { solvent: `${TRIAL * PARTS} mL`, at: WARM }),
    })
  }
  return stages
}

/** Parts of water to one of product where nothing else brings any: a start, which the sheet then sets by solubility. Common practice. */
const PARTS = 5
/** Grams for which a plan of no amount yet is laid out. */
export const TRIAL = 10
/** Salts that are taken up in water are so while it is warm: most hold several times as much. Common practice. */
const WARM = '60 °C'
const wantsWater = ({ family }: Step, reagents: readonly ReagentPlan[]): boolean =>
  family.medium === 'water' && reagents.every(({ supply }) => supply.kind !== 'solution' && supply.kind !== 'liquid')

/** What goes in over its share: solids that do not dissolve are left over and filtered off, what boils away goes with the water. */
function excessOf(step: Step, species: string): ChargePlan | undefined {
  const stuff = stuffOf(species)
  if (!stuff) return undefined
  if (step.draft.excess?.species === species) return { equivalents: step.draft.excess.equivalents }
  const excess = volatileExcess(stuff, step)
  if (excess !== undefined) return { equivalents: excess }
  const isSolidLeft =
    step.family.medium === 'water' &&
    stuff.standing === 'solid' &&
    stuff.row?.state === 'solid' &&
    dissolves(step.target)
  const acid = step.draft.left.some(
    text =>
      text !== species &&
      usualStock(stuffOf(text)!.formula) &&
      stuffOf(text)!.row?.volatile !== true &&
      stuffOf(text)!.row?.state === 'liquid',
  )
  return isSolidLeft && acid ? { equivalents: LEFT_OVER } : undefined
}
/** A twentieth more of a solid that is filtered off, so that the acid is used up. Common practice. */
const LEFT_OVER = 1.05
