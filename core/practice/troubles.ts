import type { Operation, Trouble } from '#core/journal'

/** What somebody can do about a trouble, and what comes of it. */
export interface Choice {
  readonly words: string
  readonly isRight: boolean
  /** Said afterwards. */
  readonly because: string
  /** Of what would have been won, a share is kept; 1 where it is left out. */
  readonly kept?: number
  /** So many percent of the crop are salts that should not be there. */
  readonly foreign?: number
  readonly minutes: number
}
/** A trouble that can be planted at a step: what is seen then, and what one could do. Common practice, no source; the shares are judgements, large enough to be seen on a balance. */
export interface TroubleRow {
  readonly kind: 'weak bottle' | 'foam' | 'slow filter' | 'cloudy filtrate' | 'no crystals' | 'spitting'
  readonly at: readonly Operation[]
  readonly code: Trouble
  readonly seen: string
  readonly choices: readonly [Choice, Choice, Choice]
}

export const troubleRows: readonly TroubleRow[] = [
  {
    kind: 'weak bottle',
    at: ['add', 'stir', 'dissolve', 'hold'],
    code: 'solid left',
    seen: 'It has come to rest, and more solid is left than the sheet says.',
    choices: [
      {
        words:
          'Warm it, then add more of the solution in small portions until nothing happens any more, and record how much',
        isRight: true,
        because: 'The bottle was weaker than its label: what was missing went in, and the record says so.',
        minutes: 25,
      },
      {
        words: 'Filter off what is left and go on',
        isRight: false,
        because: 'What was left could still have reacted: the crop is smaller by that.',
        minutes: 10,
      },
      {
        words: 'Pour in as much again at once',
        isRight: false,
        because: 'It boiled up and part of it went over the rim; and most of what was added stays in the liquor.',
        kept: 0.9,
        foreign: 1.5,
        minutes: 15,
      },
    ],
  },
  {
    kind: 'foam',
    at: ['add', 'stir', 'dissolve'],
    code: 'foam',
    seen: 'It foams, and the foam climbs towards the rim.',
    choices: [
      {
        words: 'Stop adding, stir, let it fall, and go on in smaller portions',
        isRight: true,
        because: 'Nothing went over.',
        minutes: 12,
      },
      {
        words: 'Go on: it will calm down by itself',
        isRight: false,
        because: 'A part of it went over the rim.',
        kept: 0.88,
        minutes: 4,
      },
      {
        words: 'Heat it, so that the gas goes faster',
        isRight: false,
        because: 'It foamed over at once.',
        kept: 0.82,
        minutes: 6,
      },
    ],
  },
  {
    kind: 'slow filter',
    at: ['filter', 'filter hot'],
    code: 'slow filter',
    seen: 'The filter has almost stopped, and half of it is still in the funnel.',
    choices: [
      {
        words: 'Let it settle, decant the clear part, and take a fresh paper for the rest',
        isRight: true,
        because: 'It went through in a quarter of an hour, and all of it was won.',
        minutes: 18,
      },
      {
        words: 'Wait until it is through',
        isRight: false,
        because: 'It took an hour and a half, and the liquor dried into the cake meanwhile.',
        foreign: 2,
        minutes: 90,
      },
      {
        words: 'Scrape the paper with the rod',
        isRight: false,
        because: 'The paper tore, and crystals went into the liquor.',
        kept: 0.9,
        minutes: 12,
      },
    ],
  },
  {
    kind: 'cloudy filtrate',
    at: ['filter', 'filter hot'],
    code: 'cloudy filtrate',
    seen: 'The filtrate runs cloudy.',
    choices: [
      {
        words: 'Pour it through the same paper once more',
        isRight: true,
        because: 'The cake is the better filter: it ran clear.',
        minutes: 12,
      },
      {
        words: 'Go on: it will not matter',
        isRight: false,
        because: 'What made it cloudy was fine solid that should have stayed on the paper.',
        kept: 0.95,
        foreign: 1,
        minutes: 0,
      },
      {
        words: 'Dilute it until it is clear',
        isRight: false,
        because: 'It went into solution, and stays there.',
        kept: 0.85,
        minutes: 5,
      },
    ],
  },
  {
    kind: 'no crystals',
    at: ['cool', 'ice', 'stand'],
    code: 'no crystals',
    seen: 'It is cold, and nothing has crystallised.',
    choices: [
      {
        words: 'Scratch the wall below the surface, and wait a quarter of an hour',
        isRight: true,
        because: 'It was oversaturated: crystals came at the scratch.',
        minutes: 20,
      },
      {
        words: 'Filter what there is',
        isRight: false,
        because: 'Most of it stayed in the liquor, and came in the bottle that it was poured into.',
        kept: 0.55,
        minutes: 10,
      },
      {
        words: 'Boil it to dryness',
        isRight: false,
        because: 'All of it came down, with everything else that was dissolved.',
        foreign: 8,
        minutes: 60,
      },
    ],
  },
  {
    kind: 'spitting',
    at: ['evaporate', 'evaporate to dryness'],
    code: 'crust',
    seen: 'A crust grows at the edge, and it begins to spit.',
    choices: [
      {
        words: 'Turn the heat down, rinse the crust back, and stir',
        isRight: true,
        because: 'Nothing was lost.',
        minutes: 10,
      },
      {
        words: 'Go on: it is nearly there',
        isRight: false,
        because: 'Some of it spat onto the bench.',
        kept: 0.93,
        minutes: 0,
      },
      {
        words: 'Put a lid on it and heat on',
        isRight: false,
        because: 'It boiled over under the lid.',
        kept: 0.85,
        minutes: 5,
      },
    ],
  },
]
