import { sameStuff, type Formula } from '#core/formula'
import type { Step } from '#core/journal'
import type { ReadPlan, ReadStage, StageSheet } from '#core/sheet'
import type { Curve } from '#core/solution'
import {
  dissolvedOf,
  dryOf,
  emptyVessel,
  gathered,
  partOfVessel,
  portionOf,
  poured,
  vesselVolume,
  type Bench,
  type Portion,
  type Vessel,
} from '#core/vessel'
import type { Real } from './event'
import { foldSteps, proposeStage, type Folding, type StageProcedure } from './propose'
import { wayOf } from './way'

export interface Won {
  readonly form: string
  /** g of the form that is wanted; undefined where the model does not know. */
  readonly mass: number | undefined
  /** What the crops hold beside it. */
  readonly with: readonly Portion[]
}
export interface ToldStage extends StageProcedure {
  readonly id: string
  readonly product: Won
  /** What it was folded from, so that it can be folded again with another sheet. */
  readonly folding: Folding
  readonly kept?: Kept
}

/** The steps of a stage that a batch keeps, and what its run read; a stage without them is proposed. */
export interface Kept {
  readonly steps: readonly Step[]
  readonly realOf?: (step: Step) => Real
}

/** What each stage of a plan does, operation by operation: the fold of its charges over vessels, from stage to stage. */
export function procedureOf(
  read: ReadPlan,
  sheet: { readonly stages: readonly StageSheet[] },
  own: readonly Curve[] = [],
  kept: (stage: string) => Kept | undefined = () => undefined,
): ToldStage[] {
  const pots = new Map<string, Vessel>()
  return read.stages.flatMap((stage, i): ToldStage[] => {
    const lines = sheet.stages[i]
    if (!lines) return []
    const brought = stage.reagents.flatMap(({ from, supply }) => {
      const pot = from === undefined ? undefined : pots.get(from)
      return pot ? [partOfVessel(pot, supply.share?.value ?? 1)] : []
    })
    const [first, ...more] = brought
    const start = first ? poured(first, more) : emptyVessel(read.room.celsius)
    const done = accountOf(read, stage, lines, { main: start, beside: [] }, own, kept)
    if (stage.inPot) pots.set(stage.id, done.end.main)
    return [done]
  })
}

/** The account of one stage from what stands in its vessel at the start. */
function accountOf(
  { room, stages }: ReadPlan,
  stage: ReadStage,
  sheet: StageSheet,
  start: Bench,
  own: readonly Curve[],
  kept: (stage: string) => Kept | undefined,
): ToldStage {
  const isWetOn = stages.some(({ reagents }) =>
    reagents.some(({ from, supply }) => from === stage.id && supply.kind === 'stage' && supply.moisture !== undefined),
  )
  const folding: Folding = { stage, sheet, room, way: wayOf(stage, own), start, own, isWetOn }
  const mine = kept(stage.id)
  const done = mine ? foldSteps(folding, mine.steps, mine.realOf) : proposeStage(folding)
  return { ...done, id: stage.id, product: wonOf(done, formWon(done, stage)), folding, ...(mine && { kept: mine }) }
}

const cropsIn = ({ main, beside }: Bench): Vessel[] => [
  ...beside.filter(({ is }) => is === 'crop').map(({ vessel }) => vessel),
  main,
]

/** The form that is wanted; where the plan names the dry species alone, the form of the crystals that come. */
function formWon({ end }: StageProcedure, { product: { form, term } }: ReadStage): Formula {
  if (form.text !== term.species.formula.text) return form
  const dry = dryOf(form).dry
  const lumps = cropsIn(end).flatMap(vessel => vessel.lumps)
  return (
    lumps.find(one => (one.is === 'crystals' || one.is === 'thrown down') && sameStuff(dryOf(one.form).dry, dry))
      ?.form ?? form
  )
}

function wonOf({ end, isKnown, named, way }: StageProcedure, form: Formula): Won {
  if (!isKnown || way.way === 'leave in the pot') return { form: form.text, mass: undefined, with: [] }
  const crops = cropsIn(end)
  const portions = crops.flatMap(({ lumps }) =>
    lumps.map(({ form: of, moles }) => ({ of, portion: portionOf(of, moles) })),
  )
  const mine = portions.filter(({ of }) => sameStuff(of, form))
  return {
    form: form.text,
    mass: mine.reduce((sum, { portion }) => sum + portion.mass, 0),
    with: gathered([
      ...portions.filter(one => !mine.includes(one)).map(({ portion }) => portion),
      ...crops.flatMap(crop => dissolvedOf(crop, named)),
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

/** A vessel as a chemist tells it. */
export const tellVessel = (vessel: Vessel, named: readonly Formula[]): ToldVessel => ({
  celsius: vessel.celsius,
  volume: vesselVolume(vessel),
  solvents: Object.fromEntries(vessel.solvents),
  dissolved: dissolvedOf(vessel, named),
  solid: gathered(vessel.lumps.map(({ form, moles }) => portionOf(form, moles))),
  estimated: vessel.estimated,
})
