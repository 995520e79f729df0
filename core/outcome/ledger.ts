import { molarMassFigure, parseFormula, type Formula } from '#core/formula'
import type { StageProcedure } from '#core/procedure'
import { difference, exact, given, product, standardUncertainty, sum, type Figure } from '#core/quantity'
import { solvents } from '#core/reference'
import type { StageSheet } from '#core/sheet'
import { dissolvedOf, formulaOf, type Place, type Portion } from '#core/vessel'
import { isProductForm } from './account'
import type { ActualStage } from './actual'
import type { Tape } from './tape'

export type Where = 'crystals' | 'recovered' | 'filtered off' | 'gas' | 'liquor' | 'washings' | 'dried in'

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

/** How well what the model leaves of the product in liquor and wash is taken to be known; a judgement. */
const MODEL_SPREAD = 0.1
/** How well the liquor that clings to a cake is known: the share it is reckoned with is common practice; a judgement. */
const CLING_SPREAD = 0.5

/** mol that are nothing but the rounding of the arithmetic. */
const ROUNDING = 1e-9

/** Where the fold's places stand in the ledger; what is in the vessel in the end is the crop, and that is weighed. */
const places: Partial<Record<Place, Where>> = {
  gas: 'gas',
  distillate: 'gas',
  trap: 'gas',
  filtrate: 'liquor',
  washings: 'washings',
  cake: 'filtered off',
}

export interface Booking {
  readonly product: Formula
  readonly tape?: Tape
  /** Elements that were titrated in the mother liquor, mol in all of it: they stand in place of the account's. */
  readonly liquors?: readonly { readonly element?: string; readonly amount: Figure }[]
}

function withTitrated(element: string, { liquors = [] }: Booking, out: readonly Booked<Where>[]): Booked<Where>[] {
  const found = liquors.find(one => one.element === element)
  return found ? [...out.filter(({ place }) => place !== 'liquor'), { place: 'liquor', moles: found.amount }] : [...out]
}

/**
 * The ledger of matter of a stage: each element but hydrogen and oxygen, whose water comes and goes unweighed. In: what was charged. Out: the crystals as they were weighed, what came back and
 * was weighed, and what left the vessel by its account over the real readings. Nothing is trimmed: a weighing that the account does not allow shows as open, on either side.
 */
export function ledgerOf(actual: ActualStage, facts: Booking): LedgerRow[] {
  const { result } = actual
  if (!result) return []
  return elementsOf(actual.sheet, facts.tape).map(({ element, from }) => {
    const crystals = inElement(element, facts.product, molesOf(facts.product, result.actual))
    return rowOf(element, from, [
      ...(crystals ? [{ place: 'crystals' as const, moles: crystals }] : []),
      ...recoveredOf(element, actual),
      ...(facts.tape ? withTitrated(element, facts, foldOut(element, facts.tape, facts.product, actual)) : []),
    ])
  })
}

