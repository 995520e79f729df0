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
 * Chemometrics for Analytical Chemistry, ch. 3, from memory). The values are taken less their middle and the sums compensated, so that large numbers with small
 * differences keep their digits. Undefined for fewer than two sets with a value, or without scatter.
 */
export function anova(sets: readonly (readonly number[])[], step = 0): Anova | undefined {
  const whole = sets.filter(({ length }) => length > 0)
  const all = whole.flat()
  const between = whole.length - 1
  const within = all.length - whole.length
  if (between < 1 || within < 1) return undefined
  const middle = all[0] ?? 0
  const shifted = whole.map(set => set.map(value => value - middle))
  const means = shifted.map(meanOf)
  const grand = meanOf(shifted.flat())
  const apart = total(shifted.map((set, i) => set.length * ((means[i] ?? 0) - grand) ** 2))
  const rounding = (within * step ** 2) / 12
  const scatter = Math.max(
    rounding,
    total(shifted.flatMap((set, i) => set.map(value => (value - (means[i] ?? 0)) ** 2))),
  )
  if (!(scatter > (1e-12 * Math.abs(middle)) ** 2)) return undefined
  const f = apart / between / (scatter / within)
  const probability = incompleteBeta(within / (within + between * f), within / 2, between / 2)
  return { f, between, within, probability, differ: probability < LEVEL }
}

/** Neumaier's compensated sum. */
function total(values: readonly number[]): number {
  let sum = 0
  let lost = 0
  for (const value of values) {
    const next = sum + value
    lost += Math.abs(sum) >= Math.abs(value) ? sum - next + value : value - next + sum
    sum = next
  }
  return sum + lost
}

/** The mean, put right once by what is left over. */
function meanOf(values: readonly number[]): number {
  const first = total(values) / values.length
  return first + total(values.map(value => value - first)) / values.length
}

/** Compares the people, trials or classes that rows are marked with: two by t and F, more by analysis of variance. Unmarked rows stay out. */
export function compareGroups(values: readonly number[], names: readonly string[], step = 0): Finding[] {
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
    const found = compareSets(a ?? [], b ?? [], step)
    if (!found) return [tooFew(told)]
    return [
      {
        tone: found.meansDiffer ? 'caution' : 'info',
        tag: 'Between the two',
        text: `${told}: the means ${found.meansDiffer ? 'differ' : 'agree'} (t = ${found.t.toFixed(2)}, p = ${found.tProbability.toPrecision(2)}), the spreads ${found.spreadsDiffer ? 'differ' : 'agree'} (F = ${found.f.toFixed(1)}).`,
      },
    ]
  }
  const found = anova([...groups.values()], step)
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
  text: `${told}: nothing to compare: at least two values each, that do not all agree, are wanted.`,
})
