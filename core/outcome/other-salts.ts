import { relate, type Formula } from '#core/formula'
import { arrivals, solidsFor, type Curve, type PotState } from '#core/solution'
import { formulaOf } from '#core/vessel'
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
  const order = arrivals(pot, HOT, COLD, own)
  const place = (salt: Formula): number => order.findIndex(({ salt: arrived }) => arrived === salt.text)
  const isProduct = (salt: Formula): boolean =>
    relate(salt, product) !== undefined || relate(product, salt) !== undefined
  const productAt = order.findIndex(({ salt }) => isProduct(formulaOf(salt)))
  const cold = solidsFor(new Set(pot.totals.keys()), COLD, own).solids.filter(({ source }) => source !== 'product')
  return [...new Set(cold.map(({ salt }) => salt.text))].flatMap((text): OtherSalt[] => {
    const forms = cold.filter(({ salt }) => salt.text === text)
    // In the cold the most hydrated form is the one that stands.
    const most = forms.reduce<(typeof forms)[number] | undefined>(
      (best, one) => (best && best.waters >= one.waters ? best : one),
      undefined,
    )
    const ions = most && ionsOf(most.salt)
    if (!most || !ions?.every(ion => amounts.has(ion.text)) || isProduct(most.salt)) return []
    const units = Math.min(...ions.map(ion => (amounts.get(ion.text) ?? 0) / ion.count))
    const at = place(most.salt)
    return [
      {
        form: most.form.text,
        most: units * most.molarMass,
        comes: at >= 0,
        comesFirst: at >= 0 && (productAt < 0 || at < productAt),
      },
    ]
  })
}
