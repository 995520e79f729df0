import { grams, percentText, cause } from './cause'
import type { Explanation } from './explain-yield'
import type { ReadingFact, YieldFacts } from './yield-facts'

/** Values that one slip of the hand makes of a reading: two neighbouring digits swapped. */
function slips(text: string): number[] {
  const [digits = ''] = /[\d.]+/.exec(text) ?? []
  const found = new Set<number>()
  for (let i = 0; i < digits.length - 1; i++) {
    const j = digits[i + 1] === '.' ? i + 2 : i + 1
    const [a, b] = [digits[i], digits[j]]
    if (a === undefined || b === undefined || a === '.' || a === b) continue
    const swapped = [...digits]
    swapped[i] = b
    swapped[j] = a
    found.add(Number(swapped.join('')))
  }
  return [...found].filter(Number.isFinite)
}

/** Where the percent would be within this of the plan, a slip explains it; a judgement. */
const NEAR = 0.06

/** The reading that, with two of its digits swapped, would make the yield what was expected. */
export function digitSlip(facts: YieldFacts): Explanation[] {
  const { planned } = facts
  const hits = facts.readings.flatMap(reading =>
    slips(reading.text).flatMap(value => {
      const percent = reading.percentIf(value)
      return percent !== undefined && percent > 0 && percent <= 1.005 && Math.abs(percent - planned) < NEAR
        ? [{ reading, value, percent }]
        : []
    }),
  )
  const best = hits.toSorted((a, b) => Math.abs(a.percent - planned) - Math.abs(b.percent - planned))[0]
  if (!best) return []
  const { reading, value, percent } = best
  const far = Math.abs(facts.percent - planned)
  return [
    cause(
      'digits',
      0.5,
      {
        title: 'Two digits of a reading swapped',
        needs: `${reading.what} read as ${reading.text}: were it ${written(reading, value)}, the yield would be ${percentText(percent)}.`,
        suffices: 'alone',
        settle: `Weigh it again if it is still there, or look at what the instrument kept: it should differ by ${grams(Math.abs(value - reading.value))}.`,
      },
      [{ says: far > 0.35 && 'Nothing small explains a difference this large.', times: 2.5 }],
    ),
  ]
}

function written({ text }: ReadingFact, value: number): string {
  const [digits = ''] = /[\d.]+/.exec(text) ?? []
  const decimals = digits.split('.')[1]?.length ?? 0
  return text.replace(/[\d.]+/, value.toFixed(decimals))
}
