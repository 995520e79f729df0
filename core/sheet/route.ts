import { molarMassFigure, type Relation } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { exact, product, sum, type Figure } from '#core/quantity'
import { NO_SHARE, sharesOf, type CarriedPot } from './carried'
import { carriedFrom, dividedPot } from './carried-on'
import type { Plan } from './plan'
import type { PlanProblem } from './problems'
import { readPlan } from './read-plan'
import type { Charge, ReadPlan, ReadStage, Reagent } from './read-stage'
import { actingOf, computeStage, extentForProduct, extentFrom, type SheetWarning, type StageSheet } from './stage'

/** What a stage that nothing feeds, or that feeds nothing, takes and gives. */
const NOTHING = exact(0, 'amount', 'nothing')

export interface PlanSheet {
  readonly stages: readonly StageSheet[]
  /** The last stage's product: at 100 % in every stage, and with the stages' yields. */
  readonly overall: { readonly theoretical: Figure; readonly expected: Figure; readonly form: string }
}

/** The whole plan, from its charges forwards or from its target backwards. */
export function computePlan(plan: Plan): Checked<PlanSheet, PlanProblem> {
  const read = readPlan(plan)
  return read.ok ? computeReadPlan(read.value) : read
}

/**
 * The same for a plan as read. `weighed` holds what earlier stages really gave, by stage: what follows then uses that, and a target
 * keeps setting only the charges of the stages that no weighed one feeds.
 */
export function computeReadPlan(
  plan: ReadPlan,
  weighed: ReadonlyMap<string, Figure> = new Map(),
): Checked<PlanSheet, PlanProblem> {
  const problem = scaleProblem(plan)
  if (problem) return fail(problem)
  const last = plan.stages.at(-1)!
  const scales = last.targetMass ? backwards(plan) : undefined
  const planned = scales ? inOrder(plan, scales) : forwards(plan, stage => stage.yield, weighed)
  const early = plan.stages.slice(0, -1).some(({ id }) => weighed.has(id))
  const sheets = scales && early ? forwards(asCharged(plan, planned), stage => stage.yield, weighed) : planned
  const atBest = plan.stages.length === 1 ? sheets : forwards(scales ? asCharged(plan, planned) : plan, () => exact(1))
  const made = sheets.at(-1)!.products[0]!.theoretical
  return ok({
    stages: sheets,
    overall: {
      form: last.product.form.text,
      theoretical: atBest.at(-1)!.products[0]!.theoretical,
      expected: product(`expected {${last.product.form.text}}`, 'mass', [made, last.yield]),
    },
  })
}

function scaleProblem({ stages }: ReadPlan): PlanProblem | undefined {
  const at = (i: number, code: 'sheet.no-scale' | 'sheet.two-scales' | 'sheet.target-not-last'): PlanProblem => ({
    path: ['stages', i],
    problem: { code, stage: stages[i]!.id },
  })
  const early = stages.findIndex((stage, i) => stage.targetMass && i < stages.length - 1)
  if (early >= 0) return at(early, 'sheet.target-not-last')

  const isFixed = (charge: Charge): boolean => charge.by === 'amount'
  if (stages.at(-1)!.targetMass) {
    const fixed = stages.findIndex(stage => stage.reagents.some(({ charge }) => isFixed(charge)))
    if (fixed >= 0) return at(fixed, 'sheet.two-scales')
    const loose = stages.findIndex(
      (stage, i) =>
        i < stages.length - 1 && !stages.some(later => later.reagents.some(({ from }) => from === stage.id)),
    )
    return loose >= 0 ? at(loose, 'sheet.no-scale') : undefined
  }
  const bare = stages.findIndex(stage => !stage.reagents.some(({ charge }) => charge.by !== 'equivalents'))
  return bare >= 0 ? at(bare, 'sheet.no-scale') : undefined
}

