import { parseFormula } from '#core/formula'
import type { Figure } from '#core/quantity'
import type { SubstanceRow } from '#core/reference'
import type { Step } from '#core/journal'
import { plannedAccounts, whenReacted } from '#core/outcome'
import { potOf } from '#core/vessel'
import { computeReadPlan, readPlan, type Plan } from '#core/sheet'
import {
  ownCurves,
  phasePicture,
  whichFirst,
  type OwnCurve,
  type PhasePicture,
  type PotState,
  type Verdict,
} from '#core/solution'

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
  /** All water between which the picture reaches, g. */
  readonly picture: readonly [least: number, most: number]
  readonly substances: readonly SubstanceRow[]
  readonly curves: readonly OwnCurve[]
}

/** What is answered, one after the other: the picture takes longer. */
export type FirstAnswer = { readonly verdict: Verdict | undefined } | { readonly picture: PhasePicture | undefined }

/** Columns and rows of the picture: fine enough to read a field’s edge to 4 K, and drawn in well under a second for two salts. */
const STEPS = 28

self.onmessage = ({ data }: MessageEvent<FirstQuestion>): void => {
  const own = ownCurves(data.curves)
  const pot = potIn(data)
  const wanted = parseFormula(data.product)
  const verdict =
    pot && wanted.ok ? whichFirst({ ...pot, water: data.water }, wanted.value, data.from, data.to, own) : undefined
  self.postMessage({ verdict } satisfies FirstAnswer)
  const picture = pot && phasePicture(pot, { celsius: [data.to, data.from], water: data.picture, steps: STEPS }, own)
  self.postMessage({ picture } satisfies FirstAnswer)
}

/** The pot of a stage when all has reacted. */
function potIn({ plan, stage, steps, weighed, substances, curves }: FirstQuestion): PotState | undefined {
  const own = ownCurves(curves)
  const read = readPlan(plan, substances)
  const computed = read.ok ? computeReadPlan(read.value, new Map(weighed)) : undefined
  if (!read.ok || !computed?.ok) return undefined
  const account = plannedAccounts(read.value, computed.value, id => (id === stage ? steps : undefined), own).find(
    ({ id }) => id === stage,
  )
  const reacted = account && whenReacted(account)
  return reacted && potOf(reacted, account.named, own)
}
