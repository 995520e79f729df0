import { debyeHuckelSlopes, pitzerPairs, pitzerPsi, pitzerTheta, type PitzerRow } from '#core/reference'
import { monotone } from '#core/quantity'

/** The ions of a pot with what acts between them, ready to be asked for activities. Indices are places in `keys`. */
export interface Interactions {
  readonly keys: readonly string[]
  readonly charges: readonly number[]
  readonly slope: number
  readonly pairs: readonly Pair[]
  readonly likes: readonly Like[]
  readonly triples: readonly (readonly [one: number, other: number, third: number, psi: number])[]
  /** Ionic strength up to which the parameters hold; beyond it coefficients go on as they are there. */
  readonly upTo: number
  /** Pairs that take the parameters of a relative: `Cu^2+ SCN^- as K^+ SCN^-`. */
  readonly borrowed: readonly string[]
}
export interface Pair {
  readonly cation: number
  readonly anion: number
  readonly beta0: number
  readonly beta1: number
  readonly beta2: number
  readonly alpha1: number
  readonly alpha2: number
  /** Cφ / (2 √|z z'|). */
  readonly c: number
}
export interface Like {
  readonly one: number
  readonly other: number
  readonly theta: number
  /** True where the charges differ, so that the higher-order term counts. */
  readonly unlike: boolean
}

const slopeAt = monotone(debyeHuckelSlopes)

const charges = new Map<string, number>()
/** Charge of an ion by its key, `SO4^2-`; 0 for a molecule. */
export function chargeOfKey(key: string): number {
  const before = charges.get(key)
  if (before !== undefined) return before
  const [, size = '', sign] = /\^(\d*)([+-])$/.exec(key) ?? []
  const charge = sign === undefined ? 0 : Number(size || 1) * (sign === '-' ? -1 : 1)
  charges.set(key, charge)
  return charge
}

/**
 * What acts between the ions of a solution at a temperature (°C). `equivalents` weigh the ranges of the pairs, so that a pot of one salt with a trace of another has the range of the one. Molecules act on nothing.
 */
export function interactionsOf(
  keys: readonly string[],
  celsius: number,
  amounts: readonly number[] = keys.map(() => 1),
): Interactions {
  const z = keys.map(chargeOfKey)
  const cations = keys.flatMap((_, i) => (z[i]! > 0 ? [i] : []))
  const anions = keys.flatMap((_, i) => (z[i]! < 0 ? [i] : []))
  const pairs: Pair[] = []
  const borrowed: string[] = []
  let [weights, ranges] = [0, 0]
  for (const cation of cations)
    for (const anion of anions) {
      const found = rowFor(keys[cation]!, keys[anion]!)
      if (found.isBorrowed) borrowed.push(`${keys[cation]} ${keys[anion]}`)
      pairs.push(pairOf(cation, anion, found.row, z[cation]!, z[anion]!))
      const weight = Math.max(1e-12, amounts[cation]! * z[cation]! * amounts[anion]! * -z[anion]!)
      weights += weight
      ranges += weight * REACH * strengthOf(found.row[6], z[cation]!, z[anion]!)
    }
  return {
    keys,
    charges: z,
    slope: slopeAt(Math.min(100, Math.max(0, celsius))) ?? 0.392,
    pairs,
    likes: [...likesOf(cations, keys, z), ...likesOf(anions, keys, z)],
    triples: [...triplesOf(cations, anions, keys), ...triplesOf(anions, cations, keys)],
    upTo: weights > 0 ? ranges / weights : 1,
    borrowed,
  }
}

/**
 * Parameters are trusted to so many times the molality they were fitted to: saturated liquors of two salts stand beyond it, and the published ones come out best so (1.5 and 3 are worse on those of 0, 25 and 100 °C, and
 * from 3 on the energy of some pots has no bottom).
 */
const REACH = 2
/** Ionic strength of a molality of a salt of two ions. */
function strengthOf(molality: number, z: number, y: number): number {
  const common = commonDivisor(z, -y)
  return (molality * ((-y / common) * z * z + (z / common) * y * y)) / 2
}
const commonDivisor = (a: number, b: number): number => (b === 0 ? a : commonDivisor(b, a % b))

