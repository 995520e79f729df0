import { additionsOf, productMass, weighingOf, type JournalLine } from '#core/journal'
import { ok, type Checked } from '#core/problem'
import { formatFigure, sum, type Figure } from '#core/quantity'
import { formsOf, parseFormula, type Formula } from '#core/formula'
import {
  computeReadPlan,
  withReadings,
  type PlanProblem,
  type PlanSheet,
  type ReadPlan,
  type ReadStage,
  type Reagent,
  type StageSheet,
} from '#core/sheet'
import { recoveredOf, type Recovered } from './recovered'
import { settle, shareUsed } from './settled'
import { judgeYield, percentOf, type Yield } from './yield'

export interface ActualStage {
  readonly sheet: StageSheet
  /** Planned reagents without a reading, taken at their planned amounts. */
  readonly unread: readonly string[]
  /** Those whose reading cannot be told in moles, so that the planned amount stands in for it too: what was read. */
  readonly unusable: readonly { readonly species: string; readonly read: string }[]
  /** What of its reagents came back and was weighed. */
  readonly recovered: readonly Recovered[]
  /** Undefined while no crop has been weighed. */
  readonly result?: Yield
  /** The sheet as far as the reaction went: the same, where none of the limiting reagent came back. */
  readonly settled: StageSheet
  /** The share of the limiting reagent that was used up, where some of it came back, and the yield on that. */
  readonly used?: Figure
  readonly credited?: Figure
}

/**
 * A stage, the last one where none is named, as it was really charged, and the yield on it. Reagents that were not weighed count as
 * planned, and are named; what an earlier stage really gave is what went in.
 */
export function judgeBatch(
  plan: ReadPlan,
  lines: readonly JournalLine[],
  stageId = plan.stages.at(-1)!.id,
): Checked<ActualStage, PlanProblem> {
  const charged = reallyCharged(plan, lines)
  if (!charged.ok) return charged
  const { sheets } = charged.value
  const at = Math.max(
    0,
    plan.stages.findIndex(({ id }) => id === stageId),
  )
  const stage = plan.stages[at]!
  const sheet = sheets.stages[at]!
  const mass = productMass(lines, stage.id)
  const unread = charged.value.unread.filter(one => one.stage === stage.id).map(({ species }) => species)
  const used = shareUsed(sheet, recoveredOf(sheet, lines))
  const settled = settle(sheet, used)
  // Where the limiting reagent came back, more of the others should as well.
  const recovered = recoveredOf(settled, lines)
  return ok({
    sheet,
    unread,
    unusable: charged.value.unusable.filter(one => one.stage === stage.id),
    recovered,
    settled,
    ...(used && { used }),
    ...(mass && { result: yieldOf(stage, sheet, mass) }),
    ...(mass && used && { credited: percentOf(mass, settled.products[0]!.theoretical) }),
  })
}

interface Charged {
  readonly plan: ReadPlan
  readonly sheets: PlanSheet
  /** The same without what was added besides: that has operations of its own. */
  readonly bare: PlanSheet
  /** Planned reagents of any stage that nobody read, and those whose reading cannot be told in moles. */
  readonly unread: readonly { readonly stage: string; readonly species: string }[]
  readonly unusable: readonly { readonly stage: string; readonly species: string; readonly read: string }[]
}

/** The whole plan with what was really charged, and what earlier stages really gave, in place of what was planned. */
export function reallyCharged(plan: ReadPlan, lines: readonly JournalLine[]): Checked<Charged, PlanProblem> {
  const planned = computeReadPlan(plan)
  if (!planned.ok) return planned
  const charged = asCharged(plan, planned.value, lines)
  const whole = withAdditions(charged.plan, planned.value, lines)
  const weighed = new Map(
    plan.stages.flatMap(({ id }) => {
      const mass = productMass(lines, id)
      return mass ? [[id, mass] as const] : []
    }),
  )
  const bare = computeReadPlan(charged.plan, weighed)
  if (!bare.ok) return bare
  const sheets = whole === charged.plan ? bare : computeReadPlan(whole, weighed)
  return sheets.ok ? ok({ ...charged, plan: whole, sheets: sheets.value, bare: bare.value }) : sheets
}

/** The plan with what was put in besides its charges: a charge and what a rescue added are one amount of the reagent. */
function withAdditions(plan: ReadPlan, planned: PlanSheet, lines: readonly JournalLine[]): ReadPlan {
  let isAny = false
  const stages = plan.stages.map((stage, i): ReadStage => ({
    ...stage,
    reagents: stage.reagents.map((reagent, j): Reagent => {
      const species = reagent.term.species.formula.text
      const more = withReadings(reagent, additionsOf(lines, stage.id, species))?.charge
      const charged = reagent.charge.by === 'amount' ? reagent.charge.amount : planned.stages[i]?.reagents[j]?.amount
      if (more?.by !== 'amount' || !charged) return reagent
      isAny = true
      const amount = sum(`amount of {${species}}, with what was added besides`, [
        [1, charged],
        [1, more.amount],
      ])
      return { ...reagent, charge: { by: 'amount', amount } }
    }),
  }))
  return isAny ? { ...plan, stages } : plan
}

function yieldOf({ product, own }: ReadStage, sheet: StageSheet, mass: Figure): Yield {
  return judgeYield(product.form, sheet.products[0]!.theoretical, mass, candidateForms(product.form, own))
}

/** The known hydrates of the product, with the planned form among them, most waters first. */
export function candidateForms(form: Formula, own: ReadStage['own'] = []): Formula[] {
  const known = formsOf(form, own).flatMap(text => {
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
): {
  plan: ReadPlan
  unread: { stage: string; species: string }[]
  unusable: { stage: string; species: string; read: string }[]
} {
  const unread: { stage: string; species: string }[] = []
  const unusable: { stage: string; species: string; read: string }[] = []
  const stages = plan.stages.map((stage, i): ReadStage => {
    const reagents = stage.reagents.map((reagent, j): Reagent => {
      if (!reagent.planned || reagent.from) return reagent
      const species = reagent.term.species.formula.text
      const { portions } = weighingOf(lines, { what: 'charge', stage: stage.id, species })
      const read = withReadings(reagent, portions)
      if (read) return read
      if (portions.length === 0) unread.push({ stage: stage.id, species })
      else unusable.push({ stage: stage.id, species, read: portions.map(one => formatFigure(one)).join(' + ') })
      const amount = planned.stages[i]?.reagents[j]?.amount
      return amount ? { ...reagent, charge: { by: 'amount', amount } } : reagent
    })
    const { targetMass: _, ...rest } = stage
    return { ...rest, reagents }
  })
  return { plan: { ...plan, stages }, unread, unusable }
}
