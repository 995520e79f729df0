import { parseQuantity } from './parse'

const NUMBER = /^(\s*)((?:\d+(?:\.\d*)?|\.\d+))(.*)$/s

/**
 * A mass, volume, amount or power as text, times a factor. Written digits are kept: never fewer significant ones than before, and one more
 * where it shrinks. Any other text, and one that does not read, is left as it was typed.
 */
export function scaleText(text: string, factor: number): string {
  const match = NUMBER.exec(text)
  const kinds = ['mass', 'volume', 'amount', 'power'] as const
  const reads = parseQuantity(text, { kinds, name: '', source: '', zero: true }).ok
  const [, before = '', digits, unit = ''] = match ?? []
  if (digits === undefined || !reads || /^\s*(?:\(|±|\+|[eE])/.test(unit)) return text
  const value = Number(digits) * factor
  const decimals = digits.includes('.') ? digits.length - digits.indexOf('.') - 1 : 0
  const significant = digits.replace(/^0*\.?0*/, '').replace('.', '').length
  const needed = value === 0 ? 0 : Math.max(0, significant - (factor < 1 ? 0 : 1) - Math.floor(Math.log10(value)))
  return `${before}${value.toFixed(Math.min(8, Math.max(factor >= 1 ? decimals : 0, needed)))}${unit}`
}

/** A mass or volume in running words; a strength (`g/L`) is none. */
const IN_WORDS = /(?<![\w.])\d+(?:\.\d+)?\s*(?:kg|mg|µg|g|mL|µL|L)(?![\w/·])/g

/** Words with every mass and volume in them times a factor: `Boil off 12 g of water`. */
export const scaleWords = (words: string, factor: number): string =>
  words.replace(IN_WORDS, found => scaleText(found, factor))
