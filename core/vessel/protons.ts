import { parseFormula, relate, type Formula } from '#core/formula'
import {
  metalsInAcid,
  oxidisingAnions,
  protonAcceptors,
  protonDonors,
  type AcceptorRow,
  type DonorRow,
  type MetalInAcid,
} from '#core/reference'
import { ionsOf } from '#core/species'

/** What one formula unit gives or takes of protons, by its strongest part. */
export interface Protons {
  readonly count: number
  /** Of the acid itself, or of what the base becomes. */
  readonly pKa: number
}
/** What one formula unit of a base makes as it is neutralised: gases and water, in moles. */
export interface Made {
  readonly formula: Formula
  readonly count: number
  readonly gas: boolean
}

const formulaOf = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(`${text} does not read.`)
  return read.value
}
const molecules = protonDonors.filter(({ charge }) => charge === 0).map(row => ({ row, formula: formulaOf(row.of) }))
const ammonia = formulaOf('NH3')
const hydrogen = formulaOf('H2')

/** The row of a molecule that gives protons, with or without water of crystallisation. */
export const donorOf = (formula: Formula): DonorRow | undefined =>
  molecules.find(one => relate(formula, one.formula)?.units === 1)?.row

/** How many protons one formula unit gives to a base that is strong enough; undefined where it is no acid. */
export function acidOf(formula: Formula): Protons | undefined {
  const whole = donorOf(formula)
  if (whole) return { count: whole.gives, pKa: whole.pKa }
  const rows = (ionsOf(formula) ?? []).flatMap(({ text, charge, count }) => {
    const row = protonDonors.find(one => one.of === text && one.charge === charge)
    return row ? [{ row, count }] : []
  })
  if (rows.length === 0) return undefined
  return {
    count: rows.reduce((sum, { row, count }) => sum + row.gives * count, 0),
    pKa: Math.min(...rows.map(({ row }) => row.pKa)),
  }
}

function acceptorsIn(formula: Formula): { readonly row: AcceptorRow; readonly count: number }[] {
  if (donorOf(formula)) return []
  if (relate(formula, ammonia)?.units === 1)
    return protonAcceptors.filter(({ of }) => of === 'NH3').map(row => ({ row, count: 1 }))
  return (ionsOf(formula) ?? []).flatMap(({ text, charge, count }) => {
    const row = protonAcceptors.find(one => one.of === text && one.charge === charge)
    return row ? [{ row, count }] : []
  })
}

/** How many protons one formula unit takes from an acid that is strong enough; undefined where it is no base. */
export function baseOf(formula: Formula): Protons | undefined {
  const rows = acceptorsIn(formula)
  if (rows.length === 0) return undefined
  return {
    count: rows.reduce((sum, { row, count }) => sum + row.takes * count, 0),
    pKa: Math.max(...rows.map(({ row }) => row.pKa)),
  }
}

/** What one formula unit of a base makes once all its protons are there. */
export const madeByAcid = (formula: Formula): Made[] => {
  const metal = metalOf(formula)
  return metal ? [{ formula: hydrogen, count: metal.charge / 2, gas: true }] : madeOfBase(formula)
}
const madeOfBase = (formula: Formula): Made[] =>
  acceptorsIn(formula).flatMap(({ row, count }) =>
    row.becomes.flatMap(({ text, charge, count: each, gas }) =>
      charge === 0 ? [{ formula: formulaOf(text), count: each * count, gas: gas === true }] : [],
    ),
  )

/** An acid and a base meet where the base holds the proton better by more than this power of ten; a judgement, no source. */
const APART = 1
export const neutralises = (acid: Protons, base: Protons): boolean => acid.pKa + APART < base.pKa

const metals = metalsInAcid.map(row => ({ row, formula: formulaOf(row.metal) }))
const oxidising = new Set(oxidisingAnions)
/** The charge that a metal gives to dilute acid, one hydrogen for two; undefined for what dilute acid leaves alone. */
export const metalOf = (formula: Formula): MetalInAcid | undefined =>
  metals.find(one => one.formula.text === formula.text)?.row

/** Hydrogen comes where the acid is no weaker than this, and does not oxidise; a judgement for the weak ones. */
const WEAKEST = 5
export function dissolvesMetals(acid: Formula): boolean {
  const protons = acidOf(acid)
  if (!protons || protons.pKa > WEAKEST) return false
  const leaves = donorOf(acid)?.leaves
  return leaves === undefined || !oxidising.has(leaves)
}
