import { findSubstance, formsOf, parseFormula, relate, type Formula } from '#core/formula'
import { difference, type Figure } from '#core/quantity'
import { substances, type SubstanceRow } from '#core/reference'
import type { Plan, SupplyPlan } from './plan'
import { usualStock } from './dilution-by-volume'
import { findReagent, withSupply } from './edit'
import { computePlan } from './route'
import type { ReagentLine, StageSheet } from './stage'

/** Something that could stand in for a reagent's supply. */
export interface Substitute {
  readonly supply: SupplyPlan
  /** Formula to typeset, or the strength in words. */
  readonly label: string
  readonly why: string
}

/** What a reagent could come as instead: other hydrates, near relatives that bring the same units, the usual strengths. */
export function substitutesFor(species: Formula, now: SupplyPlan, own: readonly SubstanceRow[] = []): Substitute[] {
  const found: Substitute[] = []
  const texts = new Set<string>()
  const offer = (formula: string, why: string): void => {
    if (texts.has(formula) || (now.kind === 'solid' && (now.formula ?? species.text) === formula)) return
    texts.add(formula)
    found.push({ supply: { kind: 'solid', formula }, label: `{${formula}}`, why })
  }
  const row = findSubstance(species, own)?.row
  const usual = usualStock(species)
  if (row?.state === 'solid' || !usual) for (const form of formsOf(species, own)) offer(form, 'another hydrate')
  for (const relative of relatives(species, own)) offer(relative.text, relative.why)
  if (usual) {
    for (const percent of [usual.percent, ...usual.others]) {
      const concentration = `${percent} % w/w`
      if (now.kind === 'solution' && now.concentration === concentration) continue
      found.push({ supply: { kind: 'solution', concentration }, label: concentration, why: 'a usual strength' })
    }
  }
  return found
}

/**
 * Other substances of the table that are so many of the species, more or less water: Na2S2O5 for NaHSO3, an oxide for its hydroxide.
 * What fumes in air, such as SO3 for sulfuric acid, is nothing to reach for because a bottle is empty.
 */
function relatives(species: Formula, own: readonly SubstanceRow[]): { text: string; why: string }[] {
  return [...own, ...substances].flatMap(({ formula, name, state, air }) => {
    if (state !== 'solid' || air === 'fumes' || formula === species.text) return []
    const read = parseFormula(formula)
    const relation = read.ok ? relate(read.value, species) : undefined
    if (!relation || !read.ok || (relation.units === 1 && relation.waters === 0)) return []
    const units = relation.units === 1 ? '' : `, brings ${Number(relation.units.toFixed(3))} of it`
    return [{ text: read.value.text, why: `${name}${units}` }]
  })
}

/** A reagent's line before and after a change of supply, and how the pot's water differs. */
export interface Comparison {
  readonly before: ReagentLine
  readonly after: ReagentLine
  /** Water in the pot after, less before, g; undefined where one of the two could not be told. */
  readonly water: Figure
  readonly estimated: boolean
}

/** Recomputes a plan with another supply for one reagent, at the same amount. Undefined where either does not compute. */
export function compareSupply(
  plan: Plan,
  stageId: string,
  species: string,
  supply: SupplyPlan,
): Comparison | undefined {
  const before = computePlan(plan)
  const line = before.ok ? lineOf(before.value.stages, stageId, species) : undefined
  if (!before.ok || !line) return undefined
  const changed: Plan = {
    ...plan,
    stages: plan.stages.map(stage => {
      if (stage.id !== stageId) return stage
      const held = findReagent(stage, species)?.charge
      const follows = held && ('equivalents' in held || 'excess' in held)
      const swapped = withSupply(stage, species, supply)
      if (follows || !held) return swapped
      const amount = `${line.line.amount.value.toPrecision(10)} mol`
      return {
        ...swapped,
        reagents: swapped.reagents.map(one =>
          one === findReagent(swapped, species) ? { ...one, charge: { amount } } : one,
        ),
      }
    }),
  }
  const after = computePlan(changed)
  const other = after.ok ? lineOf(after.value.stages, stageId, species) : undefined
  if (!other) return undefined
  return {
    before: line.line,
    after: other.line,
    water: difference('difference in water', other.sheet.water.total, line.sheet.water.total),
    estimated: other.sheet.water.estimated || line.sheet.water.estimated,
  }
}

function lineOf(sheets: readonly StageSheet[], id: string, species: string) {
  const sheet = sheets.find(one => one.id === id)
  const line = sheet?.reagents.find(one => one.species === species)
  return sheet && line ? { sheet, line } : undefined
}
