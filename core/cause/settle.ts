import type { Cause, CauseCode, TestName } from './cause'

/** A test that settles something: how it is asked for, how long it takes, and what it shows where a cause is there. */
interface TestRow {
  readonly words: (on: string) => string
  readonly minutes: number
  readonly takes: string
  readonly shows: Partial<Record<CauseCode, string>>
}

/** Times are common practice, no source. */
export const tests: Readonly<Record<TestName, TestRow>> = {
  'weigh again': {
    words: () => 'Weigh it once more, cold, and look at what the instrument kept',
    minutes: 5,
    takes: 'five minutes',
    shows: {
      'digits swapped': 'the display shows the digits the other way round',
      'hot vessel': 'it is heavier cold',
      'took up water': 'it is heavier again',
      wet: 'it is lighter again',
    },
  },
  'weigh the vessel': {
    words: () => 'Empty the vessel and weigh it, paper and all',
    minutes: 5,
    takes: 'five minutes',
    shows: { tare: 'it is not what was taken off' },
  },
  'look into the bottle': {
    words: on => `Look how much is gone from the bottle of {${on}}, and read its label again`,
    minutes: 5,
    takes: 'five minutes',
    shows: {
      'wrong hydrate charged': 'the label names waters that were not counted',
      'wrong limiting reagent': 'more is gone than was counted',
      'weak reagent': 'it is caked, clumped or past its date',
    },
  },
  'write it out': {
    words: () => 'Write the equation and the molar masses out again, with the formulas of the bottles',
    minutes: 5,
    takes: 'five minutes',
    shows: {
      'factor of two': 'the two formulas differ by half',
      'coefficient left out': 'a coefficient is missing from the sum',
      'waters left out': 'the waters are missing from the molar mass',
    },
  },
  'look closely': {
    words: () => 'Look at the crystals under a lens',
    minutes: 5,
    takes: 'five minutes',
    shows: {
      'other salt': 'there are two kinds',
      'by-product': 'there are two kinds',
      'double salt': 'their shape is another',
      'lost water': 'their faces are dull',
      'lighter hydrate': 'they have fallen to powder',
    },
  },
  'spot test': {
    words: on => `Dissolve a little and test it for the ions of {${on}} that the product lacks`,
    minutes: 10,
    takes: 'ten minutes',
    shows: {
      'other salt': 'the foreign ion is there',
      'by-product': 'the foreign ion is there',
      'excess reagent': 'the foreign ion is there',
      'liquor dried in': 'the foreign ions are there',
      'double salt': 'the second cation is there',
      'acid or basic salt': 'litmus turns',
    },
  },
  'dissolve a gram': {
    words: () => 'Dissolve a gram in water',
    minutes: 10,
    takes: 'ten minutes',
    shows: { 'unreacted solid': 'something stays behind', 'acid or basic salt': 'it stays cloudy' },
  },
  'test the liquor': {
    words: () => 'Test liquor and gas for what else could have formed',
    minutes: 20,
    takes: 'twenty minutes',
    shows: { 'side reaction': 'it holds what the reaction does not make' },
  },
  'weigh the leftover': {
    words: on => `Rinse, dry and weigh what stayed on the filter of {${on}}`,
    minutes: 60,
    takes: 'an hour',
    shows: {
      'not finished': 'more is left than the sheet leaves',
      'side reaction': 'less is left than the sheet leaves',
      'wrong limiting reagent': 'less is left than the sheet leaves',
      'weak reagent': 'what did not find its partner is left',
      'wrong hydrate charged': 'what did not find its partner is left',
    },
  },
  'dry on': {
    words: () => 'Dry on and weigh again, until two weighings agree',
    minutes: 60,
    takes: 'an hour',
    shows: { wet: 'it grows lighter', 'took up water': 'it grows lighter' },
  },
  'dry the washings': {
    words: () => 'Evaporate the washings and weigh what they held',
    minutes: 60,
    takes: 'an hour',
    shows: { 'wash loss': 'the missing product is there' },
  },
  'wash again': {
    words: on => `Wash a weighed part again, dry it and weigh it; test the washing for {${on}}`,
    minutes: 90,
    takes: 'an hour and a half',
    shows: {
      'by-product': 'it grows lighter, and the washing holds it',
      'excess reagent': 'it grows lighter, and the washing holds it',
      'liquor dried in': 'it grows lighter, and the washing holds it',
    },
  },
  'boil the liquor down': {
    words: () => 'Boil the liquor down by half and chill it',
    minutes: 90,
    takes: 'an hour and a half',
    shows: { 'left in the liquor': 'the missing product comes', 'crop not taken': 'the missing product comes' },
  },
  'heat a sample': {
    words: on => `Heat a weighed gram to constant mass: {${on}} loses its own share of water`,
    minutes: 90,
    takes: 'an hour and a half',
    shows: {
      'heavier hydrate': 'it loses more than the named form holds',
      'waters left out': 'it loses water that was not counted',
      'lighter hydrate': 'it loses less than the named form holds',
      'lost water': 'it loses less than the named form holds',
      wet: 'it loses a little more than the named form holds',
    },
  },
  'assay the bottle': {
    words: on => `Titrate or assay {${on}} from the same bottle`,
    minutes: 40,
    takes: 'forty minutes',
    shows: { 'weak reagent': 'it is weaker than its label', 'wrong hydrate charged': 'it holds less than its formula' },
  },
  'assay the crop': {
    words: on => `Titrate {${on}}, or weigh a precipitate of it`,
    minutes: 60,
    takes: 'an hour',
    shows: {
      'double salt': 'it holds less of the metal',
      decomposed: 'it holds more of the metal',
      'by-product': 'it holds less of the metal',
      'excess reagent': 'it holds less of the metal',
      'liquor dried in': 'it holds less of the metal',
      'unreacted solid': 'it holds another share of the metal',
      'heavier hydrate': 'it holds less of the metal',
      'lighter hydrate': 'it holds more of the metal',
      'lost water': 'it holds more of the metal',
      'waters left out': 'it holds less of the metal',
      wet: 'it holds less of the metal',
    },
  },
  remember: {
    words: () => 'Look at the bench, the papers and the glass, and ask who was there',
    minutes: 5,
    takes: 'five minutes',
    shows: { 'transfer loss': 'some of it is there' },
  },
}

