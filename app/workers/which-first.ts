import { parseFormula } from '#core/formula'
import type { OwnRow } from '#core/document'
import type { Figure } from '#core/quantity'
import type { SubstanceRow } from '#core/reference'
import { stagePot } from '#core/result'
import { computeReadPlan, readPlan, type Plan } from '#core/sheet'
import { curveOf, whichFirst, type Verdict } from '#core/solution'

type CurveBody = Extract<OwnRow, { kind: 'curve' }>['body']

/** What is asked: plain data, from which the pot is worked out here, since curves are functions and do not travel. */
export interface FirstQuestion {
  readonly plan: Plan
  readonly stage: string
  /** What earlier stages really gave. */
  readonly weighed: readonly (readonly [string, Figure])[]
  readonly product: string
  /** All water of the pot at the hot end, g. */
  readonly water: number
  readonly from: number
  readonly to: number
  readonly substances: readonly SubstanceRow[]
  readonly curves: readonly CurveBody[]
}

self.onmessage = ({ data }: MessageEvent<FirstQuestion>): void => {
  self.postMessage({ verdict: answer(data) })
}

function answer({
  plan,
  stage,
  weighed,
  product,
  water,
  from,
  to,
  substances,
  curves,
}: FirstQuestion): Verdict | undefined {
  const own = curves.flatMap(({ salt, phases, source, grade }) => {
    const read = parseFormula(salt)
    return read.ok ? [curveOf(read.value, phases, source, grade, true)] : []
  })
  const read = readPlan(plan, substances)
  const computed = read.ok ? computeReadPlan(read.value, new Map(weighed)) : undefined
  const sheet = computed?.ok ? computed.value.stages.find(({ id }) => id === stage) : undefined
  const start = sheet && stagePot(sheet, own)
  const wanted = parseFormula(product)
  return start && wanted.ok ? whichFirst({ ...start.pot, water }, wanted.value, from, to, own) : undefined
}
