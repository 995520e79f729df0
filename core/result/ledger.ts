import { molarMass, parseFormula, type Formula } from '#core/formula'
import { standardUncertainty } from '#core/quantity'
import type { StageSheet } from '#core/sheet'
import type { ActualStage } from './actual'
import type { YieldFacts } from './yield-facts'

export type Where =
  'crystals' | 'filtered off' | 'gas' | 'precipitate' | 'liquor' | 'liquor, by the model' | 'wash, by the model'

/** One element of a stage: moles in, where they went, and what is open between the two. */
export interface LedgerRow {
  readonly element: string
  readonly into: number
  readonly out: readonly { readonly where: Where; readonly moles: number }[]
  /** In less out; below zero where more came out than went in. */
  readonly open: number
  /** Standard uncertainty of what is open, from the weighings and labels, mol. */
  readonly spread: number
  readonly closes: boolean
}

/**
 * The ledger of matter of a stage: each element but hydrogen and oxygen, whose water comes and goes unweighed. In: what was charged. Out: the crystals as
 * the named form, excess and residue and gas as the sheet has them, and what the crystallisation model leaves in liquor and wash.
 */
export function ledgerOf({ sheet, result }: ActualStage, facts: YieldFacts): LedgerRow[] {
  if (!result) return []
  const crystals = result.actual.value / molarMass(facts.product)
  const out: { where: Where; formula: Formula; moles: number }[] = [
    { where: 'crystals', formula: facts.product, moles: crystals },
    ...sheetOut(sheet),
    ...modelOut(facts),
  ]
  const relative = standardUncertainty(result.percent) / Math.max(result.percent.value, 1e-9)
  return elementsOf(sheet).map(({ element, into }) => {
    const places = new Map<Where, number>()
    for (const { where, formula, moles } of out) {
      const count = formula.composition.get(element) ?? 0
      if (count > 0 && moles > 1e-9) places.set(where, (places.get(where) ?? 0) + count * moles)
    }
    const total = [...places.values()].reduce((sum, moles) => sum + moles, 0)
    const open = into - total
    const spread = into * relative
    return {
      element,
      into,
      out: [...places].map(([where, moles]) => ({ where, moles })),
      open,
      spread,
      closes: Math.abs(open) <= 2 * spread,
    }
  })
}

function elementsOf(sheet: StageSheet): { element: string; into: number }[] {
  const sums = new Map<string, number>()
  for (const { species, amount, planned } of sheet.reagents) {
    const read = parseFormula(species)
    if (!planned || !read.ok) continue
    for (const [element, count] of read.value.composition)
      if (element !== 'H' && element !== 'O') sums.set(element, (sums.get(element) ?? 0) + count * amount.value)
  }
  return [...sums].map(([element, into]) => ({ element, into }))
}

const wayTo: Partial<Record<string, Where>> = {
  'filtered off': 'filtered off',
  'left in on purpose': 'filtered off',
  'boiled off': 'gas',
  'leaves as gas': 'gas',
  precipitate: 'precipitate',
}

function sheetOut(sheet: StageSheet) {
  const read = (text: string): Formula | undefined => {
    const formula = parseFormula(text)
    return formula.ok ? formula.value : undefined
  }
  const leftovers = sheet.reagents
    .filter(({ planned, limits }) => planned && !limits)
    .map(({ species, leftover }) => ({ species, moles: leftover.amount.value, wayOut: leftover.wayOut as string }))
  const products = sheet.products
    .slice(1)
    .map(({ species, amount, wayOut }) => ({ species, moles: amount.value, wayOut: wayOut as string }))
  return [...leftovers, ...products].flatMap(({ species, moles, wayOut }) => {
    const formula = read(species)
    return formula ? [{ where: wayTo[wayOut] ?? ('liquor' as const), formula, moles }] : []
  })
}

/** What the model keeps back of the product, no more than is missing. */
function modelOut({ model, theoretical, actual, product }: YieldFacts) {
  if (!model) return []
  const missing = Math.max(0, theoretical - actual)
  const wash = Math.min(model.washLoss, missing)
  const liquor = Math.min(Math.max(0, (1 - model.recovery) * theoretical - wash), missing - wash)
  return [
    { where: 'liquor, by the model' as const, formula: product, moles: liquor / molarMass(product) },
    { where: 'wash, by the model' as const, formula: product, moles: wash / molarMass(product) },
  ]
}
