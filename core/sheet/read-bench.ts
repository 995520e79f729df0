import { parseFormula, type Formula } from '#core/formula'
import { exact, product, type Figure } from '#core/quantity'
import type { StagePlan } from './plan'
import type { Path } from './problems'
import { decided, need, quantity } from './refuse'
import { strengthOf, type Strength } from './strength'

/** What the plan says of how a stage is run: water, temperature, vessel, time, trap, bath. */
export interface Bench {
  /** Water put in as solvent, g. */
  readonly solvent?: Figure
  /** Water boiled off before the product is isolated, g. */
  readonly evaporate?: Figure
  /** °C at which it is kept while it reacts. */
  readonly celsius?: number
  /** mL. */
  readonly vessel?: Figure
  /** Over which the gas comes, h. */
  readonly addition?: Figure
  /** Heat that the bath takes away, W. */
  readonly bath?: Figure
  readonly trap?: { readonly reagent: Formula; readonly volume: Figure; readonly strength: Strength }
}

const WATER_DENSITY = exact(0.9982, 'density', 'density of water', '0.998 g/mL')

export function readBench(stage: StagePlan, path: Path): Bench {
  const { solvent, evaporate, at, vessel, addition, bath, trap } = stage
  return {
    ...(solvent !== undefined && { solvent: water(solvent, [...path, 'solvent'], 'water as solvent') }),
    ...(evaporate !== undefined && { evaporate: water(evaporate, [...path, 'evaporate'], 'water boiled off') }),
    ...(at !== undefined && { celsius: quantity(at, [...path, 'at'], ['temperature'], 'working temperature').value }),
    ...(vessel !== undefined && { vessel: decided(quantity(vessel, [...path, 'vessel'], ['volume'], 'vessel')) }),
    ...(addition !== undefined && {
      addition: decided(quantity(addition, [...path, 'addition'], ['time'], 'addition')),
    }),
    ...(bath !== undefined && { bath: decided(quantity(bath, [...path, 'bath'], ['power'], 'cooling of the bath')) }),
    ...(trap && { trap: readTrap(trap, [...path, 'trap']) }),
  }
}

/** Water by mass or by volume, told in g. */
function water(text: string, path: Path, name: string): Figure {
  const read = quantity(text, path, ['mass', 'volume'], name, { zero: true })
  return read.kind === 'mass' ? read : product(name, 'mass', [read, WATER_DENSITY])
}

function readTrap(trap: NonNullable<StagePlan['trap']>, path: Path): NonNullable<Bench['trap']> {
  const reagent = need([...path, 'reagent'], parseFormula(trap.reagent))
  const volume = quantity(trap.volume, [...path, 'volume'], ['volume'], 'volume of the trap')
  const concentration = quantity(
    trap.concentration,
    [...path, 'concentration'],
    ['concentration', 'mass fraction', 'mass per volume'],
    'concentration of the trap',
  )
  return { reagent, volume, strength: strengthOf(reagent, concentration) }
}
