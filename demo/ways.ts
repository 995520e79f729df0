import { demoLab } from './lab'
import { charge, crop, documentOf, journal, stepsOf, withProcedures, type DemoBatch } from './writing'

const [tove, wren] = demoLab.people

/** Thrown down from the chloride, and washed until silver nitrate stays clear: for the corals’ tank. */
function strontium(now: Date): DemoBatch {
  const run = journal(now, wren.id)
  const document = withProcedures(
    documentOf('Strontium carbonate for the corals’ tank', {
      id: 's1',
      equation: 'SrCl2 + Na2CO3 -> SrCO3 + NaCl',
      reagents: [
        {
          species: 'SrCl2',
          supply: { kind: 'solid', formula: 'SrCl2·6H2O', assay: '99 %' },
          charge: { mass: '26.7 g' },
        },
        { species: 'Na2CO3', supply: { kind: 'solid', assay: '99.5 %' }, charge: { excess: '5 %' } },
      ],
      product: { species: 'SrCO3' },
      solvent: '200 mL',
      yield: '97 %',
    }),
  )
  const steps = stepsOf(document)
  const washing = steps.findIndex(step => step.do === 'wash')
  run.read(620, charge('SrCl2'), 'net', '26.71 g')
  run.read(612, charge('Na2CO3'), 'net', '11.09 g')
  run.steps(625, 420, steps.slice(0, washing))
  run.saw(470, 'filtrate clear')
  run.read(455, crop(1), 'tare', '31.44 g')
  const wash = steps[washing]!
  for (const [i, result] of (['cloud', 'cloud', 'clear'] as const).entries()) {
    run.step(410 - 20 * i, wash, 'done')
    run.test(405 - 20 * i, 'AgNO3', result, wash)
  }
  run.read(120, crop(1), 'gross', '45.71 g')
  run.read(40, crop(1), 'gross', '45.69 g')
  run.steps(340, 30, steps.slice(washing + 1))
  return { code: 'SR-001', document, entries: run.inOrder() }
}

/** An oxide by calcining, in a crucible to constant mass. */
function zincOxide(now: Date): DemoBatch {
  const run = journal(now, tove.id)
  const document = withProcedures(
    documentOf('Zinc oxide by calcining the carbonate', {
      id: 's1',
      equation: 'ZnCO3 -> ZnO + CO2',
      reagents: [{ species: 'ZnCO3', supply: { kind: 'solid', assay: '99 %' }, charge: { mass: '12.5 g' } }],
      product: { species: 'ZnO' },
      at: '500 °C',
      yield: '99 %',
    }),
  )
  const steps = stepsOf(document)
  run.read(400, crop(1), 'tare', '38.115 g')
  run.read(390, charge('ZnCO3'), 'net', '12.52 g')
  run.steps(410, 90, steps.slice(0, -1))
  run.read(100, crop(1), 'gross', '46.28 g')
  run.read(30, crop(1), 'gross', '46.17 g')
  return { code: 'ZN-022', document, entries: run.inOrder() }
}

const plans: readonly DemoBatch[] = [
  {
    code: 'CU-013',
    entries: [],
    document: documentOf('Anhydrous copper(II) sulfate, a drying agent', {
      id: 's1',
      equation: 'CuSO4·5H2O -> CuSO4 + H2O',
      reagents: [{ species: 'CuSO4·5H2O', supply: { kind: 'solid', assay: '99 %' }, charge: { mass: '25.0 g' } }],
      product: { species: 'CuSO4' },
      at: '250 °C',
    }),
  },
  {
    code: 'LI-001',
    entries: [],
    document: documentOf('Lithium chloride, bottled fast', {
      id: 's1',
      equation: 'Li2CO3 + HCl -> LiCl + H2O + CO2',
      reagents: [
        { species: 'Li2CO3', supply: { kind: 'solid', assay: '99 %' }, charge: { mass: '7.39 g' } },
        { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { excess: '3 %' } },
      ],
      product: { species: 'LiCl' },
    }),
  },
  {
    code: 'SN-001',
    entries: [],
    document: documentOf('Tin(II) chloride, kept by the metal left in', {
      id: 's1',
      equation: 'Sn + HCl -> SnCl2 + H2',
      reagents: [
        {
          species: 'Sn',
          supply: { kind: 'solid', assay: '99.8 %' },
          charge: { excess: '20 %' },
          wayOut: 'left in on purpose',
        },
        { species: 'HCl', supply: { kind: 'solution', concentration: '36 % w/w' }, charge: { volume: '25.0 mL' } },
      ],
      product: { species: 'SnCl2', form: 'SnCl2·2H2O' },
      way: 'take to dryness',
    }),
  },
  {
    code: 'CU-014',
    entries: [],
    document: documentOf('Copper(II) acetylacetonate from methanol', {
      id: 's1',
      equation: 'CuCl2 + C5H8O2 + CH3COONa -> Cu(C5H7O2)2 + NaCl + CH3COOH',
      reagents: [
        { species: 'CuCl2', supply: { kind: 'solid', formula: 'CuCl2·2H2O' }, charge: { mass: '4.26 g' } },
        {
          species: 'C5H8O2',
          supply: { kind: 'liquid', density: '0.975 g/mL', assay: '99 %' },
          charge: { excess: '10 %' },
        },
        { species: 'CH3COONa', supply: { kind: 'solid', formula: 'CH3COONa·3H2O' }, charge: { equivalents: 1 } },
      ],
      product: { species: 'Cu(C5H7O2)2' },
      solvents: [{ name: 'methanol', volume: '60 mL' }],
      way: 'own',
    }),
  },
]

/** One batch for each way to a product that the others lack. */
export const batchesOfWays = (now: Date): DemoBatch[] => [...plans, zincOxide(now), strontium(now)]
