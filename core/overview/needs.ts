import { productMass, weighingOf, type JournalLine } from '#core/journal'
import { findReagent, type Plan, type PlanSheet } from '#core/sheet'

/** What a batch has yet to weigh or measure of one reagent. */
export interface Need {
  readonly stage: string
  readonly species: string
  /** The form that is weighed; of a solution, what is dissolved. */
  readonly form: string
  readonly kind: 'solid' | 'solution' | 'liquid'
  /** Of a solution, how strong it is meant to be. */
  readonly concentration?: string
  /** What is still to come out of a bottle, g and mL, as far as each is known. */
  readonly grams?: number
  readonly millilitres?: number
  /** The bottle that the plan names. */
  readonly bottle?: string
}

/**
 * What a plan still takes out of bottles: what each charge is meant to be, less what the journal weighed for it already. A stage whose product is weighed takes nothing more; gases,
 * water of the tap, and what an earlier stage gives come out of no bottle.
 */
export function needsOf({ stages }: Plan, sheet: PlanSheet, lines: readonly JournalLine[]): Need[] {
  return sheet.stages.flatMap((stage, i) => {
    const plan = stages[i]
    if (!plan || productMass(lines, stage.id)) return []
    return stage.reagents.flatMap((line): Need[] => {
      const supply = findReagent(plan, line.species)?.supply ?? { kind: 'solid' as const }
      if (!line.planned || supply.kind === 'stage' || supply.kind === 'gas' || line.species === FROM_THE_TAP) return []
      const { net } = weighingOf(lines, { what: 'charge', stage: stage.id, species: line.species })
      const left = leftOf(line.mass?.value, line.volume?.value, net && { kind: net.kind, value: net.value })
      if (!left) return []
      const { kind } = supply
      return [
        {
          stage: stage.id,
          species: line.species,
          form: kind === 'solid' ? line.weighAs || line.species : line.species,
          kind,
          ...left,
          ...(kind === 'solution' && { concentration: supply.concentration }),
          ...(supply.bottle !== undefined && { bottle: supply.bottle }),
        },
      ]
    })
  })
}

const FROM_THE_TAP = 'H2O'

/** A thousandth of a charge is within what its weighing is good for: it is there. A judgement. */
const THERE = 1e-3

function leftOf(
  grams: number | undefined,
  millilitres: number | undefined,
  net: { readonly kind: string; readonly value: number } | undefined,
): Pick<Need, 'grams' | 'millilitres'> | undefined {
  const whole = net?.kind === 'volume' ? millilitres : net ? grams : (grams ?? millilitres)
  if (whole === undefined || !(whole > 0)) return undefined
  const share = net ? 1 - net.value / whole : 1
  if (share < THERE) return undefined
  return {
    ...(grams !== undefined && { grams: grams * share }),
    ...(millilitres !== undefined && { millilitres: millilitres * share }),
  }
}
