import { compareGroups, dixon, grubbs, summarise, type Finding, type Replicates } from '#core/assay'

/** One result of a class: whose it is, of which section, and its value. */
export interface ClassResult {
  readonly group: number
  readonly section: string
  readonly value: number
}
export interface ClassSpread extends Replicates {
  readonly n: number
  /** Groups whose value Dixon's or Grubbs' test suspects: marked, and never left out. */
  readonly outliers: readonly number[]
  readonly sections: readonly {
    readonly section: string
    readonly n: number
    readonly mean: number
    readonly standardDeviation?: number
  }[]
  /** Section against section, in words. */
  readonly findings: readonly Finding[]
}

/** Mean, spread, outliers of all results of a class, and its sections set against each other. Undefined before there is one. */
export function spreadOf(results: readonly ClassResult[]): ClassSpread | undefined {
  if (results.length === 0) return undefined
  const values = results.map(({ value }) => value)
  const found = [dixon(values), grubbs(values)].flatMap(outlier => (outlier?.suspected ? [outlier.index] : []))
  const names = [...new Set(results.map(({ section }) => section))].filter(name => name !== '')
  const sets = names.map(section => ({
    section,
    values: results.filter(one => one.section === section).map(({ value }) => value),
  }))
  return {
    ...summarise(values),
    n: values.length,
    outliers: [...new Set(found)].map(i => results[i]!.group),
    sections: sets.map(({ section, values: mine }) => {
      const { mean, standardDeviation } = summarise(mine)
      return { section, n: mine.length, mean, ...(standardDeviation !== undefined && { standardDeviation }) }
    }),
    findings:
      names.length > 1
        ? compareGroups(
            values,
            results.map(({ section }) => section),
          )
        : [],
  }
}