/** Extents from the target back: what a later stage takes of an earlier one's product sets the earlier one's scale. */
function backwards({ stages }: ReadPlan): Map<string, Figure> {
  const scales = new Map<string, Figure>()
  const needs = new Map<string, Figure[]>()
  for (const stage of [...stages].reverse()) {
    const scale = stage.targetMass
      ? extentForProduct(stage, stage.targetMass, stage.yield)
      : extentForNeed(stage, needs.get(stage.id) ?? [])
    scales.set(stage.id, scale)
    const sheet = computeStage(stage, scale)
    stage.reagents.forEach((reagent, i) => {
      if (!reagent.from) return
      const taken = product(
        `{${reagent.supply.weighed.text}} taken`,
        'amount',
        [sheet.reagents[i]!.amount],
        [...unitsOf(reagent.supply.relation), ...(reagent.supply.share ? [reagent.supply.share] : [])],
      )
      needs.set(reagent.from, [...(needs.get(reagent.from) ?? []), taken])
    })
  }
  return scales
}

/** Extent that, at the stage's yield, makes the amounts of its form that later stages take. */
function extentForNeed(stage: ReadStage, taken: readonly Figure[]): Figure {
  const masses = taken.map((amount): [number, Figure] => [
    1,
    product(`{${stage.product.form.text}} for a later stage`, 'mass', [amount, molarMassFigure(stage.product.form)]),
  ])
  const [first, ...more] = masses
  const all = !first
    ? exact(0, 'mass')
    : more.length === 0
      ? first[1]
      : sum(`{${stage.product.form.text}} for later stages`, masses)
  return extentForProduct(stage, all, stage.yield)
}

/** Every stage at the extent already found for it, with the water of pots that go on. */
function inOrder({ stages }: ReadPlan, extents: ReadonlyMap<string, Figure>): StageSheet[] {
  const sheets: StageSheet[] = []
  const pots = new Map<string, CarriedPot>()
  for (const stage of stages) {
    const pot = potInto(stage, pots)
    const sheet = computeStage(stage, extents.get(stage.id) ?? NOTHING, pot)
    sheets.push(sheet)
    if (stage.inPot) pots.set(stage.id, carriedFrom(stage, sheet, pot))
  }
  return sheets
}

/** What the pots of earlier stages bring into this one: their water, and what was left in them. */
function potInto({ reagents }: ReadStage, pots: ReadonlyMap<string, CarriedPot>): CarriedPot | undefined {
  const mine = reagents.flatMap(({ from, supply }) => {
    const pot = from === undefined ? undefined : pots.get(from)
    return pot ? [dividedPot(pot, supply.share)] : []
  })
  if (mine.length === 0) return undefined
  return {
    water: sum(
      'water carried along in the pot',
      mine.map(({ water }) => [1, water] as const),
    ),
    matter: mine.flatMap(({ matter }) => matter),
  }
}

function forwards(
  { stages }: ReadPlan,
  yieldOf: (stage: ReadStage) => Figure,
  weighed: ReadonlyMap<string, Figure> = new Map(),
): StageSheet[] {
  const made = new Map<string, Figure>()
  const sheets: StageSheet[] = []
  const pots = new Map<string, CarriedPot>()
  const taken = new Map<string, number>()
  for (const stage of stages) {
    const fed: ReadStage = { ...stage, reagents: stage.reagents.map(reagent => feed(reagent, made)) }
    const pot = potInto(stage, pots)
    const sheet = computeStage(fed, scaleOf(fed, pot), pot)
    sheets.push({ ...sheet, warnings: [...sheet.warnings, ...overdrawn(fed.reagents, made, taken)] })
    if (stage.inPot) pots.set(stage.id, carriedFrom(fed, sheet, pot))
    const { form, relation } = stage.product
    const real = weighed.get(stage.id)
    made.set(
      stage.id,
      real
        ? product(`{${form.text}} weighed`, 'amount', [real], [molarMassFigure(form)])
        : product(`{${form.text}} made`, 'amount', [sheet.products[0]!.amount, yieldOf(stage)], unitsOf(relation)),
    )
  }
  return sheets
}

