import type { Formula } from '#core/formula'
import { exact, product, sum, type Figure } from '#core/quantity'
import { dissolve, type Curve, type SolubilityProblem } from '#core/solution'
import type { ReadStage } from './read-plan'
import type { StageSheet } from './stage'

/** What one substance asks of the pot's water at the working temperature. */
export interface WaterNeed {
  readonly formula: string
  readonly role: 'reagent' | 'product'
  /** Least water that holds it, g. */
  readonly least?: Figure
  /** The same with a third on top, for what is slow to dissolve. */
  readonly advised?: Figure
  /** Undefined where the solubility is not known. */
  readonly enough?: boolean
  readonly problem?: SolubilityProblem
  readonly source?: string
}

export interface Pot {
  readonly celsius: number
  /** Water there while it reacts, before anything is boiled off or goes into crystals, g. */
  readonly water: Figure
  /** Volume of the liquid, mL; an estimate. */
  readonly liquid: Figure
  readonly fill?: Figure
  readonly most: number
  readonly tooSmall: boolean
  /** Least vessel that leaves the room it wants, mL. */
  readonly vesselWanted: Figure
  readonly needs: readonly WaterNeed[]
}

/** A quarter to a third more for what is slow to dissolve; common practice, no source. */
const MARGIN = 4 / 3
/** Liquid fills two thirds of a vessel at most, a half where gas comes, a third where a carbonate foams; common practice, no source. */
const MOST = { still: 2 / 3, gas: 1 / 2, foam: 1 / 3 } as const
/** What a gram of dissolved salt adds to the volume, mL; between 0.2 and 0.5 for most salts, so a rough value. */
const SALT_VOLUME = exact(0.4, 'number', 'mL a gram of dissolved salt takes', '0.4')
const WATER_DENSITY = exact(0.997, 'density', 'density of water', '0.997 g/mL')

/** Whether the pot's water holds what should be dissolved at the working temperature, and whether the vessel is large enough. */
export function potOf(stage: ReadStage, sheet: StageSheet, own: readonly Curve[] = []): Pot {
  const celsius = stage.bench.celsius ?? 25
  const { solvent, carried, fromReagents, fromReaction } = sheet.water
  const water = sum('water while it reacts', [
    [1, fromReagents],
    ...(solvent ? [[1, solvent] as const] : []),
    ...(carried ? [[1, carried] as const] : []),
    [1, fromReaction],
  ])
  const liquid = liquidOf(sheet, water)
  const foams = stage.reagents.some(({ term }) => /CO3/.test(term.species.formula.text)) && sheet.gases.length > 0
  const most = foams ? MOST.foam : sheet.gases.length > 0 ? MOST.gas : MOST.still
  const { vessel } = stage.bench
  const fill = vessel && product('share of the vessel that is liquid', 'mass fraction', [liquid], [vessel])
  return {
    celsius,
    water,
    liquid,
    most,
    ...(fill && { fill }),
    tooSmall: fill !== undefined && fill.value > most + 1e-9,
    vesselWanted: product('least vessel', 'volume', [liquid], [exact(most, 'number', 'share it may fill')]),
    needs: needsOf(stage, sheet, celsius, water, own),
  }
}

function liquidOf(sheet: StageSheet, water: Figure): Figure {
  const solids = sheet.reagents.flatMap(({ mass, leftover }): [number, Figure][] =>
    mass ? [[1, mass], ...(leftover.wayOut === 'filtered off' ? [[-1, leftover.mass] as [number, Figure]] : [])] : [],
  )
  const salts = sum('dissolved salts', [...solids, [-1, sheet.water.fromReagents]])
  const ofWater = product('volume of the water', 'volume', [water], [WATER_DENSITY])
  const ofSalts = product('room the salts take', 'volume', [salts, SALT_VOLUME])
  return sum('liquid in the pot', [
    [1, ofWater],
    [1, ofSalts],
  ])
}

function needsOf(
  stage: ReadStage,
  sheet: StageSheet,
  celsius: number,
  water: Figure,
  own: readonly Curve[],
): WaterNeed[] {
  const reagents = stage.reagents.flatMap(({ supply, planned }, i): WaterNeed[] => {
    const line = sheet.reagents[i]!
    if (!planned || supply.kind !== 'solid' || !line.mass || line.leftover.wayOut === 'filtered off') return []
    return needOf(supply.weighed, line.mass, 'reagent', celsius, water, own)
  })
  const made = sheet.products[0]!
  const { form } = stage.product
  return [...reagents, ...needOf(form, made.theoretical, 'product', celsius, water, own)]
}

/** Substances that do not dissolve at all are no matter of how much water. */
function needOf(
  form: Formula,
  mass: Figure,
  role: WaterNeed['role'],
  celsius: number,
  water: Figure,
  own: readonly Curve[],
): WaterNeed[] {
  const held = dissolve(form, mass, celsius, own)
  if (!held.ok)
    return held.problem.code === 'solubility.out-of-range' || role === 'product'
      ? [{ formula: form.text, role, problem: held.problem }]
      : []
  const least = held.value.water
  return [
    {
      formula: form.text,
      role,
      least,
      advised: product(`water advised for {${form.text}}`, 'mass', [
        least,
        exact(MARGIN, 'number', 'a third more', '4/3'),
      ]),
      enough: water.value >= least.value,
      source: held.value.source,
    },
  ]
}
