import { describe, expect, it } from 'vitest'
import { hazardStatements, pictograms, substances, type HazardCode } from '#core/reference'
import { pictogramsOf, signalOf } from '#core/remarks'

const of = (...codes: HazardCode[]): string[] => pictogramsOf(codes).map(({ code }) => code)

describe('pictogramsOf', () => {
  it('shows what the labels of well-known substances show (from memory)', () => {
    // Sulfuric acid, methanol, copper(II) sulfate, potassium dichromate's kind, sodium carbonate.
    expect(of('H314')).toEqual(['GHS05'])
    expect(of('H225', 'H301', 'H311', 'H331', 'H370')).toEqual(['GHS06', 'GHS08', 'GHS02'])
    expect(of('H302', 'H318', 'H410')).toEqual(['GHS05', 'GHS07', 'GHS09'])
    expect(of('H319')).toEqual(['GHS07'])
  })
  it('leaves the exclamation mark out where a graver picture tells the same', () => {
    expect(of('H301', 'H315', 'H319', 'H335')).toEqual(['GHS06'])
    expect(of('H318', 'H315')).toEqual(['GHS05'])
    // What irritates the airways is told by no corrosion.
    expect(of('H314', 'H335')).toEqual(['GHS05', 'GHS07'])
    expect(of('H334', 'H317')).toEqual(['GHS08'])
    expect(of('H317')).toEqual(['GHS07'])
  })
  it('has a picture for every statement of the tables', () => {
    for (const { code } of hazardStatements) expect(of(code)).toHaveLength(1)
    expect(new Set(pictograms.map(({ shape }) => shape)).size).toBe(pictograms.length)
  })
  it('gives each substance with statements one to five pictures, and a signal word', () => {
    for (const { formula, hazards = [] } of substances) {
      expect(pictogramsOf(hazards).length, formula).toBeLessThanOrEqual(5)
      expect(pictogramsOf(hazards).length > 0, formula).toBe(hazards.length > 0)
      expect(signalOf(hazards) !== undefined, formula).toBe(hazards.length > 0)
    }
    expect(signalOf(['H319', 'H314'])).toBe('Danger')
  })
})
