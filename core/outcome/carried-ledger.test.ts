import { expect, it } from 'vitest'
import { foldJournal, type Entry } from '#core/journal'
import { readPlan } from '#core/sheet'
import { parseFormula } from '#core/formula'
import { judgeBatch, ledgerOf, realAccounts, tapeOf } from '.'

/* Alum in two stages in one pot: 1.0343 g of aluminium, 38.33 mmol; 75 mmol of caustic potash, 36.67 over; 45 mL of 4.00 mol/L acid. Potassium comes with the pot, 75 mmol, and leaves as alum, and as
   sulfate in the liquor. */
it('books what came along in the pot: potassium in is potassium out', () => {
  const read = readPlan({
    stages: [
      {
        id: 's1',
        equation: 'Al + KOH + H2O -> KAl(OH)4 + H2',
        reagents: [
          { species: 'Al', supply: { kind: 'solid' }, charge: { mass: '1.0343 g' } },
          { species: 'KOH', supply: { kind: 'solution', concentration: '1.5 mol/L' }, charge: { volume: '50 mL' } },
        ],
        product: { species: 'KAl(OH)4' },
        inPot: true,
      },
      {
        id: 's2',
        equation: 'KAl(OH)4 + H2SO4 -> KAl(SO4)2 + H2O',
        reagents: [
          { species: 'KAl(OH)4', supply: { kind: 'stage', from: 's1' } },
          { species: 'H2SO4', supply: { kind: 'solution', concentration: '4.00 mol/L' }, charge: { volume: '45 mL' } },
        ],
        product: { species: 'KAl(SO4)2', form: 'KAl(SO4)2·12H2O' },
      },
    ],
  })
  if (!read.ok) throw new Error('the plan does not read')
  const weighed: Entry = {
    kind: 'reading',
    id: 'w',
    at: '2026-05-04T09:00:00Z',
    by: 'p',
    about: { what: 'product', stage: 's2', crop: 1 },
    measure: 'net',
    value: '14.00 g',
    typed: true,
  }
  const lines = foldJournal([weighed])
  const actual = judgeBatch(read.value, lines, 's2')
  const told = realAccounts({ plan: read.value, lines, stepsOf: () => undefined })!.find(({ id }) => id === 's2')!
  const product = parseFormula('KAl(SO4)2·12H2O')
  if (!actual.ok || !product.ok) throw new Error('no')
  const rows = ledgerOf(actual.value, { product: product.value, tape: tapeOf(told, actual.value) })
  const potassium = rows.find(({ element }) => element === 'K')!
  expect(potassium.into.value).toBeCloseTo(0.075, 4)
  expect(potassium.from.map(({ place }) => place)).toEqual(['the pot of the stage before'])
  const out = potassium.out.reduce((sum, { moles }) => sum + moles.value, 0)
  expect(out + potassium.open.value).toBeCloseTo(0.075, 6)
  // 14.00 ÷ 474.4 = 29.5 mmol in crystals; the rest is in liquor, wash, or dried in, but for what the crop was less than the account has.
  expect(potassium.out.find(({ place }) => place === 'crystals')!.moles.value).toBeCloseTo(0.0295, 3)
  expect(Math.abs(potassium.open.value)).toBeLessThan(0.009)
  const aluminium = rows.find(({ element }) => element === 'Al')!
  expect(aluminium.into.value).toBeCloseTo(0.03833, 4)
})
