import { molarMass, sameStuff, type Formula } from '#core/formula'
import { findCurve, ownMolality } from '#core/solution'
import { dissolvedOf, dryOf, standsAs, yieldsToWater, type Vessel } from '#core/vessel'
import { isProduct, seeTheEnd, tellBeside } from './clear'
import { grams, solidsIn, type Course } from './course'
import type { Proposing } from './enter'
import { clearAway, dryAndWeigh } from './finish'
import { kept, shown, stepsOf, tareStep } from './operation-step'
import { washEnd } from './wash-end'
import { isFlat } from './way'
import { COLD } from './way-crystallise'

/** Liquor that a sucked-off precipitate keeps, as a share of the solids’ mass; common practice, no source. */
const RETAINED_FINE = '100 %'
/** A wash of a precipitate, mL to the g, and how many of those; common practice, no source. */
const WASH_FINE = 10
const FINE_WASHES = 3

/** No wash is larger than what takes this share of a precipitate that dissolves a little: three of them then cost a twentieth. A judgement. */
const WASH_PRICE = 0.02

/** mL of water that take a share of the product as it stands; no bound where it does not dissolve to speak of. */
function washAt(share: number, { vessel }: Course, form: Formula): number {
  const { dry } = dryOf(form)
  const molality = yieldsToWater(dry) ? ownMolality(dry) : undefined
  return molality === undefined ? Infinity : ((share * standingOf(vessel, dry)) / molality) * 1000
}
const standingOf = ({ lumps }: Vessel, dry: Formula): number =>
  lumps.filter(one => sameStuff(dryOf(one.form).dry, dry)).reduce((sum, { moles }) => sum + moles, 0)

/** How cold a precipitate is taken of which the cold holds much less; undefined where it does not. */
function coldFor(dry: Formula, { setting }: Course): number | undefined {
  const curve = yieldsToWater(dry) ? findCurve(dry, setting.own)?.curve : undefined
  return curve && !isFlat(curve) ? Math.max(COLD, Math.min(...curve.phases.map(({ from }) => from))) : undefined
}

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
  const cold = coldFor(dryOf(form).dry, course)
  if (cold !== undefined) for (const step of stepsOf([{ coolTo: `${cold} °C` }], form.text)) course.take(step)
  const wash = Math.min(WASH_FINE * solidsIn({ ...course.vessel, lumps: solids }), washAt(WASH_PRICE, course, form))
  tellHeld(course, form)
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
      words: `Wash with ${shown(volume)} of ${cold === undefined ? 'water' : 'ice-cold water'}`,
      target: shown(volume),
      repeat: { times: FINE_WASHES },
      until: washEnd(course.vessel, form),
      does: { wash: { with: 'water', volume, at: cold === undefined ? `${course.sheet.room} °C` : '0 °C' } },
    })
  }
  dryAndWeigh(course, proposing)
  clearAway(course, proposing)
}

/** More of the product in the liquor than this share of it, and it is said; a judgement. */
const HELD = 0.05
/** The liquor keeps a part of what it throws down: said before it is poured away. */
function tellHeld(course: Course, form: Formula): void {
  const { dry } = dryOf(form)
  if (!course.isKnown || !yieldsToWater(dry)) return
  const held = dissolvedOf(course.vessel, course.setting.named)
    .filter(one => one.form === dry.text)
    .reduce((sum, { mass }) => sum + mass, 0)
  const stands = standingOf(course.vessel, dry) * molarMass(dry)
  if (held > HELD * (held + stands))
    course.warn(
      'crop.in-liquor',
      `The liquor holds ${grams(held)} of {${dry.text}}, ${Math.round((100 * held) / (held + stands))} % of it: take less water, or more of the cheaper reagent, and wash with little. Boiled down it gives a second crop, less clean.`,
    )
}
