import { chargeText, type Formula } from '#core/formula'
import { ionsOf } from '#core/species'

/** What a substance is in solution: so many of each ion, or itself where it does not fall apart. */
export interface Component {
  /** `K^+`, `SO4^2-`, or the formula of a whole molecule. */
  readonly key: string
  readonly count: number
}

const known = new WeakMap<Formula, readonly Component[]>()

/** Weak acids and molecules stay whole; everything that is made of ions falls apart. */
export function componentsOf(anhydrous: Formula): readonly Component[] {
  const before = known.get(anhydrous)
  if (before) return before
  const components = read(anhydrous)
  known.set(anhydrous, components)
  return components
}

function read(anhydrous: Formula): Component[] {
  const ions = ionsOf(anhydrous)
  if (!ions || ions.some(({ text }) => text === 'H')) return [{ key: anhydrous.text, count: 1 }]
  return ions.map(({ text, charge, count }) => ({ key: text + chargeText(charge), count }))
}

/** Formula units of a salt that the ions could make at most. */
export function mostOf(salt: Formula, totals: ReadonlyMap<string, number>): number {
  return Math.min(...componentsOf(salt).map(({ key, count }) => (totals.get(key) ?? 0) / count))
}
