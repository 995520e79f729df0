import type { Worksheet } from '#core/assay'
import { usualRubric, type ClassPlan } from '#core/classroom'
import type { BatchDocument } from '#core/document'
import type { Entry } from '#core/journal'
import { scaleText } from '#core/quantity'
import { charge, crop, journal } from './writing'

/** A school day at the station: twelve pairs make the nickel double salt, and find zinc in a nutrient salt that each jar holds in another share. */
export const schoolDay: Omit<ClassPlan, 'document'> = {
  name: 'School day: nickel double salt, and zinc in a jar',
  groups: 12,
  sections: ['Morning', 'Afternoon'],
  seed: 42,
  scatter: 12,
  unknown: { asks: 'zinc in the nutrient salt', unit: '%', from: 15, to: 25, digits: 4 },
  shows: { predictions: false, explanations: false },
  questions: [
    { id: 'before-1', when: 'before', text: 'Which reagent limits in the second stage?' },
    { id: 'after-1', when: 'after', text: 'What would you do otherwise next time?' },
  ],
  rubric: [...usualRubric],
}

export const schoolRoster: readonly string[] = [
  'Pip Sedge', 'Ode Larch', 'Fen Rowan', 'Mire Teal', 'Brook Alder', 'Wick Heron', 'Moss Plover', 'Reed Tansy', 'Gorse Wren', 'Linn Dace', 'Shaw Bittern', 'Holt Sallow',
  'Beck Tern', 'Dell Rush', 'Carr Osier', 'Tarn Yarrow', 'Ness Curlew', 'Fell Burdock', 'Ings Smew', 'Holm Avens', 'Lea Knot', 'Rigg Vetch', 'Wade Brant', 'Strand Orach',
] // prettier-ignore

/** How far each pair came by the middle of the day: the share of what both stages could give at best that it weighed, by group; one of them still wet. Nothing where it is not that far. */
const CROPS = [0.66, 0.62, 0.69, 0.6, 0.65, 0.9, 0.63, 0.64] as const
/** How many of their entries the others have made. */
const UNDER_WAY = { 9: 4, 10: 3, 11: 2 } as const
/** How far each pair's zinc lies off its jar. */
const FOUND = [0.997, 1.012, 0.985, 1.004, 1.03, 0.9, 1.008] as const
export const WANTS_HELP = 10

/** A pair's journal up to now, `expected` g of product being what its plan could give. */
export function schoolEntries(
  now: Date,
  by: string,
  number: number,
  document: BatchDocument,
  expected: number,
): Entry[] {
  const run = journal(now, by)
  const last = document.plan.stages.at(-1)!.id
  let at = 150
  for (const { id, reagents } of document.plan.stages)
    for (const { species, supply, charge: planned } of reagents) {
      if (supply.kind === 'stage' || !planned) continue
      if ('mass' in planned) run.read((at -= 6), charge(species, id), 'net', planned.mass)
      if ('volume' in planned) run.read((at -= 6), charge(species, id), 'volume', planned.volume)
    }
  run.saw(95, 'Green liquor, clear', last)
  run.saw(60, 'Blue-green crystals', last)
  run.saw(55, 'The liquor is pale', last)
  const share = CROPS[number - 1]
  if (share !== undefined) {
    const weighed = scaleText(`${expected.toFixed(2)} g`, share)
    run.read(40, crop(1, last), 'net', weighed)
    if (number % 2 === 1) run.read(6, crop(1, last), 'net', weighed)
  }
  const all = run.inOrder()
  return share === undefined ? all.slice(0, UNDER_WAY[number as keyof typeof UNDER_WAY] ?? 0) : all
}

const [SAMPLE, EDTA] = [0.5, 0.05] as const
const ZINC = 65.38

/** What a pair found of the zinc in its jar, in three titrations; nothing where it has not come to it. */
export function schoolAssay(number: number, key: number): Worksheet | undefined {
  const share = FOUND[number - 1]
  if (share === undefined) return undefined
  const volume = (key * share * SAMPLE * 10) / (ZINC * EDTA)
  return {
    id: crypto.randomUUID(),
    kind: 'titration',
    name: 'Zinc by EDTA',
    given: {
      equation: 'Zn^2+ + H2C10H12N2O8^2- -> ZnC10H12N2O8^2- + 2 H^+',
      titrant: 'H2C10H12N2O8^2-',
      concentration: `${EDTA.toFixed(4)} mol/L`,
      species: 'Zn^2+',
      form: 'Zn',
    },
    rows: [-1, 0, 1].map(step => ({
      sample: `${SAMPLE.toFixed(4)} g`,
      volume: `${(volume * (1 + step * 0.004)).toFixed(2)} mL`,
    })),
  }
}
