import type { Formula } from '#core/formula'
import type { Span } from '#core/problem'

export type Phase = 's' | 'l' | 'g' | 'aq'
export type Side = 'reactant' | 'product'

/** One term of an equation; an electron has no formula's atoms but a charge. */
export interface Species {
  readonly formula: Formula
  readonly phase?: Phase
  readonly side: Side
  readonly span: Span
}

/** An equation as read, not yet balanced. Coefficients that were typed are not kept. */
export interface Equation {
  readonly species: readonly Species[]
  readonly text: string
}

export interface Term {
  readonly species: Species
  readonly coefficient: number
}

/** A balanced equation with the smallest whole coefficients, terms in the order they were typed. */
export interface Reaction {
  readonly reactants: readonly Term[]
  readonly products: readonly Term[]
}
