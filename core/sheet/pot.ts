import type { Formula } from '#core/formula'
import { ionsOf } from '#core/species'
import { exact, product, sum, type Figure } from '#core/quantity'
import { dissolve, type Curve, type SolubilityProblem } from '#core/solution'
import type { ReadStage } from './read-stage'
import type { StageSheet } from './stage'
import { isWater, waterBrought } from './water'

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
  const liquid = liquidOf(stage, sheet)
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

/** Solutions and liquids with their volume, all other water with its own, and what dissolves of solids and gases with a rough one. */
function liquidOf(stage: ReadStage, sheet: StageSheet): Figure {
  const { solvent, carried, fromReaction } = sheet.water
  const asVolume = (water: Figure): Figure => product('volume of the water', 'volume', [water], [WATER_DENSITY])
  const parts = stage.reagents.flatMap((reagent, i): [number, Figure][] => {
    const line = sheet.reagents[i]
    if (!line) return []
    const isLiquid = reagent.supply.kind === 'solution' || reagent.supply.kind === 'liquid'
    if (isLiquid && line.volume) return [[1, line.volume]]
    const water = waterBrought(reagent, line.amount).terms
    const rest: [number, Figure][] = [
      ...(line.mass ? [[1, line.mass] as [number, Figure]] : []),
      ...(line.leftover.wayOut === 'filtered off' ? [[-1, line.leftover.mass] as [number, Figure]] : []),
      ...(line.mass ? water.map(([weight, of]): [number, Figure] => [-weight, of]) : []),
    ]
    return [
      ...water.map(([weight, of]): [number, Figure] => [weight, asVolume(of)]),
      ...(rest.length > 0 && reagent.planned && !isWater(reagent.term)
        ? [[1, product('room it takes dissolved', 'volume', [sum('dissolved', rest), SALT_VOLUME])] as [number, Figure]]
        : []),
    ]
  })
  const waters = [solvent, carried, fromReaction].flatMap((water): [number, Figure][] =>
    water ? [[1, asVolume(water)]] : [],
  )
  return sum('liquid in the pot', [...parts, ...waters])
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
    if (goesByReacting(supply.species, stage)) return []
    return needOf(supply.weighed, line.mass, 'reagent', celsius, water, own)
  })
  const made = sheet.products[0]!
  const { form } = stage.product
  return [...reagents, ...needOf(form, made.theoretical, 'product', celsius, water, own)]
}

/** An anion that no product holds any more: a carbonate goes into solution as the acid takes it, and not by itself. */
function goesByReacting(species: Formula, { reaction }: ReadStage): boolean {
  const kept = new Set(
    reaction.products.flatMap(({ species: made }) => ionsOf(made.formula) ?? []).map(({ text }) => text),
  )
  return (ionsOf(species) ?? []).some(({ text, charge }) => charge < 0 && !kept.has(text))
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
