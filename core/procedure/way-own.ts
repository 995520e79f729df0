import type { Course } from './course'
import { clear, seeTheEnd } from './clear'
import type { Proposing } from './enter'
import { clearAway, dryAndWeigh } from './finish'
import { stepsOf, tareStep } from './operation-step'
import { HOT } from './way-crystallise'

/**
 * Nothing is known of how the product comes. Where that was chosen: charges, the chemist's own steps, a weighing. Where it was proposed out of water, the usual steps of crystallising are the
 * first to try, without figures.
 */
export function ownWay(course: Course, proposing: Proposing, isProposed: boolean): void {
  const { stage } = proposing
  const form = stage.product.form.text
  const isWater = stage.otherSolvents.length === 0
  if (isProposed && isWater) {
    seeTheEnd(course, proposing)
    clear(course, proposing, HOT)
  }
  course.isKnown = false
  if (stage.operations) for (const step of stepsOf(stage.operations, form)) course.take(step)
  else if (isProposed && isWater) tryCooling(course, form)
  else {
    course.take({
      do: 'observe',
      words: `Win {${form}} by steps of your own`,
      why: 'Nothing is known here of how it comes: put your own steps in.',
      does: { nothing: true },
    })
    course.take(tareStep())
  }
  dryAndWeigh(course, proposing)
  clearAway(course, proposing)
}

const WHY = 'How much comes is not known here: these are the usual first steps.'
function tryCooling(course: Course, form: string): void {
  course.take({
    do: 'evaporate',
    words: 'Boil down to the crystallisation point',
    about: { what: 'pot' },
    until: 'a drop on a cold rod skins over',
    why: WHY,
    does: { nothing: true },
  })
  course.take({
    do: 'cool',
    words: 'Let it cool to room temperature, covered',
    about: { what: 'pot' },
    does: { coolTo: `${course.sheet.room} °C` },
  })
  course.take({
    do: 'ice',
    words: 'Cool in ice',
    about: { what: 'pot' },
    target: '5 °C',
    tolerance: '3 °C',
    does: { coolTo: '5 °C' },
  })
  course.take(tareStep())
  course.take({
    do: 'filter',
    words: `Filter {${form}}`,
    until: 'no more liquor drips',
    does: { filter: { retained: '20 %' } },
  })
  course.take({
    do: 'wash',
    words: 'Wash with a little ice-cold solvent',
    repeat: { times: 2 },
    does: { nothing: true },
  })
}
