import { stepOf } from '#core/quantity'
import { readReading, sameAbout, type JournalLine } from './journal'
import type { About } from './entries'

export interface DryWeighing {
  readonly at: string
  /** Net where the vessel was weighed, otherwise as it stood on the pan, g. */
  readonly grams: number
}

/** The weighings of one crop in the order they were made, since its vessel was last weighed, and the last digit they were read to, g. */
export function dryingSeries(
  lines: readonly JournalLine[],
  about: About,
): { readonly weighings: readonly DryWeighing[]; readonly resolution: number } {
  let tare = 0
  let resolution = 0.0001
  let weighings: DryWeighing[] = []
  for (const { entry, current } of lines) {
    if (entry.kind !== 'reading' || current === undefined || !sameAbout(entry.about, about)) continue
    const read = readReading(entry, current)
    if (!read.ok) continue
    if (entry.measure === 'tare') {
      tare = read.value.value
      weighings = []
    } else if (entry.measure === 'gross') weighings.push({ at: entry.at, grams: read.value.value - tare })
    else if (entry.measure === 'net') weighings.push({ at: entry.at, grams: read.value.value })
    else continue
    resolution = Math.max(resolution, stepOf(current) ?? 0)
  }
  return { weighings, resolution }
}
