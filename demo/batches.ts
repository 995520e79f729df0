import type { StagePlan } from '#core/sheet'
import { copperHeated, copperWater, molybdateWashes, nickelByColour, nickelWithDmg, zincByEdta } from './assays'
import { demoLab } from './lab'
import { batchesOfWays } from './ways'
import { assayed, charge, crop, documentOf, journal, stepsOf, withProcedures, type DemoBatch } from './writing'

const [tove, wren] = demoLab.people

const zincPlan: StagePlan = {
  id: 's1',
  equation: 'Zn + H2SO4 -> ZnSO4 + H2',
  reagents: [
    { species: 'Zn', supply: { kind: 'solid', assay: '99.5 %' }, charge: { excess: '5 %' } },
    { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { volume: '66.0 mL' } },
  ],
  product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
  yield: '85 %',
  operations: [
    { heatTo: '60 °C' },
    { evaporateTo: { volume: '32 mL' } },
    { coolTo: '5 °C' },
    { filter: { retained: '20 %', liquor: 'liquor 1' } },
    { wash: { with: 'water', volume: '4 mL', at: '0 °C' } },
    { evaporate: { water: '5 g' }, of: 'liquor 1' },
    { coolTo: '0 °C' },
    { filter: { retained: '20 %' } },
  ],
}

function zinc(now: Date): DemoBatch {
  const run = journal(now, wren.id)
  const document = withProcedures(documentOf('Zinc sulfate from granulated zinc', zincPlan))
  run.read(55, charge('Zn'), 'tare', '31.18 g')
  run.read(54, charge('Zn'), 'gross', '40.34 g')
  run.step(53, stepsOf(document)[0]!, 'done')
  return { code: 'ZN-021', document, entries: run.inOrder() }
}

/** Finished, dry, and too little: its second crop was never taken. */
function zincLow(now: Date): DemoBatch {
  const run = journal(now, tove.id)
  const document = withProcedures(documentOf('Zinc sulfate, the batch before', zincPlan))
  const steps = stepsOf(document)
  const second = steps.findIndex(({ about }) => about?.what === 'product' && about.crop === 2)
  const boilAgain = steps.findLastIndex(({ do: kind }, i) => i < second && /concentrate|boil|evaporate/.test(kind))
  const drying = steps.findIndex(({ do: kind }) => kind === 'dry' || kind === 'desiccate')
  run.read(8800, charge('Zn'), 'tare', '30.92 g')
  run.read(8799, charge('Zn'), 'gross', '40.06 g')
  run.read(8790, charge('H2SO4'), 'volume', '66.0 mL')
  run.steps(8780, 7400, steps.slice(0, boilAgain > 0 ? boilAgain : second))
  run.saw(7900, 'fizzing stopped')
  run.saw(7899, 'solid left at the bottom')
  run.saw(7390, 'The liquor was poured off and kept.')
  if (drying > 0) run.steps(7380, 5600, steps.slice(drying, drying + 1))
  run.steps(5590, 5470, steps.slice(drying + 1, drying + 3))
  run.read(7385, crop(1), 'tare', '41.06 g')
  run.read(7000, { what: 'recovered', stage: 's1', species: 'Zn' }, 'net', '0.44 g')
  run.read(5590, crop(1), 'gross', '64.36 g')
  run.read(5480, crop(1), 'gross', '64.35 g')
  return { code: 'ZN-020', document: assayed(document, zincByEdta), entries: run.inOrder() }
}

function copper(): DemoBatch {
  return {
    code: 'CU-009',
    document: documentOf('Copper(II) sulfate from the basic carbonate', {
      id: 's1',
      equation: 'CuCO3.Cu(OH)2 + H2SO4 -> CuSO4 + CO2 + H2O',
      reagents: [
        { species: 'CuCO3·Cu(OH)2', supply: { kind: 'solid', assay: '96 %' }, charge: { excess: '3 %' } },
        { species: 'H2SO4', supply: { kind: 'solution', concentration: '25 % w/w' }, charge: { equivalents: 1 } },
      ],
      product: { species: 'CuSO4', form: 'CuSO4·5H2O' },
      target: { mass: '25 g' },
      yield: '80 %',
    }),
    entries: [],
  }
}

function cobalt(now: Date): DemoBatch {
  const run = journal(now, tove.id)
  const document = withProcedures(
    documentOf('Cobalt(II) chloride from the carbonate', {
      id: 's1',
      equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
      reagents: [
        { species: 'CoCO3', supply: { kind: 'solid', assay: '97 %' }, charge: { mass: '8.40 g' } },
        { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '40.0 mL' } },
      ],
      product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
      yield: '85 %',
    }),
  )
  run.read(1610, charge('CoCO3'), 'tare', '24.61 g')
  const slip = run.read(1609, charge('CoCO3'), 'gross', '30.33 g')
  run.correct(1608, slip, 'digits swapped on the way from the display', '33.03 g')
  run.read(1600, charge('HCl'), 'volume', '40.0 mL')
  run.saw(1585, 'fizzing stopped')
  run.saw(1584, 'Some mauve powder stays at the bottom.')
  run.saw(1560, 'filtrate clear')
  const drying = stepsOf(document).findIndex(step => step.do === 'dry' || step.do === 'desiccate')
  run.read(500, crop(1), 'tare', '41.27 g')
  run.steps(1610, 320, stepsOf(document).slice(0, drying + 1))
  run.read(308, crop(1), 'gross', '54.10 g')
  run.read(218, crop(1), 'gross', '53.61 g')
  run.read(128, crop(1), 'gross', '53.30 g')
  return { code: 'CO-003', document, entries: run.inOrder() }
}

