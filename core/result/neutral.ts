import { ionText } from '#core/species'
import { molarMass, parseFormula, relate, type Formula } from '#core/formula'
import { acidsLeft, basesLeft, type AcidRow, type BaseRow } from '#core/reference'

/** Something that is left, by formula and moles. */
export interface Held {
  readonly formula: Formula
  readonly moles: number
}
export interface Neutral {
  /** What is left of each once acid and base in one liquor have used each other up, in the order given. */
  readonly left: readonly Held[]
  /** The salts that they made. */
  readonly salts: readonly Held[]
}

const formulaOf = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(`${text} does not read.`)
  return read.value
}
export const acidRow = (formula: Formula): AcidRow | undefined => rowOf(acidsLeft, formula)
export const baseRow = (formula: Formula): BaseRow | undefined => rowOf(basesLeft, formula)
const rowOf = <Row extends { of: string }>(rows: readonly Row[], formula: Formula): Row | undefined =>
  rows.find(({ of }) => relate(formula, formulaOf(of))?.units === 1)

/** Lets the acids and bases of one liquor neutralise each other, each kind in proportion. */
export function neutralise(held: readonly Held[]): Neutral {
  const acids = held.flatMap(one => withRow(one, acidRow(one.formula)))
  const bases = held.flatMap(one => withRow(one, baseRow(one.formula)))
  const acid = acids.reduce((sum, { equivalents }) => sum + equivalents, 0)
  const base = bases.reduce((sum, { equivalents }) => sum + equivalents, 0)
  const gone = Math.min(acid, base)
  if (!(gone > 0)) return { left: held, salts: [] }
  const left = held.map(one => {
    const whole = acids.some(({ held: of }) => of === one) ? acid : bases.some(({ held: of }) => of === one) ? base : 0
    return whole > 0 ? { ...one, moles: one.moles * (1 - gone / whole) } : one
  })
  const salts = bases.flatMap(({ row: { cation }, equivalents: ofBase }) =>
    acids.flatMap(({ row: { anion }, equivalents: ofAcid }): Held[] =>
      anion ? [saltOf(cation, anion, (gone * ofBase * ofAcid) / (base * acid))] : [],
    ),
  )
  return { left, salts }
}

function withRow<Row extends { count: number }>(held: Held, row: Row | undefined) {
  return row ? [{ held, row, equivalents: row.count * held.moles }] : []
}

/** The salt of two ions from so many equivalents. */
function saltOf(
  [cation, zc]: readonly [string, number],
  [anion, za]: readonly [string, number],
  equivalents: number,
): Held {
  const common = zc === za ? zc : zc * za
  return { formula: formulaOf(ionText(cation, common / zc) + ionText(anion, common / za)), moles: equivalents / common }
}

export const gramsOf = ({ formula, moles }: Held): number => moles * molarMass(formula)
