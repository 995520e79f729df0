import type { Operation } from './steps'

/** What can be seen, smelled or felt, each by its name. */
export const signs = [
  'gas',
  'foam',
  'solid',
  'cloud',
  'crystals',
  'oil',
  'crust',
  'skin',
  'spitting',
  'smell',
  'colour',
  'damp',
  'powder',
  'two kinds',
  'flow',
  'litmus',
  'hot',
  'old',
] as const
export type Sign = (typeof signs)[number]
/** Where it was seen. */
export const seenPlaces = ['pot', 'liquor', 'crystals', 'cake', 'filtrate', 'wash', 'gas', 'bottle'] as const
export type SeenPlace = (typeof seenPlaces)[number]

/** A coded observation: a sign with its polarity, and where it helps its strength, its place, and what it was of. */
export interface Seen {
  readonly sign: Sign
  readonly is: boolean
  readonly strength?: 'slight' | 'strong'
  readonly place?: SeenPlace
  /** A colour, a shape, a smell; of a colour that turned, what it was before. */
  readonly of?: string
  readonly to?: string
}

interface Chip {
  readonly label: string
  readonly seen: Seen
  readonly at: readonly Operation[]
}

const REACTING: readonly Operation[] = ['add', 'stir', 'dissolve', 'heat', 'hold', 'reflux', 'quench']
const LOOKING: readonly Operation[] = ['observe', 'test']
const COOLING: readonly Operation[] = ['cool', 'ice', 'freeze', 'stand', 'seed']
const BOILING: readonly Operation[] = ['evaporate', 'evaporate to dryness']
const FILTERING: readonly Operation[] = ['filter', 'filter hot', 'refilter', 'decant']
const WASHING: readonly Operation[] = ['wash', 'flush']
const DRYING: readonly Operation[] = ['dry', 'desiccate', 'ignite', 'cool in desiccator', 'weigh']

/** What there is to see at each kind of step, most telling first. */
export const chips: readonly Chip[] = [
  { label: 'fizzing', at: REACTING, seen: { sign: 'gas', is: true, place: 'pot' } },
  { label: 'fizzing stopped', at: [...REACTING, ...LOOKING], seen: { sign: 'gas', is: false, place: 'pot' } },
  { label: 'foam', at: REACTING, seen: { sign: 'foam', is: true, place: 'pot' } },
  { label: 'brown gas', at: REACTING, seen: { sign: 'gas', is: true, place: 'gas', of: 'brown' } },
  { label: 'all dissolved', at: [...REACTING, ...LOOKING], seen: { sign: 'solid', is: false, place: 'pot' } },
  { label: 'solid left at the bottom', at: [...REACTING, ...LOOKING], seen: { sign: 'solid', is: true, place: 'pot' } },
  { label: 'smells of ammonia', at: [...REACTING, ...LOOKING], seen: { sign: 'smell', is: true, of: 'ammonia' } },
  { label: 'no smell of ammonia', at: LOOKING, seen: { sign: 'smell', is: false, of: 'ammonia' } },
  { label: 'smells of acid', at: [...REACTING, ...DRYING], seen: { sign: 'smell', is: true, of: 'acid' } },
  { label: 'crystals', at: [...COOLING, ...BOILING], seen: { sign: 'crystals', is: true, place: 'liquor' } },
  { label: 'crystals: needles', at: COOLING, seen: { sign: 'crystals', is: true, place: 'liquor', of: 'needles' } },
  { label: 'crystals: plates', at: COOLING, seen: { sign: 'crystals', is: true, place: 'liquor', of: 'plates' } },
  { label: 'crystals: blocks', at: COOLING, seen: { sign: 'crystals', is: true, place: 'liquor', of: 'blocks' } },
  { label: 'two kinds of crystals', at: [...COOLING, ...DRYING], seen: { sign: 'two kinds', is: true, place: 'crystals' } },
  { label: 'fine powder', at: COOLING, seen: { sign: 'crystals', is: true, place: 'liquor', of: 'powder' } },
  { label: 'an oil', at: COOLING, seen: { sign: 'oil', is: true, place: 'liquor' } },
  { label: 'nothing yet', at: COOLING, seen: { sign: 'crystals', is: false, place: 'liquor' } },
  { label: 'crust at the edge', at: BOILING, seen: { sign: 'crust', is: true, place: 'pot' } },
  { label: 'a drop on a cold rod skins over', at: BOILING, seen: { sign: 'skin', is: true, place: 'liquor' } },
  { label: 'spits', at: BOILING, seen: { sign: 'spitting', is: true, place: 'pot' } },
  { label: 'filtrate clear', at: FILTERING, seen: { sign: 'cloud', is: false, place: 'filtrate' } },
  { label: 'filtrate cloudy', at: FILTERING, seen: { sign: 'cloud', is: true, place: 'filtrate' } },
  { label: 'filtered while still warm', at: FILTERING, seen: { sign: 'hot', is: true, place: 'pot' } },
  { label: 'liquor still deeply coloured', at: FILTERING, seen: { sign: 'colour', is: true, place: 'liquor', strength: 'strong' } },
  { label: 'runs well', at: FILTERING, seen: { sign: 'flow', is: true, place: 'filtrate' } },
  { label: 'runs slowly', at: FILTERING, seen: { sign: 'flow', is: false, place: 'filtrate' } },
  { label: 'cake sucked dry', at: FILTERING, seen: { sign: 'damp', is: false, place: 'cake' } },
  { label: 'wash pale', at: WASHING, seen: { sign: 'colour', is: true, place: 'wash', strength: 'slight' } },
  { label: 'wash colourless', at: WASHING, seen: { sign: 'colour', is: false, place: 'wash' } },
  { label: 'wash still coloured', at: WASHING, seen: { sign: 'colour', is: true, place: 'wash' } },
  { label: 'wash neutral to litmus', at: WASHING, seen: { sign: 'litmus', is: true, place: 'wash', of: 'neutral' } },
  { label: 'wash turns litmus red', at: WASHING, seen: { sign: 'litmus', is: true, place: 'wash', of: 'acid' } },
  { label: 'the wash was not cold', at: WASHING, seen: { sign: 'hot', is: true, place: 'wash' } },
  { label: 'loose and glittering', at: DRYING, seen: { sign: 'damp', is: false, place: 'crystals' } },
  { label: 'still sticks', at: DRYING, seen: { sign: 'damp', is: true, place: 'crystals', strength: 'slight' } },
  { label: 'damp', at: DRYING, seen: { sign: 'damp', is: true, place: 'crystals' } },
  { label: 'weighed while still warm', at: DRYING, seen: { sign: 'hot', is: true, place: 'crystals' } },
  { label: 'turned to powder', at: DRYING, seen: { sign: 'powder', is: true, place: 'crystals' } },
  { label: 'bottle old, caked or changed', at: ['weigh', 'measure'], seen: { sign: 'old', is: true, place: 'bottle' } },
  { label: 'not the usual colour', at: [...REACTING, ...COOLING, ...FILTERING, ...DRYING], seen: { sign: 'colour', is: true, of: 'unusual' } },
  { label: 'cloudy', at: [...REACTING, ...LOOKING], seen: { sign: 'cloud', is: true, place: 'liquor' } },
  { label: 'clear', at: [...REACTING, ...LOOKING, ...COOLING, ...BOILING], seen: { sign: 'cloud', is: false, place: 'liquor' } },
] // prettier-ignore

