import { productMass, weighingOf, type JournalLine } from '#core/journal'
import { ok, type Checked } from '#core/problem'
import type { Figure } from '#core/quantity'
import { formsOf, parseFormula, type Formula } from '#core/formula'
import {
  computeReadPlan,
  withReading,
  type PlanProblem,
  type PlanSheet,
  type ReadPlan,
  type ReadStage,
  type Reagent,
  type StageSheet,
} from '#core/sheet'
import { judgeYield, type Yield } from './yield'

export interface ActualStage {
  readonly sheet: StageSheet
  /** Planned reagents without a reading, taken at their planned amounts. */
  readonly unread: readonly string[]
  /** Undefined while no crop has been weighed. */
  readonly result?: Yield
}

/** The last stage as it was really charged, and the yield on it. Reagents that were not weighed count as planned, and are named. */
export function judgeBatch(plan: ReadPlan, lines: readonly JournalLine[]): Checked<ActualStage, PlanProblem> {
  const planned = computeReadPlan(plan)
  if (!planned.ok) return planned
  const charged = asCharged(plan, planned.value, lines)
  const weighed = new Map(
    plan.stages.flatMap(({ id }) => {
      const mass = productMass(lines, id)
      return mass ? [[id, mass] as const] : []
    }),
  )
  const actual = computeReadPlan(charged.plan, weighed)
  if (!actual.ok) return actual

  const last = plan.stages.at(-1)!
  const sheet = actual.value.stages.at(-1)!
  const mass = productMass(lines, last.id)
  return ok({ sheet, unread: charged.unread, ...(mass && { result: yieldOf(last, sheet, mass) }) })
}

function yieldOf({ product }: ReadStage, sheet: StageSheet, mass: Figure): Yield {
  return judgeYield(product.form, sheet.products[0]!.theoretical, mass, candidateForms(product.form))
}

/** The known hydrates of the product, with the planned form among them, most waters first. */
export function candidateForms(form: Formula): Formula[] {
  const known = formsOf(form).flatMap(text => {
    const read = parseFormula(text)
    return read.ok ? [read.value] : []
  })
  const all = known.some(({ text }) => text === form.text) ? known : [...known, form]
  return all.reverse()
}

function asCharged(
  plan: ReadPlan,
  planned: PlanSheet,
  lines: readonly JournalLine[],
): { plan: ReadPlan; unread: string[] } {
  const unread: string[] = []
  const stages = plan.stages.map((stage, i): ReadStage => {
    const reagents = stage.reagents.map((reagent, j): Reagent => {
      if (!reagent.planned || reagent.from) return reagent
      const species = reagent.term.species.formula.text
      const { net } = weighingOf(lines, { what: 'charge', stage: stage.id, species })
      const read = net && withReading(reagent, net.kind === 'volume' ? { volume: net } : { mass: net })
      if (read) return read
      unread.push(species)
      return { ...reagent, charge: { by: 'amount', amount: planned.stages[i]!.reagents[j]!.amount } }
    })
    const { targetMass: _, ...rest } = stage
    return { ...rest, reagents }
  })
  return { plan: { stages, room: plan.room }, unread }
}
