import { bench, describe } from 'vitest'
import { parseFormula } from '#core/formula'
import { potOfSolutes, restOf } from '#core/solution'

const form = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const salts = (...rows: [string, number][]) => rows.map(([text, mass]) => ({ form: form(text), mass }))
const pot = (water: number, ...rows: [string, number][]) => {
  const made = potOfSolutes(water, salts(...rows), 100)
  if (!made.ok) throw new Error(made.problem.code)
  return made.value
}
const two = pot(100, ['NaCl', 60], ['KCl', 60])
const four = pot(100, ['NaNO3', 85], ['KCl', 74.5])
const one = pot(100, ['KNO3', 90])
const cooled = (start: typeof two): void => {
  for (let celsius = 100; celsius > 0; celsius--) restOf({ ...start, celsius })
}

describe('a pot cooled over a hundred steps', () => {
  bench('one salt, from its curve', () => cooled(one))
  bench('two salts that share an ion', () => cooled(two))
  bench('a reciprocal pair: four salts of two cations and two anions', () => cooled(four))
})

const eight = pot(300, ['NaCl', 40], ['K2SO4', 40], ['MgSO4', 40], ['NH4NO3', 40], ['CaCl2', 5])
describe('a pot at rest', () => {
  bench('two salts that share an ion', () => {
    restOf({ ...two, celsius: 25 })
  })
  bench('a reciprocal pair', () => {
    restOf({ ...four, celsius: 25 })
  })
  bench('eight ions, with all that they can make', () => {
    restOf({ ...eight, celsius: 25 })
  })
})
