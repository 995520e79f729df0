import { describe, expect, it } from 'vitest'
import { molarMass, parseFormula } from '#core/formula'
import { readPlan, computeReadPlan, type StagePlan } from '#core/sheet'
import { procedureOf } from '.'

/*
 * A precipitate that water takes a part of. On paper, without activities:
 * lithium carbonate, 3.00 g LiCl (70.77 mmol) and soda in 100 mL: 35.4 mmol could come, 100 g of water hold 1.30 g at 25 °C (CRC Handbook, from memory), 17.6 mmol: about half stays in the liquor, among
 *   salt rather more;
 * calcium hydroxide from 1.00 g CaCl2 (9.01 mmol): 0.160 g in 100 g, 2.2 mmol, a quarter;
 * silver sulfate from 3.00 g AgNO3 (8.83 mmol): 0.84 g in 100 g, 2.7 mmol, three tenths;
 * barium sulfate: 1e-5 mol/L, nothing.
 */
function stageOf(plan: Omit<StagePlan, 'id'>, ...more: StagePlan[]) {
  const read = readPlan({ stages: [{ id: 's1', ...plan }, ...more] })
  if (!read.ok) throw new Error(JSON.stringify(read.problem))
  const sheets = computeReadPlan(read.value)
  if (!sheets.ok) throw new Error('the plan has no sheet')
  return procedureOf(read.value, sheets.value)
}
const solid = (species: string, mass?: string): StagePlan['reagents'][number] => ({
  species,
  supply: { kind: 'solid' },
  charge: mass === undefined ? { equivalents: 1 } : { mass },
})
const down = (equation: string, from: StagePlan['reagents'], species: string) => {
  const [stage] = stageOf({ equation, reagents: from, product: { species }, solvent: '100 mL' })
  const read = parseFormula(stage!.product.form)
  if (!read.ok) throw new Error(stage!.product.form)
  const moles = (lumps: { form: { text: string }; moles: number }[]) =>
    lumps.filter(({ form }) => form.text === stage!.product.form).reduce((sum, one) => sum + one.moles, 0)
  const { events } = stage!
  const before = events.findIndex(({ operation }) => operation.do === 'filter off') - 1
  const settled = events.findLast(({ operation }) => operation.do === 'stand' || operation.do === 'stir')!.after
  return {
    stage: stage!,
    /** mmol at 25 °C, and as it is filtered. */
    stands: moles([...settled.lumps]) * 1000,
    filtered: moles([...events[before]!.after.lumps]) * 1000,
    crop: (stage!.product.mass! / molarMass(read.value)) * 1000,
  }
}