function rowOf(element: string, from: readonly Booked<string>[], out: readonly Booked<Where>[]): LedgerRow {
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

function inElement(element: string, formula: Formula, moles: Figure): Figure | undefined {
  const count = formula.composition.get(element) ?? 0
  if (count === 0) return undefined
  return count === 1 ? moles : product(`{${element}} in {${formula.text}}`, 'amount', [moles, exact(count)])
}

/** What a pot of the stage before brought, and what of the sheet is in it already. */
function broughtBy(tape: Tape | undefined): {
  readonly inPot: ReadonlySet<string>
  readonly portions: readonly Portion[]
} {
  const { start, folding, named } = tape?.told ?? {}
  if (!start || !folding || !named) return { inPot: new Set(), portions: [] }
  const { main } = start
  return {
    inPot: new Set(
      folding.stage.reagents.filter(({ supply }) => supply.inPot).map(({ term }) => term.species.formula.text),
    ),
    portions: [
      ...dissolvedOf(main, named),
      ...main.lumps.map(({ form, moles }) => ({ form: form.text, amount: moles, mass: 0 })),
    ],
  }
}

function elementsOf(sheet: StageSheet, tape: Tape | undefined): { element: string; from: Booked<string>[] }[] {
  const found = new Map<string, Booked<string>[]>()
  const { inPot, portions } = broughtBy(tape)
  const brought = new Map<string, number>()
  for (const { form, amount } of portions)
    for (const [element, count] of formulaOf(form).composition)
      if (element !== 'H' && element !== 'O') brought.set(element, (brought.get(element) ?? 0) + count * amount)
  for (const [element, moles] of brought)
    found.set(element, [
      {
        place: 'the pot of the stage before',
        moles: given(moles, 'amount', `{${element}} in the pot of the stage before`, {
          source: 'the account of the stage before',
          uncertainty: 0,
        }),
      },
    ])
  for (const { species, weighAs, amount, planned } of sheet.reagents) {
    const read = parseFormula(species)
    if (!planned || !read.ok || inPot.has(species)) continue
    for (const element of read.value.composition.keys()) {
      if (element === 'H' || element === 'O') continue
      const moles = inElement(element, read.value, amount)
      if (moles) found.set(element, [...(found.get(element) ?? []), { place: weighAs || species, moles }])
    }
  }
  return [...found].map(([element, from]) => ({ element, from }))
}

function recoveredOf(element: string, { recovered }: ActualStage): Booked<Where>[] {
  return recovered.flatMap(({ species, amount }): Booked<Where>[] => {
    const formula = parseFormula(species)
    const moles = formula.ok ? inElement(element, formula.value, amount) : undefined
    return moles ? [{ place: 'recovered', moles }] : []
  })
}

const SOLVENTS = new Set(solvents.map(({ formula }) => formula))

/** What left by the account, by place; a reagent that came back and was weighed is not booked a second time. */
function foldOut(element: string, tape: Tape, form: Formula, { recovered }: ActualStage): Booked<Where>[] {
  const back = new Set(recovered.map(({ species }) => species))
  const charged = new Set(tape.sheet.reagents.map(({ species }) => species))
  // Wash and solvent come and go beside the ledger, as water does.
  const isSolvent = (text: string): boolean => SOLVENTS.has(text) && !charged.has(text)
  const count = (portions: readonly Portion[]): number =>
    portions.reduce((all, { form: text, amount }) => all + (formulaOf(text).composition.get(element) ?? 0) * amount, 0)
  const at = (account: StageProcedure, where: Where): Portion[] => {
    const left = account.events.flatMap(({ out }) =>
      out.filter(({ to }) => places[to] === where).flatMap(({ matter }) => matter),
    )
    const standing =
      where === 'liquor'
        ? account.end.beside
            .filter(({ is }) => is === 'liquor')
            .flatMap(({ vessel }) => dissolvedOf(vessel, account.named))
        : where === 'dried in' && account.isKnown
          ? driedIn(account, form)
          : []
    return [...left, ...standing].filter(
      ({ form: text }) => !isSolvent(text) && (where !== 'filtered off' || !back.has(text)),
    )
  }
  const wheres: readonly Where[] = ['filtered off', 'gas', 'liquor', 'washings', 'dried in']
  return wheres.flatMap((place): Booked<Where>[] => {
    const here = at(tape.account, place)
    const whole = count(here)
    if (Math.abs(whole) <= ROUNDING) return []
    // The share of it that a solubility decided.
    const byModel =
      place === 'liquor' || place === 'washings' ? count(here.filter(one => isProductForm(one, form))) / whole : 0
    const spread = place === 'dried in' ? CLING_SPREAD : MODEL_SPREAD * byModel
    return [{ place, moles: tape.amount(`{${element}} in: ${place}`, account => count(at(account, place)), spread) }]
  })
}

/** What the crops hold beside the product by the account: liquor that dried in, and salts that came down with it. */
function driedIn({ end, named }: StageProcedure, form: Formula): Portion[] {
  const crops = [end.main, ...end.beside.filter(({ is }) => is === 'crop').map(({ vessel }) => vessel)]
  return crops.flatMap(({ lumps, ...vessel }) => [
    ...dissolvedOf({ ...vessel, lumps }, named),
    ...lumps
      .map(({ form: of, moles }) => ({ form: of.text, amount: moles, mass: 0 }))
      .filter(one => !isProductForm(one, form)),
  ])
}
