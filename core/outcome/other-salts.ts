import { molarMass, relate, type Formula } from '#core/formula'
import { shippedCurves, arrivals, type Curve, type PotState } from '#core/solution'
import { ionsOf } from '#core/species'

/** Another salt that this pot's ions could have given in place of the product. */
export interface OtherSalt {
  readonly form: string
  /** g of it that the pot's ions could make at most. */
  readonly most: number
  /** The model has it come down on cooling, and before the product. */
  readonly comesFirst: boolean
  /** The model has it come down at all. */
  readonly comes: boolean
}

/** Free acid and base make no salt of their own. */
const WATER_IONS = new Set(['H', 'OH'])

/** °C between which the liquor is taken to cool. */
const HOT = 80
const COLD = 5

/**
 * Salts of the solubility tables that are made of the ions of a stage's liquor and are not the product: what each could weigh at most, and
 * whether the model has it crystallise. Undefined ions, or a pot with one salt only, give none.
 */
export function otherSaltsIn(pot: PotState, product: Formula, own: readonly Curve[] = []): OtherSalt[] {
  const amounts = new Map<string, number>()
  for (const [key, moles] of pot.totals) {
    const ion = key.split('^')[0] ?? key
    if (WATER_IONS.has(ion)) continue
    amounts.set(ion, (amounts.get(ion) ?? 0) + moles)
  }
  if (amounts.size < 3) return []
  const curves = [...own, ...shippedCurves()]
  const order = arrivals(pot, HOT, COLD, own)
  const place = (salt: Formula): number => order.findIndex(({ form }) => isFormOf(form, salt, curves))
  const productAt = place(product)
  return curves.flatMap(({ salt, phases }): OtherSalt[] => {
    if (relate(salt, product) || relate(product, salt)) return []
    const ions = ionsOf(salt)
    if (!ions?.every(({ text }) => amounts.has(text))) return []
    const units = Math.min(...ions.map(({ text, count }) => (amounts.get(text) ?? 0) / count))
    const at = place(salt)
    // In the cold the most hydrated phase is the one that stands.
    const form = phases[0]?.form ?? salt
    return [
      {
        form: form.text,
        most: units * molarMass(form),
        comes: at >= 0,
        comesFirst: at >= 0 && (productAt < 0 || at < productAt),
      },
    ]
  })
}

function isFormOf(text: string, salt: Formula, curves: readonly Curve[]): boolean {
  const curve = curves.find(({ phases }) => phases.some(({ form }) => form.text === text))
  return curve ? relate(salt, curve.salt) !== undefined : text === salt.text
}
