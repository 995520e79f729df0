import { fail, ok, type Checked } from '#core/problem'
import { parseFormula, relate, type Formula } from '#core/formula'
import { findCurve, type Curve } from './curve'
import { follow } from './moves'
import { potOfSolutes, restOf } from './pot-state'
import type { SolubilityProblem } from './problems'
import { justSaturated } from './questions'

export interface Recrystallisation {
  /** Water to dissolve it in, g. */
  readonly water: number
  readonly hot: number
  readonly cold: number
  readonly crop: { readonly form: string; readonly mass: number }
  /** Of the product in the crude, by amount. */
  readonly recovery: number
  /** Share of the dried crop that is the product, liquor kept in the cake counted; before, and after. */
  readonly purityBefore: number
  readonly purity: number
  /** True where the impurity comes down with it. */
  readonly impurityComes: boolean
  readonly estimated: boolean
}

/** Water over what just dissolves it hot, so that it does not come down in the filter; common practice, no source. */
const MARGIN = 1.1

/**
 * A recrystallisation from water: the least water that dissolves the crude at the hot temperature and a tenth more, the crop at the
 * cold one with `retained` times its mass of liquor in it, and what it would be worth dry.
 */
export function recrystallise(
  product: Formula,
  crude: number,
  impurity: { readonly form: Formula; readonly share: number } | undefined,
  hot: number,
  cold: number,
  retained: number,
  own: readonly Curve[] = [],
): Checked<Recrystallisation, SolubilityProblem> {
  const foreign = impurity ? crude * impurity.share : 0
  const solutes = [
    { form: product, mass: crude - foreign },
    ...(impurity && foreign > 0 ? [{ form: impurity.form, mass: foreign }] : []),
  ]
  const dry = potOfSolutes(0, solutes, hot, own)
  if (!dry.ok) return dry
  const start = restOf({ ...dry.value, water: dry.value.water + crude * 50, celsius: hot }, own)
  if (!start.ok) return start
  const least = justSaturated(dry.value, hot, own)
  if (least === undefined) return fail({ code: 'solubility.unknown', salt: product.text })
  const water = Math.max(0, least * MARGIN - dry.value.water)
  const pot = { ...dry.value, water: dry.value.water + water }
  const course = follow(
    pot,
    [
      { do: 'heat', celsius: hot },
      { do: 'cool', celsius: cold },
      { do: 'filter', retained },
    ],
    own,
  )
  if (!course.ok)
    return course.problem.code.startsWith('moves.')
      ? fail({ code: 'solubility.unknown', salt: product.text })
      : fail(course.problem as SolubilityProblem)
  const salt = findCurve(product, own)?.curve.salt ?? product
  const isProduct = (form: string): boolean => isFormOf(form, salt)
  const wanted = course.value.crops.find(({ form }) => isProduct(form))
  const others = course.value.crops.filter(crop => crop !== wanted)
  const all = course.value.crops.reduce((sum, { mass, entrained }) => sum + mass + entrained, 0)
  const kept = course.value.crops.flatMap(({ entrainedForms }) => entrainedForms)
  const good = (wanted?.mass ?? 0) + kept.filter(({ form }) => isProduct(form)).reduce((sum, { mass }) => sum + mass, 0)
  return ok({
    water,
    hot,
    cold,
    crop: { form: wanted?.form ?? product.text, mass: wanted?.mass ?? 0 },
    recovery: wanted?.recovery ?? 0,
    purityBefore: crude > 0 ? 1 - foreign / crude : 0,
    purity: all > 0 ? good / all : 0,
    impurityComes: others.length > 0,
    estimated: course.value.steps.some(({ estimated }) => estimated),
  })
}

/** Whether a solid is the salt with or without water, in whichever unit either is written. */
function isFormOf(form: string, salt: Formula): boolean {
  const read = parseFormula(form)
  return read.ok && relate(read.value, salt) !== undefined
}