/** The chips of a step; cloudy and clear at every one. */
export function chipsFor(operation: Operation | undefined): readonly Chip[] {
  const here = chips.filter(({ at }) => operation !== undefined && at.includes(operation))
  const always = chips.filter(({ label }) => label === 'cloudy' || label === 'clear')
  return [...here, ...always.filter(one => !here.includes(one))]
}

export const colourWords = [
  'colourless',
  'white',
  'blue',
  'green',
  'blue-green',
  'violet',
  'pink',
  'red',
  'orange',
  'yellow',
  'brown',
  'black',
] as const
/** Of what the colour is that is seen at a step. */
export const colourPlace = (operation: Operation | undefined): SeenPlace =>
  operation === undefined
    ? 'pot'
    : WASHING.includes(operation)
      ? 'wash'
      : FILTERING.includes(operation)
        ? 'filtrate'
        : DRYING.includes(operation)
          ? 'crystals'
          : 'liquor'
export const colourSeen = (word: string, operation: Operation | undefined): Seen => ({
  sign: 'colour',
  is: word !== 'colourless',
  place: colourPlace(operation),
  ...(word !== 'colourless' && { of: word }),
})

const byLabel = new Map(chips.map(({ label, seen }) => [label, seen]))
/** What an observation says by its code; one from before codes by the label of the chip that was pressed, as it stands. Words of one's own say nothing to a rule. */
export function seenIn(entry: {
  readonly kind: string
  readonly text?: string
  readonly seen?: Seen
}): Seen | undefined {
  if (entry.kind !== 'observation') return undefined
  return entry.seen ?? (entry.text === undefined ? undefined : byLabel.get(entry.text))
}

/** True where the last of these that was seen is so: `fizzing`, then `fizzing stopped`, is no gas any more. */
export function saw(
  all: readonly Seen[],
  sign: Sign,
  where: {
    readonly is?: boolean
    readonly place?: SeenPlace
    readonly of?: string
    readonly strength?: Seen['strength']
  } = {},
): boolean {
  const { is = true, place, of, strength } = where
  const last = all.findLast(
    one => one.sign === sign && (place === undefined || one.place === place) && (of === undefined || one.of === of),
  )
  return last !== undefined && last.is === is && (strength === undefined || last.strength === strength)
}
