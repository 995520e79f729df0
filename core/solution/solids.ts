import { molarMass, parseFormula, withWaters, type Formula } from '#core/formula'
import { doubleSalts, doubleSaltsByName, solubilityProducts, substances, type DoubleSalt } from '#core/reference'
import { partsOf } from '#core/species'
import { chargeOfKey, interactionsOf, type Interactions } from '#core/activity'
import { componentsOf, type Component } from './components'
import { molalityOf, productAlone } from './product-alone'
import { branchesAt, findCurve, saturationAt, shippedCurves, type Branch, type Curve } from './curve'

/** A solid that stands, as what it is made of. */
export interface StandingSolid {
  readonly form: Formula
  /** The anhydrous salt's formula. */
  readonly salt: Formula
  readonly components: readonly Component[]
  readonly waters: number
  /** g/mol of the solid. */
  readonly molarMass: number
}

/** A solid that could come down at a temperature, and its limit. */
export interface Solid extends StandingSolid {
  /** ln of the product of activities at saturation: of its ions (molalities), each to its count, and of its water. */
  readonly logK: number
  /** g of anhydrous salt in 100 g of water, alone; undefined for those known by a product. */
  readonly alone: number | undefined
  readonly source: 'curve' | 'product' | 'double'
  /** Another hydrate of the salt is the stable one here, alone in water. */
  readonly isMetastable?: true
  /** Its solubility here is drawn on from where the table has it. */
  readonly isDrawnOn?: true
}

export const WATER_MOLAR = 18.015

/** A salt with so many waters, as a solid that stands. */
export function solidWith(salt: Formula, waters: number): StandingSolid {
  const read = parseFormula(withWaters(salt.text, waters))
  const form = read.ok ? read.value : salt
  return { form, salt, components: componentsOf(salt), waters, molarMass: molarMass(salt) + waters * WATER_MOLAR }
}

/** The solid of a curve that stands at a temperature; undefined off its range. */
export function solidOf(curve: Curve, celsius: number): Solid | undefined {
  const branch = branchesAt(curve, celsius).find(one => one.isStable && one.beyond === 0)
  return branch && solidOfBranch(curve, branch, branch, ownIons(curve.salt, celsius), 1)
}

const ownIons = (salt: Formula, celsius: number): Interactions =>
  interactionsOf(
    componentsOf(salt).map(({ key }) => key),
    celsius,
  )

/** Ionic strength of a solution of one mol to the kg. */
const strengthOf = (components: readonly Component[]): number =>
  components.reduce((sum, { key, count }) => sum + (count * chargeOfKey(key) ** 2) / 2, 0)

const reaches = new Map<string, number>()
/** Ionic strength up to which the parameters of a salt’s own ions hold. */
function reachAlone(salt: Formula): number {
  const before = reaches.get(salt.text)
  if (before !== undefined) return before
  const { upTo } = ownIons(salt, ROOM)
  reaches.set(salt.text, upTo)
  return upTo
}

/** How fast a metastable branch parts from the stable one at the least, in ln of its product to a K from the transition; so that the table's own order of solids holds where a branch is drawn on wrongly. */
const PARTS = 0.005

function solidOfBranch(
  { salt }: Curve,
  { phase, grams, isDrawnOn, beyond, isStable }: Branch,
  stable: Branch | undefined,
  ions: Interactions,
  thinned: number,
): Solid {
  const components = componentsOf(salt)
  const at = (mass: number): number => {
    const molality = molalityOf(salt, mass) * thinned
    const here = productAlone(components, phase.waters, molality, ions)
    const upTo = reachAlone(salt)
    if (upTo >= ions.upTo || strengthOf(components) * molality <= upTo) return here
    // A pot of other salts takes this one’s parameters further than they hold: its limit is not lowered by that.
    return Math.max(here, productAlone(components, phase.waters, molality, { ...ions, upTo }))
  }
  const own = at(grams)
  const logK = isStable || !stable ? own : Math.max(own, at(stable.grams) + PARTS * Math.max(1, beyond))
  return {
    form: phase.form,
    salt,
    components,
    waters: phase.waters,
    molarMass: molarMass(phase.form),
    logK,
    alone: grams,
    source: 'curve',
    ...(!isStable && { isMetastable: true }),
    ...(isDrawnOn && isStable && { isDrawnOn }),
  }
}

interface Sparing {
  readonly form: Formula
  readonly salt: Formula
  readonly components: readonly Component[]
  readonly waters: number
  readonly product: number
}

