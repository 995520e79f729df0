const THIN = '\u202f'
const SUPERSCRIPTS = '⁰¹²³⁴⁵⁶⁷⁸⁹'

export interface Stated {
  readonly value: string
  /** Undefined where there is no uncertainty to tell. */
  readonly uncertainty?: string
  /** A power of ten that both are to be taken times, where a bench would not write the zeros. */
  readonly times?: string
}

/** Digits that an uncertainty is told with. JCGM 100:2008, 7.2.6: two at the most. */
const DIGITS = 2
/** A value without uncertainty is told with so many digits. */
const EXACT_DIGITS = 6
/** More zeros than this behind the point are written as a power of ten. */
const MOST_DECIMALS = 6

/** The decimals at which an uncertainty of two digits ends; below zero for tens and hundreds. */
export function lastPlace(uncertainty: number): number {
  const [, exponent = '0'] = uncertainty.toExponential(DIGITS - 1).split('e')
  return DIGITS - 1 - Number(exponent)
}

/**
 * A value and its uncertainty as they are written: both end at the same place, the uncertainty with two digits (JCGM 100:2008, 7.2.6). Without an uncertainty,
 * or with none that is a number, the value stands alone.
 */
export function stated(value: number, uncertainty?: number): Stated {
  const spread = uncertainty !== undefined && Number.isFinite(uncertainty) && uncertainty > 0 ? uncertainty : undefined
  const size = Math.floor(Math.log10(Math.max(Math.abs(value), spread ?? 0) || 1))
  const place = spread === undefined ? EXACT_DIGITS - 1 - size : lastPlace(spread)
  const power = place > MOST_DECIMALS + (spread === undefined ? 2 : 0) && size < -3 ? size : 0
  const show = (number: number): string => atPlace(number / 10 ** power, place + power)
  return {
    value: spread === undefined ? String(Number(show(value))).replace('-', '−') : show(value),
    ...(spread !== undefined && { uncertainty: show(spread) }),
    ...(power !== 0 && { times: `10${raised(power)}` }),
  }
}

/** A number to so many decimals; to tens or hundreds where they are below zero. */
function atPlace(value: number, decimals: number): string {
  const shown =
    decimals >= 0
      ? value.toFixed(Math.min(12, decimals))
      : (Math.round(value * 10 ** decimals) / 10 ** decimals).toFixed(0)
  return (Number(shown) === 0 ? shown.replace('-', '') : shown).replace('-', '−')
}

const raised = (power: number): string =>
  (power < 0 ? '⁻' : '') + [...String(Math.abs(power))].map(digit => SUPERSCRIPTS[Number(digit)] ?? '').join('')

/** `98.9 ± 1.0 %`, `(1.23 ± 0.12) × 10⁻⁷ mol/L`: a value, its uncertainty and its unit in words. */
export function statedWords(value: number, uncertainty: number | undefined, unit = ''): string {
  const { value: number, uncertainty: spread, times } = stated(value, uncertainty)
  const both = spread === undefined ? number : `${number} ± ${spread}`
  const scaled = times === undefined ? both : spread === undefined ? `${both} × ${times}` : `(${both}) × ${times}`
  return unit === '' ? scaled : `${scaled}${THIN}${unit}`
}
