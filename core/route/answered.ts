import { besideOf } from './cost'
import { joinSalts } from './families/double-salts'
import { excessFor, firstOf, type First } from './first'
import { dissolves } from './properties'
import type { Step } from './search'

/** A step with what comes first of its liquor, where that was asked. */
export interface Answered {
  readonly step: Step
  readonly first: First | undefined
}

/** A step with what comes first of its liquor; where mole by mole another salt would, and an excess of one of the two helps, the step with that excess. */
export function answeredBy(step: Step): Answered {
  const first = firstAsked(step)
  if (first?.is !== 'other') return { step, first }
  if (firstOf(step, WARM).is === 'product') {
    const mind = `Only warm, at ${WARM} °C or so: cold, {${first.form}} comes first. Boil down and filter hot.`
    return { step: { ...step, draft: { ...step.draft, mind } }, first: { is: 'product' } }
  }
  const excess = step.family.id === joinSalts.id ? excessFor(step) : undefined
  if (!excess) return { step, first }
  const mind = `Mole by mole {${first.form}} comes first: with ${excess.equivalents} equivalents of {${excess.species}} it stays dissolved, and so does what is over of that.`
  return { step: { ...step, draft: { ...step.draft, mind, excess } }, first: { is: 'product' } }
}

/** °C of a liquor that is boiled down and filtered hot. */
const WARM = 60

/** Asked where other salts are left in the liquor, or several ions could join otherwise; not of what comes down by itself, nor of what stays in the pot alone. */
function firstAsked(step: Step): First | undefined {
  if (step.family.medium !== 'water' || !dissolves(step.target)) return undefined
  const isMixed = besideOf(step.reaction.products, step.target).length > 0
  const isDouble = step.target.cations.length + step.target.anions.length > 2
  return isMixed || isDouble ? firstOf(step) : undefined
}
