import { partsOfMeasured } from '#core/quantity'
import { cause, percentText } from './cause'
import type { Explanation } from './explanation'
import type { YieldFacts } from './yield-facts'

/** Texts that one slip of the hand makes of a reading: two neighbouring digits swapped. */
function slips(text: string): string[] {
  const parts = partsOfMeasured(text)
  if (!parts) return []
  const [digits = '', exponent] = parts.number.toLowerCase().split('e')
  const found = new Set<string>()
  for (let i = 0; i < digits.length - 1; i++) {
    const j = digits[i + 1] === '.' ? i + 2 : i + 1
    const [a, b] = [digits[i], digits[j]]
    if (a === undefined || b === undefined || a === '.' || a === b) continue
    const swapped = [...digits]
    swapped[i] = b
    swapped[j] = a
    found.add(`${swapped.join('')}${exponent === undefined ? '' : `e${exponent}`} ${parts.unit}`)
  }
  return [...found]
}

/** Where the percent would be within this of the plan, a slip explains it; a judgement. */
const NEAR = 0.06

/** The model's own recovery is as low as the yield that was found, to within what it can tell; a judgement. */
const liquorExplains = ({ model, percent }: YieldFacts): boolean =>
  model !== undefined && model.recovery < percent + NEAR_MODEL
const NEAR_MODEL = 0.1

/** The reading that, with two of its digits swapped, would make the yield what was expected. */
export function digitSlip(facts: YieldFacts): Explanation[] {
  const { planned } = facts
  // What an instrument sent was never in a hand that could swap it.
  const hits = facts.readings
    .filter(({ isTyped }) => isTyped)
    .flatMap(reading =>
      slips(reading.text).flatMap(text => {
        const percent = reading.percentIf(text)
        return percent !== undefined && percent > 0 && percent <= 1.005 && Math.abs(percent - planned) < NEAR
          ? [{ reading, text, percent }]
          : []
      }),
    )
  const best = hits.toSorted((a, b) => Math.abs(a.percent - planned) - Math.abs(b.percent - planned))[0]
  if (!best) return []
  const { reading, text, percent } = best
  const far = Math.abs(facts.percent - planned)
  return [
    cause(
      'digits',
      0.5,
      {
        title: 'Two digits of a reading swapped',
        needs: `${reading.what} read as ${reading.text}: were it ${text}, the yield would be ${percentText(percent)}.`,
        suffices: 'alone',
        settle: `Weigh it again if it is still there, or look at what the instrument kept: it should read ${text}.`,
      },
      [
        { says: far > 0.35 && 'Nothing small explains a difference this large.', times: 2.5 },
        { says: liquorExplains(facts) && 'What the liquor keeps by the model is as much as is missing.', times: 0.3 },
      ],
    ),
  ]
}
