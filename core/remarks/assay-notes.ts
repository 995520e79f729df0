import {
  compareSets,
  computeWorksheet,
  shareHeld,
  shapeOf,
  type Worksheet,
  type WorksheetKind,
  type WorksheetResult,
} from '#core/assay'
import { parseFormula, type Formula } from '#core/formula'
import { lastPlace, statedWords } from '#core/quantity'
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
  const { summary, budget } = setting.result
  if (expected === undefined || !summary || !budget) return []
  const off = summary.mean - expected
  return [
    {
      tone: Math.abs(off) > Math.max(budget.expanded, NEAR * expected) ? 'caution' : 'info',
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
      text: `Replicate ${row + 1} stands out by ${test}’s test at ${outlier.level} % (${outlier.q.toFixed(2)} over ${outlier.critical.toFixed(2)}). It stays in the mean; look for a reason before you strike it.`,
    }))

/** Other worksheets that ask the same: another person's, another day's, another class's. */
const comparisons = ({ sheet, result, all }: AssaySetting): MarginNote[] =>
  all
    .filter(one => one.id !== sheet.id && asksTheSame(one, sheet))
    .flatMap((other): MarginNote[] => {
      const theirs = computeWorksheet(other)
      if (theirs.mean?.kind !== result.mean?.kind) return []
      const step = Math.max(result.budget?.step ?? 0, theirs.budget?.step ?? 0)
      const found = compareSets(result.values, theirs.values, step)
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

/** What a worksheet's number is of, by its kind: those that ask the same of the same can be compared. */
const ASKED_OF: Readonly<Partial<Record<WorksheetKind, readonly string[]>>> = {
  gravimetric: ['analyte'],
  hydrate: ['salt'],
  titration: ['species', 'form'],
  'back titration': ['species', 'form'],
  standardisation: ['titrant'],
  composition: ['metal', 'other'],
  mixture: ['first', 'second', 'clouds'],
  'two salts': ['first', 'second'],
  'two readings': ['first', 'second'],
  'two colours': ['first', 'second'],
  conductance: ['salt'],
  magnetic: ['salt'],
  'ion exchange': ['salt'],
  own: ['relation', 'held'],
}
const asksTheSame = (a: Worksheet, b: Worksheet): boolean =>
  a.kind === b.kind && (ASKED_OF[a.kind] ?? []).every(key => sameAsked(a.given[key], b.given[key]))
function sameAsked(a = '', b = ''): boolean {
  const [one, other] = [parseFormula(a), parseFormula(b)]
  return one.ok && other.ok ? one.value.text === other.value.text : a.trim() === b.trim()
}

/** Decimals that single replicates are shown with: the mean's, or one more where their own steps are finer. */
export function shownDecimals({ summary, budget, values }: WorksheetResult): number {
  if (!summary || !budget) return 2
  const finest = [budget.expanded, 2 * budget.own * Math.sqrt(values.length)].filter(one => one > 0)
  return finest.length === 0 ? 5 : Math.min(8, Math.max(0, ...finest.map(lastPlace)))
}

/** The unit that a worksheet's result is told in. */
const unitOf = (sheet: Worksheet): string => {
  const { text } = shapeOf(sheet).unit
  return text === 'waters' ? '' : text
}

/** The mean of a worksheet with its expanded uncertainty, as it is written: `98.9 ± 1.0 %`; undefined while there is none. */
export const resultWords = (sheet: Worksheet, { summary, budget }: WorksheetResult): string | undefined =>
  summary && statedWords(summary.mean, budget?.expanded, unitOf(sheet))

/** What an expanded uncertainty says: its level, its coverage factor, and how many values stand behind it. */
export const coverageWords = ({ budget, values }: WorksheetResult): string =>
  budget && budget.expanded > 0
    ? `95 %, k = ${budget.coverage.toFixed(2)}, ${values.length === 1 ? 'one value' : `${values.length} replicates`}`
    : ''

/** In the middle of a sentence; the symbol of a relation of one's own keeps its capital. */
const lowered = (name: string): string => (/^[A-Z][a-z ]/.test(name) ? name[0]!.toLowerCase() + name.slice(1) : name)

/** A worksheet's result as the journal keeps it; undefined while there is none. */
export function assayWords(sheet: Worksheet, result: WorksheetResult): string | undefined {
  const { headline } = result
  if (headline) return `Assay. ${sheet.name}: ${headline.replace(/[{}]/g, '')}`
  const words = resultWords(sheet, result)
  if (words === undefined) return undefined
  const coverage = coverageWords(result)
  return `Assay. ${sheet.name}: ${lowered(shapeOf(sheet).result)} ${words}${coverage && ` (${coverage})`}`
}
