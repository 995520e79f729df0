import { molarMass, sameStuff, type Formula } from '#core/formula'
import { formatFigure } from '#core/quantity'
import { ownMolality } from '#core/solution'
import { dryOf, WATER, yieldsToWater, type Lump } from '#core/vessel'
import { grams, type Course } from './course'
import type { Proposing } from './enter'

/** The same salt, whatever its water. */
export const isProduct = (form: Formula, product: Formula): boolean => sameStuff(dryOf(form).dry, dryOf(product).dry)

/** Excess that shows its end point, or that is taken away before the product is won: as the sheet says where each goes. */
export function seeTheEnd(course: Course, { sheet }: Proposing): void {
  const left = sheet.reagents.filter(
    ({ planned, limits, leftover }) => planned && !limits && leftover.mass.value > 1e-9,
  )
  for (const { weighAs, leftover } of left.filter(one => one.leftover.wayOut === 'quenched'))
    course.take({
      do: 'quench',
      words: `Quench the excess of {${weighAs}}`,
      why: `${formatFigure(leftover.mass, 3)} of it is left, by the sheet.`,
      until: 'the test shows none',
      does: { nothing: true },
    })
  const [solid] = left.filter(({ leftover }) => leftover.wayOut === 'filtered off')
  if (solid)
    course.take({
      do: 'observe',
      words: `See that {${solid.weighAs}} is left over${sheet.gases.length > 0 ? ' and no more gas comes' : ''}`,
      why: `The end point: ${formatFigure(solid.leftover.mass, 3)} should stay at the bottom. If none does, the other reagent is in excess.`,
      does: { nothing: true },
    })
}

/** Solids that are not the product leave before the product is won from the liquor; what a technical solid leaves behind as well. */
export function clear(course: Course, { sheet, stage }: Proposing, celsius: number): void {
  const product = stage.product.form
  const dirty = sheet.reagents.some(({ residue }) => residue !== undefined && residue.value > 0.005)
  if (!dirty && !course.vessel.lumps.some(({ form }) => !isProduct(form, product))) return
  if (course.vessel.celsius < celsius && course.vessel.lumps.some(({ form }) => isProduct(form, product)))
    course.take({
      do: 'heat',
      words: `Heat to ${celsius} °C, so that the product is all dissolved`,
      target: `${celsius} °C`,
      tolerance: '3 °C',
      about: { what: 'pot' },
      does: { heatTo: `${celsius} °C` },
    })
  const strangers = course.vessel.lumps.filter(({ form }) => !isProduct(form, product))
  if (strangers.length === 0 && !dirty) return
  if (strangers.length < course.vessel.lumps.length) {
    tellBeside(course, strangers, product, 'more water, or hotter, and it can be filtered off first')
    return
  }
  tellPassing(course, strangers, product, sheet.products[0]?.theoretical.value ?? 0)
  course.take({
    do: 'filter hot',
    words: 'Filter warm from what did not dissolve; rinse the rod and the beaker with a little hot water',
    until: 'the filtrate is clear; if it is cloudy, through the same paper again',
    does: { filterOff: true },
  })
}

/** Less of what passes the filter than this share of the product is not worth a word; a judgement. */
const PASSES = 0.01
/** What was thrown down and yet dissolves a little passes the filter, and comes as the water goes: how much by its own solubility, an estimate. */
function tellPassing(course: Course, strangers: readonly Lump[], product: Formula, most: number): void {
  const water = (course.vessel.solvents.get(WATER) ?? 0) / 1000
  for (const { form, moles, is } of strangers) {
    const { dry } = dryOf(form)
    if (is !== 'thrown down' || !yieldsToWater(dry)) continue
    const held = Math.min(moles, (ownMolality(dry) ?? 0) * water) * molarMass(dry)
    if (held > PASSES * most)
      course.warn(
        'solid.passes',
        `{${dry.text}} dissolves a little: about ${grams(held)} of it pass the filter and come with {${product.text}} as the water goes. Filter once more, hot, when most of the water is gone.`,
      )
  }
}

export function tellBeside(course: Course, strangers: readonly Lump[], product: Formula, fix: string): void {
  if (strangers.length === 0) return
  const names = strangers.map(({ form }) => `{${form.text}}`).join(', ')
  course.warn('solid.beside', `${names} stays solid beside {${product.text}}, and will be in the crop: ${fix}.`)
}

/** What boils off as acid or ammonia by the sheet is boiled off before the product is won. */
export function boilOut(course: Course, { sheet }: Proposing): void {
  for (const { planned, limits, leftover, weighAs } of sheet.reagents)
    if (planned && !limits && leftover.wayOut === 'boiled off' && leftover.mass.value > 1e-9)
      course.take({
        do: 'observe',
        words: `Boil off the excess of {${weighAs}} with the water`,
        until: 'it no longer smells of it; let a strip of moist litmus tell, not your nose',
        needs: ['hood', 'hotplate'],
        does: { nothing: true },
      })
}
