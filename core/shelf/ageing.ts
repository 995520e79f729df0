import { ageingRow } from '#core/outcome'
import { parseQuantity, standardUncertainty } from '#core/quantity'
import type { Comes } from './label'

/** What a bottle that ages is thought to be worth on a day. */
export interface Aged {
  /** As a plan's supply writes it, with its uncertainty. */
  readonly comes: Comes
  readonly how: string
  /** Share of the strength that is left, and its standard uncertainty. */
  readonly left: number
  readonly uncertainty: number
  readonly days: number
}

const YEAR = 365.25
const DAY = 86_400_000
/** A loss that no balance would see is not told. */
const LEAST = 0.001

/**
 * Estimates today's strength: what the label says, times exp(−k·t), with k by the table for a bottle in use from the day it was opened, and for one that is closed before. An estimate by common practice:
 * the loss is taken to be as uncertain as it is large, together with what the label's own uncertainty is. Undefined where nothing is known of ageing, where the days are not known, or where the strength does not read.
 */
export function agedOf(
  formula: string,
  comes: Comes,
  dates: { readonly since?: string | undefined; readonly opened?: string | undefined },
  today: string,
): Aged | undefined {
  const row = ageingRow(formula)
  const from = dates.since ?? dates.opened
  if (!row?.year || from === undefined) return undefined
  const days = (to: string, since: string): number => Math.max(0, (Date.parse(to) - Date.parse(since)) / DAY)
  const opened = dates.opened !== undefined && dates.opened <= today ? dates.opened : undefined
  const inUse = opened === undefined ? 0 : days(today, opened > from ? opened : from)
  const closed = days(today, from) - inUse
  const lost = (row.year.closed * closed + row.year.open * inUse) / YEAR
  const left = Math.exp(-lost)
  if (1 - left < LEAST) return undefined
  const aged = weaker(comes, left, 1 - left)
  return aged && { comes: aged, how: row.how, left, uncertainty: 1 - left, days: days(today, from) }
}

/** The strength times `left`, as it is written; undefined where it does not read. */
function weaker(comes: Comes, left: number, spread: number): Comes | undefined {
  const scaled = (text: string): string | undefined => {
    const read = parseQuantity(text, {
      kinds: ['mass fraction', 'concentration', 'mass per volume'],
      name: 'strength',
      source: 'label',
    })
    const unit = /[^\d.\s±()+eE-].*$/u.exec(text)?.[0]
    if (!read.ok || unit === undefined) return undefined
    const { value } = read.value
    const number = Number.parseFloat(text)
    if (!(value > 0) || !(number > 0)) return undefined
    const relative = Math.hypot(standardUncertainty(read.value) / value, spread / left)
    return withDigits(number * left, number * left * relative, unit)
  }
  switch (comes.kind) {
    case 'solid':
    case 'liquid': {
      const assay = scaled(comes.assay ?? '100 %')
      return assay === undefined ? undefined : { ...comes, assay }
    }
    case 'solution': {
      const concentration = scaled(comes.concentration)
      return concentration === undefined ? undefined : { ...comes, concentration }
    }
    case 'gas':
      return undefined
  }
}

/** A value with as many decimals as two digits of its uncertainty want (JCGM 100:2008, 7.2.6). */
function withDigits(value: number, uncertainty: number, unit: string): string {
  const decimals = Math.min(6, Math.max(0, 1 - Math.floor(Math.log10(uncertainty))))
  return `${value.toFixed(decimals)} ± ${uncertainty.toFixed(decimals)} ${unit}`
}
