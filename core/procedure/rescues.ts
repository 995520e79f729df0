import { type Trouble } from '#core/journal'
import type { Operation, Step } from '#core/journal'

/** What goes wrong at an operation, what is usually done about it, and the steps that are put in. */
export interface Rescue {
  readonly code: Trouble
  readonly trouble: string
  readonly advice: string
  readonly steps: readonly Omit<Step, 'id'>[]
}

interface Row extends Rescue {
  readonly at: readonly Operation[]
}

/** The usual rescues; common practice, no source. */
const rows: readonly Row[] = [
  {
    at: ['add', 'stir', 'dissolve', 'heat', 'hold', 'reflux'],
    code: 'solid left',
    trouble: 'No more gas, but solid is left',
    advice: 'Warm it first. If nothing comes, the acid is used up: add a little more, and write down how much.',
    steps: [
      { do: 'heat', words: 'Warm to 60 °C and stir', wait: '10 min', target: '60 °C', about: { what: 'pot' } },
      {
        do: 'add',
        words: 'Add a tenth more of the reagent that dissolves the solid, and record it',
        until: 'no more gas comes',
        about: { what: 'addition', species: '' },
        does: { addMore: { species: '' } },
      },
    ],
  },
  {
    at: ['add', 'stir', 'dissolve'],
    code: 'foam',
    trouble: 'It foams up',
    advice:
      'Stop adding. Let it fall, stir, and use a larger vessel if it has passed two thirds. Rinse back what climbed the wall.',
    steps: [
      { do: 'wait', words: 'Let the foam fall, stirring', wait: '5 min', until: 'the foam is down' },
      { do: 'add', words: 'Go on in smaller portions', until: 'everything is in', does: { nothing: true } },
    ],
  },
  {
    at: ['filter', 'filter hot', 'refilter', 'decant'],
    code: 'slow filter',
    trouble: 'The filter is slow',
    advice: 'Decant the clear part first, warm the rest if the product allows it, and change the paper.',
    steps: [
      { do: 'stand', words: 'Let it settle', wait: '10 min' },
      { do: 'decant', words: 'Decant the clear liquor through the filter' },
      {
        do: 'filter',
        words: 'Filter the rest through a fresh paper',
        until: 'the cake is sucked dry',
        does: { nothing: true },
      },
    ],
  },
  {
    at: ['filter', 'filter hot', 'refilter', 'decant'],
    code: 'cloudy filtrate',
    trouble: 'The filtrate is cloudy',
    advice:
      'Through the same paper again: the cake is now the better filter. If it stays cloudy, let it stand or use a tighter paper.',
    steps: [{ do: 'refilter', words: 'Pour the filtrate through the same paper again', until: 'it runs clear' }],
  },
  {
    at: ['filter', 'filter hot', 'add', 'stir', 'dissolve', 'hold', 'evaporate'],
    code: 'early crystals',
    trouble: 'Crystals come too early',
    advice:
      'There is too little water, or it is too cold. Add a little hot water until they are gone, and boil it off later.',
    steps: [
      {
        do: 'add',
        words: 'Add hot water, 5 mL at a time, and record it',
        about: { what: 'addition', species: 'H2O' },
        does: { addWater: '5 mL' },
        until: 'the crystals are gone',
      },
      { do: 'heat', words: 'Warm until all is dissolved', about: { what: 'pot' }, until: 'all is dissolved' },
    ],
  },
  {
    at: ['cool', 'ice', 'stand', 'seed', 'evaporate'],
    code: 'no crystals',
    trouble: 'Nothing crystallises',
    advice:
      'Scratch the wall below the surface, or seed. If that fails there is too much water: boil down by a quarter and cool again.',
    steps: [
      { do: 'seed', words: 'Scratch the wall, or seed with a crystal', wait: '15 min' },
      {
        do: 'evaporate',
        words: 'If still clear, boil down by a quarter',
        about: { what: 'pot' },
        until: 'a drop on a cold rod skins over',
      },
      { do: 'cool', words: 'Cool again, slowly', wait: '45 min' },
    ],
  },
  {
    at: ['cool', 'ice', 'stand', 'evaporate', 'seed'],
    code: 'oil',
    trouble: 'An oil instead of crystals',
    advice:
      'It was too strong or cooled too fast. Warm until it is one liquid, add a little water, cool slowly and seed.',
    steps: [
      {
        do: 'heat',
        words: 'Warm with a little water until it is one liquid',
        about: { what: 'pot' },
        until: 'one clear liquid',
      },
      { do: 'seed', words: 'Seed while it cools slowly', wait: '1 h' },
    ],
  },
  {
    at: ['evaporate', 'evaporate to dryness', 'heat', 'reflux'],
    code: 'crust',
    trouble: 'A crust, or it spits',
    advice: 'Lower the heat, stir the crust back in, and cover with a watch glass. A crust baked on the glass is lost.',
    steps: [{ do: 'stir', words: 'Stir the crust back in, the heat lowered', until: 'no crust is left' }],
  },
  {
    at: ['filter', 'cool', 'evaporate', 'dissolve', 'add', 'dry', 'wash', 'desiccate', 'observe', 'test'],
    code: 'wrong colour',
    trouble: 'The colour is wrong',
    advice:
      'Keep a sample. Look at what else could give it: another oxidation state, a lost water, an impurity. Do not throw anything away.',
    steps: [
      { do: 'observe', words: 'Put a sample aside and write down the colour' },
      { do: 'test', words: 'Try a spot test on the liquor' },
    ],
  },
  {
    at: ['dry', 'desiccate', 'ignite', 'weigh'],
    code: 'not constant',
    trouble: 'It does not become constant',
    advice:
      'Spread it thinner and dry on. A mass that rises is taking up water or carbon dioxide; one that falls below the form’s mass is losing its own water: stop.',
    steps: [
      { do: 'dry', words: 'Spread thinner and dry on', wait: '1 h' },
      { do: 'weigh', words: 'Weigh again', about: { what: 'product', crop: 1 } },
    ],
  },
  {
    at: ['dry', 'desiccate', 'weigh'],
    code: 'not washed',
    trouble: 'It was not washed',
    advice: 'Back to the funnel: what the liquor left is in it. Wash cold and dry again.',
    steps: [
      { do: 'wash', words: 'Wash with a little ice-cold solvent', repeat: { times: 2 }, does: { nothing: true } },
      { do: 'dry', words: 'Dry again', wait: '1 h' },
    ],
  },
]

