import { describe, expect, it } from 'vitest'
import { newWorksheet } from '#core/assay'
import { parseFormula } from '#core/formula'
import { assayEvidence } from './assay-evidence'

const formula = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const edta = (form: string, volume: string) => ({
  ...newWorksheet('t', 'titration', {
    equation: 'ZnSO4 + Na2C10H14N2O8 -> Na2ZnC10H12N2O8 + H2SO4',
    titrant: 'Na2C10H14N2O8',
    concentration: '0.01000 mol/L',
    species: 'ZnSO4',
    form,
  }),
  rows: [{ sample: '0.1150 g', volume }],
})

describe('assayEvidence', () => {
  it('takes a titration over to the product’s own form', () => {
    /* 39.99 mL × 0.01000 = 0.3999 mmol, × 287.54 = 0.11499 g of 0.1150: 100.0 % as heptahydrate, however the sheet was filled in. */
    const product = formula('ZnSO4·7H2O')
    for (const form of ['ZnSO4·7H2O', 'ZnSO4'])
      expect(assayEvidence(product, [edta(form, '39.99 mL')])[0]!.purity).toBeCloseTo(1.0, 3)
    // What titrates 160 % as the heptahydrate is the monohydrate: 287.54 ÷ 179.45.
    expect(assayEvidence(product, [edta('ZnSO4·7H2O', '64.08 mL')])[0]!.purity).toBeCloseTo(1.602, 2)
  })
  it('takes a gravimetric assay over by what the formula holds', () => {
    const product = formula('(NH4)2Ni(SO4)2·6H2O')
    const sheet = {
      ...newWorksheet('g', 'gravimetric', { analyte: 'Ni', weighedAs: 'Ni(C4H7N2O2)2' }),
      rows: [{ sample: '0.2561 g', tare: '24.1311 g', gross: '24.3182 g' }],
    }
    // 14.84 of 14.86 %.
    expect(assayEvidence(product, [sheet])[0]!.purity).toBeCloseTo(0.9988, 3)
  })
  it('takes a loss on heating over: five waters found in the pentahydrate are all of it, 4.5 make it 3.7 % too heavy', () => {
    const heated = (after: string) => ({
      ...newWorksheet('h', 'hydrate', { salt: 'CuSO4' }),
      rows: [{ tare: '10.0000 g', before: '11.0000 g', after }],
    })
    expect(assayEvidence(formula('CuSO4·5H2O'), [heated('10.6392 g')])[0]!.purity).toBeCloseTo(1.0, 3)
    // 249.68 ÷ (159.60 + 4.5 × 18.015) = 1.0374; 1 g of that leaves 0.6631 g.
    expect(assayEvidence(formula('CuSO4·5H2O'), [heated('10.6631 g')])[0]!.purity).toBeCloseTo(1.0374, 2)
    expect(assayEvidence(formula('ZnSO4·7H2O'), [heated('10.6392 g')])).toEqual([])
  })
  it('hears nothing from what asks something else', () => {
    expect(assayEvidence(formula('CoCl2·6H2O'), [edta('ZnSO4', '40 mL'), newWorksheet('h', 'hydrate')])).toEqual([])
  })
})
