import type { Reaction } from '#core/equation'
import { chargeText, molarMass, type Formula } from '#core/formula'
import { oxidisingAnions, protonAcceptors, protonDonors, type AcceptorRow } from '#core/reference'
import { findProduct, throwDown } from '#core/solution'
import { ionsOf } from '#core/species'
import { baseOf, metalOf, neutralises, type Protons } from './protons'
import { dissolvedParts, dryOf, isGasAlone, standsAs } from './stands-as'
import {
  formulaOf,
  plus,
  portionOf,
  TRACE,
  WATER,
  withLump,
  type Lump,
  type Portion,
  type SolidKind,
  type Vessel,
} from './state'

const WATER_MOLAR = molarMass(formulaOf('H2O'))

/** A stage's equation as what it changes: ions and molecules in solution, solids, water, and gases that come off. */
export interface Net {
  readonly ions: ReadonlyMap<string, number>
  readonly solids: ReadonlyMap<string, number>
  readonly water: number
  readonly gases: ReadonlyMap<string, number>
}

/** The net ionic form of an equation: what stands on both sides falls out. `isDry` where there is no water: every species stands for itself. */
export function netOf(reaction: Reaction, isDry = false): Net {
  let ions = new Map<string, number>()
  let solids = new Map<string, number>()
  let gases = new Map<string, number>()
  let water = 0
  for (const [terms, sign] of [
    [reaction.reactants, -1],
    [reaction.products, 1],
  ] as const)
    for (const { coefficient, species } of terms) {
      const { dry, waters } = dryOf(species.formula)
      const by = sign * coefficient
      if (dry.text === 'H2O') {
        if (isDry && sign > 0) gases = plus(gases, dry.text, by)
        else water += by
        continue
      }
      if (!isDry) water += by * waters
      const standing = isDry ? (isGasAlone(dry) ? 'gas' : 'solid') : standsAs(dry)
      if (standing === 'gas' && sign > 0) gases = plus(gases, dry.text, by)
      else if (standing === 'solid') solids = plus(solids, (isDry ? species.formula : dry).text, by)
      else if (standing === 'gas') ions = plus(ions, dry.text, by)
      else for (const { key, count } of dissolvedParts(dry)) ions = plus(ions, key, by * count)
    }
  return { ions, solids, water, gases }
}

export interface Met {
  readonly vessel: Vessel
  readonly gases: readonly Portion[]
  /** How far the stage's own equation went, moles of it. */
  readonly extent: number
}

const lumpMoles = (lumps: readonly Lump[], text: string): number =>
  lumps.filter(({ form }) => form.text === text).reduce((sum, { moles }) => sum + moles, 0)

/** Lets a net reaction run to what limits it. What comes as a solid is thrown down. */
export function react(vessel: Vessel, net: Net, product: SolidKind = 'thrown down'): Met {
  const limits = [
    ...[...net.ions].filter(([, by]) => by < 0).map(([key, by]) => (vessel.ions.get(key) ?? 0) / -by),
    ...[...net.solids].filter(([, by]) => by < 0).map(([text, by]) => lumpMoles(vessel.lumps, text) / -by),
    ...(net.water < 0 ? [(vessel.solvents.get(WATER) ?? 0) / WATER_MOLAR / -net.water] : []),
  ]
  const extent = limits.length > 0 ? Math.max(0, Math.min(...limits)) : 0
  if (extent <= TRACE) return { vessel, gases: [], extent: 0 }
  let { ions, lumps, solvents } = vessel
  for (const [key, by] of net.ions) ions = plus(ions, key, by * extent)
  for (const [text, by] of net.solids)
    lumps = by > 0 ? withLump(lumps, formulaOf(text), by * extent, product) : without(lumps, text, -by * extent)
  if (net.water !== 0) solvents = plus(solvents, WATER, net.water * extent * WATER_MOLAR)
  const gases = [...net.gases].map(([text, by]) => portionOf(formulaOf(text), by * extent))
  return { vessel: { ...vessel, ions, lumps, solvents }, gases, extent }
}

