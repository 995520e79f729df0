import { parseFormula } from '#core/formula'
import type { Figure } from '#core/quantity'
import type { SubstanceRow } from '#core/reference'
import type { Step } from '#core/journal'
import { plannedAccounts, whenReacted } from '#core/outcome'
import { potOf } from '#core/vessel'
import { computeReadPlan, readPlan, type Plan } from '#core/sheet'
import { ownCurves, whichFirst, type OwnCurve, type Verdict } from '#core/solution'

/** What is asked: plain data, from which the pot is worked out here, since curves are functions and do not travel. */
export interface FirstQuestion {
  readonly plan: Plan
  readonly stage: string
  /** The steps that the stage keeps; it is proposed otherwise. */
  readonly steps: readonly Step[] | undefined
  /** What earlier stages really gave. */
  readonly weighed: readonly (readonly [string, Figure])[]
  readonly product: string
  /** All water of the pot at the hot end, g. */
  readonly water: number
  readonly from: number
  readonly to: number
  readonly substances: readonly SubstanceRow[]
  readonly curves: readonly OwnCurve[]
}

self.onmessage = ({ data }: MessageEvent<FirstQuestion>): void => {
  self.postMessage({ verdict: answer(data) })
}

function answer({
  plan,
  stage,
  steps,
  weighed,
  product,
  water,
  from,
  to,
  substances,
  curves,
}: FirstQuestion): Verdict | undefined {
  const own = ownCurves(curves)
  const read = readPlan(plan, substances)
  const computed = read.ok ? computeReadPlan(read.value, new Map(weighed)) : undefined
  const wanted = parseFormula(product)
  if (!read.ok || !computed?.ok || !wanted.ok) return undefined
  const account = plannedAccounts(read.value, computed.value, id => (id === stage ? steps : undefined), own).find(
    ({ id }) => id === stage,
  )
  const reacted = account && whenReacted(account)
  const pot = reacted && potOf(reacted, account.named, own)
  return pot && whichFirst({ ...pot, water }, wanted.value, from, to, own)
}
