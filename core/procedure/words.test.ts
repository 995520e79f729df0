import { expect, it } from 'vitest'
import { vesselWords } from '.'

const portion = (form: string, mass: number) => ({ form, mass, amount: 0 })
it('tells a vessel in one line: what is dissolved in what, what stands, and nothing of traces', () => {
  expect(
    vesselWords({
      celsius: 25,
      volume: 62.4,
      solvents: { water: 61.02, ethanol: 0.001 },
      dissolved: [portion('ZnSO4', 21.31), portion('H2SO4', 0.001)],
      solid: [portion('Zn', 0.43)],
      estimated: false,
    }),
  ).toBe('62 mL at 25 °C: 21.3\u202fg {ZnSO4} in 61.0\u202fg water; solid: 0.430\u202fg {Zn}')
})
it('tells a dry crop without a volume, an empty vessel as empty, and counts what is too much for a line', () => {
  const told = { celsius: 500, volume: 2, solvents: {}, dissolved: [], estimated: false }
  expect(vesselWords({ ...told, solid: [portion('MgO', 4.03)] })).toBe('4.03\u202fg {MgO}, dry, at 500 °C')
  expect(vesselWords({ ...told, solid: [] })).toBe('empty')
  const many = ['A', 'B', 'C', 'D', 'E', 'F'].map((form, i) => portion(form, 6 - i))
  expect(vesselWords({ ...told, solid: many })).toContain('2 more')
})
