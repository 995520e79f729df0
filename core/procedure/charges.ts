import type { Formula } from '#core/formula'
import { findSubstance, molarMass } from '#core/formula'
import { isGas, waterBrought, type ReadStage, type Reagent, type StageSheet } from '#core/sheet'
import { donorOf, dryOf, formulaOf, operate, standsAs, WATER, type Setting, type Vessel } from '#core/vessel'

/** One reagent of the sheet, as it enters the vessel: the species and the solvent it brings. */
export interface Charge {
  readonly species: string
  readonly formula: Formula
  readonly moles: number
  readonly solvents: ReadonlyMap<string, number>
  /** Of that, g that the species holds itself as water of crystallisation. */
  readonly crystalWater: number
  readonly weighed: string
  /** What is put on the balance or measured, g or mL; undefined for a gas and for what an earlier stage made. */
  readonly mass?: number
  readonly volume?: number
  readonly comes: 'solid' | 'liquid' | 'gas' | 'from a stage'
  /** Strong enough that it goes into water, and not the other way. */
  readonly isStrong: boolean
}

/** A solution that is more than half reagent, or a liquid that gives protons; a judgement, no source. */
const STRONG = 0.5

/** What the sheet charges, each once; what the pot brings already is not among them. `isDry` keeps solids with their own water. */
export function chargesOf(stage: ReadStage, sheet: StageSheet, isDry: boolean): Charge[] {
  return stage.reagents.flatMap((reagent, i): Charge[] => {
    const line = sheet.reagents[i]
    if (!line || reagent.supply.inPot) return []
    const moles = line.amount.value
    const { formula } = reagent.term.species
    const isWater = dryOf(formula).dry.text === 'H2O'
    if (isWater && isDry) return []
    const water = waterBrought(reagent, line.amount).terms.reduce((sum, [weight, of]) => sum + weight * of.value, 0)
    const dry = isDry ? formula : dryOf(formula).dry
    const crystals = isDry || isWater ? 0 : dryOf(formula).waters * moles * WATER_MOLAR
    const solvents = water + crystals > 0 ? new Map([[WATER, water + crystals]]) : new Map<string, number>()
    return [
      {
        species: line.species,
        formula: isWater ? formula : dry,
        moles: isWater ? 0 : moles,
        solvents,
        crystalWater: crystals,
        weighed: line.weighAs,
        ...(line.mass && reagent.planned && { mass: line.mass.value }),
        ...(line.volume && reagent.planned && { volume: line.volume.value }),
        comes: isWater ? 'liquid' : comesAs(reagent),
        isStrong: isStrongAcid(reagent),
      },
    ]
  })
}
const WATER_MOLAR = molarMass(formulaOf('H2O'))

function comesAs({ supply, term }: Reagent): Charge['comes'] {
  if (supply.kind === 'stage') return 'from a stage'
  if (supply.kind === 'gas' || (supply.kind === 'solid' && isGas(term.species.formula, term.species.phase)))
    return 'gas'
  return supply.kind === 'solid' ? 'solid' : 'liquid'
}

const isStrongAcid = ({ supply, term }: Reagent): boolean =>
  donorOf(term.species.formula) !== undefined &&
  (supply.kind === 'liquid' || (supply.strength?.massFraction?.value ?? 0) > STRONG)

/**
 * In which order charges go in, each rule with its reason: what is liquid goes first, so that there is something to stir; a strong acid into what is there, never the other way; solids
 * that dissolve, then those that need the rest to dissolve; what makes gas goes last, in portions; a gas is passed into the rest.
 */
export function inOrder(charges: readonly Charge[], makesGas: boolean): Charge[] {
  const rank = (one: Charge): number => {
    if (one.moles === 0) return 0
    if (one.comes === 'gas') return 5
    if (one.comes === 'liquid') return one.isStrong ? 2 : 1
    if (one.comes === 'from a stage') return 0
    if (standsAs(one.formula) === 'solid') return makesGas ? 4 : 3.5
    return findSubstance(one.formula)?.row.water === 'slightly' ? 3.5 : 3
  }
  return charges.toSorted((a, b) => rank(a) - rank(b))
}

/** More reagents than this are not tried in every order; two of them have no other. */
const MOST_TRIED = 5

/**
 * The order of charging in which least leaves as gas that the equation does not make: a carbonate that is to be thrown down is not poured onto the acid that its metal came in. Of equal
 * ones the nearest to the usual order.
 */
export function withoutSideGas(
  ordered: readonly Charge[],
  start: Vessel,
  setting: Setting,
  made: readonly string[],
): readonly Charge[] {
  if (ordered.length < 3 || ordered.length > MOST_TRIED) return ordered
  const sideGas = (charges: readonly Charge[]): number => {
    let vessel = start
    let gone = 0
    for (const { formula, moles, solvents } of charges) {
      const done = operate(vessel, { do: 'charge', formula, moles, solvents }, setting)
      const gases = done.out.filter(({ to }) => to === 'gas').flatMap(({ matter }) => matter)
      gone += gases.reduce((sum, { form, amount }) => (made.includes(form) ? sum : sum + amount), 0)
      vessel = done.vessel
    }
    return gone
  }
  const usual = sideGas(ordered)
  if (usual < NO_GAS) return ordered
  const tried = orders(ordered).map(order => ({ order, gas: sideGas(order) }))
  const least = Math.min(...tried.map(({ gas }) => gas))
  return tried.find(({ gas }) => gas <= least * 1.001)?.order ?? ordered
}
/** Moles of a gas that are none. */
const NO_GAS = 1e-12

/** All orders, those that change least first. */
function orders(charges: readonly Charge[]): (readonly Charge[])[] {
  const all = (rest: readonly Charge[]): Charge[][] =>
    rest.length < 2 ? [[...rest]] : rest.flatMap((one, i) => all(rest.toSpliced(i, 1)).map(others => [one, ...others]))
  const moved = (order: readonly Charge[]): number =>
    order.reduce((sum, one, i) => sum + Math.abs(charges.indexOf(one) - i), 0)
  return all(charges).toSorted((a, b) => moved(a) - moved(b))
}
