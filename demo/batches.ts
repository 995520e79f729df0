import type { Worksheet } from '#core/assay'
import type { BatchDocument } from '#core/document'
import { operationOf, type About, type Entry, type Measure, type Step } from '#core/journal'
import { proposedFor } from '#core/result'
import { computeReadPlan, readPlan, type StagePlan } from '#core/sheet'
import { demoLab } from './lab'

export interface DemoBatch {
  readonly code: string
  readonly document: BatchDocument
  readonly entries: readonly Entry[]
}

const BALANCE = 'Simulated balance, 0.01 g'
const [tove, wren] = demoLab.people

const documentOf = (title: string, ...stages: StagePlan[]): BatchDocument => ({
  format: 'zip-ledger/batch',
  version: 1,
  title,
  plan: { stages },
})

/** With the procedures that its plan proposes, as a run keeps them when it begins. */
function withProcedures(document: BatchDocument): BatchDocument {
  const read = readPlan(document.plan)
  const computed = read.ok ? computeReadPlan(read.value) : read
  if (!read.ok || !computed.ok) throw new Error(`The demo plan “${document.title}” does not read.`)
  const procedures = computed.value.stages.map((sheet, i) => ({
    stage: sheet.id,
    steps: [...proposedFor(read.value, sheet, i, document.plan.stages[i]!.crystals?.moves)],
  }))
  return { ...document, procedures }
}

const stepsOf = (document: BatchDocument, stage = 's1'): readonly Step[] =>
  document.procedures!.find(one => one.stage === stage)!.steps

const assayed = (document: BatchDocument, ...assays: Worksheet[]): BatchDocument => ({ ...document, assays })

/** Writes a journal that ends some minutes before `now`. */
function journal(now: Date, by: string) {
  const entries: Entry[] = []
  const written = (minutesAgo: number) => ({
    id: crypto.randomUUID(),
    at: new Date(now.getTime() - minutesAgo * 60_000).toISOString(),
    by,
  })
  return {
    entries,
    inOrder: () => entries.toSorted((a, b) => a.at.localeCompare(b.at)),
    read(minutesAgo: number, about: About, measure: Measure, value: string) {
      const byBalance = measure !== 'volume'
      entries.push({
        kind: 'reading',
        ...written(minutesAgo),
        about,
        measure,
        value,
        typed: !byBalance,
        ...(byBalance && { instrument: BALANCE }),
      })
      return entries.at(-1)!.id
    },
    step(minutesAgo: number, { id, words }: Step, what: 'begun' | 'done', stage = 's1') {
      entries.push({ kind: 'step', ...written(minutesAgo), stage, step: id, what, words })
    },
    /** Steps done one after another, from so many minutes ago to so many. */
    steps(from: number, to: number, steps: readonly Step[], stage = 's1') {
      steps.forEach((step, i) => {
        const share = (from - to) / steps.length
        const begun = from - share * i
        const times = step.repeat?.times ?? 1
        if (times === 1 && operationOf(step.do).wait > 0) this.step(begun, step, 'begun', stage)
        for (let n = 1; n <= times; n++) this.step(begun - (share * n) / times, step, 'done', stage)
      })
    },
    saw(minutesAgo: number, text: string, stage = 's1') {
      entries.push({ kind: 'observation', ...written(minutesAgo), stage, text })
    },
    correct(minutesAgo: number, corrects: string, why: string, instead: string) {
      entries.push({ kind: 'correction', ...written(minutesAgo), corrects, why, instead })
    },
  }
}

const charge = (species: string, stage = 's1'): About => ({ what: 'charge', stage, species })
const crop = (number: number, stage = 's1'): About => ({ what: 'product', stage, crop: number })

