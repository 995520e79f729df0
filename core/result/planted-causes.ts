import type { Worksheet } from '#core/assay'
import type { Entry, Operation, Step } from '#core/journal'
import { computeReadPlan, readPlan, type StagePlan } from '#core/sheet'
import { proposedFor } from './brief'
import {
  solid,
  solution,
  zinc,
  zincTwice,
  copper,
  cobalt,
  molybdate,
  doubleSalt,
  cuprate,
  ammine,
  chloride,
  byEdta,
  byDmg,
} from './planted-stages'
import type { CauseCode } from './explain-yield'

/*
 * Batches with a cause that is known because it was put in: invented numbers, salts of the demo station. For the test of the ranking only; nothing
 * that ranks may import this file.
 */
export interface Planted {
  readonly name: string
  readonly cause: CauseCode
  /** Causes that this batch's own data rule out. */
  readonly ruledOut?: readonly CauseCode[]
  readonly stage: StagePlan
  /** Net weighings of the product, an hour apart, or its crops. */
  readonly weighed: readonly string[]
  readonly charged?: Readonly<Record<string, string>>
  /** Operations whose steps were skipped, and those that were never taken up. */
  readonly skipped?: readonly Operation[]
  readonly open?: readonly string[]
  /** Portions of the addition that were put in, of those planned. */
  readonly portions?: number
  readonly washes?: number
  readonly extra?: readonly Step[]
  readonly seen?: readonly string[]
  readonly deviation?: string
  /** What came back of a reagent and was weighed. */
  readonly recovered?: Readonly<Record<string, string>>
  readonly assays?: readonly Worksheet[]
}