function molybdate(now: Date): DemoBatch {
  const run = journal(now, wren.id)
  const document = withProcedures(
    documentOf('Sodium molybdate from the trioxide', {
      id: 's1',
      equation: 'MoO3 + NaOH -> Na2MoO4 + H2O',
      reagents: [
        { species: 'MoO3', supply: { kind: 'solid', assay: '99 %' }, charge: { mass: '7.20 g' } },
        { species: 'NaOH', supply: { kind: 'solid', assay: '98 %' }, charge: { excess: '1 %' } },
      ],
      product: { species: 'Na2MoO4', form: 'Na2MoO4·2H2O' },
      yield: '90 %',
    }),
  )
  run.read(400, charge('MoO3'), 'tare', '18.22 g')
  run.read(399, charge('MoO3'), 'gross', '25.44 g')
  run.read(395, charge('NaOH'), 'net', '4.12 g')
  run.saw(380, 'all dissolved')
  run.read(41, crop(1), 'tare', '36.90 g')
  run.read(40, crop(1), 'gross', '49.52 g')
  run.steps(400, 38, stepsOf(document))
  return { code: 'MO-002', document: assayed(document, molybdateWashes), entries: run.inOrder() }
}

const doubleSalt = (from: string): StagePlan => ({
  id: 's2',
  name: 'Double salt',
  equation: 'NiSO4 + (NH4)2SO4 -> (NH4)2Ni(SO4)2',
  reagents: [
    { species: 'NiSO4', supply: { kind: 'stage', from } },
    { species: '(NH4)2SO4', supply: { kind: 'solid', assay: '99 %' }, charge: { equivalents: 1 } },
  ],
  product: { species: '(NH4)2Ni(SO4)2', form: '(NH4)2Ni(SO4)2·6H2O' },
  solvent: '60 mL',
  at: '60 °C',
  yield: '75 %',
})

function nickel(now: Date): DemoBatch {
  const run = journal(now, tove.id)
  const document = withProcedures(
    documentOf(
      'Ammonium nickel(II) sulfate from the carbonate',
      {
        id: 's1',
        name: 'Nickel sulfate',
        equation: 'NiCO3 + H2SO4 -> NiSO4 + H2O + CO2',
        reagents: [
          { species: 'NiCO3', supply: { kind: 'solid', assay: '98 %', rest: 'residue' }, charge: { mass: '9.60 g' } },
          {
            species: 'H2SO4',
            supply: { kind: 'solution', concentration: '2.00 mol/L' },
            charge: { volume: '36.0 mL' },
          },
        ],
        product: { species: 'NiSO4', form: 'NiSO4·7H2O' },
        vessel: '250 mL',
        yield: '80 %',
      },
      doubleSalt('s1'),
    ),
  )
  run.read(1700, charge('NiCO3'), 'net', '9.60 g')
  run.read(1690, charge('H2SO4'), 'volume', '36.0 mL')
  run.saw(1650, 'fizzing stopped')
  run.saw(1649, 'Green powder stays at the bottom.')
  run.saw(1600, 'filtrate clear')
  run.read(260, crop(1), 'tare', '28.40 g')
  run.read(259, crop(1), 'gross', '43.52 g')
  run.read(215, charge('(NH4)2SO4', 's2'), 'net', '7.19 g')
  run.saw(190, 'Both dissolved at 70 °C; the mixed liquor is blue-green and clear.', 's2')
  run.saw(150, 'crystals', 's2')
  const icing = stepsOf(document, 's2').findIndex(step => step.do === 'ice')
  run.steps(1700, 255, stepsOf(document))
  run.steps(215, 60, stepsOf(document, 's2').slice(0, icing), 's2')
  run.step(58, stepsOf(document, 's2')[icing]!, 'begun', 's2')
  return {
    code: 'NI-014',
    document: assayed(document, nickelWithDmg, nickelByColour),
    entries: run.inOrder(),
  }
}

