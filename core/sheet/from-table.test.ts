import { describe, expect, it } from 'vitest'
import { computePlan, draftStage, fromTable } from '#core/sheet'

const stageOf = (product: string, equation: string) => {
  const drafted = draftStage(product, equation)
  if (!drafted.ok) throw new Error(drafted.problem.problem.code)
  return drafted.value
}
const zinc = stageOf('ZnSO4.7H2O', 'Zn + H2SO4 -> ZnSO4 + H2')

describe('a table of reagents', () => {
  it('fills a stage as a spreadsheet has it, its head left out, and gives the figures of paper', () => {
    // 9.11 g × 0.995 ÷ 65.38 g/mol = 138.6 mmol of zinc; 66.0 mL × 2.00 mol/L = 132 mmol of acid, which limits: 132 mmol × 287.54 g/mol = 37.96 g.
    const filled = fromTable(zinc, [
      ['Reagent', 'Amount', 'Strength'],
      ['Zn', '9.11 g', '99.5 %'],
      ['H2SO4', ' 66.0 mL ', '2.00 mol/L'],
      ['', '', ''],
    ])
    if (!filled.ok) throw new Error(JSON.stringify(filled.problems))
    expect(filled.stage.reagents).toMatchObject([
      { species: 'Zn', supply: { kind: 'solid', assay: '99.5 %' }, charge: { mass: '9.11 g' } },
      { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { volume: '66.0 mL' } },
    ])
    const sheet = computePlan({ stages: [filled.stage] })
    if (!sheet.ok) throw new Error('it does not compute')
    expect(sheet.value.stages[0]!.products[0]!.theoretical.value).toBeCloseTo(37.955, 2)
  })
  it('takes hydrates, equivalents, excesses and strengths of every kind', () => {
    const filled = fromTable(stageOf('BaCO3', 'BaCl2 + K2CO3 -> BaCO3 + KCl'), [
      ['BaCl2·2H2O', '12.21 g'],
      ['K2CO3', '5 %', '99 %'],
    ])
    expect(filled).toMatchObject({
      ok: true,
      stage: {
        reagents: [
          { species: 'BaCl2', supply: { formula: 'BaCl2·2H2O' }, charge: { mass: '12.21 g' } },
          { species: 'K2CO3', supply: { assay: '99 %' }, charge: { excess: '5 %' } },
        ],
      },
    })
    expect(fromTable(zinc, [['H2SO4', '1.2 eq', '25 % w/w']])).toMatchObject({
      ok: true,
      stage: {
        reagents: expect.arrayContaining([
          expect.objectContaining({
            supply: { kind: 'solution', concentration: '25 % w/w' },
            charge: { equivalents: 1.2 },
          }),
        ]),
      },
    })
  })
  it('refuses the whole, and says of each cell what is wrong and what to do', () => {
    const filled = fromTable(zinc, [
      ['Zn', 'a bit'],
      ['NaCl', '1 g'],
      ['H2SO4', '66.0 mL', 'strong'],
      ['sulfuric', '1 g'],
      ['Zn', '2 g'],
    ])
    expect(filled.ok).toBe(false)
    if (filled.ok) return
    expect(filled.problems.map(({ line, column }) => [line, column])).toEqual([
      [1, 2],
      [2, 1],
      [3, 3],
      [4, 1],
      [5, 1],
    ])
    for (const { why, fix } of filled.problems) expect(why && fix).not.toBe('')
  })
})
