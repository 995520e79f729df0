import { describe, expect, it } from 'vitest'
import { computeReadPlan, readPlan, type StagePlan } from '#core/sheet'
import { cautionAmount, isGrave, procedureOf, sumOfCautions } from '.'

const solid = (species: string, mass?: string) => ({
  species,
  supply: { kind: 'solid' as const },
  ...(mass && { charge: { mass } }),
})
const solution = (species: string, concentration: string, volume?: string) => ({
  species,
  supply: { kind: 'solution' as const, concentration },
  ...(volume && { charge: { volume } }),
})
function proposed(...stages: Partial<StagePlan>[]) {
  const read = readPlan({ stages: stages.map((stage, i) => ({ id: `s${i + 1}`, ...stage })) as StagePlan[] })
  const sheet = read.ok ? computeReadPlan(read.value) : read
  if (!read.ok || !sheet.ok) throw new Error(JSON.stringify(read.ok ? sheet : read.problem))
  return procedureOf(read.value, sheet.value)
}
function cautions(...stages: Partial<StagePlan>[]) {
  const told = proposed(...stages).flatMap(({ events }) => events.flatMap(event => event.cautions))
  return new Map(sumOfCautions(told).map(one => [one.code as string, cautionAmount(one)]))
}

describe('cautions out of the account', () => {
  it('count the hydrogen of all portions: 9.06 g of zinc in 0.132 mol of acid', () => {
    const found = cautions({
      equation: 'Zn + H2SO4 -> ZnSO4 + H2',
      reagents: [solid('Zn', '9.063 g'), solution('H2SO4', '2.00 mol/L', '66.0 mL')],
      product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
    })
    expect(found.get('hydrogen')).toBe('0.13 mol of {H2}')
    expect(found.has('toxic-gas')).toBe(false)
  })
  it('tell of brown fumes where nitric acid gives NO, with how much', () => {
    // 3 Cu to 2 NO: 6.355 g, 0.100 mol, gives 0.067 mol.
    const found = cautions({
      equation: 'Cu + HNO3 -> Cu(NO3)2 + NO + H2O',
      reagents: [solid('Cu', '6.355 g'), solution('HNO3', '4 mol/L')],
      product: { species: 'Cu(NO3)2', form: 'Cu(NO3)2·3H2O' },
    })
    expect(found.get('brown-fumes')).toBe('0.067 mol of {NO}')
  })
  it('tell of hydrogen sulfide from a carried sulfide: an excess of it in the pot that gets acid', () => {
    const found = cautions(
      {
        equation: 'CuSO4 + Na2S -> CuS + Na2SO4',
        reagents: [solution('CuSO4', '0.5 mol/L', '20 mL'), solution('Na2S', '0.5 mol/L', '30 mL')],
        product: { species: 'Na2SO4' },
        inPot: true,
      },
      {
        equation: 'Na2SO4 + BaCl2 -> BaSO4 + NaCl',
        reagents: [
          { species: 'Na2SO4', supply: { kind: 'stage', from: 's1' } },
          solution('BaCl2', '0.5 mol/L', '30 mL'),
        ],
        product: { species: 'BaSO4' },
        inPot: true,
      },
      {
        equation: 'BaSO4 + HCl -> BaCl2 + H2SO4',
        reagents: [{ species: 'BaSO4', supply: { kind: 'stage', from: 's2' } }, solution('HCl', '2 mol/L', '20 mL')],
        product: { species: 'BaCl2' },
      },
    )
    // 15 mmol of sulfide less 10 of copper: 5 mmol. What boils off with the excess of hydrochloric acid is told after it.
    expect(found.get('deadly-gas')).toBe('5 mmol of {H2S}')
    expect(found.get('toxic-gas')).toMatch(/^[\d.]+ mmol of \{HCl\}$/)
    expect([isGrave('deadly-gas'), isGrave('toxic-gas')]).toEqual([true, false])
  })
  it('bound the chlorine of bleach on acid chloride by the scarcer of the two', () => {
    // 10 mL of 0.5 mol/L hypochlorite, 5 mmol, takes as much chloride; 60 mmol of acid are there.
    const found = cautions({
      equation: 'FeCl2 + HCl + NaClO -> FeCl3 + NaCl + H2O',
      reagents: [
        solid('FeCl2', '1.2675 g'),
        solution('HCl', '2 mol/L', '30 mL'),
        solution('NaClO', '0.5 mol/L', '10 mL'),
      ],
      product: { species: 'FeCl3' },
    })
    expect(found.get('chlorine')).toBe('at most 5 mmol of {Cl2}')
  })
  it('warn of an oxidant beside a fuel, of azide with acid, and of what is not dried hot', () => {
    const chlorate = cautions({
      equation: 'Ba(ClO3)2 + K2C2O4 -> BaC2O4 + KClO3',
      reagents: [solid('Ba(ClO3)2', '3.04 g'), solid('K2C2O4', '2 g')],
      product: { species: 'KClO3' },
      solvent: '30 mL',
      way: 'take to dryness',
    })
    expect(chlorate.has('oxidant-with-fuel')).toBe(true)
    expect(chlorate.get('not-to-dryness')).toContain('chlorates go off')
    const azide = cautions({
      equation: 'NaN3 + HCl -> HN3 + NaCl',
      reagents: [solid('NaN3', '0.65 g'), solution('HCl', '1 mol/L', '10 mL')],
      product: { species: 'NaCl' },
    })
    expect(azide.get('azide-with-acid')).toContain('10 mmol of {HN3}')
    const fluoride = cautions({
      equation: 'Na2CO3 + HF -> NaF + H2O + CO2',
      reagents: [solid('Na2CO3', '5.3 g'), solution('HF', '40 % w/w')],
      product: { species: 'NaF' },
    })
    expect(fluoride.get('takes-glass')).toContain('of {HF}')
    const made = cautions({
      equation: 'NaF + HCl -> HF + NaCl',
      reagents: [solid('NaF', '0.21 g'), solution('HCl', '1 mol/L', '10 mL')],
      product: { species: 'NaCl' },
    })
    expect(made.get('takes-glass')).toContain('5 mmol of {HF}')
    const salt = cautions({
      equation: 'BaCl2 + NaF -> BaF2 + NaCl',
      reagents: [solid('BaCl2', '2.08 g'), solid('NaF')],
      product: { species: 'BaF2' },
      solvent: '60 mL',
    })
    expect(salt.has('takes-glass')).toBe(false)
    const nitrate = cautions({
      equation: 'NH3 + HNO3 -> NH4NO3',
      reagents: [solution('NH3', '2 mol/L', '50 mL'), solution('HNO3', '2 mol/L', '50 mL')],
      product: { species: 'NH4NO3' },
      way: 'take to dryness',
    })
    expect(nitrate.get('not-to-dryness')).toContain('ammonium nitrate')
  })
  it.each([
    ['AgNO3 + NaN3 -> AgN3 + NaNO3', 'AgN3', 'AgNO3', 'NaN3'],
    ['Ba(ClO3)2 + (NH4)2SO4 -> BaSO4 + NH4ClO3', 'NH4ClO3', 'Ba(ClO3)2', '(NH4)2SO4'],
    ['[Co(NH3)6]Cl3 + NaClO4 -> [Co(NH3)6](ClO4)3 + NaCl', '[Co(NH3)6](ClO4)3', '[Co(NH3)6]Cl3', 'NaClO4'],
  ])('plan no step of what explodes: %s', (equation, product, one, other) => {
    const [stage] = proposed({
      equation,
      reagents: [solid(one, '1 g'), solid(other)],
      product: { species: product },
      solvent: '50 mL',
    })
    expect(stage!.steps).toEqual([])
    expect(stage!.isKnown).toBe(false)
    expect(stage!.warnings.map(({ code }) => code)).toEqual(['explosive'])
  })
  it('say where nothing is known about a compound', () => {
    const [stage] = proposed({
      equation: 'NiCO3 + HBrO3 -> Ni(BrO3)2 + H2O + CO2',
      reagents: [solid('NiCO3', '1 g'), solution('HBrO3', '1 mol/L')],
      product: { species: 'Ni(BrO3)2', form: 'Ni(BrO3)2·6H2O' },
    })
    expect(stage!.warnings.find(({ code }) => code === 'nothing-known')!.message).toContain('Ni(BrO3)2·6H2O')
  })
  it('warn of hydrolysis where no free acid holds the ion, and not where some does', () => {
    const iron = (equivalents: number) =>
      cautions({
        equation: 'Fe2O3 + HCl -> FeCl3 + H2O',
        reagents: [
          solid('Fe2O3', '1.597 g'),
          { ...solution('HCl', '6 mol/L'), charge: { equivalents } },
        ] as StagePlan['reagents'],
        product: { species: 'FeCl3', form: 'FeCl3·6H2O' },
        way: 'crystallise',
      })
    expect(iron(1).get('hydrolysis')).toContain('{Fe^3+}')
    expect(iron(1.5).has('hydrolysis')).toBe(false)
  })
  it('judge a step of one’s own by the same rules: water onto strong acid', () => {
    const plan = {
      stages: [
        {
          id: 's1',
          equation: 'Na2CO3 + H2SO4 -> Na2SO4 + H2O + CO2',
          reagents: [
            solid('Na2CO3', '10.6 g'),
            { species: 'H2SO4', supply: { kind: 'liquid' as const, assay: '98 %', density: '1.84 g/mL' } },
          ],
          product: { species: 'Na2SO4', form: 'Na2SO4·10H2O' },
          solvent: '50 mL',
        },
      ],
    }
    const read = readPlan(plan)
    const sheet = read.ok ? computeReadPlan(read.value) : read
    if (!read.ok || !sheet.ok) throw new Error('no')
    const steps = [
      { id: 'a', do: 'add' as const, words: 'The acid first', does: { charge: 'H2SO4' } },
      { id: 'b', do: 'add' as const, words: 'Then the water', does: { addSolvent: { name: 'water' } } },
      { id: 'c', do: 'add' as const, words: 'Then the soda', does: { charge: 'Na2CO3' } },
    ]
    const [told] = procedureOf(read.value, sheet.value, [], () => ({ steps }))
    expect(told!.events[1]!.cautions.map(({ code }) => code)).toContain('water-onto-acid')
    const [proposed] = procedureOf(read.value, sheet.value)
    expect(proposed!.events.flatMap(event => event.cautions.map(({ code }) => code))).not.toContain('water-onto-acid')
  })
})
