import type { Reaction, Term } from './equation'

const side = (terms: readonly Term[]): string => terms.map(termText).join(' + ')

export const termText = ({ coefficient, species }: Term): string =>
  `${coefficient === 1 ? '' : `${coefficient} `}${species.formula.text}${species.phase ? `(${species.phase})` : ''}`

/** `2 KMnO4 + 16 HCl → 2 KCl + 2 MnCl2 + 8 H2O + 5 Cl2`; reads back to the same reaction. */
export const printReaction = (reaction: Reaction): string => `${side(reaction.reactants)} → ${side(reaction.products)}`
