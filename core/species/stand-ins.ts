import { parseFormula, relate, type Formula, type Relation } from '#core/formula'
import { ionsOf } from './ions'
import { partsOf, tokensOf, written } from './tokens'

/** More candidates than a solvate has kinds of solvent are no solvate; the ways to leave them out double with each. */
const MOST = 4

/**
 * One unit of `weighed` in units of `species`, where it is that substance with whole organic molecules bound or crystallised with it:
 * TiCl3(C4H8O)3 is one TiCl3, LiN(C12H18)·C4H10O one LiN(C12H18). A group that is no closed molecule by itself, such as an acetate, is none.
 */
export function solvateOf(weighed: Formula, species: Formula): Relation | undefined {
  const { parts, waters } = partsOf(weighed.text)
  const pieces = parts.map(({ text, times }) => ({ times, tokens: tokensOf(text), whole: isMolecule(text) }))
  const guests = pieces.flatMap(({ tokens, whole }, part) => [
    ...(whole && pieces.length > 1 ? [{ part, token: -1 }] : []),
    ...tokens.flatMap(({ text, bracket }, token) => (bracket !== '' && isMolecule(text) ? [{ part, token }] : [])),
  ])
  if (guests.length === 0 || guests.length > MOST) return undefined
  // The fewest guests that have to go.
  const ways = Array.from({ length: 2 ** guests.length - 1 }, (_, i) => guests.filter((_, k) => ((i + 1) >> k) & 1))
  for (const way of ways.toSorted((a, b) => a.length - b.length)) {
    const host = pieces.flatMap(({ times, tokens }, part) => {
      if (way.some(guest => guest.part === part && guest.token === -1)) return []
      const left = tokens.filter((_, token) => !way.some(guest => guest.part === part && guest.token === token))
      return left.length === 0 ? [] : [`${times === 1 ? '' : times}${written(left)}`]
    })
    if (host.length === 0) continue
    const read = parseFormula([...host, ...(waters > 0 ? [`${waters}H2O`] : [])].join('·'))
    const relation = read.ok ? relate(read.value, species) : undefined
    if (relation) return relation
  }
  return undefined
}

const ORGANIC = new Set(['C', 'H', 'N', 'O', 'S', 'P', 'F', 'Cl', 'Br', 'I'])
/** What has an odd number of bonds to give: a closed molecule holds an even number of such atoms. */
const ODD = ['H', 'N', 'P', 'F', 'Cl', 'Br', 'I']

function isMolecule(text: string): boolean {
  const read = parseFormula(text)
  if (!read.ok || read.value.charge !== 0) return false
  const { composition } = read.value
  const odd = ODD.reduce((sum, symbol) => sum + (composition.get(symbol) ?? 0), 0)
  return (
    composition.has('C') &&
    composition.has('H') &&
    odd % 2 === 0 &&
    [...composition.keys()].every(one => ORGANIC.has(one))
  )
}

/**
 * One unit of `weighed` in units of a carbonate, where acid takes as much of it for each metal and only carbon dioxide and water come off in other amounts:
 * Mg5(CO3)4(OH)2·4H2O is 5 MgCO3 with one CO2 less. Undefined for what is no carbonate.
 */
export function carbonateOf(weighed: Formula, species: Formula): Relation | undefined {
  const ions = ionsOf(species)
  if (!ions?.some(({ text }) => text === 'CO3') || !ions.every(({ text, charge }) => charge > 0 || text === 'CO3'))
    return undefined
  const of = (formula: Formula, symbol: string): number => formula.composition.get(symbol) ?? 0
  const others = new Set([...weighed.composition.keys(), ...species.composition.keys()])
  for (const symbol of ['H', 'C', 'O']) others.delete(symbol)
  const [marker] = others
  if (marker === undefined || weighed.charge !== 0 || !weighed.composition.has('C')) return undefined
  const units = of(weighed, marker) / of(species, marker)
  const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-9 * Math.max(1, Math.abs(a))
  if (!(units > 0) || ![...others].every(symbol => near(of(weighed, symbol), units * of(species, symbol))))
    return undefined
  const gas = of(weighed, 'C') - units * of(species, 'C')
  const waters = (of(weighed, 'H') - units * of(species, 'H')) / 2
  return near(of(weighed, 'O'), units * of(species, 'O') + 2 * gas + waters) ? { units, waters, gas } : undefined
}