/** Takes moles of a form out of the lumps, whatever they are. */
function without(lumps: readonly Lump[], text: string, moles: number): Lump[] {
  let left = moles
  return lumps
    .map(one => {
      if (one.form.text !== text || left <= 0) return one
      const taken = Math.min(one.moles, left)
      left -= taken
      return { ...one, moles: one.moles - taken }
    })
    .filter(one => one.moles > TRACE)
}

interface Donor {
  readonly key: string
  readonly acid: Protons
  /** What is left of the molecule or ion. */
  readonly leaves?: string
}
interface Acceptor {
  readonly base: Protons
  readonly ion?: { readonly key: string; readonly row: AcceptorRow }
  readonly lump?: Lump
}

/** Protons in water go to whatever is there: hydronium itself is no weaker than this. */
const HYDRONIUM: Protons = { count: 1, pKa: -1.7 }

function donorsIn(ions: Vessel['ions']): Donor[] {
  return [...ions.keys()].flatMap((key): Donor[] => {
    if (key === 'H^+') return [{ key, acid: HYDRONIUM }]
    const row = protonDonors.find(one => one.of + chargeText(one.charge) === key)
    return row
      ? [{ key, acid: { count: row.gives, pKa: row.pKa }, leaves: row.leaves + chargeText(row.leavesCharge) }]
      : []
  })
}
function acceptorsIn({ ions, lumps }: Vessel, kept: ReadonlySet<string>): Acceptor[] {
  const dissolved = [...ions.keys()].flatMap((key): Acceptor[] => {
    const row = protonAcceptors.find(one => one.of + chargeText(one.charge) === key)
    return row ? [{ base: { count: row.takes, pKa: row.pKa }, ion: { key, row } }] : []
  })
  const solid = lumps.flatMap((lump): Acceptor[] => {
    const isFree = isBasic(lump.form) && !kept.has(lump.form.text)
    const base = isFree ? baseOf(lump.form) : undefined
    return base ? [{ base, lump }] : []
  })
  return [...dissolved, ...solid]
}

/**
 * What a solid’s solubility product and the protons that its anions take from an acid must come to for the acid to dissolve it, as a power of ten; a judgement: zinc sulfide in strong acid, −5, goes, and in acetic acid, −14,
 * does not; struvite goes in acetic acid, −5, and not in ammonium, −9.
 */
const YIELDS = -6
function yieldsTo(solid: Formula, { pKa }: Protons): boolean {
  const product = findProduct(solid)
  if (!product) return true
  const protons = product.components.reduce((sum, { key, count }) => {
    const row = protonAcceptors.find(one => one.of + chargeText(one.charge) === key)
    const each = (row?.steps ?? []).reduce((all, step) => all + Math.max(0, step - Math.max(0, pKa)), 0)
    return sum + count * each
  }, 0)
  return Math.log10(product.product) + protons > YIELDS
}

/** Oxides of metals with one or two charges are bases that acids take; those of more are acids, amphoteric or inert (texts of inorganic chemistry, from memory). */
const isBasic = (solid: Formula): boolean => {
  const ions = ionsOf(solid) ?? []
  return !ions.some(({ text }) => text === 'O') || ions.every(({ charge }) => charge <= 2)
}

/**
 * Acids and bases use each other up, the strongest of both first; `only` keeps it to hydronium and hydroxide. Solids that are `kept` wait for the stage’s equation, and so does a pair of ions of which both are `taken` by it
 * (ammonium and phosphate, where they come down together).
 */
