import { partsOfMeasured } from '#core/quantity'

/** Texts that one slip of the hand makes of a reading: two neighbouring digits swapped. */
export function slips(text: string): string[] {
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
