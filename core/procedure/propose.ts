import { sameStuff, type Formula } from '#core/formula'
import type { ReadStage, StageSheet } from '#core/sheet'
import type { Curve } from '#core/solution'
import { dryOf, netOf, standsAs, type Setting, type Vessel } from '#core/vessel'
import { chargesOf } from './charges'
import { Course, type Step } from './course'
import { enter } from './enter'
import { crystallise, heatDry, isProduct, saltOut, throwDown, toDryness } from './isolate'
import type { ChosenWay } from './way'

export interface StageProcedure {
  readonly way: ChosenWay
  readonly steps: readonly Step[]
  readonly end: Vessel
  readonly isKnown: boolean
  readonly warnings: readonly { readonly code: string; readonly message: string }[]
  readonly named: readonly Formula[]
}

/**
 * The procedure of a stage: what goes into the vessel in which order, what its way asks for then, and what stands after each operation. `start` is what an earlier pot
 * brought.
 */
export function proposeStage(
  stage: ReadStage,
  sheet: StageSheet,
  way: ChosenWay,
  start: Vessel,
  own: readonly Curve[] = [],
): StageProcedure {
  const isDry = way.way === 'heat dry'
  const named = namedSalts(stage)
  const setting: Setting = {
    net: way.way === 'own' ? undefined : netOf(stage.reaction, isDry),
    named,
    product: stage.product.form,
    own,
  }
  const course = new Course(start, setting)
  const charges = chargesOf(stage, sheet, isDry)
  if (way.way === 'own') course.isKnown = false
  enter(course, stage, sheet, charges, isDry)
  const product = stage.product.form
  const isolate: Record<ChosenWay['way'], () => void> = {
    'leave in the pot': () => undefined,
    own: () => undefined,
    'heat dry': () => heatDry(course, stage, charges),
    'throw down': () => throwDown(course, product),
    crystallise: () => crystallise(course, stage, product, own),
    'take to dryness': () => toDryness(course, product, 'take to dryness'),
    'distil to dryness': () => toDryness(course, product, 'distil off'),
    'salt out': () => saltOut(course, product, sheet.products[0]?.theoretical.value ?? 0),
  }
  isolate[way.way]()
  tellForm(course, product)
  return {
    way,
    steps: course.steps,
    end: course.vessel,
    isKnown: course.isKnown,
    warnings: course.warnings,
    named,
  }
}

/** The form that is wanted is not the one that comes: said at once, with what would have to be done. */
function tellForm(course: Course, product: Formula): void {
  const other = course.vessel.lumps.find(
    ({ form, is }) => is === 'crystals' && isProduct(form, product) && !sameStuff(form, product),
  )
  if (other && course.isKnown)
    course.warn(
      'form.comes-as',
      `${product.text} does not come this way: ${other.form.text} does. Isolate that, and take its water off in a stage of its own, or say ${other.form.text} as the form.`,
    )
}

/** The product first, then what the equation makes and takes, dry: how what is dissolved is told. */
function namedSalts({ product, reaction }: ReadStage): Formula[] {
  const all = [product.term, ...reaction.products, ...reaction.reactants].map(
    ({ species }) => dryOf(species.formula).dry,
  )
  return all.filter(
    (one, i) =>
      standsAs(one) === 'dissolved' && one.text !== 'H2O' && all.findIndex(other => other.text === one.text) === i,
  )
}
