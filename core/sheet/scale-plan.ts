import { parseQuantity } from '#core/quantity'
import type { ChargePlan, Plan, StagePlan } from './plan'

/**
 * The same plan so many times as large: every charge, target and measured volume of the bench grows; shares, strengths, temperatures
 * and times do not. Written digits are kept: never fewer significant ones than before, and one more where it shrinks.
 */
export const scalePlan = (plan: Plan, factor: number): Plan => ({
  ...plan,
  stages: plan.stages.map(stage => scaleStage(stage, factor)),
})

function scaleStage(stage: StagePlan, factor: number): StagePlan {
  const { target, solvent, evaporate, vessel, trap } = stage
  const grown = (text: string): string => scaleText(text, factor)
  return {
    ...stage,
    reagents: stage.reagents.map(reagent =>
      reagent.charge ? { ...reagent, charge: scaleCharge(reagent.charge, grown) } : reagent,
    ),
    ...(target && { target: { ...target, mass: grown(target.mass) } }),
    ...(solvent !== undefined && { solvent: grown(solvent) }),
    ...(evaporate !== undefined && { evaporate: grown(evaporate) }),
    ...(vessel !== undefined && { vessel: grown(vessel) }),
    ...(trap && { trap: { ...trap, volume: grown(trap.volume) } }),
  }
}

function scaleCharge(charge: ChargePlan, grown: (text: string) => string): ChargePlan {
  if ('mass' in charge) return { mass: grown(charge.mass) }
  if ('volume' in charge) return { volume: grown(charge.volume) }
  if ('amount' in charge) return { amount: grown(charge.amount) }
  return charge
}

const NUMBER = /^(\s*)((?:\d+(?:\.\d*)?|\.\d+))(.*)$/s

/** A measured text times a factor; a text that does not read is left as it was typed. */
export function scaleText(text: string, factor: number): string {
  const match = NUMBER.exec(text)
  const reads = parseQuantity(text, { kinds: ['mass', 'volume', 'amount'], name: '', source: '', zero: true }).ok
  if (!match || !reads || /^\s*(?:\(|±|\+|[eE])/.test(match[3]!)) return text
  const [, before, digits, unit] = match as unknown as [string, string, string, string]
  const value = Number(digits) * factor
  const decimals = digits.includes('.') ? digits.length - digits.indexOf('.') - 1 : 0
  const significant = digits.replace(/^0*\.?0*/, '').replace('.', '').length
  const needed = value === 0 ? 0 : Math.max(0, significant - (factor < 1 ? 0 : 1) - Math.floor(Math.log10(value)))
  return `${before}${value.toFixed(Math.min(8, Math.max(factor >= 1 ? decimals : 0, needed)))}${unit}`
}

/** How many portions so many students in groups of so many make. */
export const portionsFor = (students: number, groupSize: number): number => Math.ceil(students / Math.max(1, groupSize))
