import type { BatchDocument } from '#core/document'
import type { Step } from '#core/journal'
import { procedureOf, timesOf, type ToldStage } from '#core/procedure'
import { seeded } from '#core/quantity'
import { computeReadPlan, readPlan, type ReadPlan, type StageSheet } from '#core/sheet'
import { troubleRows, type TroubleRow } from './troubles'

/** A trouble that waits at a step. */
export interface Planted {
  readonly row: TroubleRow
  readonly step: string
  /** Of a weak bottle: which reagent, and what share of its label is true. */
  readonly weak?: { readonly species: string; readonly share: number }
}
/** A procedure to be carried out at the simulated bench: the same for the same batch and seed. */
export interface Practice {
  readonly seed: number
  readonly plan: ReadPlan
  readonly stage: string
  readonly sheet: StageSheet
  readonly told: ToldStage
  readonly steps: readonly Step[]
  readonly planted: readonly Planted[]
  /** How wet the crop is when it is first weighed, a share of it. */
  readonly wet: number
}

const MIX = 104_729
/** So many troubles at most: more would be no afternoon. */
const MOST = 3
/** What a bottle's label is off by, and what a crop holds that was dried too short: seen on a balance, and met in practice. Judgements. */
const WEAK = [0.78, 0.9] as const
const WET = [0.03, 0.08] as const

/** What can be practised of a batch, or why not: one stage, whose account the vessel knows. */
export function practiceOf(
  document: BatchDocument,
  seed: number,
): { readonly ok: true; readonly value: Practice } | { readonly ok: false; readonly why: string } {
  const refuse = (why: string) => ({ ok: false, why }) as const
  if (document.plan.stages.length !== 1) return refuse('Practice runs are for plans of one stage.')
  const plan = readPlan(document.plan)
  const sheet = plan.ok ? computeReadPlan(plan.value) : plan
  if (!plan.ok || !sheet.ok) return refuse('The plan of this batch does not compute.')
  const [told] = procedureOf(plan.value, sheet.value)
  if (!told?.isKnown || !((told.product.mass ?? 0) > 0))
    return refuse('The model does not know what this procedure gives, so a run of it could not be judged.')
  const steps = told.steps.filter(({ about }) => about?.what !== 'product' || about.crop === 1)
  const random = seeded(seed * MIX + steps.length)
  random()
  const between = ([from, to]: readonly [number, number]): number => from + (to - from) * random()
  return {
    ok: true,
    value: {
      seed,
      plan: plan.value,
      stage: told.id,
      sheet: sheet.value.stages[0]!,
      told,
      steps,
      planted: plant(steps, sheet.value.stages[0]!, random, between(WEAK)),
      wet: between(WET),
    },
  }
}

/** Two or three troubles at steps where they can happen, one a step, drawn without those that this sheet has no room for. */
function plant(steps: readonly Step[], sheet: StageSheet, random: () => number, share: number): Planted[] {
  const solution = sheet.reagents.find(({ volume, limits, planned }) => planned && volume && limits)
  const rows = troubleRows.filter(({ kind }) => kind !== 'weak bottle' || solution !== undefined)
  const left = [...rows]
  const found: Planted[] = []
  while (left.length > 0 && found.length < MOST) {
    const [row] = left.splice(Math.floor(random() * left.length), 1) as [TroubleRow]
    const places = steps.filter(step => row.at.includes(step.do) && !found.some(one => one.step === step.id))
    const place = row.kind === 'weak bottle' ? places.at(-1) : places[Math.floor(random() * places.length)]
    if (!place) continue
    const weak = row.kind === 'weak bottle' && solution ? { weak: { species: solution.species, share } } : {}
    found.push({ row, step: place.id, ...weak })
  }
  const order = new Map(steps.map(({ id }, i) => [id, i]))
  return found.toSorted((a, b) => order.get(a.step)! - order.get(b.step)!)
}

/** Minutes that a step takes at a bench, its waits and repeats with it. */
export const minutesOfStep = (step: Step): number => {
  const { hands, wait } = timesOf(step)
  return hands + wait
}
