import { chargeText, findSubstance, type Formula } from '#core/formula'
import { ionsOf } from '#core/species'
import type { Reaction, Term } from './equation'

export interface NetIonic {
  /** `CO3^2-`-style texts with their smallest whole coefficients. */
  readonly reactants: readonly IonicTerm[]
  readonly products: readonly IonicTerm[]
  /** Ions that stand unchanged on both sides. */
  readonly spectators: readonly string[]
  /** Substances whose state in water is not known: their ions were not taken apart. */
  readonly unknown: readonly string[]
}
export interface IonicTerm {
  readonly text: string
  readonly coefficient: number
}

/** Acids that give their protons away wholly in water (textbook list). */
const STRONG_ACIDS = new Set(['HCl', 'HBr', 'HI', 'HNO3', 'HClO4', 'HClO3', 'H2SO4'])

type InWater = 'ions' | 'whole' | 'unknown'

/** Whether a species is there as ions: a soluble salt or base, or a strong acid; (aq) and (s) in the equation decide first. */
function inWater({ formula, phase }: Term['species']): InWater {
  if (formula.charge !== 0) return 'ions'
  const ions = ionsOf(formula)
  if (!ions || ions.some(({ text }) => text === 'O' || text === 'N' || text === 'S')) return 'whole'
  if (phase !== undefined && phase !== 'aq') return 'whole'
  if (STRONG_ACIDS.has(formula.text)) return 'ions'
  if (ions.some(({ text }) => text === 'H')) return 'whole'
  if (phase === 'aq') return 'ions'
  const row = findSubstance(formula)?.row
  if (!row) return 'unknown'
  return row.state === 'solid' && row.water === 'soluble' ? 'ions' : 'whole'
}

/** The reaction with dissolved salts and strong acids as their ions, and what stands on both sides left out. */
export function netIonic(reaction: Reaction): NetIonic {
  const left = new Map<string, number>()
  const right = new Map<string, number>()
  const unknown: string[] = []
  const put = (into: Map<string, number>, text: string, amount: number): void => {
    into.set(text, (into.get(text) ?? 0) + amount)
  }
  const take = (terms: readonly Term[], into: Map<string, number>): void => {
    for (const { species, coefficient } of terms) {
      const state = inWater(species)
      if (state === 'unknown') unknown.push(species.formula.text)
      if (state !== 'ions') put(into, species.formula.text, coefficient)
      else for (const { text, count } of dissolved(species.formula)) put(into, text, coefficient * count)
    }
  }
  take(reaction.reactants, left)
  take(reaction.products, right)

  const spectators: string[] = []
  for (const [text, amount] of [...left]) {
    const common = Math.min(amount, right.get(text) ?? 0)
    if (common === 0) continue
    left.set(text, amount - common)
    const opposite = (right.get(text) ?? 0) - common
    right.set(text, opposite)
    if (amount - common < 1e-9 && opposite < 1e-9) spectators.push(text)
  }
  const terms = (side: Map<string, number>): IonicTerm[] =>
    [...side].filter(([, amount]) => amount > 1e-9).map(([text, coefficient]) => ({ text, coefficient }))
  return { ...simplest(terms(left), terms(right)), spectators, unknown }
}

/** Ions with their charges written; a charged formula is one ion already. */
function dissolved(formula: Formula): { text: string; count: number }[] {
  if (formula.charge !== 0) return [{ text: formula.text, count: 1 }]
  return (ionsOf(formula) ?? [{ text: formula.text, charge: 0, count: 1 }]).map(({ text, charge, count }) => ({
    text: text + chargeText(charge),
    count,
  }))
}

function simplest(reactants: readonly IonicTerm[], products: readonly IonicTerm[]) {
  const all = [...reactants, ...products].map(({ coefficient }) => coefficient)
  const whole = all.every(Number.isInteger)
  const divisor = whole && all.length > 0 ? all.reduce(common) : 1
  const scaled = (terms: readonly IonicTerm[]): IonicTerm[] =>
    terms.map(({ text, coefficient }) => ({ text, coefficient: coefficient / divisor }))
  return { reactants: scaled(reactants), products: scaled(products) }
}
const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b))
