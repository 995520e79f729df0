import { relate, type Formula } from '#core/formula'
import { exact, product, renamed, sum, type Figure } from '#core/quantity'
import { acidOf, baseOf, dissolvesMetals, madeByAcid, metalOf, neutralises } from '#core/vessel'
import type { ReadStage, Reagent } from './read-stage'

/** Something that a pot brings into the next stage beside its product, moles. */
export interface Carried {
  readonly formula: Formula
  readonly amount: Figure
  /** The stage it was left by. */
  readonly from: string
}
/** All that comes along in a pot. */
export interface CarriedPot {
  readonly water: Figure
  readonly matter: readonly Carried[]
}

/** What carried matter does to one reagent of a stage. */
export interface Share {
  /** Of this very species, there already. */
  readonly there?: Figure
  /** Used up by carried matter that is no reactant of the stage. */
  readonly eaten?: Figure
  readonly by: readonly Carried[]
  /** How much of that matter meets it: less than all where too little of the reagent goes in. */
  readonly part: number
}
export const NO_SHARE: Share = { by: [], part: 1 }

/** A share that takes no more of a reagent than there is. */
export function within(share: Share, amount: Figure): Share {
  const { eaten, there } = share
  const most = amount.value + (there?.value ?? 0)
  if (!eaten || eaten.value <= most) return share
  const all = there
    ? sum(eaten.name, [
        [1, amount],
        [1, there],
      ])
    : renamed(amount, eaten.name)
  return { ...share, eaten: all, part: most / eaten.value }
}

/** For each reagent of a stage, in its order: what of it is in the pot already, and what the pot's acids and bases use up of it. Each acid or base is used once. */
export function sharesOf(stage: ReadStage, pot: CarriedPot | undefined): readonly Share[] {
  if (!pot || pot.matter.length === 0) return stage.reagents.map(() => NO_SHARE)
  const isReactant = ({ formula }: Carried): boolean =>
    stage.reagents.some(({ term }) => relate(formula, term.species.formula) !== undefined)
  const eaters = new Set(pot.matter.filter(one => !isReactant(one)))
  return stage.reagents.map((reagent): Share => {
    const there = thereOf(reagent, pot.matter)
    const meeting = [...eaters].filter(one => meets(reagent.term.species.formula, one.formula))
    for (const one of meeting) eaters.delete(one)
    return {
      ...(there && { there }),
      ...(meeting.length > 0 && { eaten: eatenOf(reagent, meeting) }),
      by: meeting,
      part: 1,
    }
  })
}

function thereOf({ term, from }: Reagent, matter: readonly Carried[]): Figure | undefined {
  if (from) return undefined
  const { formula } = term.species
  const terms = matter.flatMap((one): [number, Figure][] => {
    const relation = relate(one.formula, formula)
    return relation ? [[relation.units, one.amount]] : []
  })
  return terms.length > 0 ? sum(`{${formula.text}} in the pot already`, terms) : undefined
}

/** How many protons of an acid one formula unit of a carried base or metal uses up; undefined where the two do not meet. */
function takenBy(taker: Formula, acid: Formula): number | undefined {
  const [protons, base] = [acidOf(acid), baseOf(taker)]
  if (protons && base && neutralises(protons, base)) return base.count
  return dissolvesMetals(acid) ? metalOf(taker)?.charge : undefined
}

/** One is an acid, the other a base that holds its proton, or a metal that it dissolves. */
const meets = (reagent: Formula, carried: Formula): boolean =>
  takenBy(carried, reagent) !== undefined || takenBy(reagent, carried) !== undefined

function eatenOf({ term }: Reagent, by: readonly Carried[]): Figure {
  const { formula } = term.species
  const isAcid = by.some(one => takenBy(one.formula, formula) !== undefined)
  const [first] = by
  const count = isAcid ? acidOf(formula)?.count : first && takenBy(formula, first.formula)
  const equivalents = sum(
    `equivalents of what ${isAcid ? 'takes acid' : 'is acid'} in the pot`,
    by.map(one => [(isAcid ? takenBy(one.formula, formula) : acidOf(one.formula)?.count) ?? 1, one.amount] as const),
  )
  const whose = by.map(one => `{${one.formula.text}}`).join(' and ')
  return product(
    `{${formula.text}} for the ${whose} in the pot`,
    'amount',
    [equivalents],
    count === undefined || count === 1 ? [] : [exact(count, 'number', `equivalents of {${formula.text}}`)],
  )
}

/** Gas and water that a reagent and the pot's acids or bases make with each other, moles to the mole of what the reagent loses. */
export function madeByShare(
  reagent: Reagent,
  share: Share,
): { readonly formula: Formula; readonly amount: Figure; readonly gas: boolean }[] {
  const { eaten, by, part } = share
  if (!eaten) return []
  const { formula } = reagent.term.species
  const isTaker = by.some(one => takenBy(formula, one.formula) !== undefined)
  const base = isTaker ? [{ of: formula, amount: eaten }] : []
  const bases = base.length > 0 ? base : by.map(one => ({ of: one.formula, amount: partOf(one.amount, part) }))
  return bases.flatMap(({ of, amount }) =>
    madeByAcid(of).map(made => ({
      formula: made.formula,
      gas: made.gas,
      amount: product(
        `{${made.formula.text}} from {${of.text}} and the pot’s acid`,
        'amount',
        [amount],
        [exact(1 / made.count, 'number', 'of it to one')],
      ),
    })),
  )
}

/** A part of an amount; all of it as it is. */
export const partOf = (amount: Figure, part: number): Figure =>
  part === 1 ? amount : product(amount.name, 'amount', [amount, exact(part, 'number', 'the part that is met')])
