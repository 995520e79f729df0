import type { Plan } from './plan'
import type { PlanProblem } from './problems'
import type { ReadStage } from './read-stage'

interface Taker {
  readonly stage: number
  readonly reagent: number
  /** Of all that the stage made; undefined where no share is said. */
  readonly share: number | undefined
  readonly takesAll: boolean
}

/**
 * What one stage makes can't go whole to two: where several take from it, each says its share, and the shares make no more than the whole. A dry product is also divided by what is weighed of it,
 * or by what a target asks for; a pot only by shares.
 */
export function takerProblems(plan: Plan, read: readonly ReadStage[]): PlanProblem[] {
  const hasTarget = read.some(({ targetMass }) => targetMass)
  return read.flatMap((source): PlanProblem[] => {
    const takers = takersOf(source.id, plan, read)
    if (takers.length < 2) return []
    const at = ({ stage, reagent }: Taker): PlanProblem['path'] => [
      'stages',
      stage,
      'reagents',
      reagent,
      'supply',
      'share',
    ]
    const needsShare = ({ share, takesAll }: Taker): boolean =>
      share === undefined && (source.inPot || (takesAll && !hasTarget))
    const open = takers.find(needsShare)
    if (open)
      return [{ path: at(open), problem: { code: 'sheet.taken-twice', from: source.id, takers: takers.length } }]
    const total = takers.reduce((sum, { share }) => sum + (share ?? 0), 0)
    return total > 1 + 1e-9
      ? [{ path: at(takers.at(-1)!), problem: { code: 'sheet.shares-over-whole', from: source.id, total } }]
      : []
  })
}

function takersOf(from: string, plan: Plan, read: readonly ReadStage[]): Taker[] {
  return plan.stages.flatMap((stage, i) => {
    const known = read.find(({ id }) => id === stage.id)
    return stage.reagents.flatMap(({ supply, charge }, j): Taker[] =>
      supply.kind === 'stage' && supply.from === from
        ? [
            {
              stage: i,
              reagent: j,
              share: known?.reagents.find(one => one.from === from)?.supply.share?.value,
              takesAll: charge === undefined,
            },
          ]
        : [],
    )
  })
}
