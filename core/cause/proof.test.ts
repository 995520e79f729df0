import { describe, expect, it } from 'vitest'
import { newWorksheet, startFor, type Worksheet } from '#core/assay'
import { molarMass, parseFormula } from '#core/formula'
import type { Entry } from '#core/journal'
import { foldJournal } from '#core/journal'
import { assayEvidence } from './assay-evidence'
import { assayStart } from '#core/outcome'
import { proofOf } from '.'

const formula = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
let count = 0
const sheet = (
  kind: Worksheet['kind'],
  name: string,
  given: Record<string, string>,
  ...rows: Record<string, string>[]
) => ({
  ...newWorksheet(`w${count++}`, kind, given),
  name,
  rows,
})
const hexaammine = formula('[Co(NH3)6]Cl3')
/** Chloride as silver chloride: 0.2000 g give 3 × 143.32 ÷ 267.47 × 0.2000 = 0.3215 g where all is that complex. */
const chloride = (share = 1) =>
  sheet(
    'gravimetric',
    'chloride',
    { analyte: 'Cl', weighedAs: 'AgCl' },
    { sample: '0.2000 g', tare: '20.0000 g', gross: `${(20 + share * 0.32151).toFixed(4)} g` },
  )
const conductance = (value: number) =>
  sheet(
    'conductance',
    'cell',
    { salt: hexaammine.text },
    {
      sample: `${(molarMass(hexaammine) / 1000).toFixed(4)} g`,
      madeUp: '1000.0 mL',
      conductivity: `${(value / 1000).toFixed(4)} mS/cm`,
    },
  )
const saying = (product: string, ...assays: Worksheet[]) => {
  const { claims, against, headline } = proofOf(formula(product), assays)
  return { of: Object.fromEntries(claims.map(({ what, says }) => [what, says])), against, headline, claims }
}

describe('purity and identity together', () => {
  it('says what nothing proves, before anything is done', () => {
    const { of, headline } = saying('[Co(NH3)6]Cl3')
    expect(of).toEqual({
      '{Co}': 'unproved',
      '{NH3}': 'unproved',
      '{Cl}': 'unproved',
      'what is inside the brackets': 'unproved',
    })
    expect(headline).toBe('Nothing proves {Co}, {NH3}, {Cl} or what is inside the brackets.')
  })
  it('knows chloride from a factor, and inside from outside only by its ions', () => {
    const some = saying('[Co(NH3)6]Cl3', chloride())
    expect(some.of['{Cl}']).toBe('agrees')
    expect(some.of['what is inside the brackets']).toBe('unproved')
    expect(some.headline).toMatch(/^\{Cl\} agrees with the formula; nothing proves \{Co\}, \{NH3\} or what is inside/)
    const more = saying('[Co(NH3)6]Cl3', chloride(), conductance(431))
    expect(more.of['what is inside the brackets']).toBe('agrees')
    expect(saying('[Co(NH3)6]Cl3', conductance(261)).of['what is inside the brackets']).toBe('differs')
  })
  it('tells metal and water of a hydrate, by how much, and what is left open', () => {
    const zinc = sheet(
      'titration',
      'zinc by EDTA',
      {
        equation: 'ZnSO4 + Na2C10H14N2O8 -> Na2ZnC10H12N2O8 + H2SO4',
        titrant: 'Na2C10H14N2O8',
        concentration: '0.01000 mol/L',
        species: 'ZnSO4',
        form: 'ZnSO4·7H2O',
      },
      { sample: '0.1150 g', volume: '39.99 mL' },
    )
    // 1.0000 g of the heptahydrate leaves 161.44 ÷ 287.55 = 0.5614 g.
    const water = (after: string) =>
      sheet('hydrate', 'oven', { salt: 'ZnSO4' }, { tare: '10.0000 g', before: '11.0000 g', after })
    const good = saying('ZnSO4·7H2O', zinc, water('10.5614 g'))
    expect(good.of).toEqual({ '{Zn}': 'agrees', '{SO4}': 'unproved', water: 'agrees' })
    expect(good.headline).toBe('{Zn} and water agree with the formula; nothing proves {SO4}.')
    expect(good.against).toEqual([])
    const wet = saying('ZnSO4·7H2O', zinc, water('10.5900 g'))
    expect(wet.of.water).toBe('differs')
    expect(wet.against[0]).toContain('“zinc by EDTA” makes it 100.0 % of the formula, “oven” 105')
    expect(wet.claims.find(({ what }) => what === 'water')!.text).toMatch(/more than the formula by “oven”/)
  })
  it('counts sulfur for sulfate, but nitrogen for neither of two that hold it', () => {
    const nitrogen = (product: string) =>
      saying(product, sheet('gravimetric', 'N', { analyte: 'NH3', weighedAs: 'NH4Cl', by: 'N' }, {})).of
    expect(nitrogen('[Co(NH3)6](NO3)3')['{NH3}']).toBe('unproved')
    const sulfate = sheet(
      'gravimetric',
      'sulfate',
      { analyte: 'S', weighedAs: 'BaSO4' },
      { sample: '0.5000 g', tare: '20.0000 g', gross: '20.4674 g' },
    )
    expect(saying('CuSO4·5H2O', sulfate).of['{SO4}']).toBe('agrees')
  })
  it('takes a spin and a loss on drying in their own words', () => {
    const dried = sheet(
      'loss on drying',
      'oven',
      {},
      { tare: '20.0000 g', before: '21.0000 g', after: '20.9990 g', again: '20.9989 g', driedOn: '1 h' },
    )
    const { claims } = saying('[Co(NH3)6]Cl3', dried)
    expect(claims.at(-1)).toMatchObject({ what: 'dryness', says: 'agrees' })
  })
})

