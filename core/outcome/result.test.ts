import { describe, expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { foldJournal, type About, type Entry, type Measure } from '#core/journal'
import { exact, formatFigure, parseQuantity, standardUncertainty, type Figure } from '#core/quantity'
import { hazardStatements, substances } from '#core/reference'
import { computePlan, readPlan, type Plan } from '#core/sheet'
import { judgeBatch, judgeYield, theoreticalFrom } from '.'
import { nextWant } from '#core/overview'
import { sheetNotes, yieldNotes } from '#core/remarks'

const formula = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const mass = (text: string, source = text): Figure => {
  const read = parseQuantity(text, { kinds: ['mass'], name: 'mass', source })
  if (!read.ok) throw new Error(text)
  return read.value
}

describe('judgeYield', () => {
  /*
   * 5.214 g Zn ÷ 65.38 g/mol = 79.749 mmol; × 287.541 g/mol = 22.931 g of ZnSO4·7H2O; 19.535 g is 85.19 %.
   * Relative u: zinc mass 5.5e-5, product 2.1e-5, u(Zn) = 0.0115 gives 1.77e-4 − 4.0e-5 (it is in both), S 4.0e-5 → 1.56e-4, 0.0133 points.
   */
  const wanted = formula('ZnSO4.7H2O')
  const result = judgeYield(
    wanted,
    theoreticalFrom(formula('Zn'), mass('5.214 g'), exact(1), wanted),
    mass('19.535 g'),
    ['ZnSO4.7H2O', 'ZnSO4.6H2O', 'ZnSO4', 'CuO'].map(formula),
  )

  it('is right by hand, with the error of zinc counted once', () => {
    expect(result.theoretical.value).toBeCloseTo(22.931, 3)
    expect(result.percent.value * 100).toBeCloseTo(85.19, 2)
    expect(standardUncertainty(result.percent) * 100).toBeCloseTo(0.0131, 3)
  })

  it('tells the same mass as each form, and leaves out what is no form of it', () => {
    expect(result.forms.map(({ form, percent }) => [form, Number((percent.value * 100).toFixed(1))])).toEqual([
      ['ZnSO4·7H2O', 85.2],
      ['ZnSO4·6H2O', 90.9],
      ['ZnSO4', 151.7],
    ])
  })

  it('counts a double salt by its metal: two KAl(SO4)2 in one unit of the long form', () => {
    const alum = formula('KAl(SO4)2·12H2O')
    const { forms } = judgeYield(alum, mass('10.00 g'), mass('8.00 g'), [formula('K2SO4·Al2(SO4)3·24H2O')])
    expect(forms[0]!.percent.value).toBeCloseTo(0.8, 9)
  })
})

describe('a reading that cannot be told in moles', () => {
  // 55.0 g of a bromate solution given in mol/L: without its density nobody can say how many moles that is.
  const bromate: Plan = {
    stages: [
      {
        id: 's1',
        equation: 'AgNO3 + NaBrO3 -> AgBrO3 + NaNO3',
        product: { species: 'AgBrO3' },
        reagents: [
          { species: 'AgNO3', supply: { kind: 'solid' }, charge: { mass: '5.00 g' } },
          {
            species: 'NaBrO3',
            supply: { kind: 'solution', concentration: '0.50 mol/L' },
            charge: { volume: '55.0 mL' },
          },
        ],
      },
    ],
  }
  const net = (id: string, value: string, measure: Measure = 'net'): Entry => ({
    kind: 'reading',
    id,
    at: '2026-05-04T09:00:00Z',
    by: 'p1',
    about: { what: 'charge', stage: 's1', species: 'NaBrO3' },
    measure,
    value,
    typed: true,
  })
  const judged = (...entries: Entry[]) => {
    const read = readPlan(bromate)
    const actual = read.ok ? judgeBatch(read.value, foldJournal(entries)) : read
    if (!actual.ok) throw new Error('not judged')
    return actual.value
  }

  it('is said, and not taken for the plan in silence', () => {
    const actual = judged(net('a', '55.0 g'))
    expect(actual.unusable.map(({ species, read }) => `${species} ${read}`)).toEqual(['NaBrO3 55.0\u202fg'])
    expect(actual.unread).toEqual(['AgNO3'])
    expect(yieldNotes(actual).find(({ tag }) => tag === 'Reading not used')?.tone).toBe('hazard')
  })

  it('is none where it was measured, in two portions', () => {
    const actual = judged(net('a', '50.0 mL', 'volume'), net('b', '5.0 mL', 'volume'))
    expect(actual.unusable).toEqual([])
    expect(actual.sheet.reagents[1]!.amount.value).toBeCloseTo(0.0275, 6)
  })
})

const plan: Plan = {
  stages: [
    {
      id: 's1',
      equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
      product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
      yield: '85 %',
      reagents: [
        { species: 'CoCO3', supply: { kind: 'solid', assay: '97 %' }, charge: { mass: '8.40 g' } },
        { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '40.0 mL' } },
      ],
    },
  ],
}
let count = 0
const read = (about: About, measure: Measure, value: string): Entry => ({
  kind: 'reading',
  id: `e${++count}`,
  at: '2026-05-04T09:00:00Z',
  by: 'p',
  about,
  measure,
  value,
  typed: true,
})
const crop: About = { what: 'product', stage: 's1', crop: 1 }
const charge = (species: string): About => ({ what: 'charge', stage: 's1', species })
const judged = (entries: Entry[], from: Plan = plan) => {
  const known = readPlan(from)
  const actual = known.ok ? judgeBatch(known.value, foldJournal(entries)) : known
  if (!actual.ok) throw new Error('it was not judged')
  return actual.value
}