/** The extent that the charges given by amount allow, what came along in the pot counted. */
function scaleOf(stage: ReadStage, pot: CarriedPot | undefined): Figure {
  const shares = sharesOf(stage, pot)
  const extents = stage.reagents.flatMap((reagent, i) =>
    reagent.charge.by === 'amount'
      ? [extentFrom(actingOf(reagent, reagent.charge.amount, shares[i] ?? NO_SHARE), reagent.term)]
      : [],
  )
  return extents.reduce((least, extent) => (extent.value < least.value ? extent : least))
}

/** A supply from an earlier stage without a charge of its own takes all that stage made. */
function feed(reagent: Reagent, made: ReadonlyMap<string, Figure>): Reagent {
  return reagent.charge.by === 'all'
    ? { ...reagent, charge: { by: 'amount', amount: available(reagent, made) } }
    : reagent
}

/** Nothing, where the stage it names makes nothing that is known. */
const available = ({ from, supply, term }: Reagent, made: ReadonlyMap<string, Figure>): Figure =>
  product(`amount of {${term.species.formula.text}}`, 'amount', [
    (from && made.get(from)) || NOTHING,
    ...(supply.share ? [supply.share] : []),
    ...unitsOf(supply.relation),
  ])

/** Warns where the stages that take from one have together taken more than it makes; `taken` is the share of each that is gone. */
function overdrawn(
  reagents: readonly Reagent[],
  made: ReadonlyMap<string, Figure>,
  taken: Map<string, number>,
): SheetWarning[] {
  return reagents.flatMap(reagent => {
    const { from, charge, supply } = reagent
    if (!from || charge.by !== 'amount') return []
    const whole = available({ ...reagent, supply: withoutShare(supply) }, made).value
    const gone =
      (taken.get(from) ?? 0) + (whole > 0 ? charge.amount.value / whole : charge.amount.value > 0 ? Infinity : 0)
    taken.set(from, gone)
    return gone <= 1 + 1e-9
      ? []
      : [
          {
            code: 'stage.short',
            message: `The stage before makes less {${supply.weighed.text}} than is charged from it.`,
          },
        ]
  })
}
const withoutShare = ({ share: _, ...supply }: Reagent['supply']): Reagent['supply'] => supply

const unitsOf = ({ units }: Relation): Figure[] => (units === 1 ? [] : [exact(units, 'number', 'formula units')])

/** The target's plan told forwards: stages that no other feeds are charged as they were worked out backwards, and what one makes for several is shared out as they need it. */
function asCharged({ stages, room }: ReadPlan, sheets: readonly StageSheet[]): ReadPlan {
  const needs = new Map<string, number>()
  const needOf = (i: number, j: number): number => sheets[i]!.reagents[j]!.amount.value
  stages.forEach(({ reagents }, i) =>
    reagents.forEach(({ from }, j) => {
      if (from) needs.set(from, (needs.get(from) ?? 0) + needOf(i, j))
    }),
  )
  const fedFrom = (reagent: Reagent, from: string, need: number): Reagent => {
    const share = need / (needs.get(from) ?? need)
    const isShared = share < 1 - 1e-12 && !reagent.supply.share
    const supply = isShared
      ? { ...reagent.supply, share: exact(share, 'number', `share of {${reagent.supply.weighed.text}}`) }
      : reagent.supply
    return { ...reagent, supply, charge: { by: 'all' } }
  }
  return {
    room,
    stages: stages.map((stage, i) => {
      const isFed = stage.reagents.some(({ from }) => from)
      return {
        ...stage,
        reagents: stage.reagents.map((reagent, j): Reagent => {
          if (reagent.from) return fedFrom(reagent, reagent.from, needOf(i, j))
          return isFed ? reagent : { ...reagent, charge: { by: 'amount', amount: sheets[i]!.reagents[j]!.amount } }
        }),
      }
    }),
  }
}