describe('a composition heard by the yield', () => {
  /* 0.88 g of zinc that took up 1.00 g: 1.88 g weighed, where 0.88 g of zinc make 1.834 g of ZnCl2. */
  const burnt = sheet(
    'composition',
    'zinc and chlorine',
    { metal: 'Zn', other: 'Cl' },
    {
      tare: '20.00 g',
      metal: '0.88 g',
      gross: '21.88 g',
    },
  )
  it('says how much of what was weighed can be the product', () => {
    const [found] = assayEvidence(formula('ZnCl2'), [burnt])
    expect(found!.purity).toBeCloseTo(1.834 / 1.88, 3)
    expect(assayEvidence(formula('ZnSO4'), [burnt])).toEqual([])
    expect(assayEvidence(formula('MgCl2'), [burnt])).toEqual([])
  })
  it('hears an ion exchange, two salts and two end points of the product', () => {
    const evidence = assayEvidence(hexaammine, [
      sheet(
        'ion exchange',
        'resin',
        { salt: hexaammine.text, concentration: '0.1000 mol/L' },
        { sample: '0.2675 g', volume: '30.00 mL' },
      ),
      sheet(
        'two readings',
        'two ends',
        { concentration: '0.1 mol/L', first: 'NaOH', firstTakes: '1, 1', second: 'Na2CO3', secondTakes: '1, 2' },
        { sample: '1 g', v1: '20 mL', v2: '25 mL' },
      ),
    ])
    expect(evidence.map(({ name, of }) => [name, of])).toEqual([['resin', 'charge']])
    expect(evidence[0]!.purity).toBeCloseTo(1, 2)
  })
})

describe('what a batch knows for a worksheet', () => {
  const stage = {
    id: 's1',
    equation: 'BaCl2 + Na2SO4 -> BaSO4 + NaCl',
    reagents: [
      { species: 'BaCl2', supply: { kind: 'solid' as const, formula: 'BaCl2·2H2O' }, charge: { mass: '1 g' } },
      { species: 'Na2SO4', charge: { mass: '1 g' } },
    ],
    product: { species: 'BaSO4' },
  }
  const drop = (added: string, result: 'cloud' | 'clear', id: string): Entry => ({
    id,
    kind: 'test',
    at: '2026-11-02T09:00:00Z',
    stage: 's1',
    added,
    result,
  })
  it('is the reaction, its reagents as weighed, what comes down, and what the drops said', () => {
    const facts = assayStart(stage, foldJournal([drop('BaCl2', 'clear', 'a'), drop('Na2SO4', 'cloud', 'b')]))
    expect(facts).toMatchObject({ precipitate: 'BaSO4', clouds: 'Na2SO4', reagents: [{ form: 'BaCl2·2H2O' }, {}] })
    expect(startFor('mixture', facts)).toMatchObject({ first: 'BaCl2·2H2O', second: 'Na2SO4', clouds: 'the other' })
    const half = assayStart(stage, foldJournal([drop('BaCl2', 'clear', 'a')]))
    expect(startFor('mixture', half).clouds).toBeUndefined()
    expect(assayStart(undefined, [])).toEqual({ reagents: [] })
  })
})
