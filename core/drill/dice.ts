import { seeded, toSignificant } from '#core/quantity'

/** Chance for one question: everything that it draws comes from its seed. */
export interface Dice {
  readonly between: (from: number, to: number) => number
  readonly whole: (from: number, to: number) => number
  readonly pick: <T>(list: readonly T[]) => T
  readonly shuffled: <T>(list: readonly T[]) => T[]
  /** A number that a balance could show, to so many significant digits. */
  readonly measured: (from: number, to: number, digits: number) => string
  readonly chance: (share: number) => boolean
}

/** The same dice for the same family, seed and level. */
export function diceOf(family: string, seed: number, level: number): Dice {
  // FNV-1a (Fowler, Noll and Vo, from memory) over the words, so that one seed gives each family other numbers.
  let hash = 0x811c9dc5
  for (const char of `${family}/${seed}/${level}`) hash = Math.imul(hash ^ char.charCodeAt(0), 0x01000193) >>> 0
  const random = seeded(hash)
  const between = (from: number, to: number): number => from + (to - from) * random()
  const whole = (from: number, to: number): number => Math.floor(between(from, to + 1))
  return {
    between,
    whole,
    pick: list => list[whole(0, list.length - 1)]!,
    shuffled: list => {
      const left = [...list]
      return list.map(() => left.splice(whole(0, left.length - 1), 1)[0]!)
    },
    measured: (from, to, digits) => toSignificant(between(from, to), digits),
    chance: share => random() < share,
  }
}
