import type { ReadStage, Room } from '#core/sheet'
import type { Curve } from '#core/solution'

/** What the software judged, beside what it concerns; formulas in the text stand in braces. */
export interface MarginNote {
  readonly tone: 'hazard' | 'caution' | 'info'
  readonly tag: string
  readonly text: string
}

/** Where a sheet stands: its stage as read, the room, and the lab's own solubility curves. */
export interface Setting {
  readonly stage: ReadStage
  readonly room: Room
  readonly curves?: readonly Curve[]
}
