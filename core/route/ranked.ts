import { dryingStep, guardedSteps, wettingStep, type Wanted } from './forms'
import { formFromWater } from './first'
import { dissolves } from './properties'
import { STAGE, type Step, type Way } from './search'
import type { Shelf } from './shelf'

/** A way with what it costs so far. */
export type Reached = Pick<Way, 'steps' | 'cost'>
/** One more way of the same families is worth this less, so that what is shown first differs. Half a stage, a judgement. */
const ALIKE = 5
/** Two stages of salts that nobody has to fear, in place of one under a poisonous gas. */
const GUARDED = 2 * STAGE

/** The substance itself, in another form, among what is started from. */
export function againFrom(wanted: Wanted, shelf: Shelf): Reached[] {
  if (shelf.from.length !== 1 || shelf.from[0]!.key !== wanted.stuff.key) return []
  const drying = dryingStep(wanted, formFromWater(wanted.stuff))
  const step = drying ?? wettingStep(wanted)
  const guarded = drying && guardedSteps(wanted)
  return [
    ...(step ? [{ steps: [step], cost: STAGE + step.family.cost }] : []),
    ...(guarded ? [{ steps: guarded, cost: GUARDED }] : []),
  ]
}

/** A way with the stage that its form asks for; none where that form does not come so. */
export function finished({ steps, cost }: Reached, wanted: Wanted): Reached[] {
  const with_ = (step: Step): Reached => ({ steps: [...steps, step], cost: cost + STAGE + step.family.cost })
  if (steps.at(-1)!.family.medium === 'water') {
    // A liquid that fumes in air is had from dry stuff alone: water takes it apart.
    if (wanted.stuff.row?.state === 'liquid' && wanted.stuff.row.water === 'reacts') return []
    const drying = wanted.isSaid ? dryingStep(wanted, formFromWater(wanted.stuff)) : undefined
    const guarded = drying && guardedSteps(wanted)
    return [
      drying ? with_(drying) : { steps, cost },
      ...(guarded ? [{ steps: [...steps, ...guarded], cost: cost + GUARDED }] : []),
    ]
  }
  if (wanted.waters === 0 || (!wanted.isSaid && !dissolves(wanted.stuff))) return [{ steps, cost }]
  const wetting = wettingStep(wanted)
  return wetting ? [with_(wetting)] : []
}

/** A longer way that ends as a shorter one does, and got there by salts that stay dissolved: nothing is won by it. What comes down on the way is washed, which is worth a stage. */
const isRoundabout = ({ steps }: Reached, ways: readonly Reached[]): boolean => {
  const last = steps.at(-1)!
  return (
    steps.slice(0, -1).every(({ target }) => dissolves(target)) &&
    ways.some(other => other.steps.length < steps.length && other.steps.at(-1)!.family === last.family)
  )
}

/** Cheapest first, each further one of the same families put back a little. */
export function diverse(all: readonly Reached[]): Reached[] {
  const counts = new Map<string, number>()
  const ways = all.filter(way => !isRoundabout(way, all))
  return ways
    .toSorted((a, b) => a.cost - b.cost)
    .map(({ steps, cost }) => {
      const name = steps.map(({ family }) => family.id).join(' ')
      const before = counts.get(name) ?? 0
      counts.set(name, before + 1)
      return { steps, cost: cost + ALIKE * before }
    })
    .toSorted((a, b) => a.cost - b.cost)
}
