/** What can go wrong, by its name in the journal. */
export const troubles = [
  'solid left',
  'foam',
  'slow filter',
  'cloudy filtrate',
  'early crystals',
  'no crystals',
  'oil',
  'crust',
  'wrong colour',
  'not constant',
  'not washed',
  'loss',
  'other',
] as const
export type Trouble = (typeof troubles)[number]
