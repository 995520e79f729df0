import type { Formula } from '#core/formula'
import { anions, cations, metalCharges, type IonRow } from '#core/reference'
import { readBareComplex, readComplex, type Complex } from './complex'
import { partsOf, tokensOf, written, type Token } from './tokens'

/** One kind of ion in a formula unit. */
export interface Ion {
  /** As written, without its charge: `SO4`, `Cu`, `[Cu(NH3)4]`. */
  readonly text: string
  readonly charge: number
  readonly count: number
  readonly complex?: Complex
}

interface Piece {
  readonly text: string
  readonly count: number
  readonly charge: number | undefined
  /** Charges it may have, where they are not one. */
  readonly may: readonly number[]
  readonly complex?: Complex
}

/** By its text: one ion, or two that differ in their charge only, as permanganate and manganate do. */
const known: ReadonlyMap<string, readonly IonRow[]> = new Map(
  [...anions, ...cations].map(({ text }, _, all) => [text, all.filter(one => one.text === text)]),
)
const longestKnown = Math.max(...[...known.keys()].map(({ length }) => length))

/**
 * The ions a formula is made of, found in the way it is written; water left out. Undefined for what is not made of ions, and
 * where the charge of an ion could be more than one thing.
 */
export function ionsOf(formula: Formula): Ion[] | undefined {
  const { parts } = partsOf(formula.text)
  const all: Ion[] = []
  for (const { text, times } of parts) {
    const ions = ionsOfPart(text, parts.length === 1 ? formula.charge : 0)
    if (!ions) return undefined
    for (const ion of ions) add(all, { ...ion, count: ion.count * times })
  }
  return all.length > 0 ? all : undefined
}

function add(into: Ion[], ion: Ion): void {
  const at = into.findIndex(({ text, charge }) => text === ion.text && charge === ion.charge)
  if (at < 0) into.push(ion)
  else into[at] = { ...ion, count: into[at]!.count + ion.count }
}

function ionsOfPart(part: string, charge: number): Ion[] | undefined {
  const whole = charge === 0 ? undefined : known.get(part)
  if (whole) return whole.some(row => row.charge === charge) ? [{ text: part, charge, count: 1 }] : undefined
  if (charge === 0 && (part === 'H2O' || readBareComplex(part))) return undefined
  const pieces = piecesOf(tokensOf(part), charge)
  if (!pieces) return undefined
  if (pieces.length === 1) return single(pieces[0]!, charge)
  return charge === 0 ? balanced(pieces) : undefined
}

const single = ({ text, count, complex }: Piece, charge: number): Ion[] | undefined =>
  charge === 0 || count !== 1 ? undefined : [{ text, count, charge, ...(complex && { complex }) }]

/** Cuts tokens into ions, the longest known name first. */
function piecesOf(tokens: readonly Token[], charge: number): Piece[] | undefined {
  const pieces: Piece[] = []
  let i = 0
  while (i < tokens.length) {
    const found = pieceAt(tokens, i, i === 0, charge)
    if (!found) return undefined
    pieces.push(found.piece)
    i = found.next
  }
  return pieces
}

/** Metals that stand with their lower charge as a pair only: alone they have the higher. */
const PAIRS: Readonly<Record<string, { readonly text: string; readonly charge: number; readonly alone: number }>> = {
  Hg: { text: 'Hg2', charge: 2, alone: 2 },
}

function pieceAt(
  tokens: readonly Token[],
  at: number,
  first: boolean,
  charge: number,
): { piece: Piece; next: number } | undefined {
  const token = tokens[at]!
  if (token.bracket === '[') {
    const complex = readComplex(token.text)
    if (!complex) return undefined
    const may = (metalCharges[complex.metal] ?? [2, 3]).map(state => state + complex.ligandCharge)
    return { piece: { text: `[${token.text}]`, count: token.count, charge: undefined, may, complex }, next: at + 1 }
  }
  if (token.bracket === '(') {
    const rows = known.get(token.text)
    return rows && { piece: pieceOf(rows, token.count), next: at + 1 }
  }
  for (let to = tokens.length; to > at + 1; to--) {
    const run = tokens.slice(at, to)
    const text = written(run)
    const rows = text.length <= longestKnown ? known.get(text) : undefined
    if (rows && !(charge === 0 && first && to === tokens.length)) return { piece: pieceOf(rows, 1), next: to }
  }
  const exactly = known.get(`${token.text}${token.count === 1 ? '' : token.count}`)
  if (exactly && token.count > 1 && !first) return { piece: pieceOf(exactly, 1), next: at + 1 }
  const pair = first ? PAIRS[token.text] : undefined
  if (pair && token.count === 2)
    return { piece: { text: pair.text, count: 1, charge: pair.charge, may: [pair.charge] }, next: at + 1 }
  const may = pair ? [pair.alone] : metalCharges[token.text]
  if (may) {
    const charges = may.length === 1 ? may[0] : undefined
    return { piece: { text: token.text, count: token.count, charge: charges, may }, next: at + 1 }
  }
  const rows = known.get(token.text)
  return rows && { piece: pieceOf(rows, token.count), next: at + 1 }
}

