import { describe, expect, it } from 'vitest'
import { newWorksheet, type Worksheet } from '#core/assay'
import { comesOf, strengthsFound } from '#core/shelf'

/*
 * By hand: 0.5106 g of potassium hydrogen phthalate (204.22 g/mol) are 2.5002 mmol; 25.00 mL of caustic: 0.1000 mol/L.
 */
const sheet = (titrant: string, rows = ['25.00 mL', '25.02 mL', '24.98 mL']): Worksheet => ({
  ...newWorksheet('k', 'standardisation', {
    equation: `KHC8H4O4 + ${titrant} -> K${titrant.replace('OH', '')}C8H4O4 + H2O`,
    standard: 'KHC8H4O4',
    titrant,
  }),
  name: 'Caustic by phthalate',
  rows: rows.map(volume => ({ sample: '0.5106 g', volume })),
})

describe('strengthsFound', () => {
  it('is what the titration found, as a bottle’s strength is written', () => {
    const [found] = strengthsFound('NaOH', [sheet('NaOH')])
    expect(found).toMatchObject({ name: 'Caustic by phthalate' })
    expect(Number.parseFloat(found!.text)).toBeCloseTo(0.1, 3)
    expect(found!.text).toMatch(/ ± 0\.000\d+\smol\/L$/)
    expect(comesOf(found!.text, 'volume')).toMatchObject({ kind: 'solution' })
  })
  it('says nothing of another solution, or while no flask is done', () => {
    expect(strengthsFound('KOH', [sheet('NaOH')])).toEqual([])
    expect(strengthsFound('NaOH', [sheet('NaOH', [])])).toEqual([])
  })
})
