import { molarMass, sameStuff, type Formula } from '#core/formula'
import { cropsOf, readReading, weighingOf, type JournalLine, type Step } from '#core/journal'
import { runOf, type Run } from '#core/procedure'
import { effectOf, procedureOf, type Event, type Real, type ToldStage } from '#core/procedure'
import type { ReadPlan, StageSheet } from '#core/sheet'
import type { Curve } from '#core/solution'
import { dissolvedOf, dryOf, formulaOf, gathered, type Portion, type Vessel } from '#core/vessel'
import { reallyCharged } from './actual'

export interface AccountSetting {
  readonly plan: ReadPlan
  readonly lines: readonly JournalLine[]
  /** The steps of a stage, where the batch keeps them; it is proposed otherwise. */
  readonly stepsOf: (stage: string) => readonly Step[] | undefined
  readonly curves?: readonly Curve[]
}

/** The account of every stage as it was planned: its sheet, its own steps or the proposed ones. */
export const plannedAccounts = (
  plan: ReadPlan,
  sheet: { readonly stages: readonly StageSheet[] },
  stepsOf: AccountSetting['stepsOf'],
  curves: readonly Curve[] = [],
): ToldStage[] =>
  procedureOf(plan, sheet, curves, stage => {
    const steps = stepsOf(stage)
    return steps && { steps }
  })

/**
 * The account of every stage over what was really read: charges as weighed, temperatures and volumes of the pot as they were read at a step, skipped steps left out, and what was added at
 * the bench with its own amount. What is not done is the plan's. Undefined where the charges do not read.
 */
export function realAccounts({ plan, lines, stepsOf, curves = [] }: AccountSetting): ToldStage[] | undefined {
  const charged = reallyCharged(plan, lines)
  if (!charged.ok) return undefined
  return procedureOf(plan, charged.value.bare, curves, stage => {
    const steps = stepsOf(stage)
    if (!steps) return undefined
    const run = runOf(steps, lines, stage)
    const taken = takenUpTo(run, cropsOf(lines, stage).length)
    return { steps: run.steps.map(({ step }) => step), realOf: step => realOf(stage, step, run, lines, taken) }
  })
}

function realOf(stage: string, step: Step, run: Run, lines: readonly JournalLine[], taken: ReadonlySet<string>): Real {
  const state = run.steps.find(one => one.step.id === step.id)
  const celsius = lastRead(lines, step.id, 'temperature')
  const volume = lastRead(lines, step.id, 'volume')
  return {
    isSkipped: state?.status === 'skipped' || !taken.has(step.id),
    ...(celsius !== undefined && { celsius }),
    ...(volume !== undefined && { volume }),
    ...addedAt(stage, step, lines),
  }
}

/** What was read of an addition: its mass or its volume, all portions together. */
function addedAt(stage: string, { id, about }: Step, lines: readonly JournalLine[]): Pick<Real, 'added'> {
  if (about?.what !== 'addition') return {}
  const { net } = weighingOf(lines, { what: 'addition', stage, step: id, species: about.species })
  if (!net) return {}
  return { added: net.kind === 'volume' ? { volume: net.value } : { mass: net.value } }
}

/** The last reading of the pot at a step, in °C or mL. */
function lastRead(
  lines: readonly JournalLine[],
  step: string,
  measure: 'temperature' | 'volume' | 'net',
): number | undefined {
  const found = lines.findLast(
    ({ entry, current }) =>
      entry.kind === 'reading' &&
      current !== undefined &&
      entry.step === step &&
      entry.about.what === 'pot' &&
      entry.measure === measure,
  )
  if (!found || found.entry.kind !== 'reading' || found.current === undefined) return undefined
  const read = readReading(found.entry, found.current)
  return read.ok ? read.value.value : undefined
}

/** Steps that count: once crops were weighed, those of a later crop that nobody took have not happened. */
function takenUpTo({ steps }: Run, crops: number): ReadonlySet<string> {
  const all = new Set(steps.map(({ step }) => step.id))
  if (crops < 1) return all
  const isFilter = (step: Step): boolean => {
    const plan = effectOf(step)
    return plan !== undefined && 'filter' in plan
  }
  const filters = steps.flatMap(({ step }, i) => (isFilter(step) ? [i] : []))
  const next = filters[crops]
  const from = filters[crops - 1]
  const last = filters.at(-1)
  if (next === undefined || from === undefined || last === undefined) return all
  const isOf = (step: Step, key: 'wash' | 'filter'): boolean => {
    const plan = effectOf(step)
    return plan !== undefined && key in plan
  }
  const firstAfter = steps.findIndex(({ step }, i) => i > from && !isOf(step, 'wash'))
  const end = steps.findIndex(({ step }, i) => i > last && !isOf(step, 'wash'))
  for (const [i, { step, status, times }] of steps.entries())
    if (i >= firstAfter && (end < 0 || i < end) && status !== 'done' && times === 0) all.delete(step.id)
  return all
}

