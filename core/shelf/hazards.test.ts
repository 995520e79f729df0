import { describe, expect, it } from 'vitest'
import { hazardsIn, type Comes } from '#core/shelf'

const solution = (concentration: string): Comes => ({ kind: 'solution', concentration })

describe('hazardsIn', () => {
  it('takes those of the strength: 2 mol/L sulfuric acid is 17.6 % by mass and burns, 0.5 mol/L is 4.8 % and does not count', () => {
    // 2 × 98.08 g in 1112 g; limits of 15 and 5 % (CLP Annex VI, from memory, in the table).
    expect(hazardsIn('H2SO4', solution('2.00 mol/L'))).toEqual({ codes: ['H314'], isAsPure: false })
    expect(hazardsIn('H2SO4', solution('1.00 mol/L'))!.codes).toEqual(['H315', 'H319'])
    expect(hazardsIn('H2SO4', solution('0.50 mol/L'))!.codes).toEqual([])
  })
  it('takes those of the pure substance for a solid, and says so for a solution without limits', () => {
    expect(hazardsIn('NaOH', { kind: 'solid' })).toMatchObject({ isAsPure: false })
    expect(hazardsIn('NaOH', { kind: 'solid' })!.codes).toContain('H314')
    expect(hazardsIn('CuSO4·5H2O', solution('0.1 mol/L'))!.isAsPure).toBe(true)
  })
  it('does not know what the tables do not know', () => {
    expect(hazardsIn('Xe2F7Zn9', { kind: 'solid' })).toBeUndefined()
    expect(hazardsIn('not a formula', { kind: 'solid' })).toBeUndefined()
  })
})
