import { describe, expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { ionsOfSparing, precipitationTable, type PrecipitationRow } from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const at = (rows: readonly PrecipitationRow[], excess: number): PrecipitationRow =>
  rows.find(row => row.excess === excess)!

/*
 * On paper: 2.334 g (0.0100 mol) of BaSO4 from BaCl2 and Na2SO4 in 200 mL, 0.0500 mol/L of each, sulfate 10 % over: 0.0050 mol/L left.
 * Chloride and sodium: I = ½(0.100 + 0.110) = 0.105, with the sulfate's own ½ · 0.005 · 4 = 0.115.
 * Davies: log γ = −0.509 · 4 · (0.3391/1.3391 − 0.0345) = −0.445, γ = 0.359.
 * Ba left: 1.08e-10 / (0.359² · 0.0050) = 1.68e-7 mol/L; in 0.200 L that is 7.8e-6 g of BaSO4.
 * Without an excess: √(1.08e-10)/γ; I = 0.100: log γ = −0.428, γ = 0.373: 2.79e-5 mol/L, 1.30e-3 g.
 */
describe('precipitation with an excess', () => {
  const rows = precipitationTable({ salt: f('BaSO4'), grams: 2.334, millilitres: 200, precipitant: 1 })!
  it('leaves 7.8 µg of barium sulfate with a tenth too much sulfate', () => {
    const row = at(rows, 0.1)
    expect(row.ionicStrength).toBeCloseTo(0.115, 3)
    expect(row.lost / 7.84e-6).toBeCloseTo(1, 1)
    expect(row.withActivities).toBe(true)
  })
  it('leaves 1.3 mg without an excess', () => {
    expect(at(rows, 0).lost / 1.3e-3).toBeCloseTo(1, 1)
  })
  it('loses less with every excess while the relation reaches', () => {
    const lost = rows.map(row => row.lost)
    expect(lost).toEqual([...lost].sort((a, b) => b - a))
  })
  it('tells where Davies does not reach, and counts the other ion when that one is the precipitant', () => {
    const strong = precipitationTable({ salt: f('PbCl2'), grams: 27.8, millilitres: 50, precipitant: 1 })!
    expect(strong.every(row => !row.withActivities)).toBe(true)
    const lead = precipitationTable({ salt: f('PbCl2'), grams: 2.78, millilitres: 100, precipitant: 0 })!
    expect(at(lead, 1).complete).toBeLessThan(at(strong, 1).complete)
  })
  it('knows no salt without a product, nor an empty pot', () => {
    expect(precipitationTable({ salt: f('NaCl'), grams: 1, millilitres: 10, precipitant: 1 })).toBeUndefined()
    expect(precipitationTable({ salt: f('BaSO4'), grams: 1, millilitres: 0, precipitant: 1 })).toBeUndefined()
    expect(ionsOfSparing(f('NaCl'))).toBeUndefined()
    expect(ionsOfSparing(f('Ni(OH)2'))?.[1]).toBe('OH^-')
  })
})
