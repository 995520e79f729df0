import { chargeText, molarMass, type Formula } from '#core/formula'
import { acidIons, permittivities, type Cosolvent } from '#core/reference'
import { ionsOf } from '#core/species'
import {
  explainSolubility,
  findCurve,
  findDouble,
  findProduct,
  restOf,
  type Curve,
  type PotState,
  type Solute,
  type Spirit,
} from '#core/solution'
import { dissolvedParts, dryOf, standsAs, yieldsToWater } from './stands-as'
import { formulaOf, plus, WATER, withLump, type Lump, type Vessel } from './state'

const WATER_MOLAR = molarMass(formulaOf('H2O'))

export interface AtRest {
  readonly vessel: Vessel
  /** Why what stands is not told; none where it is. */
  readonly unknown?: string
  /** The liquor is stronger than the model’s parameters reach: what stands is a guess. */
  readonly isBeyond?: true
}

/**
 * Lets the soluble salts of a vessel come to rest at its temperature: crystals stand or dissolve, as the tables and the model of the pot say. What was thrown down stays, but for what
 * water takes a part of that counts. `named` are the salts that the plan speaks of. Where the product has no curve, or the tables end, nothing moves, and why is said; without water nothing moves either.
 */
export function atRest(
  vessel: Vessel,
  named: readonly Formula[],
  own: readonly Curve[] = [],
  product?: Formula,
): AtRest {
  const pool = pooled(vessel)
  const other = notModelled(vessel)
  if (other !== undefined) return { vessel, unknown: other }
  if (!((vessel.solvents.get(WATER) ?? 0) > 0)) return { vessel }
  const unknown = product && unknownSalt(pool.ions, product, own)
  if (unknown !== undefined) return { vessel: asBefore(vessel, pool), unknown }
  const pot = potOf(vessel, named, own)
  if (!pot) return { vessel: asBefore(vessel, pool) }
  const rest = restOf(pot, own)
  if (!rest.ok) return { vessel: asBefore(vessel, pool), unknown: explainSolubility(rest.problem).why }
  if (rest.value.isUnsettled)
    return {
      vessel: asBefore(vessel, pool),
      unknown:
        'The liquor is further from what the model was fitted to than it can answer for: what stands is not told.',
    }
  if (product && isNamed(product, rest.value.leftOut))
    return {
      vessel: asBefore(vessel, pool),
      unknown: `The solubility of ${dryOf(product).dry.text} is not known at ${Math.round(vessel.celsius)} °C.`,
    }
  let { lumps }: Pool = pooled(vessel, yieldingOf(named))
  for (const { solid, amount } of rest.value.solids)
    lumps = withLump(lumps, solid.form, amount, yieldsToWater(solid.salt) ? 'thrown down' : 'crystals')
  const ions = acidIonsApart(new Map([...rest.value.dissolved].filter(([, moles]) => moles > 0)))
  return {
    ...(rest.value.doubts?.isBeyond && { isBeyond: true }),
    vessel: {
      ...vessel,
      ions,
      lumps,
      solvents: new Map([...vessel.solvents, [WATER, rest.value.freeWater]]),
      estimated: vessel.estimated || rest.value.estimated,
    },
  }
}

/** The soluble salts of a vessel, dissolved and standing, as the model of a pot takes them; undefined where none of the named has a curve. */
export function potOf(vessel: Vessel, named: readonly Formula[], own: readonly Curve[] = []): PotState | undefined {
  const pool = pooled(vessel, yieldingOf(named))
  const solutes = named.flatMap((salt): Solute[] => {
    const parts = dissolvedParts(salt)
    if (!parts.every(({ key }) => (pool.ions.get(key) ?? 0) > 0)) return []
    const curve = findCurve(salt, own)?.curve
    // A strong acid is counted as its ions here, and whole by its table: what stands of it is not told.
    if (parts.length < 2 && parts[0]?.key !== curve?.salt.text) return []
    if (curve) return [{ salt: curve.salt, curve }]
    const { dry } = dryOf(salt)
    const known = findDouble(dry) ?? (yieldsToWater(dry) ? findProduct(dry) : undefined)
    return known ? [{ salt: known.salt, curve: undefined }] : []
  })
  if (solutes.length === 0) return undefined
  const spirit = spiritIn(vessel)
  return {
    celsius: vessel.celsius,
    water: pool.water,
    totals: acidIonsJoined(pool.ions, solutes),
    solutes: distinct(solutes),
    ...(spirit && { spirit }),
  }
}

const isCosolvent = (name: string): name is Cosolvent => name in permittivities
/** Less of another solvent than this share of the water does nothing that the model could tell; a judgement. */
const NOTHING = 1e-6
const beside = ({ solvents }: Vessel): [string, number][] =>
  [...solvents].filter(([name, grams]) => name !== WATER && grams > NOTHING * (solvents.get(WATER) ?? 0))

