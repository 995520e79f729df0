import { substances, type InAir, type SubstanceRow } from '#core/reference'
import type { Composition, Formula } from './formula'
import { parseFormula } from './parse'

/** A row of the substance table, and how many waters per its formula this form has. */
export interface Known {
  readonly row: SubstanceRow
  readonly waters: number
  readonly units: number
}

/** Every form of every row by its composition; solids also as half and double units, since double salts are written both ways. */
function indexOf(rows: readonly SubstanceRow[]): ReadonlyMap<string, Known> {
  const byComposition = new Map<string, Known>()
  for (const units of [1, 2, 0.5]) {
    for (const row of rows) {
      if (units !== 1 && row.state !== 'solid') continue
      const read = parseFormula(row.formula)
      if (!read.ok) throw new Error(`The substance table holds ${row.formula}: ${read.problem.code}`)
      for (const [waters] of row.forms ?? [[0]]) {
        const key = keyOf(hydrated(read.value.composition, waters, units))
        if (!byComposition.has(key)) byComposition.set(key, { row, waters, units })
      }
    }
  }
  return byComposition
}

let known: ReadonlyMap<string, Known> | undefined
/** Made on first use: a command that asks for a molar mass need not wait for it. */
const shipped = (): ReadonlyMap<string, Known> => (known ??= indexOf(substances))
/** Indexes of the labs' own rows, kept as long as their lists are. */
const ownIndexes = new WeakMap<readonly SubstanceRow[], ReadonlyMap<string, Known>>()

function ownIndexOf(rows: readonly SubstanceRow[]): ReadonlyMap<string, Known> {
  const known = ownIndexes.get(rows) ?? indexOf(rows)
  ownIndexes.set(rows, known)
  return known
}

const NONE: readonly SubstanceRow[] = []

function hydrated(base: Composition, waters: number, units: number): Composition {
  const counts = new Map([...base].map(([symbol, count]) => [symbol, units * count]))
  if (waters > 0) {
    counts.set('H', (counts.get('H') ?? 0) + 2 * units * waters)
    counts.set('O', (counts.get('O') ?? 0) + units * waters)
  }
  return counts
}

/** The same text for the same composition, in whatever order it was written. */
function keyOf(composition: Composition): string {
  const symbols = [...composition.keys()].sort()
  let key = ''
  for (const symbol of symbols) key += symbol + composition.get(symbol)
  return key
}

/** The row for a substance or one of its known hydrates, the lab's own before the shipped one; undefined where there is neither. */
export function findSubstance(formula: Formula, own = NONE): Known | undefined {
  if (formula.charge !== 0) return undefined
  const key = keyOf(formula.composition)
  return (own.length > 0 ? ownIndexOf(own).get(key) : undefined) ?? shipped().get(key)
}

/**
 * The known forms of the product's substance as formula texts, fewest waters first; empty where the table has none. The form that is the
 * formula itself keeps its text, so that a double salt written as twice its row stands once.
 */
export function formsOf(formula: Formula, own = NONE): string[] {
  const known = findSubstance(formula, own)
  if (!known) return []
  return (known.row.forms ?? []).map(([waters]) =>
    known.units !== 1 && Math.abs(waters - known.waters) < 1e-9 ? formula.text : withWaters(known.row.formula, waters),
  )
}

/** The formula with so many waters added; thirds and the like as fractions, which read back exactly. */
export function withWaters(formula: string, waters: number): string {
  if (waters === 0) return formula
  if (waters === 1) return `${formula}·H2O`
  const bottom = [1, 2, 3, 4, 6, 12].find(n => Math.abs(waters * n - Math.round(waters * n)) < 1e-9)
  const text =
    bottom === undefined || 10_000 % bottom === 0 ? String(waters) : `${Math.round(waters * bottom)}/${bottom}`
  return `${formula}·${text}H2O`
}

/** A hydrate that turns below this, °C, loses water in dry or warm rooms; a judgement. */
const TURNS_EASILY = 65

/**
 * What a form does in air: the word of its row holds for the salt as it is usually handled. Where that loses water, its dry form takes it up; where that takes water up, the hydrate that is full of it keeps, or loses it.
 */
export function inAirOf({ row, waters }: Pick<Known, 'row' | 'waters'>): InAir | undefined {
  const { air, forms = [] } = row
  if (air !== 'effloresces' && air !== 'hygroscopic') return air
  const most = Math.max(0, ...forms.map(([count]) => count))
  if (most === 0) return air
  if (waters === 0) return 'hygroscopic'
  const until = forms.find(([count]) => Math.abs(count - waters) < 1e-9)?.[3]
  return until !== undefined && until < TURNS_EASILY ? 'effloresces' : 'keeps'
}

/** Word and swatch for the colour of this form; undefined where it is not known. */
export function colourOf(formula: Formula, own = NONE): { readonly word: string; readonly swatch: string } | undefined {
  const known = findSubstance(formula, own)
  const form = known?.row.forms?.find(([waters]) => Math.abs(waters - known.waters) < 1e-9)
  return form && { word: form[1], swatch: form[2] }
}
