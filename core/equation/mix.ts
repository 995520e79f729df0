import type { Reaction, Term } from './equation'

/**
 * Several reactions of the same species run side by side, added up in the shares given, as one with coefficients that need not be
 * whole. A share is of the `wanted` product that the reaction makes, or of its first reactant where it makes none; shares count
 * relative to each other. Terms keep the order of `species`, the texts of the equation's terms.
 */
export function mixReactions(
  parts: readonly { readonly reaction: Reaction; readonly share: number }[],
  wanted: string,
  species: readonly string[],
): Reaction {
  const total = parts.reduce((sum, { share }) => sum + share, 0)
  const net = new Map<string, Term>()
  for (const { reaction, share } of parts) {
    const unit =
      reaction.products.find(term => term.species.formula.text === wanted)?.coefficient ??
      reaction.reactants[0]!.coefficient
    for (const term of [...reaction.reactants, ...reaction.products]) {
      const key = keyOf(term)
      const before = net.get(key)?.coefficient ?? 0
      net.set(key, { species: term.species, coefficient: before + (term.coefficient / unit) * (share / total) })
    }
  }
  const ordered = [...net.values()].sort((a, b) => placeOf(a, species) - placeOf(b, species))
  return {
    reactants: ordered.filter(({ species: one }) => one.side === 'reactant'),
    products: ordered.filter(({ species: one }) => one.side === 'product'),
  }
}

const keyOf = ({ species }: Term): string => `${species.side} ${species.formula.text} ${species.phase ?? ''}`
const placeOf = ({ species }: Term, order: readonly string[]): number => order.indexOf(species.formula.text)
