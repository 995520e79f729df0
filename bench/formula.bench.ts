import { MF } from 'mf-parser'
import { bench, describe } from 'vitest'
import { molarMass, parseFormula } from '#core/formula'
import { formulas } from './formulas'

describe('reading and weighing 100 formulas', () => {
  bench('core/formula', () => {
    for (const text of formulas) {
      const read = parseFormula(text)
      if (!read.ok || !(molarMass(read.value) > 0)) throw new Error(text)
    }
  })
  bench('mf-parser, getInfo', () => {
    for (const text of formulas) if (!(new MF(text).getInfo().mass > 0)) throw new Error(text)
  })
})
