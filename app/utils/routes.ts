import { balance, parseEquation, printReaction, type Reaction } from '#core/equation'
import type { Way } from '#core/sheet'

/** How a product is won, as a card says it. */
export const wayWords: Readonly<Record<Way, string>> = {
  crystallise: 'crystallised',
  'take to dryness': 'taken to dryness',
  'throw down': 'thrown down and washed',
  'salt out': 'brought out with alcohol',
  'heat dry': 'heated dry',
  'distil to dryness': 'distilled to dryness',
  'leave in the pot': 'left in the pot',
  own: 'won your own way',
}

const read = new Map<string, Reaction | undefined>()
/** A printed equation as the reaction that it says; of several that share their species, the one of its coefficients. */
export function readEquation(text: string): Reaction | undefined {
  if (!read.has(text)) {
    const parsed = parseEquation(text)
    const balanced = parsed.ok ? balance(parsed.value) : undefined
    read.set(
      text,
      balanced?.ok
        ? balanced.value.unique
          ? balanced.value.reaction
          : balanced.value.basis.find(one => printReaction(one) === text)
        : undefined,
    )
  }
  return read.get(text)
}

/** Minutes as the hours that they are about. */
export function hoursText(minutes: number): string {
  if (minutes < 50) return `about ${Math.round(minutes / 10) * 10} min`
  const hours = Math.round(minutes / 30) / 2
  return `about ${String(hours).replace('.5', ' ½').replace(/^0 /, '')} h`
}
