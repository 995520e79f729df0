import { toSignificant } from '#core/quantity'
import type { Formula } from '#core/formula'
import {
  follow,
  justSaturated,
  readMoves,
  spanOf,
  washOptions,
  type Curve,
  type MovePlan,
  type PotState,
} from '#core/solution'

const HOT = 80
const COLD = 5
/** Liquor that a sucked-off cake keeps, in percent of the crystals' mass; common practice, no source. */
const RETAINED = '20 %'

/** Water that a plan may ask for, times what the pot has: beyond that something insoluble is in it, and thinning is no way; a judgement. */
const MOST_THINNING = 50

/**
 * A first way to crystallise a pot: hot, boiled down (or thinned) until the product is just saturated there, cooled in ice, filtered and
 * washed with the best wash the advisor has. Undefined where the curves leave no room for it.
 */
export function proposeMoves(pot: PotState, product: Formula, own: readonly Curve[] = []): MovePlan[] | undefined {
  const span = spanOf(pot)
  if (!span) return undefined
  const hot = Math.round(Math.min(HOT, span.to))
  const cold = Math.round(Math.max(COLD, span.from))
  if (hot - cold < 5) return undefined
  const wanted = justSaturated(pot, hot, own)
  if (wanted !== undefined && wanted > MOST_THINNING * Math.max(pot.water, 1)) return undefined
  const difference = wanted === undefined ? 0 : pot.water - wanted
  const moves: MovePlan[] = [
    { heatTo: `${hot} °C` },
    ...(difference > 0.5 ? [{ evaporate: { water: `${toSignificant(difference, 3)} g` } }] : []),
    ...(difference < -0.5 ? [{ addWater: `${toSignificant(-difference * 1.05, 3)} g` }] : []),
    { coolTo: `${cold} °C` },
    { filter: { retained: RETAINED } },
  ]
  return [...moves, ...washFor(pot, moves, product, own)]
}

function washFor(pot: PotState, moves: readonly MovePlan[], product: Formula, own: readonly Curve[]): MovePlan[] {
  const read = readMoves(moves)
  const course = read.ok ? follow(pot, read.value, own) : undefined
  const cake = course?.ok ? course.value.cakes[0] : undefined
  const best = cake && washOptions({ pot: cake.pot, retained: 0.2, product }, own)[0]
  if (!best || best.verdict === 'avoid') return []
  const volume = `${toSignificant(Math.max(1, best.portion), 2)} mL`
  return Array.from({ length: best.portions }, () => ({
    wash: { with: best.solvent, volume, at: `${best.celsius} °C` },
  }))
}
