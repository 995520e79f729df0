import { expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { phasePicture, potOfSolutes, restOf, type PotState } from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const pot = (water: number, ...solutes: readonly (readonly [string, number])[]): PotState => {
  const made = potOfSolutes(
    water,
    solutes.map(([text, mass]) => ({ form: f(text), mass })),
    25,
  )
  if (!made.ok) throw new Error(made.problem.code)
  return made.value
}

/* Chile saltpetre and potassium chloride, 0.5 mol of each: boiled down hot, table salt comes; cooled from more water, nitre. In 200 g of water at 100 °C all is dissolved (29 g NaCl, 51 g KNO3). */
it('tells where which solid stands: salt from the hot thick liquor, nitre from the cold thin one', () => {
  const picture = phasePicture(pot(100, ['NaNO3', 42.5], ['KCl', 37.3]), {
    celsius: [0, 100],
    water: [60, 200],
    steps: 11,
  })
  const at = (column: number, row: number) => picture.fields[picture.cells[row]![column]!]?.solids
  expect(at(10, 10)).toEqual([])
  expect(at(10, 0)).toEqual(['NaCl'])
  expect(at(0, 10)).toEqual(['KNO3'])
  expect(picture.fields[0]).toEqual({ solids: [], isDry: false })
  expect(picture.cells.flat().filter(cell => cell < 0)).toEqual([])
})

it('each place of the picture is what the pot itself comes to there', () => {
  const start = pot(60, ['CuSO4', 20], ['K2SO4', 21.8])
  const picture = phasePicture(start, { celsius: [5, 65], water: [60, 300], steps: 5 })
  picture.water.forEach((water, row) => {
    picture.celsius.forEach((celsius, column) => {
      const rest = restOf({ ...start, water, celsius })
      const field = picture.fields[picture.cells[row]![column]!]
      expect(field?.solids).toEqual(rest.ok ? rest.value.solids.map(({ solid }) => solid.form.text).sort() : undefined)
    })
  })
  expect(picture.fields.some(({ solids }) => solids.includes('K2Cu(SO4)2·6H2O'))).toBe(true)
})
