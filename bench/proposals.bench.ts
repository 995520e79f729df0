import { bench, describe } from 'vitest'
import { parseFormula } from '#core/formula'
import { propose, shelfOf, stuffOf } from '#core/route'
import { substances } from '#core/reference'

// A shelf of 200 substances, as a lab has them: what may join is what stands there.
const shelf = substances.slice(0, 200).map(({ formula }) => stuffOf(formula)!)
const wishes = [
  ['(NH4)2Ni(SO4)2·6H2O', 'Ni'],
  ['K3[Fe(C2O4)3]·3H2O', 'FeSO4'],
  ['[Co(NH3)6]Cl3', 'CoCO3'],
  ['KAl(SO4)2·12H2O', 'Al'],
  ['CuCl2·2H2O', 'CuSO4'],
] as const

describe('routes from a shelf of 200 (300 ms is the limit)', () => {
  for (const [product, from] of wishes) {
    const read = parseFormula(product)
    if (!read.ok) throw new Error(product)
    bench(`${product} from ${from}`, () => {
      propose(read.value, true, shelfOf([stuffOf(from)!], shelf))
    })
  }
})
