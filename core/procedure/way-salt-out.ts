import { WATER, type OperationPlan } from '#core/vessel'
import { boilOut, clear, seeTheEnd } from './clear'
import { solidsIn, type Course } from './course'
import type { Proposing } from './enter'
import { clearAway, dryAndWeigh } from './finish'
import { kept, stepsOf } from './operation-step'
import { HOT, RETAINED } from './way-crystallise'

const COLD = 5
/** A wash with alcohol, mL to the g; common practice, no source. */
const WASH = 0.4

/** Cleared, cooled, as much spirit as there is water, or what the sheet put in already, filtered and washed with it. */
export function saltOut(course: Course, proposing: Proposing): void {
  const { stage, sheet } = proposing
  const form = stage.product.form.text
  const take = (...operations: OperationPlan[]): void => {
    for (const step of stepsOf(operations, form)) course.take(step)
  }
  seeTheEnd(course, proposing)
  clear(course, proposing, HOT)
  boilOut(course, proposing)
  if (stage.operations) take(...stage.operations)
  else {
    take({ coolTo: `${course.sheet.room} °C` })
    const water = course.vessel.solvents.get(WATER) ?? 0
    const there = [...course.vessel.solvents.keys()].find(name => name !== WATER)
    if (there === undefined) take({ addEthanol: kept(water, 'mL') })
    take({ coolTo: `${COLD} °C` }, { filter: { retained: RETAINED } })
    const crystals = course.isKnown ? solidsIn(course.vessel) : (sheet.products[0]?.theoretical.value ?? 0)
    if (crystals > 0)
      take({
        wash: {
          with: there === 'acetone' || there === 'methanol' ? there : 'ethanol',
          volume: kept(WASH * crystals, 'mL'),
          at: `${COLD} °C`,
        },
      })
  }
  dryAndWeigh(course, proposing)
  clearAway(course, proposing)
}
