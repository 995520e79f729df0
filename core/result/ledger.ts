import { molarMassFigure, parseFormula, type Formula } from '#core/formula'
import { difference, exact, given, product, standardUncertainty, sum, type Figure } from '#core/quantity'
import type { StageSheet } from '#core/sheet'
import type { ActualStage } from './actual'
import type { YieldFacts } from './yield-facts'

export type Where =
  | 'crystals'
  | 'recovered'
  | 'filtered off'
  | 'gas'
  | 'precipitate'
  | 'liquor'
  | 'liquor, by the model'
  | 'wash, by the model'

export interface Booked<Place> {
  readonly place: Place
  readonly moles: Figure
}
/** One element of a stage: moles in by bottle, moles out by place, and what is open between the two. */
export interface LedgerRow {
  readonly element: string
  readonly from: readonly Booked<string>[]
  readonly into: Figure
  readonly out: readonly Booked<Where>[]
  /** In less out; below zero where more came out than went in. */
  readonly open: Figure
  /** Standard uncertainty of what is open, with what is shared between in and out counted once, mol. */
  readonly spread: number
  readonly closes: boolean
}

/** How well what the crystallisation model leaves in liquor and wash is taken to be known; a judgement. */
const MODEL_SPREAD = 0.1

/** mol that are nothing but the rounding of the arithmetic. */
const ROUNDING = 1e-9

interface Portion {
  readonly where: Where
  readonly formula: Formula
  readonly moles: Figure
}

/**
 * The ledger of matter of a stage: each element but hydrogen and oxygen, whose water comes and goes unweighed. In: what was charged. Out: the crystals as
 * the named form, what came back and was weighed, excess and gas as the sheet has them, and what the crystallisation model leaves in liquor and wash.
 * All are figures, so that their uncertainties stay correlated: a bottle's label that counts on both sides counts once.
 */
export function ledgerOf(actual: ActualStage, facts: YieldFacts): LedgerRow[] {
  if (!actual.result) return []
  const out: Portion[] = [
    { where: 'crystals', formula: facts.product, moles: molesOf(facts.product, actual.result.actual) },
    ...sheetOut(actual),
    ...modelOut(facts),
  ]
  return elementsOf(actual.sheet).map(({ element, from }) => rowOf(element, from, out))
}

function rowOf(element: string, from: readonly Booked<string>[], portions: readonly Portion[]): LedgerRow {
  const places = new Map<Where, (readonly [number, Figure])[]>()
  for (const { where, formula, moles } of portions) {
    const count = formula.composition.get(element) ?? 0
    if (count > 0 && moles.value > 1e-9) places.set(where, [...(places.get(where) ?? []), [count, moles] as const])
  }
  const out = [...places].map(([place, terms]) => ({ place, moles: sum(`{${element}} in: ${place}`, terms) }))
  const into = total(`{${element}} charged`, from)
  const open = out.length > 0 ? difference(`{${element}} open`, into, total(`{${element}} accounted for`, out)) : into
  const spread = standardUncertainty(open)
  return { element, from, into, out, open, spread, closes: Math.abs(open.value) <= 2 * spread + ROUNDING }
}

const total = (name: string, booked: readonly Booked<unknown>[]): Figure =>
  sum(
    name,
    booked.map(({ moles }) => [1, moles] as const),
  )
const molesOf = (formula: Formula, mass: Figure): Figure =>
  product(`amount of {${formula.text}}`, 'amount', [mass], [molarMassFigure(formula)])

function elementsOf(sheet: StageSheet): { element: string; from: Booked<string>[] }[] {
  const found = new Map<string, Booked<string>[]>()
  for (const { species, weighAs, amount, planned } of sheet.reagents) {
    const read = parseFormula(species)
    if (!planned || !read.ok) continue
    for (const [element, count] of read.value.composition) {
      if (element === 'H' || element === 'O') continue
      const moles = count === 1 ? amount : product(`{${element}} in {${species}}`, 'amount', [amount, exact(count)])
      found.set(element, [...(found.get(element) ?? []), { place: weighAs || species, moles }])
    }
  }
  return [...found].map(([element, from]) => ({ element, from }))
}

const wayTo: Partial<Record<string, Where>> = {
  'filtered off': 'filtered off',
  'left in on purpose': 'filtered off',
  'boiled off': 'gas',
  'leaves as gas': 'gas',
  precipitate: 'precipitate',
}

function sheetOut({ settled, recovered }: ActualStage): Portion[] {
  const weighed = new Map(recovered.map(({ species, amount }) => [species, amount]))
  const leftovers = settled.reagents
    .filter(({ planned, limits, species }) => planned && (!limits || weighed.has(species)))
    .map(({ species, leftover }) => {
      const back = weighed.get(species)
      return { species, moles: back ?? leftover.amount, where: back ? ('recovered' as const) : wayTo[leftover.wayOut] }
    })
  const products = settled.products
    .slice(1)
    .map(({ species, amount, wayOut }) => ({ species, moles: amount, where: wayTo[wayOut] }))
  return [...leftovers, ...products].flatMap(({ species, moles, where }) => {
    const formula = parseFormula(species)
    return formula.ok ? [{ where: where ?? ('liquor' as const), formula: formula.value, moles }] : []
  })
}

/** What the model keeps back of the product, no more than is missing. */
function modelOut({ model, theoretical: whole, used, actual, product: form }: YieldFacts): Portion[] {
  if (!model) return []
  const theoretical = whole * used
  const missing = Math.max(0, theoretical - actual)
  const wash = Math.min(model.washLoss, missing)
  const liquor = Math.min(Math.max(0, (1 - model.recovery) * theoretical - wash), missing - wash)
  const estimate = (grams: number, where: string): Figure =>
    given(grams, 'mass', `{${form.text}} in the ${where}`, {
      source: 'the crystallisation model, taken as good to 10 %',
      uncertainty: MODEL_SPREAD * grams,
    })
  return [
    { where: 'liquor, by the model', formula: form, moles: molesOf(form, estimate(liquor, 'liquor')) },
    { where: 'wash, by the model', formula: form, moles: molesOf(form, estimate(wash, 'wash')) },
  ]
}
