import { describe, expect, it } from 'vitest'
import { computeReadPlan, readPlan, type StagePlan } from '#core/sheet'
import { foldJournal, type Entry, type Seen } from '#core/journal'
import { procedureOf } from '#core/procedure'
import { verdictOf } from './verdict'

/* Four cases as they were met in use: what a chemist would look at first is to lead. */
function judged(
  stage: Omit<StagePlan, 'id'>,
  crops: readonly string[],
  seen: readonly Seen[],
  recovered: Readonly<Record<string, string>> = {},
) {
  const plan = readPlan({ stages: [{ id: 's1', ...stage }] })
  const sheet = plan.ok ? computeReadPlan(plan.value) : plan
  if (!plan.ok || !sheet.ok) throw new Error(stage.equation)
  let minute = 0
  const written = () => ({
    id: `e${minute}`,
    at: new Date(Date.UTC(2026, 4, 4, 9, (minute += 45))).toISOString(),
    by: 'p',
  })
  const reading = (about: object, value: string): Entry =>
    ({ kind: 'reading', ...written(), about, measure: 'net', value, typed: true }) as Entry
  const entries: Entry[] = [
    ...seen.map((one): Entry => ({ kind: 'observation', ...written(), stage: 's1', text: one.sign, seen: one })),
    ...Object.entries(recovered).map(([species, value]) => reading({ what: 'recovered', stage: 's1', species }, value)),
    ...crops.flatMap((value, i) => {
      const about = { what: 'product', stage: 's1', crop: i + 1 }
      return [reading(about, value), reading(about, value)]
    }),
  ]
  const steps = procedureOf(plan.value, sheet.value)[0]!.steps
  return verdictOf({ plan: plan.value, lines: foldJournal(entries), stageId: 's1', steps })!
}
const solid = (species: string, mass: string, formula?: string): StagePlan['reagents'][number] => ({
  species,
  supply: { kind: 'solid', ...(formula && { formula }) },
  charge: { mass },
})
const dissolved: Seen = { sign: 'solid', is: false, place: 'pot' }

describe('cases met in use', () => {
  it('32.9 g of bismuth nitrate, 46.1 possible, weighed twice: the liquor leads, and no swapped digits; the basic nitrate is on the ladder', () => {
    const { explanations, rungs } = judged(
      {
        equation: 'Bi2O3 + HNO3 -> Bi(NO3)3 + H2O',
        reagents: [
          solid('Bi2O3', '22.14 g'),
          { species: 'HNO3', supply: { kind: 'solution', concentration: '6.00 mol/L' }, charge: { volume: '100 mL' } },
        ],
        product: { species: 'Bi(NO3)3', form: 'Bi(NO3)3·5H2O' },
        yield: '85 %',
      },
      ['32.9 g'],
      [dissolved],
    )
    expect(explanations[0]!.cause).toBe('left in the liquor')
    expect(explanations.find(({ cause }) => cause === 'digits swapped')).toBeUndefined()
    // 0.0950 mol of bismuth as BiONO3 (286.98) weigh 27.27 g: 121 %.
    const basic = rungs.find(({ form }) => form === 'BiONO3')!
    expect(basic.percent.value).toBeCloseTo(32.9 / ((22.14 / 465.958) * 2 * 286.98), 3)
    expect(basic.verdict).toBe('impossible')
  })

  it('25.1 g of thiosulfate in two crops, fallen to powder, the liquor orange, a third of the sulfur missing: polysulfide and lost water, both at once', () => {
    const { explanations, together } = judged(
      {
        equation: 'Na2SO3 + S -> Na2S2O3',
        reagents: [solid('Na2SO3', '18.90 g'), solid('S', '6.68 g')],
        product: { species: 'Na2S2O3', form: 'Na2S2O3·5H2O' },
        solvent: '75 mL',
        yield: '85 %',
      },
      ['22.1 g', '3.0 g'],
      [
        { sign: 'powder', is: true, place: 'crystals' },
        { sign: 'colour', is: true, place: 'liquor', of: 'orange' },
      ],
      { S: '1.30 g' },
    )
    const codes = explanations.map(({ cause }) => cause)
    expect(codes.slice(0, 3)).toEqual(expect.arrayContaining(['side reaction']))
    expect(['lost water', 'lighter hydrate']).toContain(codes.slice(0, 2).find(code => code !== 'side reaction'))
    expect(explanations.find(({ cause }) => cause === 'side reaction')!.title).toContain('polysulfide')
    expect(together[0]!.of.join()).toContain('polysulfide')
    // As the dry salt (158.11 of 248.18) the same mass would be more than there was.
    expect(codes.indexOf('weak reagent') === -1 || codes.indexOf('weak reagent') > 2).toBe(true)
  })

  it('23.15 g of potassium iodate at 108 %: the sodium salt, which the account has come with it, leads and is on the ladder', () => {
    const { explanations, rungs } = judged(
      {
        equation: 'NaIO3 + KCl -> KIO3 + NaCl',
        reagents: [solid('NaIO3', '19.79 g'), solid('KCl', '7.46 g')],
        product: { species: 'KIO3' },
        solvent: '100 mL',
        yield: '85 %',
      },
      ['23.15 g'],
      [{ sign: 'damp', is: false, place: 'crystals' }],
    )
    expect(explanations[0]).toMatchObject({ cause: 'other salt', form: 'NaIO3·H2O' })
    // 0.1000 mol of iodate as NaIO3·H2O (215.91): 107 %.
    expect(rungs.find(({ form }) => form === 'NaIO3·H2O')!.percent.value).toBeCloseTo(23.15 / 21.592, 2)
  })

  it('10.90 g of alum at 80 % with all dissolved and nothing else written: the liquor leads', () => {
    const { explanations } = judged(
      {
        equation: 'Al2(SO4)3 + K2SO4 -> KAl(SO4)2',
        reagents: [solid('Al2(SO4)3', '9.56 g', 'Al2(SO4)3·18H2O'), solid('K2SO4', '2.50 g')],
        product: { species: 'KAl(SO4)2', form: 'KAl(SO4)2·12H2O' },
        solvent: '60 mL',
        yield: '95 %',
      },
      ['10.90 g'],
      [dissolved],
    )
    expect(explanations[0]!.cause).toBe('left in the liquor')
    expect(explanations[0]!.suffices).toBe(true)
  })
})

describe('a metal burnt in air', () => {
  /* 0.486 g of magnesium are 20.0 mmol: 0.806 g of oxide, 0.673 g were it all nitride. 0.71 g, yellow in places: the nitrogen of the air took a part. */
  it('may have taken up nitrogen; no label of the air was wrong', () => {
    const { explanations } = judged(
      {
        equation: 'Mg + O2 -> MgO',
        reagents: [solid('Mg', '0.486 g'), { species: 'O2', supply: { kind: 'gas' }, charge: { excess: '100 %' } }],
        product: { species: 'MgO' },
        yield: '97 %',
      },
      ['0.71 g'],
      [{ sign: 'colour', is: true, place: 'crystals', of: 'yellow' }],
    )
    expect(explanations[0]).toMatchObject({ cause: 'side reaction' })
    expect(explanations[0]!.title).toContain('nitride')
    expect(explanations.filter(({ form }) => form === 'O2').map(({ cause }) => cause)).toEqual([])
  })
})