/** What the account says of the product, g of its form: what should come, what the wash takes, what the liquor keeps, and its salts in an unwashed cake. */
export interface Forecast {
  /** Of all that could be made, the share that comes as crystals. */
  readonly recovery: number
  readonly washLoss: number
  readonly inLiquor: number
  readonly entrained: number
  readonly isEstimated: boolean
}

/** Undefined where the account does not know, where nothing is isolated, or where nothing could be made. */
export function forecastOf(
  { events, end, isKnown, way, named }: ToldStage,
  product: Formula,
  most: number,
): Forecast | undefined {
  if (!isKnown || !(most > 0) || way.way === 'leave in the pot' || way.way === 'own') return undefined
  const grams = gramsAs(product)
  const crops = [end.main, ...end.beside.filter(({ is }) => is === 'crop').map(({ vessel }) => vessel)]
  const solid = crops.reduce((sum, vessel) => sum + solidAs(vessel, product), 0)
  const unwashed = events.filter(({ operation }) => operation.do === 'filter off' && operation.keep === 'solid')
  return {
    recovery: solid / most,
    washLoss: grams(leftTo(events, ['washings'])),
    inLiquor: grams(liquorOf({ events, end, named })),
    entrained: unwashed.reduce(
      (sum, { after }) => sum + dissolvedOf(after, named).reduce((all, { mass }) => all + mass, 0),
      0,
    ),
    isEstimated: events.some(({ after }) => after.estimated),
  }
}

const leftTo = (events: readonly Event[], places: readonly string[]): Portion[] =>
  gathered(events.flatMap(({ out }) => out.filter(({ to }) => places.includes(to)).flatMap(({ matter }) => matter)))

/** What stays of a stage's liquor: filtrates, washings apart, kept liquors as they stand in the end. */
export const liquorOf = ({ events, end, named }: Pick<ToldStage, 'events' | 'end' | 'named'>): Portion[] =>
  gathered([
    ...leftTo(events, ['filtrate']),
    ...end.beside.filter(({ is }) => is === 'liquor').flatMap(({ vessel }) => dissolvedOf(vessel, named)),
  ])
export const washingsOf = ({ events }: Pick<ToldStage, 'events'>): Portion[] => leftTo(events, ['washings'])

/** Portions of the product's salt, whatever its water. */
export const isProductForm = ({ form }: Portion, product: Formula): boolean =>
  sameStuff(dryOf(formulaOf(form)).dry, dryOf(product).dry)

/** Grams of portions of one salt, whatever its water, as the form of the product. */
const gramsAs =
  (product: Formula) =>
  (portions: readonly Portion[]): number =>
    portions
      .filter(one => isProductForm(one, product))
      .reduce((sum, { amount }) => sum + amount * molarMass(product), 0)

const solidAs = ({ lumps }: Vessel, product: Formula): number =>
  lumps
    .filter(({ form }) => sameStuff(dryOf(form).dry, dryOf(product).dry))
    .reduce((sum, { moles }) => sum + moles * molarMass(product), 0)

/** What stands once all has gone in and reacted, before anything was filtered. */
export function whenReacted({ events }: Pick<ToldStage, 'events'>): Vessel | undefined {
  const last = events.findLastIndex(({ charge }) => charge?.species !== undefined)
  const next = events[last + 1]
  return (next?.operation.do === 'stir' ? next : events[last])?.after
}

/** What stands before the product is won: the vessel once all has gone in and reacted. */
export function beforeWinning({ events }: Pick<ToldStage, 'events'>): Vessel | undefined {
  const at = events.findIndex(
    ({ operation }) =>
      operation.do === 'cool' ||
      operation.do === 'boil off' ||
      operation.do === 'boil down' ||
      operation.do === 'take to dryness' ||
      operation.do === 'distil off' ||
      (operation.do === 'filter off' && operation.keep === 'solid'),
  )
  return at < 0 ? events.at(-1)?.after : events[at - 1]?.after
}
