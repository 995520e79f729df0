import type { SubstanceRow } from '#core/reference'
import { parseQuantity } from '#core/quantity'
import type { YieldFacts } from './yield-facts'

/** °C at which a hydrate of this row loses water; undefined where it is not known. */
export const untilOf = ({ forms: rows }: SubstanceRow, waters: number): number | undefined =>
  rows?.find(([count]) => Math.abs(count - waters) < 1e-9)?.[3]

/** The hottest that a drying step done says, °C; undefined where none names a temperature. */
export function dryingHeat({ run }: Pick<YieldFacts, 'run'>): number | undefined {
  const told = run.steps.flatMap(({ step, times, status }) => {
    if ((step.do !== 'dry' && step.do !== 'ignite') || (times === 0 && status !== 'done')) return []
    const target = step.target ?? (step.does && 'ignite' in step.does ? step.does.ignite : undefined)
    const read =
      target === undefined
        ? undefined
        : parseQuantity(target, { kinds: ['temperature'], name: 'drying', source: 'step', zero: true })
    return read?.ok ? [read.value.value] : []
  })
  return told.length > 0 ? Math.max(...told) : undefined
}