export const planted: readonly Planted[] = [
  {
    name: 'copper chloride wanted, and the potassium salt came',
    cause: 'other salt',
    ruledOut: ['spilled'],
    stage: chloride,
    weighed: ['8.30 g', '8.30 g'],
    seen: ['all dissolved', 'colourless crystals'],
  },
  {
    name: 'zinc sulfate whose excess of zinc was eaten',
    cause: 'side reaction',
    ruledOut: ['not finished', 'spilled'],
    stage: zinc(),
    weighed: ['24.20 g', '24.20 g'],
    recovered: { Zn: '0.05 g' },
    seen: ['fizzing stopped', 'all dissolved'],
  },
  {
    name: 'zinc sulfate with weak acid, the zinc came back',
    cause: 'weak reagent',
    ruledOut: ['side reaction'],
    stage: zinc(),
    weighed: ['22.00 g', '22.00 g'],
    recovered: { Zn: '3.15 g' },
    seen: ['fizzing stopped', 'old bottle'],
  },
  {
    name: 'cobalt chloride whose carbonate came back',
    cause: 'not finished',
    ruledOut: ['second crop'],
    stage: {
      ...cobalt,
      reagents: [
        solid('CoCO3', { mass: '7.00 g' }, { assay: '100 %' }),
        solution('HCl', '3.00 mol/L', { volume: '50.0 mL' }),
      ],
    },
    weighed: ['8.00 g', '8.00 g'],
    recovered: { CoCO3: '2.10 g' },
  },
  {
    name: 'second crop left, and the assay says that the first is what it should be',
    cause: 'second crop',
    ruledOut: ['lighter form', 'other salt', 'side reaction'],
    stage: zincTwice,
    weighed: ['23.30 g', '23.30 g'],
    open: ['5 g of water', 'crop 2'],
    recovered: { Zn: '0.46 g' },
    assays: [byEdta('40.00 mL')],
  },
  {
    name: 'zinc sulfate that lost its water, by the assay',
    cause: 'lighter form',
    stage: zinc(),
    weighed: ['20.30 g', '20.30 g'],
    // As ZnSO4·H2O the same mass holds 1.602 times as much zinc.
    assays: [byEdta('64.09 mL')],
  },
  {
    name: 'double salt over 100 %, and the assay leaves room for the excess',
    cause: 'soluble excess',
    ruledOut: ['water', 'heavier form'],
    stage: doubleSalt('40 %'),
    weighed: ['16.20 g', '16.20 g'],
    washes: 0,
    // 13.37 % of nickel: nine tenths of it are the double salt.
    assays: [byDmg('24.1686 g')],
  },
  {
    name: 'zinc sulfate whose acid nobody read, and more went in',
    cause: 'wrong limiting reagent',
    ruledOut: ['water', 'heavier form'],
    stage: zinc(),
    weighed: ['38.90 g', '38.90 g'],
    recovered: { Zn: '0.10 g' },
    assays: [byEdta('40.00 mL')],
  },
  {
    name: 'zinc sulfate weighed wet, and the dried sample assays right',
    cause: 'water',
    ruledOut: ['heavier form'],
    stage: zinc(),
    weighed: ['41.20 g'],
    seen: ['still sticks'],
    assays: [byEdta('36.70 mL')],
  },
  {
    name: 'zinc sulfate weighed once, sticking',
    cause: 'water',
    stage: zinc(),
    weighed: ['40.50 g'],
    seen: ['still sticks'],
  },
  {
    name: 'zinc sulfate whose mass still falls',
    cause: 'water',
    stage: zinc(),
    weighed: ['42.00 g', '41.20 g', '40.80 g'],
  },
  {
    name: 'molybdate never dried',
    cause: 'water',
    stage: molybdate,
    weighed: ['12.60 g'],
    skipped: ['dry', 'desiccate'],
  },
  { name: 'copper sulfate damp', cause: 'water', stage: copper(), weighed: ['33.10 g'], seen: ['damp'] },
  {
    name: 'cuprate not washed, dry',
    cause: 'by-product',
    ruledOut: ['water'],
    stage: cuprate,
    weighed: ['10.40 g', '10.40 g'],
    skipped: ['wash'],
  },
  {
    name: 'cuprate taken to dryness',
    cause: 'by-product',
    ruledOut: ['water'],
    stage: cuprate,
    weighed: ['11.60 g', '11.60 g'],
    extra: [{ id: 'dryness', do: 'evaporate to dryness', words: 'Evaporate to dryness' }],
  },
  {
    name: 'double salt with the ammonium sulfate it had too much of',
    cause: 'soluble excess',
    ruledOut: ['water', 'by-product'],
    stage: doubleSalt('40 %'),
    weighed: ['16.00 g', '16.00 g'],
    skipped: ['wash'],
  },
  {
    name: 'copper sulfate not filtered from the carbonate',
    cause: 'undissolved solid',
    ruledOut: ['water', 'by-product'],
    stage: copper('CuSO4·5H2O', '30 %'),
    weighed: ['33.60 g', '33.60 g'],
    skipped: ['filter hot'],
  },
  {
    name: 'zinc sulfate through a cloudy filtrate',
    cause: 'undissolved solid',
    ruledOut: ['water'],
    stage: { ...zinc(), reagents: [solid('Zn', { excess: '60 %' }), zinc().reagents[1]!] },
    weighed: ['39.10 g', '39.10 g'],
    seen: ['filtrate cloudy'],
  },
  {
    name: 'heptahydrate taken for the hexahydrate',
    cause: 'heavier form',
    ruledOut: ['water'],
    stage: zinc('ZnSO4·6H2O'),
    weighed: ['36.60 g', '36.60 g'],
  },
  {
    name: 'copper sulfate reckoned without its water',
    cause: 'waters left out',
    ruledOut: ['water'],
    stage: copper('CuSO4'),
    weighed: ['25.40 g', '25.40 g'],
  },
  {
    name: 'zinc sulfate reckoned without its water',
    cause: 'waters left out',
    stage: zinc('ZnSO4'),
    weighed: ['32.10 g'],
  },
  { name: 'cobalt chloride, 12.03 read as 21.03', cause: 'digits', stage: cobalt, weighed: ['21.03 g'] },
  {
    name: 'molybdate, its trioxide read as 2.70',
    cause: 'digits',
    stage: molybdate,
    charged: { MoO3: '2.70 g' },
    weighed: ['10.75 g', '10.75 g'],
  },
  {
    name: 'double salt reckoned as half the unit',
    cause: 'factor of two',
    stage: doubleSalt('0 %'),
    weighed: ['22.50 g', '22.50 g'],
    ruledOut: ['water'],
  },
  {
    name: 'zinc sulfate never cooled in ice',
    cause: 'left in the liquor',
    ruledOut: ['spilled'],
    stage: zinc(),
    weighed: ['18.20 g', '18.20 g'],
    skipped: ['ice'],
  },
  {
    name: 'zinc sulfate, first crop only',
    cause: 'second crop',
    stage: zincTwice,
    weighed: ['19.30 g', '19.30 g'],
    open: ['crop 2'],
  },
  {
    name: 'copper sulfate filtered while still warm',
    cause: 'left in the liquor',
    stage: copper(),
    weighed: ['14.10 g', '14.10 g'],
    seen: ['filtered still warm', 'fizzing stopped'],
  },
  {
    name: 'zinc sulfate washed six times',
    cause: 'lost in the wash',
    stage: zinc(),
    weighed: ['21.00 g', '21.00 g'],
    washes: 6,
    seen: ['fizzing stopped'],
  },
  {
    name: 'copper sulfate washed warm',
    cause: 'lost in the wash',
    stage: copper(),
    weighed: ['15.50 g', '15.50 g'],
    seen: ['washed with warm water', 'fizzing stopped'],
  },
  {
    name: 'cobalt chloride spilled',
    cause: 'spilled',
    stage: cobalt,
    weighed: ['9.00 g', '9.00 g'],
    deviation: 'Spilled or lost some: a corner of the dish',
    seen: ['fizzing stopped'],
  },
  {
    name: 'ammine with flat ammonia',
    cause: 'weak reagent',
    ruledOut: ['spilled', 'reagent was a hydrate'],
    stage: ammine('CuSO4·5H2O', '14.5 g', { volume: '13.3 mL' }),
    weighed: ['5.70 g', '5.70 g'],
    seen: ['old bottle', 'all dissolved'],
  },
  {
    name: 'molybdate with caked caustic',
    cause: 'weak reagent',
    ruledOut: ['spilled'],
    stage: {
      ...molybdate,
      reagents: [solid('MoO3', { excess: '10 %' }), solid('NaOH', { mass: '4.00 g' }, { assay: '98 %' })],
    },
    weighed: ['8.10 g', '8.10 g'],
    seen: ['the pellets were caked'],
  },
  {
    name: 'cobalt chloride filtered while it fizzed',
    cause: 'not finished',
    stage: cobalt,
    weighed: ['6.40 g', '6.40 g'],
    portions: 3,
    seen: ['still fizzing when filtered'],
  },
  {
    name: 'zinc sulfate washed with ethanol, turned to powder',
    cause: 'lighter form',
    ruledOut: ['spilled'],
    stage: {
      ...zinc(),
      crystals: {
        moves: [
          { heatTo: '60 °C' },
          { evaporateTo: { volume: '32 mL' } },
          { coolTo: '5 °C' },
          { filter: { retained: '20 %' } },
          { wash: { with: 'ethanol', volume: '10 mL', at: '5 °C' } },
        ],
      },
    },
    weighed: ['20.10 g', '20.10 g'],
    seen: ['fizzing stopped', 'turned to powder'],
  },
  {
    name: 'ammine from the pentahydrate, weighed as if anhydrous',
    cause: 'reagent was a hydrate',
    ruledOut: ['spilled'],
    stage: ammine('CuSO4', '8.00 g', { excess: '50 %' }),
    weighed: ['6.30 g', '6.30 g'],
    seen: ['all dissolved'],
  },
]