function pairOf(cation: number, anion: number, row: PitzerRow, z: number, y: number): Pair {
  const isTwoTwo = z === 2 && y === -2
  return {
    cation,
    anion,
    beta0: row[2],
    beta1: row[3],
    beta2: row[4],
    alpha1: isTwoTwo ? 1.4 : 2,
    alpha2: 12,
    c: row[5] / (2 * Math.sqrt(z * -y)),
  }
}

const found = new Map<string, { readonly row: PitzerRow; readonly isBorrowed: boolean }>()
/** The parameters of a pair, or those of a relative: the same anion beside a cation of the same charge, the same cation beside an anion of the same charge, any pair of these charges, the nearest charges. */
function rowFor(cation: string, anion: string): { row: PitzerRow; isBorrowed: boolean } {
  const key = `${cation} ${anion}`
  const before = found.get(key)
  if (before) return before
  const own = pitzerPairs.find(([c, a]) => c === cation && a === anion)
  const [z, y] = [chargeOfKey(cation), chargeOfKey(anion)]
  const sameCharge = (c: string, a: string): boolean => chargeOfKey(c) === z && chargeOfKey(a) === y
  const relative =
    pitzerPairs.findLast(([c, a]) => a === anion && sameCharge(c, a)) ??
    pitzerPairs.find(([c, a]) => c === cation && sameCharge(c, a)) ??
    USUAL.find(([c, a]) => sameCharge(c, a)) ??
    nearest(z, y)
  const answer = { row: own ?? relative, isBorrowed: !own }
  found.set(key, answer)
  return answer
}

/** What stands for a type of charge where neither ion has a relative: a plain member of it. */
const USUAL: readonly PitzerRow[] = [
  ['K^+', 'Cl^-'], ['Mg^2+', 'Cl^-'], ['K^+', 'SO4^2-'], ['Mg^2+', 'SO4^2-'], ['Al^3+', 'Cl^-'], ['Al^3+', 'SO4^2-'], ['K^+', '[Fe(CN)6]^3-'], ['K^+', '[Fe(CN)6]^4-'],
].flatMap(([cation, anion]) => pitzerPairs.filter(([c, a]) => c === cation && a === anion)) // prettier-ignore
const nearest = (z: number, y: number): PitzerRow =>
  USUAL.toSorted(
    ([c, a], [d, b]) =>
      Math.abs(chargeOfKey(c) - z) +
      Math.abs(chargeOfKey(a) - y) -
      Math.abs(chargeOfKey(d) - z) -
      Math.abs(chargeOfKey(b) - y),
  )[0]!

function likesOf(ions: readonly number[], keys: readonly string[], z: readonly number[]): Like[] {
  return ions.flatMap((one, i) =>
    ions.slice(i + 1).map(other => ({
      one,
      other,
      theta: thetaOf(keys[one]!, keys[other]!),
      unlike: z[one] !== z[other],
    })),
  )
}

const thetaOf = (one: string, other: string): number =>
  tabled(one, other, (a, b) => pitzerTheta.find(([c, d]) => (c === a && d === b) || (c === b && d === a))?.[2]) ?? 0
const psiOf = (one: string, other: string, third: string): number =>
  tabled(
    one,
    other,
    (a, b) => pitzerPsi.find(([c, d, e]) => e === third && ((c === a && d === b) || (c === b && d === a)))?.[3],
  ) ?? 0

/** As told, or as magnesium where a metal of two charges has no row of its own: the transition metals are near it (as the double sulfates of nickel and zinc show). */
function tabled(
  one: string,
  other: string,
  look: (one: string, other: string) => number | undefined,
): number | undefined {
  const stand = (key: string): string => (chargeOfKey(key) === 2 ? 'Mg^2+' : key)
  return look(one, other) ?? (stand(one) === stand(other) ? undefined : look(stand(one), stand(other)))
}

function triplesOf(
  likes: readonly number[],
  others: readonly number[],
  keys: readonly string[],
): (readonly [number, number, number, number])[] {
  return likes.flatMap((one, i) =>
    likes.slice(i + 1).flatMap(other =>
      others.flatMap(third => {
        const psi = psiOf(keys[one]!, keys[other]!, keys[third]!)
        return psi === 0 ? [] : [[one, other, third, psi] as const]
      }),
    ),
  )
}