function readForm(text: string): Omit<Sparing, 'product'> | undefined {
  const form = parseFormula(text)
  if (!form.ok) throw new Error(`The tables of solids hold ${text}.`)
  const { parts, waters } = partsOf(form.value.text)
  const salt = parseFormula(parts.map(part => part.text).join('·'))
  return salt.ok ? { form: form.value, salt: salt.value, components: componentsOf(salt.value), waters } : undefined
}

let made: readonly Sparing[] | undefined
const sparing = (): readonly Sparing[] =>
  (made ??= solubilityProducts.flatMap(([text, product]): Sparing[] => {
    const read = readForm(text)
    return read ? [{ ...read, product }] : []
  }))

interface Double extends Omit<Sparing, 'product'> {
  readonly row: DoubleSalt
}
let doubled: readonly Double[] | undefined
const doubles = (): readonly Double[] =>
  (doubled ??= doubleSalts.flatMap((row): Double[] => {
    const read = readForm(row.form)
    return read ? [{ ...read, row }] : []
  }))

/** A sparingly soluble salt by its formula, with or without water. */
export const findProduct = (salt: Formula): Sparing | undefined =>
  sparing().find(one => one.form.text === salt.text) ?? sparing().find(one => one.salt.text === salt.text)

/** mol of a salt in a kg of water at 25 °C, alone: by its curve, else by its product with activities left out; undefined where neither is known. */
export function ownMolality(salt: Formula): number | undefined {
  const curve = findCurve(salt)?.curve
  const saturation = curve && saturationAt(curve, ROOM)
  if (saturation?.ok) return (saturation.value.grams * 10) / molarMass(curve!.salt)
  const known = findProduct(salt)
  if (!known) return undefined
  const ions = known.components.reduce((sum, { count }) => sum + count, 0)
  const counts = known.components.reduce((product, { count }) => product * count ** count, 1)
  return (known.product / counts) ** (1 / ions)
}

/** The form as which a sparing salt comes from water: the first that the table has of it. */
export const sparingForm = (salt: Formula): Sparing | undefined => sparing().find(one => one.salt.text === salt.text)

/** A double salt that has no curve, with or without water. */
export const findDouble = (salt: Formula): Double | undefined =>
  doubles().find(one => one.form.text === salt.text) ?? doubles().find(one => one.salt.text === salt.text)

/** Solids that are known, their solubility not: soluble ones of the substances table, and double salts by name. */
let nameless: readonly Omit<Sparing, 'product'>[] | undefined
const byNameOnly = (): readonly Omit<Sparing, 'product'>[] =>
  (nameless ??= [
    ...substances.flatMap(({ formula, state, water }) =>
      state === 'solid' && (water === 'soluble' || water === 'slightly') ? [formula] : [],
    ),
    ...doubleSaltsByName,
  ].flatMap(text => {
    const read = readForm(text)
    const isKnown = read && (findCurve(read.salt) ?? findProduct(read.salt) ?? findDouble(read.salt))
    return read && !isKnown && read.components.length > 1 ? [read] : []
  }))

/** Solids that a set of ions can make, whatever the temperature. */
interface Family {
  readonly curves: readonly Curve[]
  readonly sparing: readonly Sparing[]
  readonly doubles: readonly Double[]
  readonly byName: readonly Omit<Sparing, 'product'>[]
}
const families = new Map<string, Family>()
const MOST_FAMILIES = 200

function familyOf(keys: ReadonlySet<string>): Family {
  const name = [...keys].sort().join(' ')
  const before = families.get(name)
  if (before) return before
  const fits = ({ components }: { readonly components: readonly Component[] }): boolean =>
    components.every(({ key }) => keys.has(key))
  const curves = shippedCurves().filter(({ salt }) => fits({ components: componentsOf(salt) }))
  const curved = new Set(curves.map(({ salt }) => salt.text))
  const family = {
    curves,
    sparing: sparing().filter((one, i, all) => {
      const isFirst = all.findIndex(other => other.salt.text === one.salt.text) === i
      return fits(one) && isFirst && !curved.has(one.salt.text)
    }),
    doubles: doubles().filter(one => fits(one) && !curved.has(one.salt.text)),
    byName: byNameOnly().filter(fits),
  }
  if (families.size > MOST_FAMILIES) families.clear()
  families.set(name, family)
  return family
}

export interface Candidates {
  readonly solids: readonly Solid[]
  /** Solids that the ions could make, of which the tables do not know how soluble they are at this temperature. */
  readonly leftOut: readonly Formula[]
}

/**
 * Every solid that a set of ions could make at a temperature, with its limit in the activities of these ions: each hydrate of a curve (the metastable ones drawn on), double salts by their constants, and the sparingly
 * soluble ones by their product at 25 °C. `thinned` is the share of its solubility that a salt keeps beside another solvent.
 */
