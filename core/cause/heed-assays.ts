import { molarMass, parseFormula, relate } from '#core/formula'
import { percentText } from './cause'
import type { Explanation } from './explanation'
import type { YieldFacts } from './yield-facts'

const FORMS = new Set(['heavier form', 'lighter form', 'waters left out'])
const FOREIGN = new Set(['water', 'by-product', 'soluble excess', 'undissolved solid', 'other salt'])
/** Below this part of what is to be explained a cause is not worth naming; as in the causes themselves. */
const WORTH = 0.15

/**
 * Sets explanations against the batch's own assays of its product: a form that the purity contradicts is struck, as is a foreign matter of
 * which the assay leaves no room; what the purity asks for is strengthened. Without assays nothing changes.
 */
export function heedAssays(explanations: readonly Explanation[], facts: YieldFacts): Explanation[] {
  const told = facts.evidence[0]
  if (!told) return [...explanations]
  const words = `“${told.name}” found ${percentText(told.purity)} of {${facts.product.text}} in it.`
  const backed = (one: Explanation): Explanation => ({
    ...one,
    weight: one.weight * 3,
    speaksFor: [...one.speaksFor, words],
  })
  const missing = Math.abs(facts.actual - facts.planned * facts.theoretical)
  return explanations.flatMap((one): Explanation[] => {
    if (FORMS.has(one.cause) && one.form) {
      const asked = purityOf(one.form, facts)
      if (asked === undefined) return [one]
      return Math.abs(asked - told.purity) <= told.spread + 0.01 ? [backed(one)] : []
    }
    if (!FOREIGN.has(one.cause)) return [one]
    const room = Math.max(0, 1 - told.purity + told.spread) * facts.actual
    const extra = facts.actual > facts.theoretical ? facts.actual - facts.theoretical : missing
    if (room < WORTH * extra) return []
    const most = Math.min(one.most ?? Infinity, room)
    const fits = room >= extra && told.purity + told.spread < 1
    const bounded: Explanation = { ...one, most, suffices: most >= extra ? one.suffices : 'not alone' }
    return [fits ? backed(bounded) : bounded]
  })
}

/** What a solid that is all this other form would show as the product. */
function purityOf(form: string, { product }: YieldFacts): number | undefined {
  const read = parseFormula(form)
  const relation = read.ok ? relate(read.value, product) : undefined
  return read.ok && relation ? (relation.units * molarMass(product)) / molarMass(read.value) : undefined
}