export function neutralised(
  vessel: Vessel,
  only?: 'strong',
  kept: ReadonlySet<string> = new Set(),
  taken: ReadonlySet<string> = new Set(),
): Met {
  let now = vessel
  const gases: Portion[] = []
  for (let round = 0; round < 40; round++) {
    const donors = donorsIn(now.ions).toSorted((a, b) => a.acid.pKa - b.acid.pKa)
    const acceptors = acceptorsIn(now, kept).toSorted((a, b) => b.base.pKa - a.base.pKa)
    const pair = firstPair(donors, acceptors, taken)
    if (!pair) break
    const { donor, acceptor } = pair
    if (only && (donor.key !== 'H^+' || acceptor.ion?.key !== 'OH^-')) break
    const protons = Math.min(
      (now.ions.get(donor.key) ?? 0) * donor.acid.count,
      (acceptor.ion ? (now.ions.get(acceptor.ion.key) ?? 0) : (acceptor.lump?.moles ?? 0)) * acceptor.base.count,
    )
    if (protons <= TRACE) break
    now = given(now, donor, protons)
    const met = accepted(now, acceptor, protons / acceptor.base.count)
    now = met.vessel
    gases.push(...met.gases)
  }
  return { vessel: now, gases, extent: 0 }
}

/** The strongest base with the strongest acid that gives to it. */
function firstPair(
  donors: readonly Donor[],
  acceptors: readonly Acceptor[],
  taken: ReadonlySet<string>,
): { readonly donor: Donor; readonly acceptor: Acceptor } | undefined {
  for (const acceptor of acceptors) {
    const waits = (donor: Donor): boolean =>
      acceptor.ion !== undefined && taken.has(acceptor.ion.key) && taken.has(donor.key)
    const holds = (donor: Donor): boolean => acceptor.lump !== undefined && !yieldsTo(acceptor.lump.form, donor.acid)
    const donor = donors.find(one => neutralises(one.acid, acceptor.base) && !waits(one) && !holds(one))
    if (donor) return { donor, acceptor }
  }
  return undefined
}

function given(vessel: Vessel, { key, acid, leaves }: Donor, protons: number): Vessel {
  const moles = protons / acid.count
  const ions = plus(vessel.ions, key, -moles)
  return { ...vessel, ions: leaves ? plus(ions, leaves, moles) : ions }
}

function accepted(vessel: Vessel, { ion, lump }: Acceptor, moles: number): Met {
  if (ion) return became({ ...vessel, ions: plus(vessel.ions, ion.key, -moles) }, ion.row, moles)
  if (!lump) return { vessel, gases: [], extent: 0 }
  let now: Vessel = { ...vessel, lumps: without(vessel.lumps, lump.form.text, moles) }
  const { dry, waters } = dryOf(lump.form)
  if (waters > 0) now = { ...now, solvents: plus(now.solvents, WATER, waters * moles * WATER_MOLAR) }
  const gases: Portion[] = []
  for (const { text, charge, count } of ionsOf(dry) ?? []) {
    const row = protonAcceptors.find(one => one.of === text && one.charge === charge)
    if (!row) {
      now = { ...now, ions: plus(now.ions, text + chargeText(charge), count * moles) }
      continue
    }
    const met = became(now, row, count * moles)
    now = met.vessel
    gases.push(...met.gases)
  }
  return { vessel: now, gases, extent: 0 }
}

function became(vessel: Vessel, { becomes }: AcceptorRow, moles: number): Met {
  let { ions, solvents } = vessel
  const gases: Portion[] = []
  for (const { text, charge, count, gas } of becomes) {
    if (gas) gases.push(portionOf(formulaOf(text), count * moles))
    else if (text === 'H2O') solvents = plus(solvents, WATER, count * moles * WATER_MOLAR)
    else ions = plus(ions, text + chargeText(charge), count * moles)
  }
  return { vessel: { ...vessel, ions, solvents }, gases, extent: 0 }
}

