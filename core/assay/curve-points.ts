/** The points of a measured curve, in the order of x, with what its axes are. */
export interface CurvePoints {
  readonly x: string
  readonly y: string
  readonly points: readonly (readonly [number, number])[]
}

/** A curve is kept with at most so many points: more than a screen has columns, and a document stays small. */
export const MOST_POINTS = 2000
