import { acidOf, saltOf, USUAL_ANIONS, USUAL_CATIONS, type Part } from '../compose'
import { dissolves } from '../properties'
import type { Stuff } from '../stuff'

export const isOf = (part: Part, text: string): boolean => part.text === text

export const ALKALI = ['Li', 'Na', 'K', 'Rb', 'Cs', 'NH4']

export const isAlkali = ({ text }: Part): boolean => ALKALI.includes(text)

export const isAlkaliSalt = ({ cations }: Stuff): boolean => cations.length > 0 && cations.every(isAlkali)

/** Salts of a metal in a state that dissolve, and that a bench has it as. */
export const solubleSaltsOf = (metal: Part, but?: string): Stuff[] =>
  USUAL_ANIONS.filter(anion => !isOf(anion, but ?? '')).flatMap(anion => {
    const salt = saltOf(metal, anion)
    return salt.row && dissolves(salt) ? [salt] : []
  })

/** What a metal is had as in solution: its salts, and of what is given a double salt too, whose other half stays in the liquor. */
export interface Source {
  readonly salt: Stuff
  readonly anion: Part
  readonly beside: readonly string[]
}

export const sourcesOf = (metal: Part, from: readonly Stuff[], but?: string): Source[] => [
  ...solubleSaltsOf(metal, but).map(salt => ({ salt, anion: salt.anions[0]!, beside: [] })),
  ...from.flatMap((salt): Source[] => {
    const [anion] = salt.anions
    const other = salt.cations.find(one => one.text !== metal.text)
    const holds = salt.cations.some(one => one.text === metal.text && one.charge === metal.charge)
    return holds &&
      other &&
      anion &&
      salt.cations.length === 2 &&
      salt.anions.length === 1 &&
      dissolves(salt) &&
      anion.text !== but
      ? [{ salt, anion, beside: [saltOf(other, anion).text] }]
      : []
  }),
]

/** Ions of the target as its own two, where either may be a complex. */
export function twoIons({ cations, anions }: Stuff): { metal: Part; anion: Part } | undefined {
  return cations.length === 1 && anions.length === 1 ? { metal: cations[0]!, anion: anions[0]! } : undefined
}

export const carriesAnion = (anion: Part): Stuff[] => {
  const acid = acidOf(anion)
  return [
    ...USUAL_CATIONS.map(cation => saltOf(cation, anion)).filter(one => one.row && dissolves(one)),
    ...(acid ? [acid] : []),
  ]
}

/** What the anion that is left makes with the cation, or the protons, of the carrier; undefined where there is none. */
export function exchanged(left: Part, carrier: Stuff, metal: Part): Stuff | undefined {
  if (carrier.cations.length === 0 || carrier.cations.every(({ text }) => text === 'H')) return acidOf(left)
  const cation = carrier.cations.find(one => one.text !== metal.text)
  return cation ? saltOf(cation, left) : undefined
}
