import { partsOfMeasured } from './parse'

/**
 * A measured value as it is kept, with a point, from one that was typed with a decimal comma: `5,21 g` is 5.21 g. A comma before just three digits may part thousands: it is left for the reader to refuse,
 * unless the number begins with a lone zero, or `isChosen` says that commas are decimal here. What is no measured value (a name such as 1,10-phenanthroline) stays as it is.
 */
export function withPoint(text: string, isChosen = false): string {
  if (!/\d,\d/.test(text) || /\.\d/.test(text)) return text
  if (!isChosen && !text.split(/[±(]|\+\/?-/).every(isPlainly)) return text
  const pointed = text.replaceAll(/(\d),(?=\d)/g, '$1.')
  return partsOfMeasured(pointed) ? pointed : text
}
const isPlainly = (part: string): boolean => !/\d,\d{3}(?!\d)/.test(part) || /(?<!\d)0,\d/.test(part)

/** Text for people, its decimal points as commas; formulas are not given to it. */
export const withComma = (text: string): string => text.replaceAll(/(\d)\.(?=\d)/g, '$1,')
