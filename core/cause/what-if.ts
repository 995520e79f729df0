import type { Formula } from '#core/formula'
import type { Step } from '#core/journal'
import { effectOf, foldSteps, type ToldStage } from '#core/procedure'
import { forecastOf, type Forecast } from '#core/outcome'
import type { OperationPlan } from '#core/vessel'

/** What would have come, as a share of the theory, had a step of the run gone otherwise; left out where the account does not know. */
export interface WonIf {
  /** As planned, with no step left out. */
  readonly planned?: number
  /** As the journal tells it. */
  readonly recorded?: number
  /** Boiled down no further than charged: where no boiling is recorded. */
  readonly unboiled?: number
  /** Filtered lukewarm. */
  readonly lukewarm?: number
  /** Lost in one wash as planned, and, where the wash was seen warm, in one at room temperature. */
  readonly perWash?: number
  readonly perWarmWash?: number
}

/** °C: a room, and what a hand calls lukewarm to warm; common practice, no source. */
const ROOM = '25 °C'
const LUKEWARM = '40 °C'

/** What of a run is known that says which other courses are worth folding. */
export interface Known {
  readonly recorded: Forecast | undefined
  readonly isDone: (step: Step) => boolean
  /** A step was skipped, or one of a later crop never taken up. */
  readonly isCut: boolean
  readonly isWarmWash: boolean
  readonly washes: number
}

/** Folds the stage again with one thing changed, for what the vessel lets a cause amount to. */
export function wonIf(account: ToldStage, product: Formula, most: number, known: Known): WonIf {
  const { recorded, isDone, isCut, isWarmWash, washes } = known
  const told = kindsOf(account, product, most)
  const steps = account.kept?.steps ?? account.steps
  const has = (test: (plan: OperationPlan, step: Step) => boolean): boolean =>
    steps.some(step => {
      const plan = effectOf(step)
      return plan !== undefined && test(plan, step)
    })
  const isBoil = (plan: OperationPlan): boolean => 'evaporate' in plan || 'evaporateTo' in plan
  const unboiled = has((plan, step) => isBoil(plan) && !isDone(step))
    ? told((plan, step) => (isBoil(plan) && !isDone(step) ? { nothing: true } : plan))
    : undefined
  const warm = has(plan => 'coolTo' in plan)
    ? told(plan => ('coolTo' in plan ? { ...plan, coolTo: LUKEWARM } : plan))
    : undefined
  const warmWash =
    isWarmWash && has(plan => 'wash' in plan)
      ? told(plan => ('wash' in plan ? { ...plan, wash: { ...plan.wash, at: ROOM } } : plan))
      : undefined
  return tidy({
    planned: (isCut ? told(plan => plan, 'all') : recorded)?.recovery,
    recorded: recorded?.recovery,
    unboiled: unboiled?.recovery,
    lukewarm: warm?.recovery,
    perWash: washes > 0 && recorded ? recorded.washLoss / most / washes : undefined,
    perWarmWash: washes > 0 && warmWash ? warmWash.washLoss / most / washes : undefined,
  })
}

function kindsOf(account: ToldStage, product: Formula, most: number) {
  const { folding, kept } = account
  const steps = kept?.steps ?? account.steps
  return (change: (plan: OperationPlan, step: Step) => OperationPlan, which: 'recorded' | 'all' = 'recorded') => {
    const changed = steps.map(step => {
      const plan = effectOf(step)
      const next = plan && change(plan, step)
      return next === plan ? step : { ...step, does: next! }
    })
    const folded = foldSteps(folding, changed, which === 'all' ? undefined : kept?.realOf)
    return forecastOf({ ...account, ...folded }, product, most)
  }
}

const tidy = (all: Record<keyof WonIf, number | undefined>): WonIf =>
  Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)) as WonIf
