import type { SpotTest } from './entries'

export type SpotVerdict =
  | { readonly says: 'excess'; readonly of: string; readonly by: string }
  | { readonly says: 'equal' }
  | { readonly says: 'contradictory' }
  | { readonly says: 'half'; readonly missing: string }

/**
 * Which of the two reagents that throw a salt down was in excess, from a drop of each in a portion of the clear liquor: a cloud with one
 * means that the other is still there. A cloud with neither: as much of the one as of the other, to within what shows. A cloud with both
 * cannot be: the portions were not clear, or were swapped. The last result for each counts.
 */
export function judgeSpots(tests: readonly Pick<SpotTest, 'added' | 'result'>[], a: string, b: string): SpotVerdict {
  const last = (added: string): boolean | undefined => {
    const found = tests.findLast(test => test.added === added && (test.result === 'cloud' || test.result === 'clear'))
    return found && found.result === 'cloud'
  }
  const withA = last(a)
  const withB = last(b)
  if (withA === undefined || withB === undefined) return { says: 'half', missing: withA === undefined ? a : b }
  if (withA && withB) return { says: 'contradictory' }
  if (!withA && !withB) return { says: 'equal' }
  return withA ? { says: 'excess', of: b, by: a } : { says: 'excess', of: a, by: b }
}

/** The verdict in words; formulas in braces. */
export function spotWords(verdict: SpotVerdict): string {
  switch (verdict.says) {
    case 'excess':
      return `{${verdict.by}} gives a cloud: {${verdict.of}} was in excess, {${verdict.by}} was the limiting reagent.`
    case 'equal':
      return 'No cloud with either: to within what can be seen, neither was in excess.'
    case 'contradictory':
      return 'Contradictory: both cannot be left over. Were the portions clear? Filter again and repeat both with fresh drops.'
    case 'half':
      return `Now add {${verdict.missing}} to the other portion.`
  }
}
