import { molarMass, parseFormula, type Formula, type Relation } from '#core/formula'
import { exact, product, sum, type Figure } from '#core/quantity'
import {
  dissolvedEnthalpy,
  formationEnthalpy,
  isDissolved,
  solutionEnthalpy,
  waterEnthalpy,
  type EnthalpyPart,
} from './enthalpy'
import type { ReadStage, Reagent } from './read-stage'
import type { StageSheet } from './stage'
import { isGas } from './ways-out'

export type Heat =
  | {
      readonly known: true
      /** kJ of the stage as charged; negative where heat comes out. */
      readonly enthalpy: Figure
      /** Were all of it to stay in the pot, K; an estimate. Undefined where there is no liquid that could warm. */
      readonly rise?: Figure
      /** °C from which the pot warms: its working temperature, or 20 °C. */
      readonly start: number
      readonly boils: boolean
      /** Time the bath needs to take the heat away, h. */
      readonly coolingTime?: Figure
      /** Solutions taken as dilute for want of a heat of dilution. */
      readonly asDilute: readonly string[]
    }
  | { readonly known: false; readonly missing: readonly string[] }

const HEAT_CAPACITY_WATER = exact(4.18, 'number', 'heat capacity of water, J/(g K)', '4.18')
/** Salts in solution and solids, J/(g K): between 0.6 and 1.3 for most; a rough value, no source. */
const HEAT_CAPACITY_REST = exact(1, 'number', 'heat capacity of what is not water, J/(g K)', '1.0')
const ROOM_TEMPERATURE = 20
/** Mass fraction below which a solution counts as infinitely dilute; sulfuric acid never does, since it gives its second proton late. */
const DILUTE = 0.1

/**
 * Heat of a stage from formation enthalpies at 25 °C (Hess): products as they are in the pot (gas, solid, or dissolved at infinite
 * dilution) less reagents as they come, strong acids and caustics with their heat of dilution. What is heated dry stays solid, and its
 * water leaves as steam. Names what the tables lack.
 */
export function heatOf(stage: ReadStage, sheet: StageSheet): Heat {
  const isDry = !hasLiquid(stage, sheet)
  const missing: string[] = []
  const asDilute: string[] = []
  const terms: [number, Figure][] = []
  const add = (sign: 1 | -1, name: string, amount: Figure, parts: readonly EnthalpyPart[] | undefined): void => {
    if (!parts) {
      missing.push(name)
      return
    }
    for (const [count, of] of parts)
      if (of.value !== 0)
        terms.push([
          sign * count,
          product(`${of.name} × ${count === 1 ? '' : `${Math.abs(count)} × `}amount`, 'energy', [amount, of]),
        ])
  }
  stage.reagents.forEach((reagent, i) => {
    const line = sheet.reagents[i]
    if (line) add(-1, reagent.supply.weighed.text, line.consumed, asSupplied(reagent, stage, isDry, asDilute))
  })
  for (const line of sheet.products) {
    const formula = read(line.species)
    const amount = line.amount
    add(1, line.species, amount, asMade(formula, stage, isDry))
  }
  if (missing.length > 0) return { known: false, missing: [...new Set(missing)] }
  const enthalpy = terms.length === 0 ? exact(0, 'energy', 'heat of the stage') : sum('heat of the stage', terms)
  return {
    known: true,
    enthalpy,
    asDilute,
    start: startOf(stage),
    ...(isDry ? { boils: false } : warming(stage, sheet, enthalpy)),
  }
}

const BOILING = 100
const startOf = ({ bench }: ReadStage): number => bench.celsius ?? ROOM_TEMPERATURE

/** Whether there is water in the pot that things dissolve in: from solutions, hydrates or the tap, and below its boiling point. */
function hasLiquid(stage: ReadStage, { water }: StageSheet): boolean {
  const grams = water.fromReagents.value + (water.solvent?.value ?? 0) + (water.carried?.value ?? 0)
  return grams > 0 && startOf(stage) <= BOILING
}

