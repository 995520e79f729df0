import type { Formula } from '#core/formula'
import { burningLigands, explosiveAnions, explosiveCompounds, explosiveSalts } from '#core/reference'
import { ionsOf } from './ions'

/** Why a substance is known to explode; undefined for what the tables do not know as such, which is not the same as safe. */
export function explosiveBy(formula: Formula): string | undefined {
  const compound = explosiveCompounds.find(([text]) => text === formula.text)
  if (compound) return compound[1]
  const ions = ionsOf(formula) ?? []
  const holds = (text: string): boolean => ions.some(ion => ion.text === text)
  const salt = explosiveSalts.find(({ anion, cations }) => holds(anion) && cations.some(holds))
  if (salt) return salt.why
  const burns = ions.some(
    ({ charge, complex }) => charge > 0 && complex?.ligands.some(({ text }) => burningLigands.includes(text)),
  )
  const anion = explosiveAnions.find(holds)
  return burns && anion ? 'such complexes with an oxidising anion explode by rubbing or warmth' : undefined
}
