import { compareGroups, grubbs, studentT, summarise } from '#core/assay'

/** The yield of one batch: a share of one, its standard uncertainty by balance, labels and glass, and the group that it is put into. */
export interface Trial {
  readonly code: string
  readonly percent: number
  readonly spread: number
  readonly group?: string
}
/** What several trials of one preparation say together, in percentage points. Words hold no formulas. */
export interface TrialsJudged {
  readonly count: number
  readonly mean: number
  readonly deviation?: number
  /** Half-width of the interval of the mean at 95 %. */
  readonly expanded?: number
  /** The trial that lies apart from the others by Grubbs' test at 95 %. */
  readonly outlier?: string
  /** Whether the first one differs from the others, and by what. */
  readonly here: { readonly differs: boolean | undefined; readonly words: string }
  /** What the groups say of each other, where trials are put into groups. */
  readonly groups: readonly string[]
}

/** Coverage of what is called different: 95 %. */
const CONFIDENCE = 0.95
/** Standard uncertainties that two single results must lie apart by: 95 % of a normal distribution. */
const TWO = 1.96

/**
 * Compares the yield of one batch with those of other trials of the same preparation: against one other by the uncertainties of the readings alone; against two or more by how far they scatter (a new one of the same kind lies within mean
 * ± t·s·√(1 + 1/n); Miller and Miller, Statistics and Chemometrics for Analytical Chemistry, ch. 2, from memory). Groups are compared by t and F, or by analysis of variance. Undefined without another trial.
 */
export function compareTrials(here: Trial, others: readonly Trial[]): TrialsJudged | undefined {
  if (others.length === 0) return undefined
  const all = [here, ...others]
  const values = all.map(({ percent }) => percent * 100)
  const { mean, standardDeviation } = summarise(values)
  const lone = all.length > 2 ? grubbs(values) : undefined
  return {
    count: all.length,
    mean,
    ...(standardDeviation !== undefined && {
      deviation: standardDeviation,
      expanded: (studentT(CONFIDENCE, all.length - 1) * standardDeviation) / Math.sqrt(all.length),
    }),
    ...(lone?.suspected === true && { outlier: all[lone.index]!.code }),
    here: others.length === 1 ? againstOne(here, others[0]!) : againstMany(here, others),
    groups: compareGroups(
      values,
      all.map(({ group }) => group ?? ''),
    ).map(({ text }) => text),
  }
}

const points = (value: number): string => `${value.toFixed(1)} percentage points`

function againstOne(here: Trial, other: Trial): TrialsJudged['here'] {
  const apart = Math.abs(here.percent - other.percent) * 100
  const limit = TWO * Math.hypot(here.spread, other.spread) * 100
  const differs = apart > limit
  return {
    differs,
    words: differs
      ? `It and ${other.code} lie ${points(apart)} apart, more than the ${points(limit)} that balances, labels and glass allow. Whether preparing it again scatters as much, only a third trial tells.`
      : `It and ${other.code} lie ${points(apart)} apart: no more than the ${points(limit)} that balances, labels and glass allow.`,
  }
}

function againstMany(here: Trial, others: readonly Trial[]): TrialsJudged['here'] {
  const { mean, standardDeviation } = summarise(others.map(({ percent }) => percent * 100))
  if (standardDeviation === undefined || standardDeviation === 0)
    return { differs: undefined, words: 'The others all agree to the last digit: how far trials scatter is not known.' }
  const n = others.length
  const own = here.spread * 100
  const limit = studentT(CONFIDENCE, n - 1) * Math.hypot(standardDeviation * Math.sqrt(1 + 1 / n), own)
  const apart = here.percent * 100 - mean
  const differs = Math.abs(apart) > limit
  return {
    differs,
    words: `It lies ${points(Math.abs(apart))} ${apart < 0 ? 'below' : 'above'} the mean of the other ${n}; by their scatter, another of the same kind lies within ${points(limit)} of it in 95 of 100: ${
      differs ? 'this one differs' : 'this one does not differ'
    }.`,
  }
}
