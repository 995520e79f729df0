import type { Step } from '#core/journal'
import type { Beside, Operation, Out, Setting, Vessel } from '#core/vessel'
import type { Caution } from './cautions'
import type { Charge } from './charges'

/** What of the sheet, or beside it, enters the vessel at an operation. */
export interface Entering {
  readonly species?: string
  readonly mass?: number
  readonly solvents?: Readonly<Record<string, number>>
  readonly from?: string
}

/** One operation of a step, and what stands after it. */
export interface Event {
  readonly id: string
  readonly step: string
  readonly operation: Operation
  readonly words: string
  /** What of the sheet enters here: a species in g, and solvents in g by name; or a liquor that was kept. */
  readonly charge?: Entering
  readonly out: readonly Out[]
  readonly after: Vessel
  readonly beside: readonly Beside[]
  /** False where the model does not know what stands. */
  readonly isKnown: boolean
  /** Why what stands is not known since this operation. */
  readonly unknown?: string
  readonly cautions: readonly Caution[]
}
export interface StepProblem {
  readonly step: string
  readonly why: string
  readonly fix: string
}
export type Draft = Omit<Step, 'id'> & { readonly id?: string }

/** One operation as it is done, with what enters by it. */
export interface Done {
  readonly operation: Operation
  readonly charge?: Entering
  readonly words?: string
}

/** What is known of a stage beside its steps: what the sheet charges, the solvents that it names, whether its reaction warms. */
export interface Sheeted {
  readonly charges: readonly Charge[]
  readonly solvents: ReadonlyMap<string, number>
  readonly isWarm: boolean
  /** °C. */
  readonly room: number
}

/** What an operation's amounts hang on: the vessel at work, and what of the sheet is known. */
export interface AtWork {
  readonly vessel: Vessel
  readonly setting: Setting
  readonly sheet: Sheeted
  /** The liquor that a cake kept last, as a share of its solids. */
  readonly lastRetained: number
  chargeOf(species: string): Charge | undefined
}

/** How a step of a run stands, and what was read at it. */
export interface Real {
  readonly isSkipped: boolean
  readonly celsius?: number
  readonly volume?: number
  /** Of all that is in the vessel, g. */
  readonly mass?: number
  /** What was added at this step, as it was read. */
  readonly added?: { readonly mass?: number; readonly volume?: number }
}
