import type { HazardCode } from './hazards'

/** What a substance does in the open: what a weighing and a drying must reckon with. */
export type InAir =
  | 'keeps'
  | 'effloresces'
  | 'deliquesces'
  | 'hygroscopic'
  | 'oxidises'
  | 'takes up CO2'
  | 'loses ammonia'
  | 'darkens in light'
  | 'fumes'

export type Dissolves = 'soluble' | 'slightly' | 'insoluble' | 'reacts'

/** Waters per formula, colour, swatch, and the temperature (°C) at which this form loses water or turns into a lower one. */
export type FormRow = readonly [waters: number, colour: string, swatch: string, until?: number]

export interface SubstanceRow {
  readonly formula: string
  readonly name: string
  readonly state: 'solid' | 'liquid' | 'gas'
  /** What it does in cold water, in a word. */
  readonly water: Dissolves
  readonly ethanol?: Dissolves
  readonly acetone?: Dissolves
  readonly forms?: readonly FormRow[]
  /** Boils away from its solution below about 130 °C. */
  readonly volatile?: true
  readonly air?: InAir
  /** °C at which the dry substance decomposes; hydrates lose their water first, see their forms. */
  readonly decomposes?: number
  /** GHS hazard statements of the substance as usually handled. */
  readonly hazards?: readonly HazardCode[]
  /** Other names it is found under. */
  readonly also?: readonly string[]
}

/** Rows that share a source. */
export interface SubstanceBlock {
  readonly source: string
  readonly rows: readonly SubstanceRow[]
}
