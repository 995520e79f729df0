/**
 * A simulated balance: it takes a moment to settle, trembles in its last digit, creeps a little, and shows what its
 * resolution lets it show. All of it follows from its state, the seconds that have passed and its seed; nothing is random twice.
 */
export interface Balance {
  /** g: 0.01 for a two-place balance, 0.0001 for a four-place one. */
  readonly resolution: number
  readonly seed: number
  /** True mass on the pan now, and what it was before it was last changed, g. */
  readonly load: number
  readonly before: number
  /** Second at which the load last changed. */
  readonly changedAt: number
  /** What the tare key took off, g. */
  readonly tared: number
}

export interface Display {
  readonly text: string
  readonly steady: boolean
}

const SETTLING = 0.7
const STEADY_AFTER = 3.5
const CREEP_PER_HOUR = 6

export const makeBalance = (resolution: number, seed: number): Balance => ({
  resolution,
  seed,
  load: 0,
  before: 0,
  changedAt: -60,
  tared: 0,
})

/** Puts mass on the pan, or takes it off; the display then needs some seconds. */
export const load = (balance: Balance, grams: number, at: number): Balance => ({
  ...balance,
  before: trueShown(balance, at),
  load: Math.max(0, balance.load + grams),
  changedAt: at,
})

export const clear = (balance: Balance, at: number): Balance => ({
  ...balance,
  before: trueShown(balance, at),
  load: 0,
  changedAt: at,
})

/** The tare key: from now on the display counts from what it shows. */
export const tare = (balance: Balance, at: number): Balance => ({
  ...balance,
  tared: roundTo(trueShown(balance, at), balance.resolution),
})

/** What the display reads so many seconds after the start; steady where it has shown the same for a second, and goes on to. */
export function display(balance: Balance, at: number): Display {
  const text = textAt(balance, at)
  return { text, steady: at - balance.changedAt >= STEADY_AFTER && textAt(balance, at - STILL) === text }
}
const STILL = 1

/** Once the load has settled the tremble is filtered out, as a balance does; what is left is a slow creep. */
function textAt(balance: Balance, at: number): string {
  const since = at - balance.changedAt
  const tremble = since < STEADY_AFTER - STILL ? 1.6 * (noise(balance.seed, Math.floor(at * 5)) - 0.5) : 0
  const creep = ((CREEP_PER_HOUR * Math.max(0, since - STEADY_AFTER)) / 3600) * (noise(balance.seed, 7) - 0.5)
  const loaded = since < STEADY_AFTER - STILL ? trueShown(balance, at) : balance.load
  const shown = loaded - balance.tared + (tremble + creep) * balance.resolution
  return `${withoutMinusZero(roundTo(shown, balance.resolution)).toFixed(decimals(balance.resolution))} g`
}

const trueShown = ({ load, before, changedAt }: Balance, at: number): number =>
  load + (before - load) * Math.exp(-Math.max(0, at - changedAt) / SETTLING)

const decimals = (resolution: number): number => Math.round(-Math.log10(resolution))
const roundTo = (value: number, step: number): number => Math.round(value / step) * step
const withoutMinusZero = (value: number): number => (Math.abs(value) < 1e-12 ? 0 : value)

/** A number from 0 to 1 that a seed and a step always give again (the mulberry32 mixing step). */
export function noise(seed: number, step: number): number {
  let t = (seed + Math.imul(step, 0x6d2b79f5)) | 0
  t = Math.imul(t ^ (t >>> 15), t | 1)
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296
}
