import {
  aquaAcids,
  complexCouples,
  complexIons,
  coveredMetals,
  inertOxides,
  ionCouples,
  ligands,
  metalsInAcid,
  nobleMetals,
  oxoCations,
  oxidisingAnions,
  passiveIn,
  protonDonors,
  reducingAnions,
  slowOxides,
} from '#core/reference'
import type { Part } from './compose'
import type { Stuff } from './stuff'

/** A simple salt, oxide or hydroxide: one kind of cation and one of anion, none of them a complex. */
export function simple({ cations, anions }: Stuff): { readonly metal: Part; readonly anion: Part } | undefined {
  const [metal, otherMetal] = cations
  const [anion, otherAnion] = anions
  return metal && anion && !otherMetal && !otherAnion && !metal.complex && !anion.complex ? { metal, anion } : undefined
}

/** The metal in an oxo cation, with its state: vanadium in its state 4 of VO. Another cation is itself. */
export function underOxo(cation: Part): Part {
  const row = oxoCations.find(({ ion }) => ion === cation.text)
  return row ? { text: row.metal, charge: row.charge } : cation
}

export const isMetal = (stuff: Stuff): boolean =>
  stuff.elements.size === 1 && stuff.row?.state !== 'gas' && potentialOf(stuff.text) !== undefined

/** V of a metal against its ion, the lowest state that acid or an oxidant makes of it; undefined where the tables have none. */
export const potentialOf = (metal: string, charge?: number): number | undefined =>
  metalsInAcid.find(row => row.metal === metal && (charge === undefined || row.charge === charge))?.potential ??
  nobleMetals.find(row => row.metal === metal && (charge === undefined || row.charge === charge))?.potential ??
  coveredMetals.find(row => row.metal === metal && (charge === undefined || row.charge === charge))?.potential

export const volts = (potential: number): string => `${potential < 0 ? '−' : '+'}${Math.abs(potential).toFixed(2)} V`

/** V at which an ion of a metal goes from the state below to this one. */
export const coupleOf = (
  metal: string,
  upper: number,
): { readonly potential: number; readonly lower: number } | undefined =>
  ionCouples.find(row => row.metal === metal && row.upper === upper && row.with === undefined)

/** V at which this ion is oxidised to the next state; undefined where the tables know of none. */
export const oxidisedAt = ({ text, charge }: Part): number | undefined =>
  ionCouples.find(row => row.metal === text && row.lower === charge && row.with === undefined)?.potential

export const isOxidising = ({ text }: Part): boolean => oxidisingAnions.includes(text)
export const reducingAt = ({ text }: Part): number | undefined =>
  reducingAnions.find(row => row.anion === text)?.potential

export const aquaAcidity = ({ text, charge }: Part): number =>
  aquaAcids.find(row => row.ion === text && row.charge === charge)?.pKa ?? NO_ACID
const NO_ACID = 12

export const pKaOf = (acid: Stuff): number =>
  protonDonors.find(row => row.charge === 0 && row.of === acid.text)?.pKa ?? 5

export const isCovered = (metal: string): boolean => coveredMetals.some(row => row.metal === metal)

export const passivity = (metal: string, acid: string): string | undefined =>
  passiveIn.find(row => row.metal === metal && row.acid === acid)?.why

export const isSlow = ({ text }: Stuff): boolean => slowOxides.includes(text)
export const isInert = ({ text }: Stuff): boolean => inertOxides.includes(text)

/** Soluble enough to be in the liquor: not one that stays a solid. */
export const dissolves = ({ standing }: Stuff): boolean => standing === 'dissolved'
/** Comes down from water: sparing, or so little soluble that most of it falls. */
export const fallsFromWater = (stuff: Stuff): boolean => stuff.standing === 'solid' || stuff.row?.water === 'slightly'

const canonical = new Map(
  ligands.flatMap(({ abbreviation, formula }): [string, string][] => {
    const name = [abbreviation, formula].find(one => complexIons.some(row => row.ligand === one))
    return name
      ? [
          [abbreviation, name],
          [formula, name],
        ]
      : []
  }),
)
/** A ligand as the table of complex ions calls it, whichever way it was written. */
export const ligandKey = (text: string): string => canonical.get(text) ?? text

/** What is known of a metal ion with a ligand; water is always held. */
export const heldBy = (metal: string, charge: number, ligand: string): (typeof complexIons)[number] | undefined =>
  complexIons.find(row => row.metal === metal && row.charge === charge && row.ligand === ligandKey(ligand))

/** V of the couple of a metal while a ligand holds it, or of its aqua ions where the ligand changes nothing that is known. */
export function coupleWith(metal: string, upper: number, held: readonly string[]): number | undefined {
  const rows = complexCouples.filter(
    row => row.metal === metal && row.upper === upper && held.some(text => ligandKey(text) === row.ligand),
  )
  return rows.length > 0 ? Math.min(...rows.map(row => row.potential)) : coupleOf(metal, upper)?.potential
}
