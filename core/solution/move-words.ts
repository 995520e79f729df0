import type { MovePlan } from './read-moves'

/** What a wash is made with: `ethanol`, `50 % ethanol`. */
export const solventWords = ({ wash }: Extract<MovePlan, { wash: unknown }>): string =>
  wash.with === 'ethanol' && wash.strength !== undefined ? `${wash.strength} ethanol` : wash.with

/** A planned move in words, as the run offers it and the journal keeps it. */
export function moveWords(move: MovePlan): string {
  if ('heatTo' in move) return `heated to ${move.heatTo}`
  if ('coolTo' in move) return `cooled to ${move.coolTo}`
  if ('addWater' in move) return `added ${move.addWater} of water`
  if ('evaporate' in move) return `boiled off ${move.evaporate.water} of water`
  if ('evaporateTo' in move)
    return 'volume' in move.evaporateTo
      ? `boiled down to ${move.evaporateTo.volume}`
      : `boiled down to ${move.evaporateTo.water} of water`
  if ('filter' in move) return 'filtered'
  if ('addSolute' in move) return `added ${move.addSolute.mass} of ${move.addSolute.form}`
  if ('seed' in move) return `seeded with ${move.seed.mass} of ${move.seed.form}`
  if ('addEthanol' in move) return `added ${move.addEthanol} of ethanol`
  if ('hold' in move) return `held for ${move.hold}`
  const { volume, at = '0 °C', through } = move.wash
  return `washed with ${volume} of ${solventWords(move)} at ${at}${through ? ', run through' : ''}`
}