function warming(stage: ReadStage, sheet: StageSheet, enthalpy: Figure) {
  const start = startOf(stage)
  const water = sum('water in the pot while it reacts', [
    [1, sheet.water.fromReagents],
    ...(sheet.water.solvent ? [[1, sheet.water.solvent] as const] : []),
    ...(sheet.water.carried ? [[1, sheet.water.carried] as const] : []),
  ])
  const masses = sheet.reagents.flatMap(({ mass }): [number, Figure][] => (mass ? [[1, mass]] : []))
  const rest = sum('all that is not water', [...masses, [-1, sheet.water.fromReagents]])
  const capacity = sum('heat capacity of the pot, J/K', [
    [1, product('of the water, J/K', 'number', [water, HEAT_CAPACITY_WATER])],
    [1, product('of the rest, J/K', 'number', [rest, HEAT_CAPACITY_REST])],
  ])
  const rise = product('temperature rise if all went in at once', 'warming', [enthalpy], [capacity], -1000)
  const { bath } = stage.bench
  return {
    rise,
    boils: start + rise.value > BOILING,
    ...(bath &&
      enthalpy.value < 0 && {
        coolingTime: product('time for the bath to take the heat', 'time', [enthalpy], [bath], -1000 / 3600),
      }),
  }
}

function asSupplied(
  reagent: Reagent,
  stage: ReadStage,
  isDry: boolean,
  asDilute: string[],
): EnthalpyPart[] | undefined {
  const { supply, term } = reagent
  const { species, weighed, relation } = supply
  if (species.text === 'H2O') return one(waterEnthalpy(supply.kind === 'gas' || term.species.phase === 'g' ? 'g' : 'l'))
  switch (supply.kind) {
    case 'gas':
      return one(formationEnthalpy(species, 'g'))
    case 'liquid':
      return one(formationEnthalpy(species, 'l'))
    case 'solution': {
      const fraction = supply.strength?.massFraction?.value
      const waters = fraction ? ((1 - fraction) / 18.015) * (molarMass(species) / fraction) : undefined
      const wantsHeat = (fraction ?? 0) > DILUTE || species.text === 'H2SO4'
      const exactly = waters === undefined || !wantsHeat ? undefined : solutionEnthalpy(species, waters)
      if (!exactly && (fraction ?? 0) > DILUTE) asDilute.push(species.text)
      return exactly ?? dissolvedEnthalpy(species)
    }
    case 'stage':
      if (!reagent.from || supply.inPot) return asMade(species, stage, isDry)
      return solidOf(weighed, relation)
    case 'solid':
      return term.species.phase === 'g' ? one(formationEnthalpy(species, 'g')) : solidOf(weighed, relation)
  }
}

/** One species' share of its weighed solid, less the waters that come off. */
function solidOf(weighed: Formula, { units, waters, gas }: Relation): EnthalpyPart[] | undefined {
  // What it gives off beside the equation is not in the balance of the stage.
  if (gas) return undefined
  const solid = formationEnthalpy(weighed, 's') ?? formationEnthalpy(weighed, 'l')
  if (!solid) return undefined
  if (waters === 0) return [[1 / units, solid]]
  const water = waterEnthalpy('l')
  return (
    water && [
      [1 / units, solid],
      [-waters / units, water],
    ]
  )
}

function asMade(formula: Formula, { reaction, own }: ReadStage, isDry: boolean): EnthalpyPart[] | undefined {
  const phase = [...reaction.products, ...reaction.reactants].find(
    ({ species }) => species.formula.text === formula.text,
  )?.species.phase
  if (formula.text === 'H2O') return one(waterEnthalpy(phase === 'g' || (isDry && phase === undefined) ? 'g' : 'l'))
  if (isGas(formula, phase, own)) return one(formationEnthalpy(formula, 'g'))
  const dissolved = phase === 'aq' ? true : phase === 's' || isDry ? false : isDissolved(formula, own)
  if (dissolved === undefined) return undefined
  return dissolved
    ? dissolvedEnthalpy(formula)
    : (one(formationEnthalpy(formula, 's')) ?? one(formationEnthalpy(formula, 'l')))
}

const one = (figure: Figure | undefined): EnthalpyPart[] | undefined => figure && [[1, figure]]

function read(text: string): Formula {
  const formula = parseFormula(text)
  if (!formula.ok) throw new Error(`The sheet holds ${text}.`)
  return formula.value
}
