import type { Formula } from '#core/formula'
import { keptGroups } from '#core/reference'
import { ionsOf, readBareComplex, readComplex, type Complex } from '#core/species'

const groupOf = new Map(keptGroups.flatMap(({ name, of }) => of.map((text): [string, string] => [text, name])))

/** How many of each kept group a formula unit holds: in its ions, in the ligands of its complex ions, or as itself. */
export function groupsIn(formula: Formula): ReadonlyMap<string, number> {
  const found = new Map<string, number>()
  const add = (text: string, count: number): void => {
    const name = groupOf.get(text)
    if (name !== undefined) found.set(name, (found.get(name) ?? 0) + count)
  }
  if (groupOf.has(formula.text)) add(formula.text, 1)
  else
    for (const { text, count, complex } of ionsOf(formula) ?? unchargedComplex(formula)) {
      if (complex) for (const ligand of complex.ligands) add(ligand.text, ligand.count * count)
      else add(text, count)
    }
  return found
}

/** A complex without a charge, with or without its square brackets, as the one ion-like piece that it is. */
function unchargedComplex({ text }: Formula): { text: string; count: number; complex?: Complex }[] {
  const complex = readBareComplex(text) ?? readComplex(/^\[(.*)\]$/.exec(text)?.[1] ?? '')
  return complex ? [{ text, count: 1, complex }] : []
}

/**
 * Sets of groups that may be kept whole together, the largest first and, of as many, those without what changes most readily: with each its counts for every species. A balance that keeps one of these sets is
 * what happens before another that does not.
 */
export function setsToKeep(
  formulas: readonly Formula[],
): readonly (readonly { name: string; counts: readonly number[] }[])[] {
  const counted = formulas.map(groupsIn)
  const present = keptGroups
    .map(({ name }) => ({ name, counts: counted.map(groups => groups.get(name) ?? 0) }))
    .filter(({ counts }) => counts.filter(count => count > 0).length > 1)
    .slice(0, MOST)
  const sets = Array.from({ length: 2 ** present.length - 1 }, (_, i) => present.filter((__, n) => ((i + 1) >> n) & 1))
  return sets.toSorted((a, b) => b.length - a.length || rank(present, a) - rank(present, b))
}
/** No equation that a bench knows holds more kinds of them; each more would double the work. */
const MOST = 6

/** The later in the table what is kept, the later the set. */
const rank = (all: readonly object[], set: readonly object[]): number =>
  set.reduce<number>((sum, one) => sum + 2 ** all.indexOf(one), 0)
