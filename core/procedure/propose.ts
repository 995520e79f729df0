import { findSubstance, type Formula } from '#core/formula'
import type { Step } from '#core/journal'
import { heatOf, type ReadStage, type Room, type StageSheet } from '#core/sheet'
import type { Curve } from '#core/solution'
import { explosiveBy } from '#core/species'
import { dryOf, netOf, standsAs, yieldsToWater, type Bench, type Setting } from '#core/vessel'
import { tellBasic } from './basic-carbonate'
import { chargesOf } from './charges'
import { seeTheEnd } from './clear'
import { Course } from './course'
import type { Event, Real, StepProblem } from './event'
import { enter, type Proposing } from './enter'
import type { ChosenWay } from './way'
import { crystallise, tellForm, tellMixed } from './way-crystallise'
import { toDryness } from './way-dryness'
import { heatDry } from './way-heat-dry'
import { ownWay } from './way-own'
import { saltOut } from './way-salt-out'
import { throwDown } from './way-throw-down'

/** A stage as it is folded: as read, its sheet, the room, what an earlier pot brought, and the lab's own curves. */
export interface Folding {
  readonly stage: ReadStage
  readonly sheet: StageSheet
  readonly room: Room
  readonly way: ChosenWay
  readonly start: Bench
  readonly own?: readonly Curve[]
  /** The next stage takes the product wet. */
  readonly isWetOn?: boolean
}

/** The account of a stage: its steps, what each did, and what stands at the end. */
export interface StageProcedure {
  readonly way: ChosenWay
  readonly steps: readonly Step[]
  readonly events: readonly Event[]
  readonly start: Bench
  readonly end: Bench
  readonly isKnown: boolean
  readonly problems: readonly StepProblem[]
  readonly warnings: readonly { readonly code: string; readonly message: string }[]
  readonly named: readonly Formula[]
}

/**
 * The procedure of a stage: what goes into the vessel in which order, what its way asks for then, and what stands after each operation.
 */
export function proposeStage(folding: Folding): StageProcedure {
  const { stage, sheet, room, way } = folding
  const course = courseOf(folding)
  const proposing: Proposing = {
    stage,
    sheet,
    room,
    charges: course.sheet.charges,
    isWetOn: folding.isWetOn === true,
  }
  const win: Record<ChosenWay['way'], () => void> = {
    'leave in the pot': () => seeTheEnd(course, proposing),
    own: () => ownWay(course, proposing, way.proposed),
    'heat dry': () => heatDry(course, proposing),
    'throw down': () => throwDown(course, proposing),
    crystallise: () => crystallise(course, proposing),
    'take to dryness': () => toDryness(course, proposing, 'boiled off'),
    'distil to dryness': () => toDryness(course, proposing, 'distilled off'),
    'salt out': () => saltOut(course, proposing),
  }
  const explosive = explosiveIn(folding)
  if (explosive) {
    course.isKnown = false
    course.warn(
      'explosive',
      `{${explosive.species}}: ${explosive.why}. No procedure is planned for it: ask a competent person.`,
    )
    return told(course, folding)
  }
  if (way.way !== 'heat dry') enter(course, proposing)
  win[way.way]()
  return told(course, folding)
}

/** A species of the stage that is known to explode. */
function explosiveIn({ stage }: Folding): { readonly species: string; readonly why: string } | undefined {
  for (const { species } of [...stage.reaction.products, ...stage.reaction.reactants, stage.product.term]) {
    const why = explosiveBy(species.formula)
    if (why !== undefined) return { species: species.formula.text, why }
  }
  return undefined
}

/** The account of steps that a stage has already: proposed before, edited, or the run as it stands, with what was read at each. */
export function foldSteps(
  folding: Folding,
  steps: readonly Step[],
  realOf: (step: Step) => Real = () => ({ isSkipped: false }),
): StageProcedure {
  const course = courseOf(folding)
  if (folding.way.way === 'throw down') course.hangsOnRest = false
  for (const step of steps) course.take(step, realOf(step))
  const { missing, twice } = course.notOnce()
  for (const { species } of missing)
    course.warn('charge.missing', `{${species}} stands on the sheet, and no step puts it into the vessel.`)
  for (const species of twice)
    course.warn('charge.twice', `{${species}} goes in by more than one step: the sheet charges it once.`)
  return told(course, folding)
}

function courseOf({ stage, sheet, way, start, own = [], room }: Folding): Course {
  const isDry = way.way === 'heat dry'
  const setting: Setting = {
    net: netOf(stage.reaction, isDry),
    named: namedSalts(stage),
    product: stage.product.form,
    own,
  }
  const heat = heatOf(stage, sheet)
  const solvents = new Map(stage.otherSolvents.map(({ name, mass }) => [name, mass.value] as const))
  if (stage.bench.solvent) solvents.set('water', stage.bench.solvent.value)
  const course = new Course(start, setting, {
    charges: chargesOf(stage, sheet, isDry),
    solvents,
    isWarm: heat.known && (heat.rise?.value ?? 0) > EXOTHERM,
    room: Math.round(room.celsius),
  })
  // What equations say of ions holds in water; of what other solvents dissolve nothing is known.
  if (way.way === 'own' && stage.otherSolvents.length > 0) course.isKnown = false
  return course
}
/** A rise by more than this, K, wants cooling; common practice, no source. */
const EXOTHERM = 15

function told(course: Course, { way, stage, start }: Folding): StageProcedure {
  if (way.way === 'own') course.isKnown = false
  const isKnown = findSubstance(stage.product.form, stage.own) ?? explosiveBy(stage.product.form)
  if (way.way !== 'leave in the pot' && isKnown === undefined)
    course.warn(
      'nothing-known',
      `Nothing is known here about {${stage.product.form.text}}: not whether it is poisonous, nor what heat, light or rubbing do to it. Take it for harmful, make little, and ask a competent person.`,
    )
  tellForm(course, stage.product.form)
  tellMixed(course, stage.product.form)
  tellBasic(course, stage.product.form)
  return {
    way,
    start,
    steps: course.steps,
    events: course.events,
    end: course.bench,
    isKnown: course.isKnown,
    problems: course.problems,
    warnings: course.warnings,
    named: course.setting.named,
  }
}

/**
 * The product first, then what the equation makes and takes, dry: how what is dissolved is told. A product that comes down as it is made is among them where water takes a part of it; of another solid that does, as gypsum
 * beside a soluble product, that part is left out of account.
 */
function namedSalts({ product, reaction }: ReadStage): Formula[] {
  const all = [product.term, ...reaction.products, ...reaction.reactants].map(
    ({ species }) => dryOf(species.formula).dry,
  )
  return all.filter(
    (one, i) =>
      (standsAs(one) === 'dissolved' || (i === 0 && yieldsToWater(one))) &&
      one.text !== 'H2O' &&
      all.findIndex(other => other.text === one.text) === i,
  )
}
