import { balance } from './balance'
import { parseEquation } from './parse'
import { printReaction } from './print'

/** What is left out of an equation most often: the solvent, an acid or base, the gas. */
const USUAL = ['H2O', 'O2', 'CO2', 'H2', 'NH3', 'HCl', 'H2SO4', 'HNO3', 'NaOH', 'SO2', 'NO', 'NO2', 'Cl2'] as const
/** An oxidant that nobody typed makes nearly anything balance, by burning it: it is guessed alone or not at all. */
const BURNS: ReadonlySet<string> = new Set(['O2', 'Cl2'])
const IONIC = ['H^+', 'OH^-', 'e^-'] as const
const MOST = 4

/**
 * Balanced equations that the species typed would make with one or two of the usual partners added (water, acid, base, a gas);
 * only such as balance in one way. Empty where the equation does not read, or balances by itself.
 */
export function suggestMissing(text: string): string[] {
  const read = parseEquation(text)
  if (!read.ok || balance(read.value).ok) return []
  const typed = new Set(read.value.species.map(({ formula }) => formula.text))
  const side = (wanted: 'reactant' | 'product'): string =>
    read.value.species
      .filter(one => one.side === wanted)
      .map(({ formula, phase }) => formula.text + (phase ? `(${phase})` : ''))
      .join(' + ')
  const left = side('reactant')
  const right = side('product')
  const ionic = read.value.species.some(({ formula }) => formula.charge !== 0)
  const partners = [...(ionic ? IONIC : []), ...USUAL].filter(partner => !typed.has(partner))
  const additions = partners.flatMap(partner => [
    { partner, left: ` + ${partner}`, right: '' },
    { partner, left: '', right: ` + ${partner}` },
  ])
  const tried = (extra: readonly (typeof additions)[number][]): string | undefined => {
    const equation = parseEquation(
      `${left}${extra.map(one => one.left).join('')} -> ${right}${extra.map(one => one.right).join('')}`,
    )
    const balanced = equation.ok ? balance(equation.value) : undefined
    return balanced?.ok && balanced.value.unique ? printReaction(balanced.value.reaction) : undefined
  }

  const found = additions.flatMap(one => tried([one]) ?? [])
  for (let i = 0; i < additions.length && found.length < MOST; i++) {
    for (let j = i + 1; j < additions.length && found.length < MOST; j++) {
      if (additions[i]!.partner === additions[j]!.partner) continue
      if ([additions[i]!, additions[j]!].some(({ partner, left }) => left !== '' && BURNS.has(partner))) continue
      const equation = tried([additions[i]!, additions[j]!])
      if (equation) found.push(equation)
    }
  }
  return found.slice(0, MOST)
}
