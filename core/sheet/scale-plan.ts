import { scaleText } from '#core/quantity'
import { scaleOperation } from '#core/vessel'
import type { ChargePlan, Plan, StagePlan } from './plan'

/**
 * The same plan so many times as large: every charge, target, measured volume of the bench and amount of a crystallisation grows, and
 * the bath that has to cool it; shares, strengths, temperatures and times do not. Written digits are kept: never fewer significant ones than before, and one more where it shrinks.
 */
export const scalePlan = (plan: Plan, factor: number): Plan => ({
  ...plan,
  stages: plan.stages.map(stage => scaleStage(stage, factor)),
})

function scaleStage(stage: StagePlan, factor: number): StagePlan {
  const { target, solvent, solvents, evaporate, vessel, trap, bath, operations } = stage
  const grown = (text: string): string => scaleText(text, factor)
  return {
    ...stage,
    reagents: stage.reagents.map(reagent =>
      reagent.charge ? { ...reagent, charge: scaleCharge(reagent.charge, grown) } : reagent,
    ),
    ...(target && { target: { ...target, mass: grown(target.mass) } }),
    ...(solvent !== undefined && { solvent: grown(solvent) }),
    ...(solvents && {
      solvents: solvents.map(({ name, volume, mass }) => ({
        name,
        ...(volume !== undefined && { volume: grown(volume) }),
        ...(mass !== undefined && { mass: grown(mass) }),
      })),
    }),
    ...(evaporate !== undefined && { evaporate: grown(evaporate) }),
    ...(vessel !== undefined && { vessel: grown(vessel) }),
    ...(bath !== undefined && { bath: grown(bath) }),
    ...(operations && { operations: operations.map(one => scaleOperation(one, factor)) }),
    ...(trap && { trap: { ...trap, volume: grown(trap.volume) } }),
  }
}

function scaleCharge(charge: ChargePlan, grown: (text: string) => string): ChargePlan {
  if ('mass' in charge) return { mass: grown(charge.mass) }
  if ('volume' in charge) return { volume: grown(charge.volume) }
  if ('amount' in charge) return { amount: grown(charge.amount) }
  return charge
}

/** How many portions so many students in groups of so many make. */
export const portionsFor = (students: number, groupSize: number): number => Math.ceil(students / Math.max(1, groupSize))
