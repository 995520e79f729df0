import {
  compareSets,
  computeWorksheet,
  shareHeld,
  worksheetShapes,
  type Worksheet,
  type WorksheetResult,
} from '#core/assay'
import { parseFormula, type Formula } from '#core/formula'
import type { MarginNote } from './note'

export interface AssaySetting {
  readonly sheet: Worksheet
  readonly result: WorksheetResult
  /** What this batch isolates; undefined for a worksheet that stands alone. */
  readonly product: Formula | undefined
  /** All worksheets of the batch, this one among them. */
  readonly all: readonly Worksheet[]
}

/** What the analyte should be in the batch's product by its formula, %; undefined for worksheets that do not ask it. */
export function expectedOf({ sheet, product }: Pick<AssaySetting, 'sheet' | 'product'>): number | undefined {
  if (!product || sheet.kind !== 'gravimetric' || sheet.given.unknown?.startsWith('an unknown')) return undefined
  const analyte = parseFormula(sheet.given.analyte ?? '')
  const share = analyte.ok ? shareHeld(analyte.value, product) : undefined
  return share === undefined ? undefined : 100 * share
}

/** Remarks on a worksheet: against the formula, doubtful values, against the batch's other worksheets of its kind, and its own findings. */
export function assayNotes(setting: AssaySetting): MarginNote[] {
  const { result } = setting
  return [
    ...againstFormula(setting),
    ...result.findings,
    ...doubtful(result),
    ...comparisons(setting),
    ...(result.values.length === 1
      ? [{ tone: 'info', tag: 'One value', text: 'One value has no spread: repeat it.' } as const]
      : []),
  ]
}

/** How far an assay may lie off the formula without its spread: half a percent of it; common practice, no source. */
const NEAR = 0.005

function againstFormula(setting: AssaySetting): MarginNote[] {
  const expected = expectedOf(setting)
  const { summary, byReadings = 0 } = setting.result
  if (expected === undefined || !summary) return []
  const off = summary.mean - expected
  return [
    {
      tone: Math.abs(off) > Math.max(summary.confidence95 ?? 0, 2 * byReadings, NEAR * expected) ? 'caution' : 'info',
      tag: 'Against the formula',
      text: `{${setting.product!.text}} holds ${expected.toFixed(2)} %. The mean is ${off.toFixed(2).replace('-', '−')} percentage points off.`,
    },
  ]
}

const doubtful = ({ outliers }: WorksheetResult): MarginNote[] =>
  outliers
    .filter(({ outlier }) => outlier.suspected)
    .map(({ test, outlier, row }) => ({
      tone: 'caution',
      tag: 'Doubtful',
      text: `Replicate ${row + 1} stands out by ${test}’s test (${outlier.q.toFixed(2)} over ${outlier.critical.toFixed(2)}). It stays in the mean; look for a reason before you strike it.`,
    }))

/** Other worksheets that ask the same: another person's, another day's, another class's. */
const comparisons = ({ sheet, result, all }: AssaySetting): MarginNote[] =>
  all
    .filter(one => one.id !== sheet.id && one.kind === sheet.kind)
    .flatMap((other): MarginNote[] => {
      const found = compareSets(result.values, computeWorksheet(other).values)
      if (!found) return []
      const { meansDiffer, spreadsDiffer, t, degrees, tProbability, f } = found
      return [
        {
          tone: meansDiffer ? 'caution' : 'info',
          tag: `Against “${other.name}”`,
          text: `The means ${meansDiffer ? 'differ' : 'agree'}: t = ${t.toFixed(2)} with ${degrees.toFixed(0)} degrees of freedom, p = ${tProbability.toPrecision(2)}. The spreads ${spreadsDiffer ? 'differ, so they are not pooled' : 'agree'} (F = ${f.toFixed(1)}).`,
        },
      ]
    })

/** Decimals that a worksheet's results are shown with: down to the first that the scatter reaches. */
export function shownDecimals({ summary }: WorksheetResult): number {
  const spread = summary?.standardDeviation
  if (!summary || !spread) return Math.abs(summary?.mean ?? 1) < 1 ? 5 : 2
  return Math.min(6, Math.max(0, -Math.floor(Math.log10(spread))))
}

/** A worksheet's result as the journal keeps it; undefined while there is none. */
export function assayWords(sheet: Worksheet, result: WorksheetResult): string | undefined {
  const { summary, values, headline } = result
  if (headline) return `Assay. ${sheet.name}: ${headline.replace(/[{}]/g, '')}`
  if (!summary) return undefined
  const { result: what, unit } = worksheetShapes[sheet.kind]
  const decimals = shownDecimals(result)
  const of = unit.text && unit.text !== 'waters' ? `\u202f${unit.text}` : ''
  const spread =
    summary.confidence95 === undefined
      ? ''
      : ` ± ${summary.confidence95.toFixed(decimals)} (95 %, ${values.length} replicates)`
  return `Assay. ${sheet.name}: ${what.toLowerCase()} ${summary.mean.toFixed(decimals)}${of}${spread}`
}
