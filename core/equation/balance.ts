import { fail, ok, type Checked } from '#core/problem'
import type { Equation, Reaction, Species, Term } from './equation'
import { extremeRays } from './extreme-rays'
import { bigIntegers, Overflow, plainIntegers, type Integers } from './integers'
import { setsToKeep } from './kept-groups'
import { nullSpace } from './null-space'
import type { EquationProblem } from './problems'

export type Balanced =
  | { readonly unique: true; readonly reaction: Reaction }
  /** Several independent reactions share these species; each is one that cannot be split further. */
  | { readonly unique: false; readonly basis: readonly Reaction[] }

interface Row {
  readonly name: string
  readonly counts: readonly number[]
}

/**
 * Balances elements and charge with the smallest whole coefficients, exactly: plain integers that notice an overflow, then
 * BigInt. Where the species allow several independent reactions, as many are given as are independent; first the one that leaves nitrate, sulfate, ammonia, oxalate, O–O whole, where there is one.
 */
export function balance(equation: Equation): Checked<Balanced, EquationProblem> {
  const rows = rowsOf(equation.species)
  const oneSided = findOneSided(rows, equation)
  if (oneSided) return fail(oneSided)
  try {
    return solve(plainIntegers, rows, equation)
  } catch (error) {
    if (error instanceof Overflow) return solve(bigIntegers, rows, equation)
    throw error
  }
}

/** A row an element, and one for charge, with products counted negative; columns scaled so that every count is whole. */
function rowsOf(species: readonly Species[]): Row[] {
  const names = new Set<string>()
  let charged = false
  for (const { formula } of species) {
    for (const symbol of formula.composition.keys()) names.add(symbol)
    charged ||= formula.charge !== 0
  }
  const signed = species.map(({ formula, side }) => (side === 'reactant' ? 1 : -1) * formula.denominator)
  const rows: Row[] = [...names].map(name => ({
    name,
    counts: species.map(({ formula }, j) => Math.round((formula.composition.get(name) ?? 0) * signed[j]!)),
  }))
  if (charged) rows.push({ name: 'charge', counts: species.map(({ formula }, j) => formula.charge * signed[j]!) })
  return rows
}

function findOneSided(rows: readonly Row[], { species, text }: Equation): EquationProblem | undefined {
  for (const { name, counts } of rows) {
    const up = counts.some(count => count > 0)
    const down = counts.some(count => count < 0)
    if (up && down) continue
    const first = species[counts.findIndex(count => count !== 0)]
    if (!first) continue
    if (name === 'charge') {
      const charged = species.filter(({ formula }) => formula.charge !== 0)
      if (new Set(charged.map(({ side }) => side)).size > 1)
        return { code: 'equation.impossible', span: [0, text.length], elements: ['charge'] }
    }
    return {
      code: 'equation.impossible',
      span: first.span,
      elements: [name],
      only: first.side === 'reactant' ? 'left' : 'right',
    }
  }
  return undefined
}

function solve<N>(z: Integers<N>, rows: readonly Row[], equation: Equation): Checked<Balanced, EquationProblem> {
  const { species } = equation
  const basis = nullSpace(
    z,
    rows.map(row => row.counts),
    species.length,
  )
  if (basis.length === 0) return fail(blame(z, rows, equation, []))
  if (basis.length === 1) {
    const [vector] = basis as [N[]]
    const positive = vector.filter(entry => z.sign(entry) > 0).length
    const signed = positive * 2 >= vector.length ? vector : vector.map(entry => z.minus(z.zero, entry))
    const wrong = species.filter((_, j) => z.sign(signed[j]!) <= 0)
    return wrong.length > 0
      ? fail(blame(z, rows, equation, wrong))
      : isTooLarge(signed)
        ? fail(beyondReach(equation))
        : ok({ unique: true, reaction: reactionOf(species, signed) })
  }
  const rays = extremeRays(z, basis)
  if (!rays || rays.some(isTooLarge)) return fail(beyondReach(equation))
  const idle = species.filter((_, j) => rays.every(ray => z.sign(ray[j]!) === 0))
  if (idle.length > 0) return fail(blame(z, rows, equation, idle))
  const kept = keepingMost(z, rows, equation)
  const ordered = independent(z, rays, basis.length, kept ? [kept] : [])
  return ok({ unique: false, basis: ordered.map(ray => reactionOf(species, ray)) })
}