export function solidsFor(
  keys: ReadonlySet<string>,
  celsius: number,
  own: readonly Curve[] = [],
  ions: Interactions = interactionsOf([...keys], celsius),
  thinned: (components: readonly Component[]) => number = () => 1,
): Candidates {
  const family = familyOf(keys)
  const lowered = ({ components }: Pick<Sparing, 'components'>): number =>
    Math.log(thinned(components)) * components.reduce((sum, { count }) => sum + count, 0)
  const solids: Solid[] = []
  const leftOut: Formula[] = []
  const mine = own.filter(({ salt }) => componentsOf(salt).every(({ key }) => keys.has(key)))
  const known = new Set(mine.map(({ salt }) => salt.text))
  for (const curve of [...mine, ...family.curves.filter(({ salt }) => !known.has(salt.text))]) {
    const branches = branchesAt(curve, celsius)
    const stable = branches.find(({ isStable }) => isStable)
    if (branches.length === 0) leftOut.push(curve.salt)
    const share = thinned(componentsOf(curve.salt))
    solids.push(...branches.map(branch => solidOfBranch(curve, branch, stable, ions, share)))
  }
  for (const double of family.doubles) {
    const logK = doubleLimit(double, celsius, ions)
    if (logK === undefined) leftOut.push(double.form)
    else solids.push({ ...standing(double), logK: logK + lowered(double), alone: undefined, source: 'double' })
  }
  solids.push(
    ...family.sparing
      .filter(({ salt }) => !known.has(salt.text))
      .map((one): Solid => ({
        ...standing(one),
        logK: Math.log(one.product) + lowered(one),
        alone: undefined,
        source: 'product',
      })),
  )
  leftOut.push(...family.byName.filter(({ salt }) => !known.has(salt.text)).map(({ form }) => form))
  return { solids, leftOut }
}

const standing = ({ form, salt, components, waters }: Omit<Sparing, 'product'>): StandingSolid => ({
  form,
  salt,
  components,
  waters,
  molarMass: molarMass(form),
})

const ROOM = 25
/** ln K of a double salt: as known at 25 °C, moved with the temperature as the salts move that its row names; undefined where their curves end. */
function doubleLimit({ row, components, waters }: Double, celsius: number, ions: Interactions): number | undefined {
  const at25 =
    'logK' in row.at25
      ? row.at25.logK * Math.LN10
      : productAlone(components, waters, row.at25.alone, { ...ions, slope: ownIonsSlope() })
  if (celsius === ROOM) return at25
  let moved = at25
  for (const [text, count] of row.movesAs) {
    const [there, here] = [limitOfForm(text, ROOM), limitOfForm(text, celsius)]
    if (there === undefined || here === undefined) return undefined
    moved += count * (here - there)
  }
  return moved
}
const ownIonsSlope = (): number => interactionsOf([], ROOM).slope

/** ln K of one solid of a shipped curve, drawn on where another stands; undefined where that tells nothing. */
function limitOfForm(text: string, celsius: number): number | undefined {
  const curve = shippedCurves().find(({ phases }) => phases.some(({ form }) => form.text === text))
  if (!curve) return undefined
  const branches = branchesAt(curve, celsius)
  const branch = branches.find(({ phase }) => phase.form.text === text)
  const stable = branches.find(({ isStable }) => isStable)
  return branch && solidOfBranch(curve, branch, stable, ownIons(curve.salt, celsius), 1).logK
}

/** How many times as much of a double salt without a curve dissolves at one temperature as at another, alone, by its constant; undefined where that is not known. */
export function doubleRise(salt: Formula, from: number, to: number): number | undefined {
  const double = findDouble(salt)
  const [cold, hot] = [from, to].map(celsius => double && doubleAlone(double, celsius))
  return cold === undefined || hot === undefined ? undefined : hot / cold
}

/** mol of a double salt in a kg of water, alone, by bisection on its product of activities. */
function doubleAlone(double: Double, celsius: number): number | undefined {
  const ions = ownIons(double.salt, celsius)
  const wanted = doubleLimit(double, celsius, ions)
  if (wanted === undefined) return undefined
  let [low, high] = [1e-6, 20]
  for (let i = 0; i < 60; i++) {
    const middle = Math.sqrt(low * high)
    if (productAlone(double.components, double.waters, middle, ions) < wanted) low = middle
    else high = middle
  }
  return low
}

/** The sparing solids among those that ions could make, by their product at 25 °C; salts that have a curve are not among them. */
export const sparingFor = (keys: ReadonlySet<string>): Solid[] =>
  familyOf(keys).sparing.map(one => ({
    ...standing(one),
    logK: Math.log(one.product),
    alone: undefined,
    source: 'product',
  }))