/** Metals that stand in acid dissolve with hydrogen, the least noble first; not where an acid is there that oxidises them by itself. */
export function dissolvedMetals(vessel: Vessel): Met {
  let now = vessel
  const gases: Portion[] = []
  if (
    oxidisingAnions.some(anion =>
      [...vessel.ions.keys()].some(key => formulaOf(key).charge < 0 && key.startsWith(`${anion}^`)),
    )
  )
    return { vessel, gases, extent: 0 }
  const standing = vessel.lumps.flatMap(({ form }) => metalOf(form) ?? []).toSorted((a, b) => a.potential - b.potential)
  for (const { metal, charge } of standing) {
    const moles = Math.min(lumpMoles(now.lumps, metal), (now.ions.get('H^+') ?? 0) / charge)
    if (moles <= TRACE) continue
    const ions = plus(plus(now.ions, 'H^+', -charge * moles), metal + chargeText(charge), moles)
    now = { ...now, ions, lumps: without(now.lumps, metal, moles) }
    gases.push(portionOf(formulaOf('H2'), (charge * moles) / 2))
  }
  return { vessel: now, gases, extent: 0 }
}

/** Ions that together pass the solubility product of a sparing solid come down, to that product at 25 °C, all such solids beside each other. */
export function thrownDown(vessel: Vessel): Vessel {
  const down = throwDown(vessel.ions, vessel.solvents.get(WATER) ?? 0, vessel.celsius)
  if (!down) return vessel
  let { ions, lumps } = vessel
  let water = 0
  for (const [key, moles] of down.dissolved) ions = plus(ions, key, moles - (ions.get(key) ?? 0))
  for (const { solid, amount } of down.solids) {
    lumps = withLump(lumps, solid.form, amount, 'thrown down')
    water += solid.waters * amount * WATER_MOLAR
  }
  return { ...vessel, ions, lumps, solvents: plus(vessel.solvents, WATER, -water) }
}

/** A gas that water does not hold leaves it. */
function escaped(vessel: Vessel): { vessel: Vessel; gases: Portion[] } {
  let { ions } = vessel
  const gases: Portion[] = []
  for (const [key, moles] of vessel.ions) {
    const formula = formulaOf(key)
    if (formula.charge !== 0 || standsAs(formula) !== 'gas') continue
    ions = plus(ions, key, -moles)
    gases.push(portionOf(formula, moles))
  }
  return { vessel: { ...vessel, ions }, gases }
}

/**
 * What happens at contact, until nothing changes: strong acid with strong base, the stage's equation to what limits it, weaker acids and bases by their strength, what is
 * sparingly soluble comes down, gases leave.
 */
export function contact(vessel: Vessel, net: Net | undefined): Met {
  let now = vessel
  let extent = 0
  const kept = net ? keptFor(net) : new Set<string>()
  const taken = new Set([...(net?.ions ?? [])].filter(([, by]) => by < 0).map(([key]) => key))
  const gases: Portion[] = []
  const take = (met: { vessel: Vessel; gases: readonly Portion[]; extent?: number }): number => {
    now = met.vessel
    gases.push(...met.gases)
    extent += met.extent ?? 0
    return (met.extent ?? 0) + met.gases.length
  }
  for (let round = 0; round < 12; round++) {
    const before = now
    take(neutralised(now, 'strong'))
    if (net) take(react(now, net))
    take(neutralised(now, undefined, kept, taken))
    if (net) take(react(now, net))
    take(dissolvedMetals(now))
    now = thrownDown(now)
    if (sameMatter(before, now)) break
  }
  take(escaped(now))
  return { vessel: now, gases, extent }
}

/** Solids that the stage's own equation dissolves in acid wait for it: acid alone would make something else of them. */
function keptFor({ ions, solids }: Net): ReadonlySet<string> {
  const takesAcid = donorsIn(ions).some(({ key }) => (ions.get(key) ?? 0) < 0)
  return new Set(takesAcid ? [...solids].filter(([, by]) => by < 0).map(([text]) => text) : [])
}

function sameMatter(a: Vessel, b: Vessel): boolean {
  const moved = [...new Set([...a.ions.keys(), ...b.ions.keys()])].some(
    key => Math.abs((a.ions.get(key) ?? 0) - (b.ions.get(key) ?? 0)) > 1e-11,
  )
  return !moved && a.lumps.length === b.lumps.length
}
