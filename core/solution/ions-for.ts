import { chargeOfKey, interactionsOf, ionicStrength, type Interactions } from '#core/activity'
import { heatOfDissolving } from './heat-of-dissolving'
import { componentsOf, type Component } from './components'
import { branchesAt, shippedCurves, type Curve } from './curve'
import { molalityOf, productAlone } from './product-alone'

/**
 * What acts between the ions of a pot at a temperature. The parameters are those of 25 °C; where a hot salt's own saturated solution is stronger than they reach, taking them as they are lets the Gibbs energy of its solid
 * wander, and the wrong pair of a reciprocal four would be stable. There ln K moves from 25 °C as the heat of dissolving says (van 't Hoff), and the salt's β0 is moved so that alone it still answers as its curve; by degrees, the
 * further it is beyond. The amounts of such pots are a guess all the same.
 */
export function ionsFor(keys: readonly string[], celsius: number, amounts: readonly number[]): Interactions {
  const ions = interactionsOf(keys, celsius, amounts)
  const pairs = ions.pairs.map(pair => {
    const salt = saltOf(keys[pair.cation]!, keys[pair.anion]!)
    const wanted = salt && movedLimit(salt, celsius)
    if (!salt || !wanted) return pair
    const components = componentsOf(salt.salt)
    const at = (beta0: number): number =>
      productAlone(components, wanted.waters, wanted.molality, {
        ...ions,
        pairs: ions.pairs.map(one => (one === pair ? { ...pair, beta0 } : one)),
      })
    const here = at(pair.beta0)
    const slope = at(pair.beta0 + 1) - here
    const by = slope > 0 ? (wanted.share * (wanted.logK - here)) / slope : 0
    return { ...pair, beta0: pair.beta0 + Math.max(-MOST, Math.min(MOST, by)) }
  })
  return { ...ions, pairs }
}

/** The most that β0 is moved: what the tables of its temperature coefficients allow over 75 K (some 1e-3 to a K). */
const MOST = 0.08

const salts = new Map<string, Curve | undefined>()
/** The curve of the simple salt of two ions. */
function saltOf(cation: string, anion: string): Curve | undefined {
  const name = `${cation} ${anion}`
  if (!salts.has(name))
    salts.set(
      name,
      shippedCurves().find(({ salt }) => {
        const components = componentsOf(salt)
        return components.length === 2 && components.every(({ key }) => key === cation || key === anion)
      }),
    )
  return salts.get(name)
}

interface Moved {
  readonly logK: number
  readonly molality: number
  readonly waters: number
  /** How much of the move is made: 0 where the parameters reach, 1 where they are far off. */
  readonly share: number
}
const moved = new Map<string, Moved | undefined>()
const MOST_KEPT = 2000

/** ln K of a salt's stable solid as the heat of dissolving moves it from 25 °C; undefined where another solid stands there, or the heat is not known. */
function movedLimit(curve: Curve, celsius: number): Moved | undefined {
  const name = `${curve.salt.text} ${celsius}`
  if (moved.has(name)) return moved.get(name)
  if (moved.size > MOST_KEPT) moved.clear()
  const found = findLimit(curve, celsius)
  moved.set(name, found)
  return found
}

const ROOM = 25
const KELVIN = 273.15
const GAS = 8.314_46
/** Change of heat capacity on dissolving a mole of ions of one charge, J/(K mol): from −65 to −85 for the alkali halides and nitrates (texts of thermodynamics, from memory). */
const CAPACITY = -75

function findLimit(curve: Curve, celsius: number): Moved | undefined {
  if (celsius <= ROOM) return undefined
  const components = componentsOf(curve.salt)
  // For ions of more charge the change of heat capacity is larger and less alike.
  if (components.some(({ key }) => Math.abs(chargeOfKey(key)) !== 1)) return undefined
  const stableAt = (at: number) => branchesAt(curve, at).find(({ isStable, beyond }) => isStable && beyond === 0)
  const [here, room] = [stableAt(celsius), stableAt(ROOM)]
  if (!here || here.phase !== room?.phase) return undefined
  const { form, waters } = here.phase
  const molality = molalityOf(curve.salt, here.grams)
  const share = beyondReach(components, molality)
  const heat = share > 0 ? heatOfDissolving({ form, components, waters }) : undefined
  if (heat === undefined) return undefined
  const ions = interactionsOf(
    components.map(({ key }) => key),
    ROOM,
  )
  const [hot, cold] = [celsius + KELVIN, ROOM + KELVIN]
  const capacity = CAPACITY * components.reduce((sum, { count }) => sum + count, 0)
  const rise =
    ((-heat * 1000) / GAS) * (1 / hot - 1 / cold) + (capacity / GAS) * (Math.log(hot / cold) - 1 + cold / hot)
  return {
    logK: productAlone(components, waters, molalityOf(curve.salt, room.grams), ions) + rise,
    molality,
    waters,
    share,
  }
}

/** Half as strong again as the parameters reach is far off. */
const FAR = 0.5
function beyondReach(components: readonly Component[], molality: number): number {
  const ions = interactionsOf(
    components.map(({ key }) => key),
    ROOM,
  )
  const strength = ionicStrength(
    ions,
    components.map(({ count }) => count * molality),
  )
  return Math.max(0, Math.min(1, (strength / ions.upTo - 1) / FAR))
}
