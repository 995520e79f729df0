import type { Choices, Outcome } from './worksheet-kind'

const MOST = 6

/** The ratios of small whole numbers round what was found, and how many standard uncertainties each is away; within two it fits. */
export function smallRatios(metal: string, other: string, { mean, uncertainty }: Outcome): Choices {
  // Readings alone are better than the method: no ratio of a crucible is known closer than one part in a hundred; common practice, no source.
  const spread = Math.max(uncertainty, 0.01 * mean)
  const all: { m: number; x: number; away: number }[] = []
  for (let m = 1; m <= MOST; m++)
    for (let x = 1; x <= 2 * MOST; x++) if (gcd(m, x) === 1) all.push({ m, x, away: (mean - x / m) / spread })
  const near = all.toSorted((a, b) => Math.abs(a.away) - Math.abs(b.away)).slice(0, 6)
  const count = (n: number): string => (n === 1 ? '' : String(n))
  return {
    title: 'Small whole numbers',
    head: ['Formula', 'ratio', 'standard uncertainties off'],
    rows: near
      .toSorted((a, b) => simple(a) - simple(b))
      .map(({ m, x, away }) => ({
        cells: [`{${metal}${count(m)}${other}${count(x)}}`, (x / m).toFixed(3), away.toFixed(1).replace('-', '−')],
        fits: Math.abs(away) <= 2,
      })),
  }
}

const simple = ({ m, x }: { m: number; x: number }): number => m + x
const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))
