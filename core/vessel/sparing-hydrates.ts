import { molarMass, type Formula } from '#core/formula'
import { findCurve, sparingForm } from '#core/solution'
import { dryOf, standsAs } from './stands-as'
import { formulaOf, plus, WATER, withLump, type Lump, type Vessel } from './state'

const WATER_MOLAR = molarMass(formulaOf('H2O'))

/** The hydrate as which a sparing solid stands in water: that of the tables, or, where they have none, the one that the plan names; undefined where it stands dry. */
export function hydrateOf(dry: Formula, product: Formula): Formula | undefined {
  if (standsAs(dry) !== 'solid') return undefined
  const tabled = findCurve(dry) ? undefined : sparingForm(dry)
  if (tabled && tabled.waters > 0) return tabled.form
  const wanted = dryOf(product)
  return wanted.dry.text === dry.text && wanted.waters > 0 ? product : undefined
}

/** Sparing hydrates as what the equations know: the dry solid, and its water among the water. */
export function withoutTheirWater(vessel: Vessel, product: Formula): Vessel {
  let { solvents } = vessel
  let lumps: readonly Lump[] = []
  for (const { form, moles, is } of vessel.lumps) {
    const { dry, waters } = dryOf(form)
    const isHydrate = waters > 0 && hydrateOf(dry, product)?.text === form.text
    if (isHydrate) solvents = plus(solvents, WATER, waters * moles * WATER_MOLAR)
    lumps = withLump(lumps, isHydrate ? dry : form, moles, is)
  }
  return { ...vessel, lumps, solvents }
}

/** What was thrown down, or stands undissolved, takes the water of its hydrate as far as there is some. */
export function asHydrates(vessel: Vessel, product: Formula): Vessel {
  let { solvents } = vessel
  let lumps: readonly Lump[] = []
  for (const lump of vessel.lumps) {
    const hydrate = dryOf(lump.form).waters === 0 ? hydrateOf(lump.form, product) : undefined
    const wanted = hydrate ? dryOf(hydrate).waters * lump.moles * WATER_MOLAR : 0
    const share = wanted > 0 ? Math.min(1, (solvents.get(WATER) ?? 0) / wanted) : 0
    if (hydrate && share > 0) {
      lumps = withLump(lumps, hydrate, lump.moles * share, lump.is)
      solvents = plus(solvents, WATER, -wanted * share)
    }
    lumps = withLump(lumps, lump.form, lump.moles * (1 - share), lump.is)
  }
  return { ...vessel, lumps, solvents }
}
