/** Atomic weights with two decimals instead of five move a molar mass by less than this: a right way with a class's table stays right. A judgement. */
const TABLE = 1e-3
/** A little over half a step of the last digit asked, so that a tie may be rounded either way. */
const STEP = 0.6

/** The place of the last of so many significant digits. */
export const lastPlaceOf = (value: number, digits: number): number =>
  value === 0 ? 10 ** -digits : 10 ** (Math.floor(Math.log10(Math.abs(value)) + 1e-9) - digits + 1)

/** How far a typed number may lie from the value it stands for, with so many digits asked. */
export const allowance = (value: number, digits: number, within?: number): number =>
  within ?? STEP * lastPlaceOf(value, digits) + TABLE * Math.abs(value)

/** How far a typed number may lie from what a slip gives: that is rounded as asked, too. */
export const slipAllowance = (value: number, digits: number, within?: number): number =>
  within === undefined ? allowance(value, digits) : Math.max(within, STEP * lastPlaceOf(value, digits))
