import { parseFormula } from '#core/formula'
import { formulaFromName } from './read-name'

/** What stands between the species of an equation: plus signs with spaces or the ends, and the arrow. */
const BETWEEN = /(\s*(?:->|→|⇌|=|-->|<=>)\s*|\s+\+\s+)/
const COEFFICIENT = /^(\d+\s+)?(.*)$/s

/**
 * A text with the names in it written as formulas: `zinc oxide + 2 acetic acid -> zinc acetate + water` becomes `ZnO + 2 CH3COOH -> Zn(CH3COO)2 + H2O`. What reads as a formula stays as it is, as does what is no name either.
 */
export function writeOutNames(text: string): string {
  return text
    .split(BETWEEN)
    .map((part, i) => {
      if (i % 2 === 1) return part
      const [, count = '', name = ''] = COEFFICIENT.exec(part.trim()) ?? []
      if (name === '' || parseFormula(name).ok) return part
      const formula = formulaFromName(name)
      return formula === undefined ? part : part.replace(part.trim(), `${count}${formula}`)
    })
    .join('')
}
