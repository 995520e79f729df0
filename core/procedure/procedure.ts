import { sameStuff, type Formula } from '#core/formula'
import { solvents } from '#core/reference'
import type { PlanSheet, ReadPlan, ReadStage } from '#core/sheet'
import type { Curve } from '#core/solution'
import { dissolvedOf, dryOf, emptyVessel, gathered, portionOf, type Portion, type Vessel } from '#core/vessel'
import type { Step } from './course'
import { proposeStage, type StageProcedure } from './propose'
import { wayOf } from './way'

export interface Won {
  readonly form: string
  /** g of the form that is wanted; undefined where the model does not know. */
  readonly mass: number | undefined
  /** What the crop holds beside it. */
  readonly with: readonly Portion[]
}
export interface ToldStage extends StageProcedure {
  readonly id: string
  readonly product: Won
}

/** What each stage of a plan does, operation by operation: the fold of its charges over vessels, from stage to stage. */
export function procedureOf(read: ReadPlan, sheet: PlanSheet, own: readonly Curve[] = []): ToldStage[] {
  const pots = new Map<string, Vessel>()
  return read.stages.flatMap((stage, i): ToldStage[] => {
    const lines = sheet.stages[i]
    if (!lines) return []
    const way = wayOf(stage, own)
    const start = stage.reagents.flatMap(({ from }) => (from ? (pots.get(from) ?? []) : []))[0]
    const done = proposeStage(stage, lines, way, start ?? emptyVessel(read.room.celsius), own)
    if (stage.inPot) pots.set(stage.id, done.end)
    return [{ ...done, id: stage.id, product: wonOf(done, formWon(done, stage)) }]
  })
}

/** The form that is wanted; where the plan names the dry species alone, the form of the crystals that come. */
function formWon({ end }: StageProcedure, { product: { form, term } }: ReadStage): Formula {
  if (form.text !== term.species.formula.text) return form
  const dry = dryOf(form).dry
  return end.lumps.find(one => one.is === 'crystals' && sameStuff(dryOf(one.form).dry, dry))?.form ?? form
}

function wonOf({ end, isKnown, named, way }: StageProcedure, form: Formula): Won {
  if (!isKnown || way.way === 'leave in the pot') return { form: form.text, mass: undefined, with: [] }
  const portions = end.lumps.map(({ form: of, moles }) => ({ of, portion: portionOf(of, moles) }))
  const mine = portions.filter(({ of }) => sameStuff(of, form))
  return {
    form: form.text,
    mass: mine.reduce((sum, { portion }) => sum + portion.mass, 0),
    with: gathered([
      ...portions.filter(one => !mine.includes(one)).map(({ portion }) => portion),
      ...dissolvedOf(end, named),
    ]),
  }
}

export interface ToldVessel {
  readonly celsius: number
  /** mL; an estimate. */
  readonly volume: number
  readonly solvents: Readonly<Record<string, number>>
  readonly dissolved: readonly Portion[]
  readonly solid: readonly Portion[]
  readonly estimated: boolean
}
/** What a gram of dissolved or standing solid adds to a volume, mL; as the sheet's, a rough value. */
const SOLID_VOLUME = 0.4

/** A vessel as a chemist tells it; undefined where the model does not know what stands. */
export function toldVessel({ after, isKnown }: Step, named: readonly Formula[]): ToldVessel | undefined {
  if (!isKnown) return undefined
  const dissolved = dissolvedOf(after, named)
  const solid = gathered(after.lumps.map(({ form, moles }) => portionOf(form, moles)))
  const mass = [...dissolved, ...solid].reduce((sum, one) => sum + one.mass, 0)
  const liquid = [...after.solvents].reduce(
    (sum, [name, grams]) => sum + grams / (solvents.find(row => row.name === name)?.density ?? 1),
    0,
  )
  return {
    celsius: after.celsius,
    volume: liquid + SOLID_VOLUME * mass,
    solvents: Object.fromEntries(after.solvents),
    dissolved,
    solid,
    estimated: after.estimated,
  }
}
