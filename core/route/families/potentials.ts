import { oxidants, reducingAnions } from '#core/reference'
import type { Part } from '../compose'

/** V of an oxidant in acid, by the table. */
const oxidantAt = (of: string): number => oxidants.find(row => row.of === of)!.potential
export const PEROXIDE = oxidantAt('H2O2')
export const NITRIC = oxidantAt('NO3')

/** Closer than this, V, concentrations decide: a factor of ten of one ion is 0.06. */
export const CLEAR = 0.1

/** The halogens, the strongest first, each with the potential at which its anion is oxidised to it, V. */
export const HALOGENS: readonly { readonly element: string; readonly anion: string; readonly potential: number }[] = [
  'Cl',
  'Br',
  'I',
].map(anion => ({
  element: `${anion}2`,
  anion,
  potential: reducingAnions.find(row => row.anion === anion)!.potential,
}))

export const CHLORINE = HALOGENS[0]!.potential
export const halogenOf = ({ text }: Part): string | undefined => HALOGENS.find(({ anion }) => anion === text)?.element
