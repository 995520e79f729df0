import type { Measure, Step } from '#core/journal'
import { parseQuantity } from '#core/quantity'

/** What a step about the pot asks to be read of it: by the unit of its target, else by what its operation settles; `none` where nothing is asked. */
export function readingAsked({ do: name, target }: Step): Measure | 'none' {
  const read =
    target === undefined
      ? undefined
      : parseQuantity(target, { kinds: ['temperature', 'volume', 'mass'], name: '', source: '' })
  if (name === 'add' || name === 'seed') return 'none'
  if (read?.ok) return byKind[read.value.kind as keyof typeof byKind]
  if (name === 'evaporate') return 'volume'
  return name === 'heat' || name === 'hold' || name === 'cool' || name === 'ice' ? 'temperature' : 'none'
}
const byKind = { temperature: 'temperature', volume: 'volume', mass: 'net' } as const
