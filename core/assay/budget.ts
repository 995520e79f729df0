import { exact, product, shares, sum, type Figure } from '#core/quantity'
import { normalQuantile, studentT } from './student'

/** What the uncertainty of a mean of replicates is made of; all standard but the last, in the unit of the result. */
export interface Budget {
  /** Of the mean: what its replicates do not share, from their scatter, or from their readings where those alone are more. */
  readonly own: number
  /** From what all replicates share, such as the strength on a label. */
  readonly shared: number
  /** True where the scatter is what counts, and not the readings' own steps. */
  readonly isScatter: boolean
  readonly combined: number
  /** Effective degrees of freedom; infinite where no scatter counts. */
  readonly degrees: number
  readonly coverage: number
  /** Half-width of the 95 % interval. */
  readonly expanded: number
  /** By how much one replicate moves when its readings move by a whole step each. */
  readonly step: number
}

const LEVEL = 0.95

/** Effective degrees of freedom of parts that are added in squares (JCGM 100:2008, G.4.1, Welch and Satterthwaite); infinite where all are. */
export function effectiveDegrees(parts: readonly { readonly uncertainty: number; readonly degrees: number }[]): number {
  const combined = Math.hypot(...parts.map(({ uncertainty }) => uncertainty))
  const under = parts.reduce((sum, { uncertainty, degrees }) => sum + uncertainty ** 4 / degrees, 0)
  return under > 0 ? combined ** 4 / under : Infinity
}

/**
 * The uncertainty of a mean: scatter of the mean and what is shared, combined (JCGM 100:2008, 5.1.2), expanded by Student's t for the effective degrees of
 * freedom (G.4.1, Welch and Satterthwaite). A reading's own step is in the scatter already; it counts where the scatter is smaller than it, as for values that
 * agree to the last digit.
 */
export function budgetOf(
  figures: readonly Figure[],
  mean: Figure,
  scale: number,
  deviation: number | undefined,
): Budget {
  const rows = figures.map(figure => new Map(shares(figure).map(({ source, uncertainty }) => [source, uncertainty])))
  const isShared = (source: string): boolean => figures.length > 1 && rows.filter(row => row.has(source)).length > 1
  const ofMean = shares(mean)
  const total = (kept: (source: string) => boolean): number =>
    scale * Math.hypot(...ofMean.filter(({ source }) => kept(source)).map(({ uncertainty }) => uncertainty))
  const n = figures.length
  const scatter = deviation === undefined ? 0 : deviation / Math.sqrt(n)
  const readings = total(source => !isShared(source))
  const shared = total(isShared)
  const isScatter = scatter > readings
  const own = Math.max(scatter, readings)
  const combined = Math.hypot(own, shared)
  const degrees = effectiveDegrees([
    { uncertainty: own, degrees: isScatter ? n - 1 : Infinity },
    { uncertainty: shared, degrees: Infinity },
  ])
  const coverage = Number.isFinite(degrees) ? studentT(LEVEL, degrees) : normalQuantile(LEVEL)
  const step =
    Math.sqrt(12) *
    scale *
    Math.max(0, ...rows.map(row => Math.hypot(...[...row].flatMap(([source, u]) => (isShared(source) ? [] : [u])))))
  return { own, shared, isScatter, combined, degrees, coverage, expanded: coverage * combined, step }
}

/** The mean of repeats as a figure: what all of them share counts once. Undefined where there is none. */
export function meanFigure(figures: readonly Figure[]): Figure | undefined {
  const [first] = figures
  if (!first || figures.length === 1) return first
  const all = sum(
    'sum of the replicates',
    figures.map(figure => [1, figure] as const),
  )
  return product(
    `mean of ${figures.length} replicates`,
    first.kind,
    [all],
    [exact(figures.length, 'number', 'replicates')],
  )
}
