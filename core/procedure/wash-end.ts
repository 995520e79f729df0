import type { Formula } from '#core/formula'
import { washTests } from '#core/reference'
import { ionsOf } from '#core/species'
import type { Vessel } from '#core/vessel'

/** Where no drop test shows the ions that are washed out: what dries from a drop of pure water is nothing. */
const BY_DRYING = 'a drop of the wash dried on a watch glass leaves no ring'

/**
 * When a precipitate is washed enough: the ions that its liquor holds, looked up in the table of drop tests. An ion that the product itself holds is no sign, for the product dissolves a
 * little; where no ion of the liquor has a test, a drop is dried.
 */
export function washEnd({ ions }: Vessel, product: Formula): string {
  const own = new Set((ionsOf(product) ?? []).map(({ text }) => text))
  const out = new Set([...ions].filter(([, moles]) => moles > 1e-9).map(([key]) => key.split('^')[0] ?? key))
  const found = washTests.find(({ ion }) => out.has(ion) && !own.has(ion))
  return found ? `the wash ${found.clean} with ${found.add}: no ${found.name} is left` : BY_DRYING
}
