import { plus, shareOf, withLump, type Lump, type Vessel } from './state'
import { vesselMass } from './volume'

/** The part of all that a vessel holds. */
export const partOfVessel = (vessel: Vessel, share: number): Vessel =>
  share === 1
    ? vessel
    : {
        ...vessel,
        solvents: shareOf(vessel.solvents, share),
        ions: shareOf(vessel.ions, share),
        lumps: vessel.lumps.map(lump => ({ ...lump, moles: lump.moles * share })),
      }

/** Vessels poured together into the first; the temperature is the mean by mass, as if all held heat alike. Nothing has reacted yet. */
export function poured(first: Vessel, more: readonly Vessel[]): Vessel {
  if (more.length === 0) return first
  const all = [first, ...more]
  const masses = all.map(one => vesselMass(one))
  const whole = masses.reduce((sum, mass) => sum + mass, 0)
  const heat = all.reduce((sum, one, i) => sum + one.celsius * (masses[i] ?? 0), 0)
  return {
    celsius: whole > 0 ? heat / whole : first.celsius,
    solvents: more.reduce((map, one) => added(map, one.solvents), first.solvents),
    ions: more.reduce((map, one) => added(map, one.ions), first.ions),
    lumps: more
      .flatMap(({ lumps }) => lumps)
      .reduce<readonly Lump[]>((lumps, { form, moles, is }) => withLump(lumps, form, moles, is), first.lumps),
    estimated: all.some(({ estimated }) => estimated),
  }
}

const added = (to: ReadonlyMap<string, number>, more: ReadonlyMap<string, number>): ReadonlyMap<string, number> =>
  [...more].reduce((map, [key, value]) => plus(map, key, value), to)
