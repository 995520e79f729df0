import { expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import { anions, specialCautions } from '#core/reference'
import { computeReadPlan, readPlan, type StagePlan } from '#core/sheet'
import { hazardNotes } from './hazard-notes'
import { sheetNotes } from './margin'

function readOf(stage: Omit<StagePlan, 'id'>) {
  const read = readPlan({ stages: [{ id: 's1', ...stage }] })
  const sheet = read.ok ? computeReadPlan(read.value) : read
  if (!read.ok || !sheet.ok) throw new Error('the plan does not read')
  return { sheet: sheet.value.stages[0]!, stage: read.value.stages[0]!, room: read.value.room }
}
const notesOf = (plan: Omit<StagePlan, 'id'>) => {
  const { sheet, stage } = readOf(plan)
  return hazardNotes(sheet, stage)
}
const acid = (concentration: string) =>
  notesOf({
    equation: 'ZnO + HCl -> ZnCl2 + H2O',
    reagents: [
      { species: 'ZnO', supply: { kind: 'solid' }, charge: { mass: '5 g' } },
      { species: 'HCl', supply: { kind: 'solution', concentration } },
    ],
    product: { species: 'ZnCl2' },
  })
const aboutAcid = (concentration: string): string =>
  acid(concentration).find(({ text }) => text.toLowerCase().includes('hydrogen chloride'))?.text ?? ''

/* 3.00 mol/L is 109.4 g in about 1050 g: 10.4 %, an irritant; 37 % burns; 1 mol/L is 3.6 % and carries nothing. None of them is the gas. */
it('a dilute solution carries the statements of its strength', () => {
  expect(aboutAcid('3.00 mol/L')).toContain('H319')
  expect(aboutAcid('3.00 mol/L')).not.toMatch(/H314|H331/)
  expect(aboutAcid('37 % w/w')).toContain('H314')
  expect(aboutAcid('37 % w/w')).not.toContain('H331')
  expect(aboutAcid('1.00 mol/L')).toBe('')
})

it('six per cent peroxide feeds no fire', () => {
  const about = (concentration: string): string =>
    notesOf({
      equation: 'H2C2O4 + H2O2 -> CO2 + H2O',
      reagents: [
        { species: 'H2C2O4', supply: { kind: 'solid' }, charge: { mass: '1 g' } },
        { species: 'H2O2', supply: { kind: 'solution', concentration } },
      ],
      product: { species: 'CO2' },
    }).find(({ text }) => text.toLowerCase().includes('peroxide'))?.text ?? ''
  expect(about('6 % w/w')).toContain('H319')
  expect(about('6 % w/w')).not.toContain('H271')
  expect(about('30 % w/w')).toContain('H318')
  expect(about('60 % w/w')).toContain('H272')
})

it('what explodes stands above everything', () => {
  const { sheet, ...setting } = readOf({
    equation: 'AgNO3 + NaN3 -> AgN3 + NaNO3',
    reagents: [
      { species: 'AgNO3', supply: { kind: 'solid' }, charge: { mass: '1 g' } },
      { species: 'NaN3', supply: { kind: 'solid' } },
    ],
    product: { species: 'AgN3' },
  })
  const [first] = sheetNotes(sheet, setting)
  expect(first).toMatchObject({ tone: 'hazard', tag: 'Explosive' })
  expect(first!.text).toContain('when they are touched')
})

/* Of a label's statements none says that the burn is not felt, nor that glass is no vessel. */
it('what everybody is told beforehand stands above the statements, of what goes in and of what comes', () => {
  const before = (equation: string, reagents: StagePlan['reagents'], species: string): string[] => {
    const { sheet, ...setting } = readOf({ equation, reagents, product: { species } })
    const notes = sheetNotes(sheet, setting)
    const tags = notes.map(({ tag }) => tag)
    if (tags.includes('Before you begin')) expect(tags.indexOf('Before you begin')).toBeLessThan(tags.indexOf('Hazard'))
    return notes.filter(({ tag }) => tag === 'Before you begin').map(({ text }) => text)
  }
  const weighed = (species: string): StagePlan['reagents'][number] => ({
    species,
    supply: { kind: 'solid' },
    charge: { mass: '5 g' },
  })
  const [fluoride, ...others] = before(
    'Li2CO3 + HF -> LiF + H2O + CO2',
    [weighed('Li2CO3'), { species: 'HF', supply: { kind: 'solution', concentration: '40 % w/w' } }],
    'LiF',
  )
  expect(fluoride).toMatch(/calcium gluconate/)
  expect(fluoride).toMatch(/glass/)
  expect(others).toEqual([])
  expect(before('CaF2 + H2SO4 -> CaSO4 + HF', [weighed('CaF2')], 'CaSO4')).toHaveLength(1)
  expect(before('NiSO4 + KCN -> Ni(CN)2 + K2SO4', [weighed('NiSO4')], 'Ni(CN)2').join(' ')).toMatch(/antidote/)
  expect(before('ZnO + H2SO4 -> ZnSO4 + H2O', [weighed('ZnO')], 'ZnSO4')).toEqual([])
  expect(before('KSCN + AgNO3 -> AgSCN + KNO3', [weighed('KSCN')], 'AgSCN')).toEqual([])
})

it('each substance of the special cautions is read, and of each ion there is a row', () => {
  for (const { of, ion } of specialCautions)
    if (ion) expect(anions.some(({ text }) => text === of)).toBe(true)
    else expect(parseFormula(of).ok, of).toBe(true)
})
