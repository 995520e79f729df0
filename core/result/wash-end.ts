import { parseFormula, type Formula } from '#core/formula'
import { washTests } from '#core/reference'
import type { StageSheet } from '#core/sheet'
import { ionsOf } from '#core/species'
import { leftIn } from './residues'

/** Where no drop test shows the ions that are washed out: what dries from a drop of pure water is nothing. */
const BY_DRYING = 'a drop of the wash dried on a watch glass leaves no ring'

/**
 * When a precipitate is washed enough: the ions that stay in its liquor by the sheet, looked up in the table of drop tests. An ion that the product
 * itself holds is no sign, for the product dissolves a little; where no ion of the liquor has a test, a drop is dried.
 */
export function washEnd(sheet: StageSheet): string {
  const product = parseFormula(sheet.products[0]!.form)
  const own = new Set(product.ok ? namesOf(product.value) : [])
  const out = new Set(leftIn(sheet, sheet.products[0]!.theoretical).flatMap(({ formula }) => namesOf(formula)))
  const found = washTests.find(({ ion }) => out.has(ion) && !own.has(ion))
  return found ? `the wash ${found.clean} with ${found.add}: no ${found.name} is left` : BY_DRYING
}

const namesOf = (formula: Formula): string[] => (ionsOf(formula) ?? []).map(({ text }) => text)
