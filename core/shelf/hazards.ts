import { findSubstance, parseFormula } from '#core/formula'
import { parseQuantity } from '#core/quantity'
import { strengthHazards, type HazardCode, type SubstanceRow } from '#core/reference'
import { strengthOf } from '#core/supply'
import type { Comes } from './label'

export interface HazardsTold {
  readonly codes: readonly HazardCode[]
  /** Those of the pure substance, since no limits are known for how strong this is. */
  readonly isAsPure: boolean
}

/** The hazard statements of what is in a bottle: those of its strength where limits by strength are known, else those of the pure substance; undefined where the tables do not know it. */
export function hazardsIn(formula: string, comes: Comes, own: readonly SubstanceRow[] = []): HazardsTold | undefined {
  const read = parseFormula(formula)
  const row = read.ok ? findSubstance(read.value, own)?.row : undefined
  if (!read.ok || !row) return undefined
  const bands = strengthHazards.find(({ of }) => of === read.value.text)?.bands
  const share = bands && comes.kind === 'solution' ? shareOf(formula, comes) : undefined
  if (bands && share !== undefined) return { codes: bands.find(([from]) => share >= from)?.[1] ?? [], isAsPure: false }
  return { codes: row.hazards ?? [], isAsPure: comes.kind === 'solution' }
}

/** Mass of what is dissolved in one of solution. */
function shareOf(formula: string, { concentration, density }: Comes & { kind: 'solution' }): number | undefined {
  const solute = parseFormula(formula)
  const strength = parseQuantity(concentration, {
    kinds: ['concentration', 'mass fraction', 'mass per volume'],
    name: 'strength',
    source: 'label',
  })
  const known =
    density === undefined ? undefined : parseQuantity(density, { kinds: ['density'], name: 'density', source: 'label' })
  if (!solute.ok || !strength.ok) return undefined
  return strengthOf(solute.value, strength.value, known?.ok ? known.value : undefined).massFraction?.value
}
