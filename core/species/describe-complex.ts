import type { Formula } from '#core/formula'
import { readBareComplex, readComplex, type BoundLigand } from './complex'
import { ionsOf } from './ions'
import { partsOf } from './tokens'

/** What a chemist asks of a complex: the metal, its oxidation state, how many sites are taken, and by what. */
export interface ComplexFacts {
  readonly text: string
  readonly charge: number
  readonly metal: string
  readonly oxidationState: number
  readonly coordinationNumber: number
  readonly ligands: readonly BoundLigand[]
}

/** The complexes in a formula; empty where there is none that reads. */
export function describeComplex(formula: Formula): ComplexFacts[] {
  const ions = ionsOf(formula) ?? []
  const charged = ions.flatMap(({ complex, text, charge }): ComplexFacts[] =>
    complex ? [{ text, charge, oxidationState: charge - complex.ligandCharge, ...complex }] : [],
  )
  if (charged.length > 0) return charged
  const [part] = partsOf(formula.text).parts
  const inner = part && /^\[(.*)\]$/.exec(part.text)?.[1]
  const complex = part && (inner === undefined ? readBareComplex(part.text) : readComplex(inner))
  return complex
    ? [{ text: part.text, charge: formula.charge, oxidationState: formula.charge - complex.ligandCharge, ...complex }]
    : []
}