describe('judgeBatch', () => {
  it('counts what was really charged, not what was planned', () => {
    // 5.00 g × 0.97 ÷ 118.941 = 40.776 mmol limits now: × 237.923 = 9.7016 g.
    const { sheet, unread, result } = judged([
      read(charge('CoCO3'), 'net', '5.00 g'),
      read(charge('HCl'), 'volume', '40.0 mL'),
      read(crop, 'net', '8.25 g'),
    ])
    expect(sheet.limiting).toEqual(['CoCO3'])
    expect(unread).toEqual([])
    expect(result!.theoretical.value).toBeCloseTo(9.7016, 3)
    expect(result!.percent.value).toBeCloseTo(8.25 / 9.7016, 4)
    expect(result!.forms.map(({ form }) => form)).toEqual(['CoCl2·6H2O', 'CoCl2·2H2O', 'CoCl2'])
  })

  it('names what was not read and counts it as planned, also under a target', () => {
    const aimed: Plan = {
      stages: [
        {
          ...plan.stages[0]!,
          target: { mass: '12 g' },
          reagents: [
            { ...plan.stages[0]!.reagents[0]!, charge: { equivalents: 1.1 } },
            { ...plan.stages[0]!.reagents[1]!, charge: { equivalents: 1 } },
          ],
        },
      ],
    }
    // Only the carbonate in excess is weighed, a little more than planned; the acid as planned still limits: 12 g ÷ 85 % = 14.118 g.
    const { unread, result, sheet } = judged(
      [read(charge('CoCO3'), 'net', '9.00 g'), read(crop, 'net', '8.25 g')],
      aimed,
    )
    expect(unread).toEqual(['HCl'])
    expect(sheet.limiting).toEqual(['HCl'])
    expect(result!.theoretical.value).toBeCloseTo(14.118, 3)
    expect(yieldNotes(judged([], plan)).map(({ tag }) => tag)).toEqual(['Not read'])
  })
})

