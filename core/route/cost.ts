import type { Term } from '#core/equation'
import { findSubstance, molarMass } from '#core/formula'
import type { Draft, Family } from './family'
import type { Balance } from './reaction'
import { isFrom, type Shelf } from './shelf'
import { stuffOf, type Stuff } from './stuff'

/**
 * What a reaction costs in the ranking, in units of which a whole stage is ten. Judgements: a reagent of the store is a tenth of a stage, one that is dear or poisonous three tenths; a poisonous gas made, or a metal that causes
 * cancer brought in, is worth a fifth and three tenths of a stage to be spared; a salt that stays in the liquor beside the product is a recrystallisation in two batches of five.
 */
const REAGENT = [0, 1, 3] as const
const POISON_GAS = 2
const BURNING_GAS = 0.5
const POISON = 3
const BESIDE = 4
/** A gram of co-product to each gram of product, as waste to be treated, up to two and a half. */
const WASTE = 1.5
const MOST_WASTE = 4
/** Two hours of hands and waits. */
const TIME = 120

export interface Costed extends Balance {
  readonly family: Family
  readonly draft: Draft
  readonly target: Stuff
}

export function stepCost({ family, draft, target, reaction }: Costed, shelf: Shelf): number {
  const reagents = draft.left.map(text => stuffOf(text)!).filter(stuff => !isFrom(shelf, stuff))
  return (
    family.cost +
    (draft.cost ?? 0) +
    family.minutes / TIME +
    reagents.reduce(
      (sum, stuff) =>
        sum + lacking(stuff, shelf) + (REAGENT[shelf.may.get(stuff.key) ?? 0] ?? 0) + poisonOf(stuff, target),
      0,
    ) +
    reaction.products.reduce((sum, term) => sum + gasOf(term), 0) +
    (target.standing === 'dissolved' ? besideOf(reaction.products, target).length * BESIDE : 0) +
    Math.min(MOST_WASTE, wasteOf(reaction.products, target) * WASTE)
  )
}

/** A bottle that has to be got first: half a stage, days and no work. Air and water never are. A judgement. */
const BUY = 5
const lacking = ({ key, text }: Stuff, { has }: Shelf): number =>
  has === undefined || has.has(key) || text === 'H2O' || text === 'O2' ? 0 : BUY

const hazardsOf = ({ species: { formula } }: Term): readonly string[] => findSubstance(formula)?.row.hazards ?? []

/** Fatal or poisonous to breathe, or burning. */
const gasOf = (term: Term): number => {
  if (findSubstance(term.species.formula)?.row.state !== 'gas') return 0
  const hazards = hazardsOf(term)
  return hazards.some(code => code === 'H330' || code === 'H331')
    ? POISON_GAS
    : hazards.some(code => code === 'H220')
      ? BURNING_GAS
      : 0
}

const GRAVE = ['H300', 'H310', 'H330', 'H340', 'H350', 'H350i', 'H360']
/** A poison or carcinogen that the product does not hold: one that could be spared. */
const poisonOf = (stuff: Stuff, target: Stuff): number => {
  const brings = [...stuff.elements].filter(one => !target.elements.has(one))
  return brings.length > 0 && (stuff.row?.hazards ?? []).some(code => GRAVE.includes(code)) ? POISON : 0
}

/** Co-products that stay dissolved and do not boil off. */
export const besideOf = (products: readonly Term[], target: Stuff): Stuff[] =>
  products.flatMap(({ species }) => {
    const stuff = stuffOf(species.formula.text)
    if (!stuff || stuff.key === target.key || stuff.text === 'H2O') return []
    const leaves = stuff.row?.state === 'gas' || stuff.row?.volatile === true
    return leaves || stuff.standing !== 'dissolved' ? [] : [stuff]
  })

/** g of co-products that have to be got rid of, to each g of product: not water, and not what goes harmlessly into the air. */
export function wasteOf(products: readonly Term[], target: Stuff): number {
  const made = products.find(({ species }) => stuffOf(species.formula.text)?.key === target.key)
  if (!made) return 0
  const grams = (term: Term): number => term.coefficient * molarMass(term.species.formula)
  const waste = products.filter(term => term !== made && !HARMLESS.has(term.species.formula.text))
  return waste.reduce((sum, term) => sum + grams(term), 0) / grams(made)
}
const HARMLESS = new Set(['H2O', 'CO2', 'O2', 'H2', 'N2'])
