import { dryOf, standsAs } from '#core/vessel'
import { isProduct, seeTheEnd, tellBeside } from './clear'
import { solidsIn, type Course } from './course'
import type { Proposing } from './enter'
import { clearAway, dryAndWeigh } from './finish'
import { kept, shown, tareStep } from './operation-step'
import { washEnd } from './wash-end'

/** Liquor that a sucked-off precipitate keeps, as a share of the solids’ mass; common practice, no source. */
const RETAINED_FINE = '100 %'
/** A wash of a precipitate, mL to the g, and how many of those; common practice, no source. */
const WASH_FINE = 10
const FINE_WASHES = 3

/** Settled, filtered, washed until a named test is silent, dried. */
export function throwDown(course: Course, proposing: Proposing): void {
  const { form } = proposing.stage.product
  course.hangsOnRest = false
  seeTheEnd(course, proposing)
  course.take({
    do: 'stand',
    words: 'Let the precipitate settle; digest it warm if it is fine',
    wait: '30 min',
    until: 'the liquor above it is clear',
    does: { stir: true },
  })
  course.take({
    do: 'test',
    words: 'Try the clear liquor: is anything left to precipitate?',
    does: { nothing: true },
  })
  const solids = course.vessel.lumps.filter(({ form: one }) => standsAs(dryOf(one).dry) === 'solid')
  tellBeside(
    course,
    solids.filter(({ form: one }) => !isProduct(one, form)),
    form,
    'part them before, or take another way',
  )
  const wash = WASH_FINE * solidsIn({ ...course.vessel, lumps: solids })
  course.take(tareStep())
  course.take({ do: 'decant', words: 'Decant the clear liquor through the filter', does: { nothing: true } })
  course.take({
    do: 'filter',
    words: `Filter {${form.text}}`,
    until: 'the filtrate is clear',
    does: { filter: { retained: RETAINED_FINE } },
  })
  if (wash > 0) {
    const volume = kept(wash, 'mL')
    course.take({
      do: 'wash',
      words: `Wash with ${shown(volume)} of water`,
      target: shown(volume),
      repeat: { times: FINE_WASHES },
      until: washEnd(course.vessel, form),
      does: { wash: { with: 'water', volume, at: `${course.sheet.room} °C` } },
    })
  }
  dryAndWeigh(course, proposing)
  clearAway(course, proposing)
}
