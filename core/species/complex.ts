import { anionStems, ligands, metalCharges, plainLigands } from '#core/reference'
import { tokensOf, written, type Token } from './tokens'

export interface BoundLigand {
  /** As written: `NH3`, `en`. */
  readonly text: string
  readonly name: string
  readonly count: number
  readonly charge: number
  readonly sites: number
}

/** A metal with its ligands; the oxidation state follows once the complex's own charge is known. */
export interface Complex {
  readonly metal: string
  readonly ligands: readonly BoundLigand[]
  /** Sum of the ligands' charges. */
  readonly ligandCharge: number
  readonly coordinationNumber: number
}

interface Kind {
  readonly text: string
  readonly name: string
  readonly charge: number
  readonly sites: number
}
const byText: ReadonlyMap<string, Kind> = new Map([
  ...plainLigands.map((row): [string, Kind] => [row.formula, { ...row, text: row.formula }]),
  ...ligands.map((row): [string, Kind] => [row.abbreviation, { ...row, text: row.abbreviation }]),
])

const isMetal = (symbol: string): boolean => symbol in metalCharges || symbol in anionStems

/** Reads what stands inside a complex's brackets: `Co(NH3)5Cl`; undefined where a ligand is not known or there is no metal. */
export function readComplex(inner: string): Complex | undefined {
  const [first, ...rest] = tokensOf(inner)
  if (!first || first.bracket !== '' || first.count !== 1 || !isMetal(first.text) || rest.length === 0) return undefined
  const bound = readLigands(rest)
  if (!bound) return undefined
  return {
    metal: first.text,
    ligands: bound,
    ligandCharge: bound.reduce((total, { charge, count }) => total + charge * count, 0),
    coordinationNumber: bound.reduce((total, { sites, count }) => total + sites * count, 0),
  }
}

function readLigands(tokens: readonly Token[]): BoundLigand[] | undefined {
  const bound: BoundLigand[] = []
  let i = 0
  while (i < tokens.length) {
    const token = tokens[i]!
    if (token.bracket === '(') {
      const kind = byText.get(token.text)
      if (!kind) return undefined
      bound.push({ ...kind, count: token.count })
      i++
      continue
    }
    const run = longestRun(tokens, i)
    if (!run) return undefined
    bound.push(run.ligand)
    i = run.next
  }
  return bound
}

/** Ligands without brackets: `CO3` rather than CO, `Cl2` as two chlorides. */
function longestRun(tokens: readonly Token[], from: number): { ligand: BoundLigand; next: number } | undefined {
  for (let to = tokens.length; to > from; to--) {
    const run = tokens.slice(from, to)
    if (run.some(({ bracket }) => bracket !== '')) continue
    const kind = byText.get(written(run))
    if (kind) return { ligand: { ...kind, count: 1 }, next: to }
  }
  const one = tokens[from]!
  const kind = one.bracket === '' ? byText.get(one.text) : undefined
  return kind && { ligand: { ...kind, count: one.count }, next: from + 1 }
}

/** A neutral complex written without square brackets, `Ni(dmg)2`: a metal and nothing but ligands that take two sites or more. */
export function readBareComplex(part: string): Complex | undefined {
  const tokens = tokensOf(part)
  if (tokens.length < 2 || tokens.slice(1).some(({ bracket }) => bracket !== '(')) return undefined
  const complex = readComplex(part)
  const holds = complex?.ligands.every(({ sites, text }) => sites >= 2 && !['CO3', 'C2O4', 'ox'].includes(text))
  return holds ? complex : undefined
}
