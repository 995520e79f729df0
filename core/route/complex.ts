import { ligands as ligandRows } from '#core/reference'
import { readBareComplex, readComplex, type BoundLigand, type Complex } from '#core/species'
import type { Part } from './compose'
import { heldBy } from './properties'
import { stuffOf, type Stuff } from './stuff'

/** A coordination compound as its centre, what is bound to it, and the one kind of ion beside it. */
export interface Centre {
  readonly metal: string
  readonly state: number
  readonly charge: number
  readonly ligands: readonly BoundLigand[]
  /** The ion beside it; none where the complex has no charge. */
  readonly counter: Part | undefined
  /** The complex itself as it is written. */
  readonly text: string
}

/** What a target is as a complex; undefined for what is none, or holds more than one complex or several other ions. */
export function centreOf({ cations, anions, formula }: Stuff): Centre | undefined {
  const ions = [...cations, ...anions]
  const bound = ions.filter(one => one.complex)
  if (bound.length === 1 && ions.length === 2) {
    const { complex, charge, text } = bound[0]!
    const counter = ions.find(one => !one.complex)!
    return made(complex!, charge, text, { text: counter.text, charge: counter.charge })
  }
  if (ions.length > 0) return undefined
  const inner = /^\[(.*)\]$/.exec(formula.text)?.[1]
  const neutral = inner === undefined ? readBareComplex(formula.text) : readComplex(inner)
  return neutral && made(neutral, 0, formula.text, undefined)
}

const made = (
  { metal, ligands, ligandCharge }: Complex,
  charge: number,
  text: string,
  counter: Part | undefined,
): Centre => ({
  metal,
  state: charge - ligandCharge,
  charge,
  ligands,
  counter,
  text,
})

/** Why a metal ion is not known to hold one of its ligands, or so many of it; undefined where all is known. */
export function notHeld({ metal, state, ligands }: Centre): string | undefined {
  for (const { text, count } of ligands) {
    if (text === 'H2O') continue
    const row = heldBy(metal, state, text)
    if (!row)
      return `Nothing here knows {${metal}} in its state ${state} to hold ${text} in water: no route is planned on it.`
    if (count > row.most) return `{${metal}} in its state ${state} holds at most ${row.most} ${text} in water.`
  }
  return undefined
}

/** A bound ligand as a molecule or ion by its formula: en is C2H8N2. */
export const ligandFormula = (text: string): string =>
  (ligandRows as readonly { abbreviation: string; formula: string }[]).find(row => row.abbreviation === text)
    ?.formula ?? text

/** A ligand that has lost protons, with them again: acetylacetone of acac, oxalic acid of oxalate; undefined where no table has it as a liquid or solid. */
export function protonated(text: string, charge: number, byKey: ReadonlyMap<string, Stuff>): Stuff | undefined {
  const plain = ligandFormula(text)
  const hydrogens = -charge
  if (hydrogens <= 0) return undefined
  const read = stuffOf(`H${hydrogens === 1 ? '' : hydrogens}${/^[A-Z][a-z]?$/.test(plain) ? plain : `(${plain})`}`)
  const found = read && byKey.get(read.key)
  return found && found.row?.state !== 'gas' ? found : undefined
}