function zinc(now: Date): DemoBatch {
  const run = journal(now, wren.id)
  const document = withProcedures(
    documentOf('Zinc sulfate from granulated zinc', {
      id: 's1',
      equation: 'Zn + H2SO4 -> ZnSO4 + H2',
      reagents: [
        { species: 'Zn', supply: { kind: 'solid', assay: '99.5 %' }, charge: { excess: '5 %' } },
        { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { volume: '66.0 mL' } },
      ],
      product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
      yield: '85 %',
      crystals: {
        moves: [
          { heatTo: '60 °C' },
          { evaporateTo: { volume: '32 mL' } },
          { coolTo: '5 °C' },
          { filter: { retained: '20 %' } },
          { wash: { with: 'water', volume: '4 mL', at: '0 °C' } },
          { evaporate: { water: '5 g' } },
          { coolTo: '0 °C' },
          { filter: { retained: '20 %' } },
        ],
      },
    }),
  )
  run.read(55, charge('Zn'), 'tare', '31.18 g')
  run.read(54, charge('Zn'), 'gross', '40.34 g')
  run.step(53, stepsOf(document)[0]!, 'done')
  return { code: 'ZN-021', document, entries: run.inOrder() }
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
  run.saw(1585, 'Fizzing stopped; some mauve powder stays at the bottom.')
  run.saw(1560, 'Filtrate clear, rose red.')
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
  run.saw(380, 'All dissolved, clear and colourless.')
  run.read(41, crop(1), 'tare', '36.90 g')
  run.read(40, crop(1), 'gross', '49.52 g')
  run.steps(400, 38, stepsOf(document))
  return { code: 'MO-002', document, entries: run.inOrder() }
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
        product: { species: 'NiSO4', form: 'NiSO4·6H2O' },
        vessel: '250 mL',
        yield: '80 %',
      },
      doubleSalt('s1'),
    ),
  )
  run.read(1700, charge('NiCO3'), 'net', '9.60 g')
  run.read(1690, charge('H2SO4'), 'volume', '36.0 mL')
  run.saw(1650, 'Fizzing stopped; green powder stays at the bottom.')
  run.saw(1600, 'Filtered warm, clear, emerald green.')
  run.read(260, crop(1), 'tare', '28.40 g')
  run.read(259, crop(1), 'gross', '43.52 g')
  run.read(215, charge('(NH4)2SO4', 's2'), 'net', '7.68 g')
  run.saw(190, 'Both dissolved at 70 °C; the mixed liquor is blue-green and clear.', 's2')
  run.saw(150, 'Blue-green crystals on cooling.', 's2')
  const icing = stepsOf(document, 's2').findIndex(step => step.do === 'ice')
  run.steps(1700, 255, stepsOf(document))
  run.steps(215, 60, stepsOf(document, 's2').slice(0, icing), 's2')
  run.step(58, stepsOf(document, 's2')[icing]!, 'begun', 's2')
  return {
    code: 'NI-014',
    document: assayed(document, {
      id: 'a1',
      kind: 'gravimetric',
      name: 'Nickel with dimethylglyoxime',
      given: { analyte: 'Ni', weighedAs: 'Ni(C4H7N2O2)2' },
      rows: [
        { sample: '0.2561 g', tare: '24.1311 g', gross: '24.3182 g' },
        { sample: '0.2498 g', tare: '23.8804 g', gross: '24.0630 g' },
        { sample: '0.2603 g', tare: '24.5519 g', gross: '24.7422 g' },
        { sample: '0.2544 g', tare: '24.0078 g', gross: '24.1936 g' },
      ],
    }),
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
        product: { species: 'NiSO4', form: 'NiSO4·6H2O' },
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
      {
        id: 'a1',
        kind: 'hydrate',
        name: 'Water in the copper salt of the bottle',
        given: { salt: 'CuSO4' },
        rows: [
          { tare: '18.204 g', before: '19.254 g', after: '18.875 g' },
          { tare: '17.911 g', before: '18.872 g', after: '18.526 g' },
          { tare: '18.420 g', before: '19.563 g', after: '19.151 g' },
        ],
      },
    ),
    entries: [],
  }
}

/** Copper chloride is wanted, and what comes down first is something else: the exchange is on the Crystals page. */
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
  chloride(),
  ammine(),
  cuprate(),
  nickelFromMetal(),
  copper(),
  cobalt(now),
  molybdate(now),
  nickel(now),
  zinc(now),
]