const anything: readonly Rescue[] = [
  {
    code: 'loss',
    trouble: 'Spilled or lost some',
    advice:
      'Write down how much, as well as you can tell: the yield is judged with it. Clean it up as your site’s rules say.',
    steps: [],
  },
  {
    code: 'other',
    trouble: 'Something else',
    advice: 'Say what happened in your own words; it stays with the batch.',
    steps: [],
  },
]

/** What can go wrong at an operation and what is usually done. */
export const rescuesFor = (operation: Operation): readonly Rescue[] => [
  ...rows.filter(({ at }) => at.includes(operation)),
  ...anything,
]

/** What a deviation was: as its code says, or, from before codes, by the trouble that it begins with. */
export const troubleOf = ({ code, text }: { readonly code?: Trouble; readonly text: string }): Trouble | undefined =>
  code ?? [...rows, ...anything].find(({ trouble }) => text === trouble || text.startsWith(`${trouble}: `))?.code

/** True where a rescue adds more of a reagent, which has to be named. */
export const asksReagent = ({ steps }: Rescue): boolean => steps.some(({ does }) => does && 'addMore' in does)

/** The steps of a rescue with the reagent that is added named, and how much of it by mass or volume. */
export const withReagent = (
  { steps }: Rescue,
  species: string,
  amount: { readonly mass?: string; readonly volume?: string },
): Omit<Step, 'id'>[] =>
  steps.map(step =>
    step.does && 'addMore' in step.does
      ? {
          ...step,
          words: `Add ${amount.volume ?? amount.mass ?? 'a little'} more of {${species}}, and record it`,
          about: { what: 'addition', species },
          does: { addMore: { species, ...amount } },
          ...((amount.volume ?? amount.mass) && { target: (amount.volume ?? amount.mass)! }),
        }
      : step,
  )
