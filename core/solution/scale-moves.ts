import { scaleText } from '#core/quantity'
import type { MovePlan } from './read-moves'

/** A way to crystallise, so many times as large: what is added, boiled off and washed with grows; temperatures and times do not. */
export const scaleMoves = (moves: readonly MovePlan[], factor: number): MovePlan[] =>
  moves.map(move => scaleMove(move, text => scaleText(text, factor)))

function scaleMove(move: MovePlan, grown: (text: string) => string): MovePlan {
  if ('evaporate' in move) return { evaporate: { water: grown(move.evaporate.water) } }
  if ('evaporateTo' in move) {
    const to = move.evaporateTo
    return { evaporateTo: 'water' in to ? { water: grown(to.water) } : { volume: grown(to.volume) } }
  }
  if ('addWater' in move) return { addWater: grown(move.addWater) }
  if ('addEthanol' in move) return { addEthanol: grown(move.addEthanol) }
  if ('wash' in move) return { wash: { ...move.wash, volume: grown(move.wash.volume) } }
  if ('addSolute' in move) return { addSolute: { ...move.addSolute, mass: grown(move.addSolute.mass) } }
  if ('seed' in move) return { seed: { ...move.seed, mass: grown(move.seed.mass) } }
  return move
}
