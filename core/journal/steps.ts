import type { OperationPlan } from '#core/vessel'

/** What a bench has one or a few of, so that two batches may want it at once. */
export const equipment = [
  'hood',
  'hotplate',
  'balance',
  'ice bath',
  'vacuum',
  'desiccator',
  'oven',
  'furnace',
  'freezer',
] as const
export type Equipment = (typeof equipment)[number]

interface OperationRow {
  readonly name: string
  /** The chemist's time it takes, and time that passes by itself, in minutes; common practice, no source. */
  readonly hands: number
  readonly wait: number
  readonly needs: readonly Equipment[]
  readonly look: string
}

/** The unit operations a procedure is made of. */
export const operationRows = [
  { name: 'weigh', hands: 4, wait: 0, needs: ['balance'], look: 'the display steady, the pan clean' },
  { name: 'measure', hands: 3, wait: 0, needs: [], look: 'the meniscus at eye level' },
  { name: 'dissolve', hands: 5, wait: 10, needs: ['hotplate'], look: 'nothing left at the bottom' },
  { name: 'add', hands: 10, wait: 0, needs: [], look: 'gas, colour, warmth; wait until it calms down' },
  { name: 'stir', hands: 1, wait: 15, needs: ['hotplate'], look: 'an even mixture, nothing at the edge' },
  { name: 'heat', hands: 3, wait: 15, needs: ['hotplate'], look: 'the thermometer in the liquor, not on the glass' },
  { name: 'hold', hands: 1, wait: 30, needs: ['hotplate'], look: 'the temperature stays where it should' },
  {
    name: 'reflux',
    hands: 5,
    wait: 60,
    needs: ['hood', 'hotplate'],
    look: 'drops falling back, cooling water running',
  },
  { name: 'cool', hands: 1, wait: 45, needs: [], look: 'crystals, their shape and colour' },
  { name: 'ice', hands: 2, wait: 30, needs: ['ice bath'], look: 'more crystals, a paler liquor' },
  { name: 'freeze', hands: 2, wait: 720, needs: ['freezer'], look: 'crystals, not frozen solvent' },
  { name: 'stand', hands: 1, wait: 900, needs: [], look: 'settled solid, a clear liquor above it' },
  { name: 'decant', hands: 5, wait: 0, needs: [], look: 'no solid going over' },
  { name: 'filter', hands: 10, wait: 0, needs: ['vacuum'], look: 'the filtrate clear; rinse the rod and the beaker' },
  { name: 'filter hot', hands: 10, wait: 0, needs: ['hotplate'], look: 'no crystals in the funnel’s stem' },
  { name: 'refilter', hands: 8, wait: 0, needs: [], look: 'the filtrate clear this time' },
  { name: 'evaporate', hands: 3, wait: 40, needs: ['hotplate'], look: 'a crust at the edge: stir it in' },
  { name: 'evaporate to dryness', hands: 5, wait: 60, needs: ['hotplate', 'hood'], look: 'no spitting, no browning' },
  { name: 'flush', hands: 5, wait: 15, needs: ['vacuum', 'hood'], look: 'the same dryness as before' },
  { name: 'seed', hands: 1, wait: 15, needs: [], look: 'a cloud growing from the seed' },
  { name: 'wash', hands: 3, wait: 0, needs: ['vacuum'], look: 'the wash running through pale' },
  { name: 'dry', hands: 3, wait: 60, needs: [], look: 'crystals that no longer stick together' },
  {
    name: 'desiccate',
    hands: 3,
    wait: 1440,
    needs: ['desiccator'],
    look: 'still glittering; powder means water was lost',
  },
  { name: 'ignite', hands: 5, wait: 60, needs: ['furnace'], look: 'no flame, an even colour' },
  { name: 'cool in desiccator', hands: 1, wait: 30, needs: ['desiccator'], look: 'cold to the touch' },
  { name: 'test', hands: 3, wait: 0, needs: [], look: 'cloud or no cloud, against a dark background' },
  { name: 'observe', hands: 1, wait: 0, needs: [], look: 'colour, gas, solid' },
  { name: 'quench', hands: 10, wait: 0, needs: ['hood'], look: 'the sign that it is done' },
  { name: 'clean', hands: 10, wait: 0, needs: [], look: 'no residue in any vessel' },
  { name: 'wait', hands: 0, wait: 60, needs: [], look: 'what it waits for' },
] as const satisfies readonly OperationRow[]

export type Operation = (typeof operationRows)[number]['name']
export const operationNames = operationRows.map(({ name }) => name) as [Operation, ...Operation[]]

const rowsByName = Object.fromEntries(operationRows.map((row): [string, OperationRow] => [row.name, row])) as Readonly<
  Record<Operation, OperationRow>
>

export const operationOf = (name: Operation): OperationRow => rowsByName[name]

/** What a step's readings are about. */
export type StepAbout =
  | { readonly what: 'charge'; readonly species: string }
  | { readonly what: 'recovered'; readonly species: string }
  | { readonly what: 'addition'; readonly species: string }
  /** `empty` where it is the paper or vessel that is weighed, before it is filled. */
  | { readonly what: 'product'; readonly crop: number; readonly empty?: true }
  | { readonly what: 'pot' }

/** One step of a procedure. Texts with units are the chemist's own; formulas in the words stand in braces. */
export interface Step {
  readonly id: string
  readonly do: Operation
  readonly words: string
  readonly why?: string
  readonly about?: StepAbout
  /** What it does to the vessel; where it is left out, what its operation, its `about` and its target say. */
  readonly does?: OperationPlan
  readonly target?: string
  /** How far off the target may be, such as `1 %` or `2 °C`. */
  readonly tolerance?: string
  readonly hands?: string
  readonly wait?: string
  readonly repeat?: { readonly times: number; readonly every?: string }
  readonly until?: string
  readonly needs?: readonly Equipment[]
}
