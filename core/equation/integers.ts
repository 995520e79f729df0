/** Signals that a plain number left the exact range, so that the caller starts over with BigInt. */
export class Overflow extends Error {}

/** Exact integer arithmetic, either on plain numbers that refuse to overflow or on BigInt. */
export interface Integers<N> {
  readonly zero: N
  readonly one: N
  from(value: number): N
  times(a: N, b: N): N
  minus(a: N, b: N): N
  over(a: N, b: N): N
  remainder(a: N, b: N): N
  sign(a: N): number
  /** True for numbers that had better be brought down before they are multiplied again. */
  isLarge(a: N): boolean
}

const exactly = (value: number): number => {
  if (!Number.isSafeInteger(value)) throw new Overflow()
  return value
}

export const plainIntegers: Integers<number> = {
  zero: 0,
  one: 1,
  from: value => value,
  times: (a, b) => exactly(a * b),
  minus: (a, b) => exactly(a - b),
  over: (a, b) => a / b,
  remainder: (a, b) => a % b,
  sign: Math.sign,
  isLarge: a => a > 1e6 || a < -1e6,
}

export const bigIntegers: Integers<bigint> = {
  zero: 0n,
  one: 1n,
  from: BigInt,
  times: (a, b) => a * b,
  minus: (a, b) => a - b,
  over: (a, b) => a / b,
  remainder: (a, b) => a % b,
  sign: a => (a > 0n ? 1 : a < 0n ? -1 : 0),
  isLarge: () => true,
}

/** Euclid's algorithm; never negative, and the other number where one is zero. */
export function commonDivisor<N>(z: Integers<N>, a: N, b: N): N {
  let x = z.sign(a) < 0 ? z.minus(z.zero, a) : a
  let y = z.sign(b) < 0 ? z.minus(z.zero, b) : b
  while (z.sign(y) !== 0) [x, y] = [y, z.remainder(x, y)]
  return x
}

/** Divides a vector by the common divisor of its entries, in place. */
export function reduce<N>(z: Integers<N>, vector: N[]): N[] {
  let divisor = z.zero
  for (const entry of vector) {
    if (z.sign(entry) !== 0) divisor = commonDivisor(z, divisor, entry)
    if (divisor === z.one) return vector
  }
  if (z.sign(divisor) !== 0) for (let i = 0; i < vector.length; i++) vector[i] = z.over(vector[i]!, divisor)
  return vector
}
