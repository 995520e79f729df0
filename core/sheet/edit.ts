import { parseFormula } from '#core/formula'
import { parseQuantity, toSignificant } from '#core/quantity'
import type { ChargePlan, ReagentPlan, StagePlan, SupplyPlan } from './plan'
import { readReaction } from './read-plan'
import type { StageSheet } from './stage'

/** A charge as it is typed into the sheet: a mass, a volume, an amount, or so many equivalents (`1.2 eq`). Nothing typed is none. */
export function chargeFromText(text: string, supply: SupplyPlan): ChargePlan | undefined {
  if (text.trim() === '') return undefined
  const equivalents = /^\s*(\d+(?:\.\d+)?|\.\d+)\s*eq(?:uiv(?:alents)?)?\.?\s*$/i.exec(text)
  if (equivalents) return { equivalents: Number(equivalents[1]) }
  const read = parseQuantity(text, { kinds: ['mass', 'volume', 'amount'], name: '', source: '' })
  const kind = read.ok ? read.value.kind : 'kind' in read.problem ? read.problem.kind : undefined
  if (kind === 'amount') return { amount: text }
  if (kind === 'volume') return { volume: text }
  if (kind === 'mass') return { mass: text }
  return supply.kind === 'solid' || supply.kind === 'stage' ? { mass: text } : { volume: text }
}

/** Equivalents as typed: a number, or a percentage of excess. */
export function equivalentsFromText(text: string): ChargePlan | undefined {
  if (text.trim() === '') return undefined
  return text.includes('%')
    ? { excess: text }
    : { equivalents: /^\s*[\d.]+\s*$/.test(text) ? Number(text) : Number.NaN }
}

/** The species' canonical text, or what is typed where it does not read. */
const textOf = (species: string): string => {
  const read = parseFormula(species)
  return read.ok ? read.value.text : species
}

/** The reagent that charges a species, however its formula is typed. */
export const findReagent = (stage: StagePlan, species: string): ReagentPlan | undefined =>
  stage.reagents.find(reagent => reagent.species === species || textOf(reagent.species) === species)

const isFixed = (charge: ChargePlan | undefined): boolean =>
  charge !== undefined && !('equivalents' in charge) && !('excess' in charge)

export const isHeld = (stage: StagePlan, species: string): boolean => isFixed(findReagent(stage, species)?.charge)

/** How many charges hold the scale; a target holds it alone. */
export const countHeld = ({ reagents }: StagePlan): number => reagents.filter(({ charge }) => isFixed(charge)).length

function withReagent(stage: StagePlan, species: string, change: (reagent: ReagentPlan) => ReagentPlan): StagePlan {
  const known = findReagent(stage, species)
  if (!known) return { ...stage, reagents: [...stage.reagents, change({ species, supply: { kind: 'solid' } })] }
  return { ...stage, reagents: stage.reagents.map(reagent => (reagent === known ? change(reagent) : reagent)) }
}

const charged = (reagent: ReagentPlan, charge: ChargePlan | undefined): ReagentPlan => {
  const { charge: _, ...rest } = reagent
  return charge ? { ...rest, charge } : rest
}

/** Puts a charge on a reagent. One that fixes the scale ends a target, since only one of them can. */
export function withCharge(stage: StagePlan, species: string, charge: ChargePlan | undefined): StagePlan {
  const changed = withReagent(stage, species, reagent => charged(reagent, charge))
  if (!isFixed(charge) || !changed.target) return changed
  const { target: _, ...rest } = changed
  return rest
}

const round = (value: number): number => Number(value.toPrecision(4))

/** Lets a reagent follow the others at the equivalents it has now. */
export function release(stage: StagePlan, species: string, sheet: StageSheet): StagePlan {
  const line = sheet.reagents.find(reagent => reagent.species === species)
  return line ? withCharge(stage, species, { equivalents: round(line.equivalents.value) }) : stage
}

/** Holds a reagent at the charge it has now, to four digits. */
export function hold(stage: StagePlan, species: string, sheet: StageSheet): StagePlan {
  const line = sheet.reagents.find(reagent => reagent.species === species)
  if (!line) return stage
  const charge: ChargePlan = line.volume
    ? { volume: `${toSignificant(line.volume.value, 4)} mL` }
    : line.mass
      ? { mass: `${toSignificant(line.mass.value, 4)} g` }
      : { amount: `${toSignificant(line.amount.value, 4)} mol` }
  return withCharge(stage, species, charge)
}

/** Sets the scale by a mass of product: charges that held it follow at the equivalents they had. Nothing typed hands it back. */
export function withTarget(stage: StagePlan, mass: string, sheet: StageSheet | undefined): StagePlan {
  if (mass.trim() !== '') {
    const followers = stage.reagents.map(reagent => {
      if (!isFixed(reagent.charge)) return reagent
      const line = sheet?.reagents.find(({ species }) => species === textOf(reagent.species))
      return charged(reagent, { equivalents: line ? round(line.equivalents.value) : 1 })
    })
    return { ...stage, reagents: followers, target: { ...stage.target, mass } }
  }
  const { target: _, ...rest } = stage
  const scarcest = sheet?.reagents.find(({ limits, planned }) => limits && planned)
  return sheet && scarcest ? hold(rest, scarcest.species, sheet) : rest
}

export const withSupply = (stage: StagePlan, species: string, supply: SupplyPlan): StagePlan => {
  const changed = withReagent(stage, species, reagent => ({ ...reagent, supply }))
  const charge = findReagent(changed, species)?.charge
  const cannot = charge && 'volume' in charge && (supply.kind === 'solid' || supply.kind === 'stage')
  return cannot ? withReagent(changed, species, reagent => charged(reagent, undefined)) : changed
}

export const withForm = (stage: StagePlan, form: string): StagePlan => ({
  ...stage,
  product: { ...stage.product, form },
})

export function withYield(stage: StagePlan, text: string): StagePlan {
  const { yield: _, ...rest } = stage
  return text.trim() === '' ? rest : { ...rest, yield: text }
}

/** Another equation for the stage: reagents it still has keep their supply and charge, new ones come pure. */
export function withEquation(stage: StagePlan, equation: string): StagePlan {
  const reaction = readReaction(equation)
  if (!reaction.ok) return { ...stage, equation }
  const reagents = reaction.value.reactants
    .map(({ species }) => species.formula.text)
    .flatMap((species): ReagentPlan[] => {
      const before = findReagent(stage, species)
      return before ? [before] : species === 'H2O' ? [] : [{ species, supply: { kind: 'solid' } }]
    })
  return { ...stage, equation, reagents }
}
