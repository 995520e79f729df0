import type { Effect } from './cause'

/** Two causes at work in one batch. */
export function together(a: Effect, b: Effect): Effect {
  const won = a.won && b.won ? (a.won.mean < b.won.mean ? a.won : b.won) : (a.won ?? b.won)
  const instead = a.instead ?? b.instead
  return {
    made: (a.made ?? 1) * (b.made ?? 1),
    kept: (a.kept ?? 1) * (b.kept ?? 1),
    ...(won && { won }),
    factor: (a.factor ?? 1) * (b.factor ?? 1),
    add: (a.add ?? 0) + (b.add ?? 0),
    added: summed(a.added, b.added),
    ...(instead !== undefined && { instead }),
    back: summed(a.back, b.back),
    misread: (a.misread ?? 1) * (b.misread ?? 1),
    offset: (a.offset ?? 0) + (b.offset ?? 0),
  }
}

const NOTHING: Readonly<Record<string, number>> = {}
function summed(a: Effect['added'], b: Effect['added']): Effect['added'] & object {
  if (!a || !b) return a ?? b ?? NOTHING
  const all: Record<string, number> = { ...a }
  for (const [key, value] of Object.entries(b)) all[key] = (all[key] ?? 0) + value
  return all
}