/** The alcohol or acetone beside the water. */
function spiritIn(vessel: Vessel): Spirit | undefined {
  const found = beside(vessel).find(([name]) => isCosolvent(name))
  return found && isCosolvent(found[0]) ? { is: found[0], grams: found[1] } : undefined
}

/** Why nothing is told of crystals in this mixture of solvents; undefined where it is water, alone or with one alcohol or acetone. */
function notModelled(vessel: Vessel): string | undefined {
  const others = beside(vessel).map(([name]) => name)
  if (!((vessel.solvents.get(WATER) ?? 0) > 0) || others.length === 0) return undefined
  if (others.length === 1 && others.every(isCosolvent)) return undefined
  return `What dissolves in water with ${others.join(' and ')} is not modelled.`
}

/** Ions as an acid salt counts them: where one of the salts holds an acid ion, its parts are joined as far as they reach. */
function acidIonsJoined(ions: ReadonlyMap<string, number>, solutes: readonly Solute[]): ReadonlyMap<string, number> {
  let joined = ions
  for (const { ion, parts } of acidIons) {
    if (!solutes.some(({ salt }) => saltIons(salt).includes(ion))) continue
    const least = Math.min(...parts.map(part => ions.get(part) ?? 0))
    for (const part of parts) joined = plus(joined, part, -least)
    joined = plus(joined, ion, least)
  }
  return joined
}
const saltIons = (salt: Formula): string[] => (ionsOf(salt) ?? []).map(({ text, charge }) => text + chargeText(charge))

/** The vessel counts an acid ion as its parts. */
function acidIonsApart(ions: ReadonlyMap<string, number>): ReadonlyMap<string, number> {
  let apart = ions
  for (const { ion, parts } of acidIons) {
    const moles = ions.get(ion) ?? 0
    if (moles === 0) continue
    for (const part of parts) apart = plus(apart, part, moles)
    apart = plus(apart, ion, -moles)
  }
  return apart
}

/** The vessel with all that can dissolve in its liquor, crystals too, as if there were water enough. */
export function allDissolved(vessel: Vessel): Vessel {
  const { ions, lumps, water } = pooled(vessel)
  return { ...vessel, ions, lumps, solvents: new Map([...vessel.solvents, [WATER, water]]) }
}

interface Pool {
  readonly ions: ReadonlyMap<string, number>
  readonly lumps: readonly Lump[]
  readonly water: number
}

/** Of the salts that the plan speaks of those that water takes a part of, though they come down as they are made. */
const yieldingOf = (named: readonly Formula[]): ReadonlySet<string> =>
  new Set(named.flatMap(salt => (yieldsToWater(dryOf(salt).dry) ? [dryOf(salt).dry.text] : [])))

/** Soluble solids given back to the liquor, with their water; of what was thrown down those that are `yielding`. */
function pooled({ ions, lumps, solvents }: Vessel, yielding: ReadonlySet<string> = new Set()): Pool {
  let pool = ions
  let water = solvents.get(WATER) ?? 0
  const kept: Lump[] = []
  for (const lump of lumps) {
    const { dry, waters } = dryOf(lump.form)
    const isDown = lump.is === 'thrown down'
    if (isDown ? !yielding.has(dry.text) : standsAs(dry) === 'solid') {
      kept.push(lump)
      continue
    }
    for (const { key, count } of dissolvedParts(dry)) pool = plus(pool, key, count * lump.moles)
    water += waters * lump.moles * WATER_MOLAR
  }
  return { ions: pool, lumps: kept, water }
}

/** Nothing is known of how much stands: all that can dissolve is told as dissolved. */
const asBefore = (vessel: Vessel, pool: Pool): Vessel => ({
  ...vessel,
  ions: pool.ions,
  lumps: pool.lumps,
  solvents: new Map([...vessel.solvents, [WATER, pool.water]]),
})

/** Why it is not known how much of the product stands: its ions are there, and no table has its solubility. */
function unknownSalt(ions: ReadonlyMap<string, number>, product: Formula, own: readonly Curve[]): string | undefined {
  const { dry } = dryOf(product)
  const isKnown = findCurve(dry, own) ?? findCurve(product, own) ?? findDouble(dry)
  if (standsAs(dry) !== 'dissolved' || isKnown) return undefined
  return dissolvedParts(dry).every(({ key }) => (ions.get(key) ?? 0) > 0)
    ? `The solubility of ${dry.text} is not in the tables.`
    : undefined
}

const isNamed = (product: Formula, salts: readonly string[]): boolean =>
  salts.some(salt => dryOf(formulaOf(salt)).dry.text === dryOf(product).dry.text)

const distinct = (solutes: readonly Solute[]): Solute[] =>
  solutes.filter(({ salt }, i) => solutes.findIndex(other => other.salt.text === salt.text) === i)
