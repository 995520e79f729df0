import { parseFormula, type Formula } from '#core/formula'
import { exact, product, type Figure } from '#core/quantity'
import type { StagePlan } from './plan'
import type { Path, PlanProblem } from './problems'
import { solvents } from '#core/reference'
import { attempt, decided, need, quantity, refuse } from './refuse'
import { strengthOf, type Strength } from '#core/supply'

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

/** Fields of a stage that its amounts do not hang on: what one of them says may be missing while the rest is computed. */
export type SideField = 'solvent' | 'evaporate' | 'at' | 'vessel' | 'addition' | 'bath' | 'trap' | 'yield'

/** The bench of a stage as far as it reads, with the fields that do not. */
export function readBench(
  stage: StagePlan,
  path: Path,
  problems: PlanProblem[],
): { readonly bench: Bench; readonly unread: SideField[]; readonly otherSolvents: readonly NamedSolvent[] } {
  const unread: SideField[] = []
  const field = <K extends SideField & keyof StagePlan, T>(
    key: K,
    read: (text: NonNullable<StagePlan[K]>, at: Path) => T,
  ): T | undefined => {
    const text = stage[key]
    if (text === undefined || text === null) return undefined
    const value = attempt(problems, () => read(text, [...path, key]))
    if (value === undefined) unread.push(key)
    return value
  }
  const named = attempt(problems, () => readSolvents(stage, path)) ?? []
  const alsoWater = named.find(({ name }) => name === WATER)?.mass
  const solvent = field('solvent', (text, at) => water(text, at, 'water as solvent')) ?? alsoWater
  const evaporate = field('evaporate', (text, at) => water(text, at, 'water boiled off'))
  const celsius = field('at', (text, at) => quantity(text, at, ['temperature'], 'working temperature').value)
  const vessel = field('vessel', (text, at) => decided(quantity(text, at, ['volume'], 'vessel')))
  const addition = field('addition', (text, at) => decided(quantity(text, at, ['time'], 'addition')))
  const bath = field('bath', (text, at) => decided(quantity(text, at, ['power'], 'cooling of the bath')))
  const trap = field('trap', readTrap)
  const bench: Bench = {
    ...(solvent && { solvent }),
    ...(evaporate && { evaporate }),
    ...(celsius !== undefined && { celsius }),
    ...(vessel && { vessel }),
    ...(addition && { addition }),
    ...(bath && { bath }),
    ...(trap && { trap }),
  }
  return { bench, unread, otherSolvents: named.filter(({ name }) => name !== WATER) }
}

const WATER = 'water'
export interface NamedSolvent {
  readonly name: string
  /** g. */
  readonly mass: Figure
}

/** Solvents by name, each by volume or by mass, in g. */
function readSolvents({ solvents: wanted = [] }: StagePlan, path: Path): NamedSolvent[] {
  return wanted.map(({ name, volume, mass }, i) => {
    const at = [...path, 'solvents', i]
    const row = solvents.find(one => one.name === name)
    if (!row)
      return refuse([...at, 'name'], { code: 'sheet.unknown-solvent', name, among: solvents.map(one => one.name) })
    if (name === WATER)
      return { name, mass: water(volume ?? mass ?? '', [...at, volume ? 'volume' : 'mass'], 'water as solvent') }
    if (mass) return { name, mass: quantity(mass, [...at, 'mass'], ['mass'], name) }
    const read = quantity(volume ?? '', [...at, 'volume'], ['volume'], name)
    return {
      name,
      mass: product(`mass of the ${name}`, 'mass', [
        read,
        exact(row.density, 'density', `density of ${name}`, `${row.density} g/mL`),
      ]),
    }
  })
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
