import type { Formula } from '#core/formula'
import { parseFormula } from '#core/formula'
import { metalCharges } from '#core/reference'
import { readBareComplex, readComplex, type Complex } from './complex'
import { ionsOf } from './ions'
import { partsOf } from './tokens'

/** Oxidation states of an element in a formula; several where it stands in more than one place, a fraction where only a mean is known. */
export type States = ReadonlyMap<string, readonly number[]>

/** Ions whose states the simple rules get wrong. */
const SPECIAL: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  CN: { C: 2, N: -3 },
  SCN: { S: -2, C: 4, N: -3 },
  NCS: { S: -2, C: 4, N: -3 },
  N3: { N: -1 / 3 },
  O2: { O: -1 },
  S2O8: { S: 6, O: -1.75 },
  BH4: { B: 3, H: -1 },
}

const FIRST: Readonly<Record<string, number>> = {
  F: -1, Li: 1, Na: 1, K: 1, Rb: 1, Cs: 1, Be: 2, Mg: 2, Ca: 2, Sr: 2, Ba: 2, Al: 3, Zn: 2, Cd: 2, Ag: 1,
} // prettier-ignore
/** Assigned in this order while more than one element is open; the last one open is worked out. */
const THEN: readonly (readonly [string, number])[] = [
  ['H', 1],
  ['O', -2],
  ['Cl', -1],
  ['Br', -1],
  ['I', -1],
  ['N', -3],
  ['S', -2],
  ['P', 5],
]

/**
 * Oxidation states by the usual rules (IUPAC Recommendations 2016, simplified): ions by their charges, metals of complexes from
 * the ligands, the rest by hydrogen +1 and oxygen −2. Undefined where the rules do not reach.
 */
export function oxidationStates(formula: Formula): States | undefined {
  const states = new Map<string, number[]>()
  const note = (element: string, state: number): void => {
    const rounded = Math.round(state * 1e6) / 1e6
    const before = states.get(element) ?? []
    if (!before.includes(rounded)) states.set(element, [...before, rounded])
  }
  const ions = ionsOf(formula)
  const { parts, waters } = partsOf(formula.text)
  if (waters > 0) {
    note('H', 1)
    note('O', -2)
  }
  if (ions) {
    for (const { text, charge, complex } of ions) {
      const found = complex ? statesOfComplex(complex, charge) : statesOfIon(text, charge)
      if (!found) return undefined
      for (const [element, state] of found) note(element, state)
    }
    return states
  }
  const [part] = parts
  if (parts.length !== 1 || !part) return undefined
  const inner = /^\[(.*)\]$/.exec(part.text)?.[1]
  const complex = inner === undefined ? readBareComplex(part.text) : readComplex(inner)
  const found = complex ? statesOfComplex(complex, formula.charge) : statesOfIon(part.text, formula.charge)
  if (!found) return undefined
  for (const [element, state] of found) note(element, state)
  return states
}

function statesOfIon(text: string, charge: number): [string, number][] | undefined {
  const special = SPECIAL[text]
  if (special && charge !== 0) return Object.entries(special)
  const read = parseFormula(text)
  if (!read.ok) return undefined
  return byRules(read.value.composition, charge)
}

function byRules(composition: ReadonlyMap<string, number>, charge: number): [string, number][] | undefined {
  const open = new Map(composition)
  if (open.size === 1) {
    const [element, count] = [...open][0]!
    return [[element, charge / count]]
  }
  const found: [string, number][] = []
  let rest = charge
  const settle = (element: string, state: number): void => {
    rest -= state * open.get(element)!
    open.delete(element)
    found.push([element, state])
  }
  if (isPeroxide(composition, charge)) settle('O', -1)
  for (const element of [...open.keys()]) {
    if (open.size > 1 && element in FIRST) settle(element, FIRST[element]!)
  }
  for (const [element, state] of THEN) if (open.size > 1 && open.has(element)) settle(element, state)
  for (const [element, [usual]] of Object.entries(metalCharges))
    if (open.size > 1 && open.has(element)) settle(element, usual!)
  if (open.size > 1) return undefined
  for (const [element, count] of open) found.push([element, rest / count])
  const last = found.at(-1)
  if (open.size === 0 && Math.abs(rest) > 1e-9) return undefined
  return last && Math.abs(last[1]) <= 8 ? found : undefined
}

/** Hydrogen, alkali and alkaline earth peroxides: two O that the rest can only pay with −1 each. */
function isPeroxide(composition: ReadonlyMap<string, number>, charge: number): boolean {
  if (composition.get('O') !== 2 || composition.size !== 2 || charge !== 0) return false
  const [other] = [...composition].filter(([element]) => element !== 'O')
  return (
    ['H', 'Na', 'K', 'Li', 'Ca', 'Ba', 'Sr', 'Mg', 'Zn'].includes(other![0]) &&
    (FIRST[other![0]] ?? 1) * other![1] === 2
  )
}

function statesOfComplex({ metal, ligands, ligandCharge }: Complex, charge: number): [string, number][] | undefined {
  const found: [string, number][] = [[metal, charge - ligandCharge]]
  for (const { text, charge: own } of ligands) {
    const read = parseFormula(
      /^[A-Z]/.test(text) && text !== 'Y' && text !== 'OAc' && text !== 'Hdmg' ? text : `(${text})`,
    )
    const inside = read.ok
      ? SPECIAL[text]
        ? Object.entries(SPECIAL[text]!)
        : byRules(read.value.composition, own)
      : undefined
    if (inside) found.push(...inside)
  }
  return found
}

/** The elements whose oxidation state differs between two sides, with the states each has there. */
export function changedStates(
  before: readonly Formula[],
  after: readonly Formula[],
): { element: string; from: number[]; to: number[] }[] | undefined {
  const left = before.map(oxidationStates)
  const right = after.map(oxidationStates)
  if ([...left, ...right].some(states => states === undefined)) return undefined
  const gather = (side: readonly (States | undefined)[], element: string): number[] =>
    [...new Set(side.flatMap(states => states!.get(element) ?? []))].sort((a, b) => a - b)
  const elements = new Set(left.flatMap(states => [...states!.keys()]))
  const changed = [...elements].flatMap(element => {
    const from = gather(left, element)
    const to = gather(right, element)
    return from.join() === to.join() ? [] : [{ element, from, to }]
  })
  // Electrons go from one element to another, or within one: where nothing rises or nothing falls, an average only shifted with the partners.
  const ends = changed.map(({ from, to }) => ({
    rises: Math.max(...to) > Math.max(...from),
    falls: Math.min(...to) < Math.min(...from),
  }))
  return ends.some(({ rises }) => rises) && ends.some(({ falls }) => falls) ? changed : []
}
