import { balance, parseEquation } from '#core/equation'
import type { Family } from '../family'
import { formula, preparations, termsOf } from '../pool'
import type { Slipped } from '../question'

/** Burning of a metal, or of an oxide with a metal, and the rest that no acid makes: what the preparations do not have. */
const REDOX = [
  'Cu + HNO3 -> Cu(NO3)2 + NO + H2O', 'Cu + HNO3 -> Cu(NO3)2 + NO2 + H2O', 'Cu + H2SO4 -> CuSO4 + SO2 + H2O', 'Ag + HNO3 -> AgNO3 + NO + H2O',
  'MnO2 + HCl -> MnCl2 + Cl2 + H2O', 'KMnO4 + HCl -> KCl + MnCl2 + Cl2 + H2O', 'K2Cr2O7 + HCl -> KCl + CrCl3 + Cl2 + H2O', 'KMnO4 + FeSO4 + H2SO4 -> K2SO4 + MnSO4 + Fe2(SO4)3 + H2O',
  'Fe2O3 + C -> Fe + CO2', 'Al + Fe2O3 -> Al2O3 + Fe', 'Fe + O2 -> Fe2O3', 'Al + NaOH + H2O -> NaAl(OH)4 + H2', 'Cl2 + NaOH -> NaCl + NaClO3 + H2O', 'I2 + Na2S2O3 -> NaI + Na2S4O6',
  'Zn + HNO3 -> Zn(NO3)2 + NH4NO3 + H2O', 'Cr2O3 + Na2CO3 + KNO3 -> Na2CrO4 + KNO2 + CO2', 'P4O10 + H2O -> H3PO4', 'Ca3(PO4)2 + H2SO4 -> Ca(H2PO4)2 + CaSO4',
  'FeCl3 + NaOH -> Fe(OH)3 + NaCl', 'BaCl2 + Na3PO4 -> Ba3(PO4)2 + NaCl', 'Al2(SO4)3 + NH3 + H2O -> Al(OH)3 + (NH4)2SO4', 'Mg3N2 + H2O -> Mg(OH)2 + NH3', 'Na2Cr2O7 + S -> Cr2O3 + Na2SO4', 'CuSO4 + KI -> CuI + I2 + K2SO4',
] as const // prettier-ignore

/** Balance an equation, by the teeth of its zip. */
export const balanceFamily: Family = {
  id: 'balance',
  name: 'Balance an equation',
  skill: 'Stoichiometry',
  steps: ['acids with metals and bases', 'other reactions', 'electrons go over'],
  make(dice, level) {
    const text =
      level === 1
        ? dice.pick(preparations()).equation
        : dice.pick(level === 2 ? REDOX.slice(8) : REDOX.slice(0, 8).concat(REDOX.slice(14, 16)))
    const read = parseEquation(text)
    const balanced = read.ok ? balance(read.value) : undefined
    if (!balanced?.ok || !balanced.value.unique) return undefined
    const terms = termsOf(balanced.value.reaction)
    const right = terms.map(({ coefficient }) => coefficient)
    const species = terms.map(({ species: { formula: of, side } }) => ({ text: of.text, side }))
    const slipped: Slipped<readonly number[]>[] = []
    if (right.some(one => one !== 1)) {
      slipped.push({
        of: [
          {
            id: 'all ones',
            says: `Not every element counts the same on both sides: ${open(
              species,
              right.map(() => 1),
            )}.`,
          },
        ],
        answer: right.map(() => 1),
      })
      right.forEach((one, i) => {
        const without = right.map((count, j) => (i === j ? 1 : count))
        if (one > 1)
          slipped.push({
            of: [{ id: 'one left at one', says: `{${species[i]!.text}} was left at one: ${open(species, without)}.` }],
            answer: without,
          })
      })
    }
    for (const times of [2, 3])
      slipped.push({
        of: [{ id: 'not the smallest', says: `All of them can be divided by ${times}.` }],
        answer: right.map(count => count * times),
      })
    const seen = new Set([right.join(' ')])
    return {
      ask: 'Close the zip: which is the smallest whole number before each formula?',
      why: [closed(species, right)],
      answer: {
        is: 'teeth',
        equation: text,
        species,
        right,
        slipped: slipped.filter(({ answer }) => !seen.has(answer.join(' ')) && seen.add(answer.join(' '))),
      },
    }
  },
}

interface Counted {
  readonly text: string
  readonly side: 'reactant' | 'product'
}

/** Atoms of each element left and right. */
function sumsOf(species: readonly Counted[], counts: readonly number[]): [string, { left: number; right: number }][] {
  const sums = new Map<string, { left: number; right: number }>()
  species.forEach(({ text, side }, i) => {
    for (const [symbol, atoms] of formula(text).composition) {
      const sum = sums.get(symbol) ?? { left: 0, right: 0 }
      sum[side === 'reactant' ? 'left' : 'right'] += atoms * counts[i]!
      sums.set(symbol, sum)
    }
  })
  return [...sums]
}

/** What does not count the same on both sides, in words. */
export const open = (species: readonly Counted[], counts: readonly number[]): string =>
  sumsOf(species, counts)
    .filter(([, { left, right }]) => Math.abs(left - right) > 1e-9)
    .map(([symbol, { left, right }]) => `${left} {${symbol}} left, ${right} right`)
    .join('; ')

/** The count that shows that it is closed: each element, the same left and right. */
const closed = (species: readonly Counted[], counts: readonly number[]): string =>
  `On both sides: ${sumsOf(species, counts)
    .map(([symbol, { left }]) => `${left} {${symbol}}`)
    .join(', ')}.`