/** Nitric acid takes the metal up and gives nitrogen dioxide: hood, and caustic in the trap. */
function nickelFromMetal(): DemoBatch {
  return {
    code: 'NI-015',
    document: documentOf(
      'Ammonium nickel(II) sulfate from nickel turnings',
      {
        id: 's1',
        name: 'Nickel sulfate',
        equation: 'Ni + H2SO4 + HNO3 -> NiSO4 + NO2 + H2O',
        reagents: [
          { species: 'Ni', supply: { kind: 'solid', assay: '99.5 %' }, charge: { excess: '5 %' } },
          { species: 'H2SO4', supply: { kind: 'solution', concentration: '25 % w/w' }, charge: { equivalents: 1 } },
          { species: 'HNO3', supply: { kind: 'solution', concentration: '65 % w/w' }, charge: { equivalents: 1 } },
        ],
        product: { species: 'NiSO4', form: 'NiSO4·7H2O' },
        vessel: '250 mL',
        addition: '40 min',
        bath: '50 W',
        trap: { reagent: 'NaOH', volume: '250 mL', concentration: '2.0 mol/L' },
        yield: '80 %',
      },
      { ...doubleSalt('s1'), target: { mass: '25 g' } },
    ),
    entries: [],
  }
}

/** Two branches meet: copper sulfate is isolated, potassium oxalate stays in its pot. */
function cuprate(): DemoBatch {
  return {
    code: 'CU-010',
    document: documentOf(
      'Potassium bis(oxalato)cuprate(II) by two branches',
      {
        id: 's1',
        name: 'Copper sulfate',
        equation: 'CuCO3.Cu(OH)2 + H2SO4 -> CuSO4 + CO2 + H2O',
        reagents: [
          { species: 'CuCO3·Cu(OH)2', supply: { kind: 'solid', assay: '96 %' }, charge: { excess: '5 %' } },
          { species: 'H2SO4', supply: { kind: 'solution', concentration: '25 % w/w' }, charge: { equivalents: 1 } },
        ],
        product: { species: 'CuSO4', form: 'CuSO4·5H2O' },
        vessel: '150 mL',
        yield: '80 %',
      },
      {
        id: 's2',
        name: 'Potassium oxalate',
        equation: 'H2C2O4 + KOH -> K2C2O4 + H2O',
        reagents: [
          { species: 'H2C2O4', supply: { kind: 'solid', formula: 'H2C2O4·2H2O' }, charge: { equivalents: 1 } },
          {
            species: 'KOH',
            supply: { kind: 'solid', assay: '86 %', moisture: '13 %' },
            charge: { equivalents: 1 },
          },
        ],
        product: { species: 'K2C2O4', form: 'K2C2O4·H2O' },
        solvent: '40 mL',
        at: '80 °C',
        inPot: true,
      },
      {
        id: 's3',
        name: 'The complex',
        equation: 'CuSO4 + K2C2O4 -> K2[Cu(C2O4)2] + K2SO4',
        reagents: [
          { species: 'CuSO4', supply: { kind: 'stage', from: 's1' } },
          { species: 'K2C2O4', supply: { kind: 'stage', from: 's2' }, charge: { excess: '10 %' } },
        ],
        product: { species: 'K2[Cu(C2O4)2]', form: 'K2[Cu(C2O4)2]·2H2O' },
        target: { mass: '12 g' },
        yield: '85 %',
        solvent: '20 mL',
        at: '80 °C',
      },
    ),
    entries: [],
  }
}

/** The pentahydrate stands in for the anhydrous salt; ammonia in excess stays in the liquor and is boiled off. */
function ammine(): DemoBatch {
  return {
    code: 'CU-011',
    document: assayed(
      documentOf('Tetraamminecopper(II) sulfate', {
        id: 's1',
        equation: 'CuSO4 + NH3 + H2O -> [Cu(NH3)4]SO4.H2O',
        reagents: [
          {
            species: 'CuSO4',
            supply: { kind: 'solid', formula: 'CuSO4·5H2O', assay: '99 %' },
            charge: { mass: '12.5 g' },
          },
          {
            species: 'NH3',
            supply: { kind: 'solution', concentration: '25 % w/w' },
            charge: { excess: '50 %' },
            wayOut: 'washed out',
          },
        ],
        product: { species: '[Cu(NH3)4]SO4·H2O' },
        yield: '80 %',
      }),
      copperWater,
      copperHeated,
    ),
    entries: [],
  }
}

/** Copper chloride is wanted, and what comes down first is something else: the exchange stands under the procedure. */
function chloride(): DemoBatch {
  return {
    code: 'CU-012',
    document: documentOf('Copper(II) chloride from the sulfate, a trial', {
      id: 's1',
      name: 'Which comes first',
      equation: 'CuSO4 + KCl -> CuCl2 + K2SO4',
      reagents: [
        { species: 'CuSO4', supply: { kind: 'solid', formula: 'CuSO4·5H2O' }, charge: { mass: '25.0 g' } },
        { species: 'KCl', supply: { kind: 'solid' }, charge: { equivalents: 1 } },
      ],
      product: { species: 'CuCl2', form: 'CuCl2·2H2O' },
      solvent: '40 mL',
    }),
    entries: [],
  }
}

/** The station's batches as they stand at `now`. */
export const demoBatches = (now: Date): DemoBatch[] => [
  ...batchesOfWays(now),
  chloride(),
  ammine(),
  cuprate(),
  nickelFromMetal(),
  copper(),
  cobalt(now),
  molybdate(now),
  zincLow(now),
  nickel(now),
  zinc(now),
]