/** What settles a cause, and how long that takes. */
export const settleWords = ({ test, on = '' }: Pick<Cause, 'test' | 'on'>): string =>
  `${tests[test].words(on)} (${tests[test].takes}).`

export interface Dividing {
  readonly words: string
  readonly takes: string
  readonly ifFirst: string
  readonly ifSecond: string
}
const NOTHING = 'nothing of the kind'

/** The one test that tells two causes apart best: one of which it shows and not the other, or both in another way; the shortest of them, where several do. None does for some. */
export function dividing(first: Cause, second: Cause, product: string): Dividing | undefined {
  const found = Object.entries(tests)
    .flatMap(([name, row]) => {
      const [a, b] = [row.shows[first.code], row.shows[second.code]]
      if (a === b) return []
      const about = a !== undefined ? first : second
      // What both show, each in its way, tells more than a nothing.
      const tells = (a !== undefined ? 1 : 0) + (b !== undefined ? 1 : 0) + (name === about.test ? 0.5 : 0)
      return [{ row, a, b, about, tells }]
    })
    .toSorted((one, two) => two.tells - one.tells || one.row.minutes - two.row.minutes)[0]
  if (!found) return undefined
  const { row, a, b, about } = found
  return {
    words: row.words(about.on ?? about.form ?? second.on ?? product),
    takes: row.takes,
    ifFirst: a ?? NOTHING,
    ifSecond: b ?? NOTHING,
  }
}