/** The one reaction that leaves the most groups whole; undefined where none is the only one that does. */
function keepingMost<N>(z: Integers<N>, rows: readonly Row[], { species }: Equation): N[] | undefined {
  const signed = species.map(({ formula, side }) => (side === 'reactant' ? 1 : -1) * formula.denominator)
  for (const set of setsToKeep(species.map(({ formula }) => formula))) {
    const more = set.map(({ counts }) => counts.map((count, j) => Math.round(count * signed[j]!)))
    const basis = nullSpace(z, [...rows.map(({ counts }) => counts), ...more], species.length)
    const [vector] = basis
    if (basis.length !== 1 || !vector) continue
    const positive = z.sign(vector[0]!) > 0 ? vector : vector.map(entry => z.minus(z.zero, entry))
    if (positive.every(entry => z.sign(entry) > 0) && !isTooLarge(positive)) return positive
  }
  return undefined
}

const isTooLarge = (vector: readonly unknown[]): boolean => vector.some(entry => !Number.isSafeInteger(Number(entry)))

const beyondReach = ({ text }: Equation): EquationProblem => ({ code: 'equation.beyond-reach', span: [0, text.length] })

function reactionOf<N>(species: readonly Species[], vector: readonly N[]): Reaction {
  const scaled = species.map(({ formula }, j) => Number(vector[j]!) * formula.denominator)
  const divisor = scaled.reduce((a, b) => divisorOf(a, b), 0)
  const terms: Term[] = species
    .map((one, j) => ({ species: one, coefficient: scaled[j]! / divisor }))
    .filter(term => term.coefficient > 0)
  return {
    reactants: terms.filter(term => term.species.side === 'reactant'),
    products: terms.filter(term => term.species.side === 'product'),
  }
}

const divisorOf = (a: number, b: number): number => (b === 0 ? a : divisorOf(b, a % b))

/** As many linearly independent rays as there are independent reactions: those that come first, then those with the fewest species. */
function independent<N>(z: Integers<N>, rays: readonly N[][], wanted: number, first: readonly N[][]): N[][] {
  const size = (ray: readonly N[]): number =>
    ray.filter(entry => z.sign(entry) !== 0).length * 1e6 + ray.reduce((total, entry) => total + Number(entry), 0)
  const chosen: N[][] = [...first]
  for (const ray of [...rays].sort((a, b) => size(a) - size(b))) {
    if (chosen.length === wanted) break
    if (rankOf(z, [...chosen, ray]) > chosen.length) chosen.push(ray)
  }
  return chosen
}

function rankOf<N>(z: Integers<N>, vectors: readonly N[][]): number {
  const columns = vectors[0]!.length
  const numbers = vectors.map(vector => vector.map(Number))
  return columns - nullSpace(z, numbers, columns).length
}

/** Which elements stand in the way: those without which the rest would balance on the sides given. */
function blame<N>(
  z: Integers<N>,
  rows: readonly Row[],
  { species, text }: Equation,
  wrong: readonly Species[],
): EquationProblem {
  const culprits = rows
    .filter(row =>
      balancesOnSides(
        z,
        rows.filter(other => other !== row),
        species,
      ),
    )
    .map(row => row.name)
  const [first] = wrong
  const named =
    culprits.length > 0 ? culprits : first ? [...first.formula.composition.keys()] : rows.map(row => row.name)
  const misplaced = wrong.length === 1 && first ? { species: first.formula.text } : {}
  return {
    code: 'equation.impossible',
    span: misplaced.species ? first!.span : [0, text.length],
    elements: named,
    ...misplaced,
  }
}

function balancesOnSides<N>(z: Integers<N>, rows: readonly Row[], species: readonly Species[]): boolean {
  if (rows.length === 0) return true
  const basis = nullSpace(
    z,
    rows.map(row => row.counts),
    species.length,
  )
  if (basis.length === 0) return false
  const rays = extremeRays(z, basis)
  return rays !== undefined && species.every((_, j) => rays.some(ray => z.sign(ray[j]!) > 0))
}
