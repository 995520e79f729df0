import { productMass } from '#core/journal'
import type { Figure } from '#core/quantity'
import { realAccounts } from '#core/outcome'
import { judgeBatch } from '#core/outcome'
import { challengeOf } from '#core/outcome'
import type { LeftoverJudgement } from './explain-leftover'
import { explainYield, type Explanation, type YieldJudgement } from './explain-yield'
import { ladderOf, type Rung } from './ladder'
import { ledgerOf, type LedgerRow } from '#core/outcome'
import { residuesOf, type Residues } from '#core/outcome'
import { tapeOf } from '#core/outcome'
import type { YieldSetting } from './yield-facts'

/** Everything that is judged of a weighed stage, as plain data that may travel from a worker. */
export interface BatchVerdict {
  readonly kind: YieldJudgement['kind']
  readonly difference: Figure
  readonly explanations: readonly Explanation[]
  readonly none: YieldJudgement['none']
  readonly together: YieldJudgement['together']
  readonly divide?: NonNullable<YieldJudgement['divide']>
  readonly leftovers: readonly LeftoverJudgement[]
  readonly rungs: readonly Rung[]
  readonly ledger: readonly LedgerRow[]
  /** A yield above what liquor and wash allow, in words. */
  readonly challenge?: string
}

/** The verdict on a stage; undefined while its product is not weighed. */
export function verdictOf(setting: YieldSetting): BatchVerdict | undefined {
  const judgement = explainYield(setting)
  const actual = judgeBatch(setting.plan, setting.lines, setting.stageId)
  if (!judgement || !actual.ok || !actual.value.result) return undefined
  const { facts, kind, difference, explanations, none, together, divide } = judgement
  const challenge = challengeOf(facts)
  return {
    kind,
    difference,
    explanations,
    none,
    together,
    ...(divide && { divide }),
    leftovers: facts.leftovers,
    rungs: ladderOf(facts, actual.value.result),
    ledger: ledgerOf(actual.value, facts),
    ...(challenge !== undefined && { challenge }),
  }
}

/** What a stage leaves to treat, from what was really charged and weighed. */
export function residuesLeft({
  plan,
  lines,
  stageId,
  steps,
  curves = [],
}: Pick<YieldSetting, 'plan' | 'lines' | 'stageId' | 'steps' | 'curves'>): Residues | undefined {
  const actual = judgeBatch(plan, lines, stageId)
  const told = realAccounts({ plan, lines, curves, stepsOf: id => (id === stageId ? steps : undefined) })?.find(
    ({ id }) => id === stageId,
  )
  return actual.ok && told ? residuesOf(tapeOf(told, actual.value), productMass(lines, stageId)) : undefined
}
