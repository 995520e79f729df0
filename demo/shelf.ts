import type { BottleFact, Label } from '#core/shelf'
import { demoLab } from './lab'

export interface DemoBottle {
  readonly label: Label
  readonly facts: readonly BottleFact[]
}
const [tove, wren] = demoLab.people
const DAY = 86_400_000

/** The bottles of the demo's lab, with what happened to each; days are told back from `now`. */
export function demoBottles(now: Date): DemoBottle[] {
  const date = (days: number): string => new Date(now.getTime() - days * DAY).toISOString().slice(0, 10)
  let count = 0
  const fact = (days: number, by: string, rest: object): BottleFact => {
    count += 1
    const id = `5e1f0000-0000-4000-8000-${String(count).padStart(12, '0')}`
    return { id, at: new Date(now.getTime() - days * DAY).toISOString(), by, ...rest } as BottleFact
  }
  const came = (days: number, amount: string): BottleFact => fact(days, wren.id, { kind: 'came', amount })
  const opened = (days: number): BottleFact => fact(days, tove.id, { kind: 'opened' })
  const drawn = (days: number, amount: string, what: string): BottleFact =>
    fact(days, tove.id, { kind: 'drawn', amount, for: what })
  const bottle = (
    label: Omit<Label, 'known'> & Partial<Pick<Label, 'known'>>,
    ...facts: readonly BottleFact[]
  ): DemoBottle => ({
    label: { known: 'label', ...label },
    facts,
  })
  const solid = (assay?: string): Label['comes'] => ({ kind: 'solid', ...(assay !== undefined && { assay }) })
  return [
    bottle(
      {
        formula: 'Zn',
        comes: solid('99.5 %'),
        words: 'granules',
        lot: 'Z-118',
        place: 'Metals',
        received: date(210),
        low: '50 g',
      },
      came(210, '500 g'),
      opened(160),
      drawn(160, '212 g', 'zinc sulfate, several batches'),
    ),
    bottle(
      { formula: 'CuCO3·Cu(OH)2', comes: solid('97 %'), lot: 'C-41', place: 'Carbonates', received: date(400) },
      came(400, '250 g'),
      opened(380),
      drawn(200, '96.4 g', 'copper sulfate'),
    ),
    bottle(
      {
        formula: 'CoCO3',
        comes: solid('97 %'),
        lot: 'CO-7',
        place: 'Carbonates',
        received: date(320),
        low: '25 g',
        empty: '131.20 g',
      },
      came(320, '100 g'),
      opened(300),
      drawn(140, '61.3 g', 'cobalt chloride'),
      fact(20, tove.id, { kind: 'weighed', gross: '150.15 g' }),
    ),
    bottle(
      {
        formula: 'KOH',
        comes: solid('87 ± 2 %'),
        words: 'pellets',
        lot: 'K-2231',
        place: 'Bases',
        received: date(200),
      },
      came(200, '500 g'),
      opened(185),
      drawn(60, '34.2 g', 'oxalate'),
    ),
    bottle(
      { formula: 'NaOH', comes: solid('98 ± 1 %'), words: 'pellets', lot: 'N-903', place: 'Bases', received: date(30) },
      came(30, '1.00 kg'),
    ),
    bottle(
      {
        formula: 'H2SO4',
        comes: { kind: 'solution', concentration: '2.00 ± 0.01 mol/L' },
        known: 'titration',
        words: 'made from 96 %',
        place: 'Acids',
        received: date(45),
      },
      came(45, '1.00 L'),
      opened(45),
      drawn(12, '198 mL', 'zinc sulfate'),
    ),
    bottle(
      {
        formula: 'HCl',
        comes: { kind: 'solution', concentration: '37 % w/w' },
        lot: 'H-55',
        place: 'Acids',
        received: date(90),
      },
      came(90, '2.50 L'),
      opened(88),
      drawn(40, '310 mL', 'cobalt chloride'),
    ),
    bottle(
      {
        formula: 'NH3',
        comes: { kind: 'solution', concentration: '25 % w/w' },
        lot: 'A-12',
        place: 'Ammonia',
        received: date(260),
      },
      came(260, '1.00 L'),
      opened(240),
      drawn(110, '420 mL', 'tetraamminecopper sulfate'),
    ),
    bottle(
      { formula: 'MoO3', comes: solid('99.5 %'), lot: 'MO-3', place: 'Oxides', received: date(500) },
      came(500, '100 g'),
      opened(420),
      drawn(30, '14.4 g', 'sodium molybdate'),
    ),
    bottle(
      {
        formula: 'NiSO4·6H2O',
        comes: solid('99 %'),
        lot: 'NI-77',
        place: 'Sulfates',
        received: date(120),
        expires: date(-12),
      },
      came(120, '500 g'),
      opened(100),
    ),
    bottle(
      { formula: 'SrCl2·6H2O', comes: solid('99 %'), lot: 'S-210', place: 'Chlorides', received: date(150) },
      came(150, '250 g'),
    ),
    bottle(
      {
        formula: 'H2O2',
        comes: { kind: 'solution', concentration: '30 % w/w' },
        lot: 'P-6',
        place: 'Cold',
        received: date(300),
        expires: date(20),
      },
      came(300, '500 mL'),
      opened(280),
    ),
    bottle(
      { formula: 'Na2SO3', comes: solid('98 %'), lot: 'SU-2', place: 'Sulfates', received: date(700) },
      came(700, '250 g'),
      opened(650),
      fact(90, tove.id, { kind: 'emptied' }),
    ),
  ]
}