describe('a precipitate that water takes a part of', () => {
  it.each([
    ['LiCl + Na2CO3 -> Li2CO3 + NaCl', [solid('LiCl', '3.00 g'), solid('Na2CO3')], 'Li2CO3', 35.4, 17.6],
    ['CaCl2 + NaOH -> Ca(OH)2 + NaCl', [solid('CaCl2', '1.00 g'), solid('NaOH')], 'Ca(OH)2', 9.01, 2.2],
    ['AgNO3 + Na2SO4 -> Ag2SO4 + NaNO3', [solid('AgNO3', '3.00 g'), solid('Na2SO4')], 'Ag2SO4', 8.83, 2.7],
  ] as const)(
    '%s: the liquor holds what the salt alone would, and up to a half more among others',
    (equation, from, species, could, holds) => {
      const { stage, stands, filtered, crop } = down(equation, [...from], species)
      expect(stage.way.way).toBe('throw down')
      expect(could - stands).toBeGreaterThan(holds * 0.95)
      expect(could - stands).toBeLessThan(holds * 1.5)
      // Three washes cost a twentieth or so; what dries out of the liquor that clings adds a little.
      expect(crop).toBeLessThan(filtered * 1.02)
      expect(crop).toBeGreaterThan(filtered * 0.9)
      const [held] = stage.warnings.filter(({ code }) => code === 'crop.in-liquor')
      expect(held?.message).toContain(`{${species}}`)
    },
  )

  /* Potassium perchlorate: 2.1 g in 100 g at 25 °C, 0.9 g at 5 °C (CRC Handbook, from memory): 49.0 mmol of each, 6.79 g; in ice a good gram more comes. */
  it('is chilled where the cold holds much less, and washed with ice water', () => {
    const { stage, stands } = down('NaClO4 + KCl -> KClO4 + NaCl', [solid('NaClO4', '6.00 g'), solid('KCl')], 'KClO4')
    const steps = stage.events.map(({ operation }) => operation.do)
    expect(steps.indexOf('cool')).toBeGreaterThan(0)
    expect(steps.indexOf('cool')).toBeLessThan(steps.indexOf('filter off'))
    const cooled = stage.events.find(({ operation }) => operation.do === 'cool')!.after
    const all = cooled.lumps.reduce((sum, { moles }) => sum + moles, 0) * 1000
    expect(all - stands).toBeGreaterThan(6)
    expect(all).toBeGreaterThan(38)
    expect(all).toBeLessThan(44)
    const lithium = down('LiCl + Na2CO3 -> Li2CO3 + NaCl', [solid('LiCl', '3.00 g'), solid('Na2CO3')], 'Li2CO3')
    expect(lithium.stage.events.map(({ operation }) => operation.do)).not.toContain('cool')
  })

  it('and one that it does not stands whole, with nothing said', () => {
    const { stage, stands, crop } = down(
      'BaCl2 + Na2SO4 -> BaSO4 + NaCl',
      [solid('BaCl2', '3.00 g'), solid('Na2SO4')],
      'BaSO4',
    )
    expect(stands).toBeCloseTo(14.41, 2)
    expect(crop).toBeCloseTo(14.41, 2)
    expect(stage.warnings.filter(({ code }) => code === 'crop.in-liquor')).toEqual([])
  })

  it('gypsum falls with its two waters: 3.00 g CaCl2 (27.0 mmol) less 1.5 to 3.6 mmol that the liquor holds', () => {
    const { stage, stands } = down(
      'CaCl2 + Na2SO4 -> CaSO4 + NaCl',
      [solid('CaCl2', '3.00 g'), solid('Na2SO4')],
      'CaSO4',
    )
    expect(stage.product.form).toBe('CaSO4·2H2O')
    expect(stands).toBeGreaterThan(23)
    expect(stands).toBeLessThan(25.6)
  })

  /* Gypsum: 0.21 g of CaSO4 in 100 g of water at 25 °C (CRC Handbook, from memory), beside 11.6 g of nitre; of barium sulfate nothing. */
  it('beside a soluble product a little of it passes the filter, and that is said', () => {
    const besides = (metal: string): string[] =>
      stageOf({
        equation: `K2SO4 + ${metal}(NO3)2 -> ${metal}SO4 + KNO3`,
        reagents: [solid('K2SO4', '10.0 g'), solid(`${metal}(NO3)2`)],
        product: { species: 'KNO3' },
        solvent: '100 mL',
      })[0]!.warnings.flatMap(({ code, message }) => (code === 'solid.passes' ? [message] : []))
    const [said] = besides('Ca')
    expect(said).toContain('{CaSO4}')
    expect(Number(/about ([\d.]+)/.exec(said!)?.[1])).toBeCloseTo(0.2, 1)
    expect(besides('Ba')).toEqual([])
  })

  it('the next stage finds all of it, what is dissolved too: slaked lime with soda', () => {
    const [first, second] = stageOf(
      {
        equation: 'CaO + H2O -> Ca(OH)2',
        reagents: [solid('CaO', '0.561 g')],
        product: { species: 'Ca(OH)2' },
        solvent: '100 mL',
        inPot: true,
      },
      {
        id: 's2',
        equation: 'Ca(OH)2 + Na2CO3 -> CaCO3 + NaOH',
        reagents: [{ species: 'Ca(OH)2', supply: { kind: 'stage', from: 's1' } }, solid('Na2CO3')],
        product: { species: 'CaCO3' },
      },
    )
    const lime = first!.end.main.lumps.reduce((sum, { moles }) => sum + moles, 0)
    expect(lime).toBeGreaterThan(0.007)
    expect(lime).toBeLessThan(0.009)
    // 10.0 mmol of calcium carbonate are 1.001 g.
    expect(second!.product.mass).toBeCloseTo(1.001, 2)
  })
})