describe('notes', () => {
  const tags = (product: string) =>
    yieldNotes(
      judged([
        read(charge('CoCO3'), 'net', '8.40 g'),
        read(charge('HCl'), 'volume', '40.0 mL'),
        read(crop, 'net', product),
      ]),
    ).map(({ tag }) => tag)
  it('warn plainly over 100 %, and not where the weighings cannot tell', () => {
    expect(tags('15.00 g')).toContain('Over 100 %')
    expect(tags('14.28 g')).toEqual(['About 100 %'])
    expect(tags('12.00 g')).toEqual([])
  })

  const notesOf = (wanted: Plan) => {
    const read = readPlan(wanted)
    const computed = computePlan(wanted)
    if (!read.ok || !computed.ok) throw new Error('The plan does not read.')
    return sheetNotes(computed.value.stages[0]!, { stage: read.value.stages[0]!, room: read.value.room })
  }
  it('warn of chlorine without a trap, of a small vessel and of what must not meet', () => {
    const chlorine: Plan = {
      room: { volume: '60 m3' },
      stages: [
        {
          id: 's1',
          equation: 'KMnO4 + HCl -> KCl + MnCl2 + H2O + Cl2',
          reagents: [
            { species: 'KMnO4', supply: { kind: 'solid' }, charge: { mass: '31.6 g' } },
            { species: 'HCl', supply: { kind: 'solution', concentration: '37 % w/w' }, charge: { equivalents: 1 } },
          ],
          product: { species: 'MnCl2' },
          vessel: '150 mL',
        },
      ],
    }
    const notes = notesOf(chlorine)
    const text = (tag: string) => notes.find(note => note.tag === tag)?.text
    expect(text('Together they make')).toContain('chlorine')
    expect(text('Hood and trap')).toContain('over the limit of 0.5 ppm')
    expect(text('Vessel too small')).toContain('half (gas comes)')
  })

  it('tell what limits, what is left, the gas, and the hazards with the site’s rules first', () => {
    const notes = notesOf(plan)
    expect(notes.map(({ tag }) => tag)).toEqual(['Gas', 'Hazard', 'Hazard', 'Rules first', 'Limits', 'Left over'])
    expect(notes[1]!.text).toContain('may cause cancer by inhalation (H350i)')
    expect(notes.find(({ tag }) => tag === 'Left over')!.text).toContain('does not dissolve and filters off')
    expect(notes.find(({ tag }) => tag === 'Rules first')!.text).toContain(
      'your site’s rules and a competent person come first',
    )
  })

  it('have words for every hazard in the table', () => {
    const codes = new Set(hazardStatements.map(({ code }) => code as string))
    for (const row of substances)
      for (const code of 'hazards' in row ? row.hazards : [])
        expect(codes.has(code), `${row.formula} ${code}`).toBe(true)
  })
})

describe('nextWant', () => {
  const bare: Plan = { stages: [{ ...plan.stages[0]!, reagents: [] }] }
  it.each([
    [bare, [], 'plan', 'Give a charge or a target mass'],
    [
      { stages: [{ ...plan.stages[0]!, equation: 'CoCO3 ->' }] },
      [],
      'plan',
      'Mend the sheet: something in it cannot be understood',
    ],
    [plan, [], 'plan', 'Weigh 8.40\u202fg of {CoCO3}'],
    [plan, [read(charge('CoCO3'), 'net', '8.4 g')], 'charge', 'Measure 40.0\u202fmL of {HCl}'],
    [
      plan,
      [read(charge('CoCO3'), 'net', '8.4 g'), read(charge('HCl'), 'volume', '40 mL')],
      'react',
      'Isolate and weigh {CoCl2·6H2O}',
    ],
    [plan, [read(crop, 'gross', '50 g')], 'react', 'Weigh the empty vessel of the product'],
    [
      plan,
      [read(crop, 'gross', '50 g'), read(crop, 'tare', '60 g')],
      'react',
      'Mend a weighing: its gross is below its tare',
    ],
    [plan, [read(crop, 'net', '10 g')], 'weighed', 'Read the yield'],
  ] as [Plan, Entry[], string, string][])('%#', (from, entries, standing, want) => {
    expect(nextWant(from, entries)).toMatchObject({ standing, want })
  })
})

it('shows the yield with its working from the readings', () => {
  expect(formatFigure(judged([read(crop, 'gross', '52.310 g'), read(crop, 'tare', '43.200 g')]).result!.actual)).toBe(
    '9.110\u202fg',
  )
})