/** The batch as its plan, its steps and its journal. */
export function batchOf(one: Planted): { plan: { stages: StagePlan[] }; steps: readonly Step[]; entries: Entry[] } {
  const plan = { stages: [one.stage] }
  const read = readPlan(plan)
  const computed = read.ok ? computeReadPlan(read.value) : read
  if (!read.ok || !computed.ok) throw new Error(`${one.name}: ${computed.ok ? '' : computed.problem.problem.code}`)
  const steps = [
    ...proposedFor(read.value, computed.value.stages[0]!, 0, one.stage.crystals?.moves),
    ...(one.extra ?? []),
  ]
  const entries: Entry[] = []
  let minute = 0
  const written = () => ({
    id: `${one.name} ${entries.length}`,
    at: new Date(Date.UTC(2026, 4, 4, 9, minute++)).toISOString(),
    by: 'p',
  })
  for (const [species, value] of Object.entries(one.charged ?? {}))
    entries.push({
      kind: 'reading',
      ...written(),
      about: { what: 'charge', stage: 's1', species },
      measure: 'net',
      value,
      typed: true,
    })
  const take = (step: Step, what: 'done' | 'skipped'): void => {
    entries.push({
      kind: 'step',
      ...written(),
      stage: 's1',
      step: step.id,
      what,
      words: step.words,
      ...(what === 'skipped' && { why: 'so' }),
    })
  }
  for (const step of steps) {
    if (one.open?.some(words => step.words.includes(words))) continue
    if (one.skipped?.includes(step.do)) take(step, 'skipped')
    else {
      const wanted = step.repeat?.times ?? 1
      const times = step.do === 'wash' ? (one.washes ?? wanted) : step.do === 'add' ? (one.portions ?? wanted) : wanted
      for (let n = 0; n < times; n++) take(step, 'done')
    }
  }
  for (const [species, value] of Object.entries(one.recovered ?? {}))
    entries.push({
      kind: 'reading',
      ...written(),
      about: { what: 'recovered', stage: 's1', species },
      measure: 'net',
      value,
      typed: true,
    })
  for (const text of one.seen ?? []) entries.push({ kind: 'observation', ...written(), stage: 's1', text })
  if (one.deviation) entries.push({ kind: 'deviation', ...written(), stage: 's1', text: one.deviation, steps: [] })
  for (const value of one.weighed) {
    minute += 60
    entries.push({
      kind: 'reading',
      ...written(),
      about: { what: 'product', stage: 's1', crop: 1 },
      measure: 'net',
      value,
      typed: false,
      instrument: 'Simulated balance, 0.01 g',
    })
  }
  return { plan, steps, entries }
}
