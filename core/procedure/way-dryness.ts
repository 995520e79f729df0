import { boilOut, clear, seeTheEnd } from './clear'
import type { Course } from './course'
import type { Proposing } from './enter'
import { clearAway, dryAndWeigh } from './finish'
import { stepsOf, tareStep } from './operation-step'
import { HOT } from './way-crystallise'

/** Cleared hot, evaporated in a dish, or distilled off under dry gas with its guard in it, and dried. */
export function toDryness(course: Course, proposing: Proposing, by: 'boiled off' | 'distilled off'): void {
  const { stage } = proposing
  const form = stage.product.form.text
  seeTheEnd(course, proposing)
  clear(course, proposing, HOT)
  boilOut(course, proposing)
  course.take(tareStep())
  if (stage.operations) for (const step of stepsOf(stage.operations, form)) course.take(step)
  else if (by === 'boiled off')
    course.take({
      do: 'evaporate to dryness',
      words: `Evaporate gently to {${form}}, and finish in a dish`,
      why: 'It hardly comes on cooling, and nothing else is in the liquor that would stay behind.',
      until: 'the crust is dry; no spitting, no browning',
      needs: ['hood', 'hotplate'],
      does: { toDryness: by },
    })
  else
    course.take({
      do: 'evaporate to dryness',
      words: 'Distil the solvent off under dry gas, and keep the guard in',
      until: 'nothing more comes over',
      needs: ['hood', 'hotplate'],
      does: { toDryness: by },
    })
  dryAndWeigh(course, proposing)
  clearAway(course, proposing)
}
