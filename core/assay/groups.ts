import { compareSets } from './compare'
import { summarise } from './replicates'
import { incompleteBeta } from './student'
import type { Finding } from './worksheet-kind'

export interface Anova {
  readonly f: number
  readonly between: number
  readonly within: number
  readonly probability: number
  readonly differ: boolean
}
const LEVEL = 0.05

/**
 * One-way analysis of variance of several sets: whether their means differ by more than their scatter (Miller and Miller, Statistics and
 * Chemometrics for Analytical Chemistry, ch. 3, from memory). Undefined for fewer than two sets with a value, or without scatter.
 */
export function anova(sets: readonly (readonly number[])[]): Anova | undefined {
  const whole = sets.filter(({ length }) => length > 0)
  const all = whole.flat()
  const between = whole.length - 1
  const within = all.length - whole.length
  if (between < 1 || within < 1) return undefined
  const grand = summarise(all).mean
  const apart = whole.reduce((sum, set) => sum + set.length * (summarise(set).mean - grand) ** 2, 0)
  const scatter = whole.reduce((sum, set) => {
    const { mean } = summarise(set)
    return sum + set.reduce((squares, value) => squares + (value - mean) ** 2, 0)
  }, 0)
  if (!(scatter > 0)) return undefined
  const f = apart / between / (scatter / within)
  const probability = incompleteBeta(within / (within + between * f), within / 2, between / 2)
  return { f, between, within, probability, differ: probability < LEVEL }
}

/** Compares the people, trials or classes that rows are marked with: two by t and F, more by analysis of variance. Unmarked rows stay out. */
export function compareGroups(values: readonly number[], names: readonly string[]): Finding[] {
  const groups = new Map<string, number[]>()
  values.forEach((value, i) => {
    const name = names[i]?.trim()
    if (name) groups.set(name, [...(groups.get(name) ?? []), value])
  })
  const told = [...groups]
    .map(([name, set]) => `${name} ${summarise(set).mean.toPrecision(5)} (${set.length})`)
    .join(', ')
  if (groups.size < 2) return []
  if (groups.size === 2) {
    const [a, b] = [...groups.values()]
    const found = compareSets(a!, b!)
    if (!found) return [tooFew(told)]
    return [
      {
        tone: found.meansDiffer ? 'caution' : 'info',
        tag: 'Between the two',
        text: `${told}: the means ${found.meansDiffer ? 'differ' : 'agree'} (t = ${found.t.toFixed(2)}, p = ${found.tProbability.toPrecision(2)}), the spreads ${found.spreadsDiffer ? 'differ' : 'agree'} (F = ${found.f.toFixed(1)}).`,
      },
    ]
  }
  const found = anova([...groups.values()])
  if (!found) return [tooFew(told)]
  return [
    {
      tone: found.differ ? 'caution' : 'info',
      tag: 'Between them',
      text: `${told}: the means ${found.differ ? 'differ by more than their scatter' : 'agree within their scatter'} (F = ${found.f.toFixed(2)} with ${found.between} and ${found.within} degrees of freedom, p = ${found.probability.toPrecision(2)}).`,
    },
  ]
}

const tooFew = (told: string): Finding => ({
  tone: 'info',
  tag: 'Between them',
  text: `${told}: two values each are the least for a comparison.`,
})