/** One of a text's ions; where there are several the charge of the others decides which. */
function pieceOf(rows: readonly IonRow[], count: number): Piece {
  const may = rows.map(({ charge }) => charge)
  return { text: rows[0]!.text, count, charge: may.length === 1 ? may[0] : undefined, may }
}

/** Fills in the one charge, or the one set of usual charges, that makes the whole neutral. */
function balanced(pieces: readonly Piece[]): Ion[] | undefined {
  const open = pieces.filter(({ charge }) => charge === undefined)
  const fixed = pieces.reduce((total, { charge, count }) => total + (charge ?? 0) * count, 0)
  const solved: Map<Piece, number> = new Map()
  if (open.length === 0 && fixed !== 0) return undefined
  if (open.length === 1) {
    const charge = -fixed / open[0]!.count
    if (!Number.isInteger(charge) || charge === 0 || Math.abs(charge) > 8) return undefined
    if (!open[0]!.complex && charge < 0 && !open[0]!.may.includes(charge)) return undefined
    solved.set(open[0]!, charge)
  } else if (open.length > 1) {
    const only = onlyCharges(open, -fixed)
    if (!only) return undefined
    open.forEach((piece, i) => solved.set(piece, only[i] ?? 0))
  }
  const ions = pieces.map((piece): Ion => ({
    text: piece.text,
    count: piece.count,
    charge: piece.charge ?? solved.get(piece) ?? 0,
    ...(piece.complex && { complex: piece.complex }),
  }))
  return isWrittenAsSalt(ions) ? ions : undefined
}

/**
 * Cations stand before anions; a carboxylate may be written before them, and so may any anion of several atoms before the hydrogen of its acid: ammonia is no
 * nitride.
 */
const isWrittenAsSalt = (ions: readonly Ion[]): boolean =>
  (ions[0]!.charge > 0 || ions[0]!.text.endsWith('COO') || isAcidWrittenLast(ions)) &&
  ions.some(({ charge }) => charge > 0) &&
  ions.some(({ charge }) => charge < 0)

const isAcidWrittenLast = ([anion, ...rest]: readonly Ion[]): boolean =>
  anion !== undefined && /[A-Z].*[A-Z]/.test(anion.text) && rest.every(({ text, charge }) => charge < 0 || text === 'H')

/**
 * The one set of usual charges that adds up to a total; undefined where there is none, or more than one. By the sums that can be reached,
 * piece after piece: their number grows with the charges and not with the ways to combine them.
 */
function onlyCharges(open: readonly Piece[], total: number): readonly number[] | undefined {
  interface Way {
    readonly charges: readonly number[]
    readonly isOnly: boolean
  }
  let sums = new Map<number, Way>([[0, { charges: [], isOnly: true }]])
  for (const { may, count } of open) {
    const next = new Map<number, Way>()
    for (const [sum, { charges, isOnly }] of sums)
      for (const charge of may) {
        const reached = round(sum + charge * count)
        next.set(reached, { charges: [...charges, charge], isOnly: isOnly && !next.has(reached) })
      }
    if (next.size > MOST_SUMS) return undefined
    sums = next
  }
  const way = sums.get(round(total))
  return way?.isOnly ? way.charges : undefined
}

/** Counts may be fractions; sums of them are told apart to the ninth decimal. */
const round = (sum: number): number => Math.round(sum * 1e9) / 1e9
/** More sums than any formula of whole counts has: beyond, its charges count as not known. */
const MOST_SUMS = 5000
