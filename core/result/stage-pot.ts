import { molarMass, parseFormula } from '#core/formula'
import { addSolute, type Curve, type PotState } from '#core/solution'
import type { StageSheet } from '#core/sheet'
import { gramsOf, neutralise, type Held } from './neutral'

export interface StagePot {
  readonly pot: PotState
  /** Substances of the liquor that no table of solubility knows, so that they are not in it. */
  readonly leftOut: readonly { readonly form: string; readonly mass: number }[]
}

const ROOM = 25
const IN_LIQUOR = new Set(['stays in the liquor', 'washed out', 'quenched'])

/**
 * What a stage leaves in solution before it is isolated: all its water, the product at full conversion, the by-products and excesses that
 * stay in the liquor. Boiling down is left to the moves. Undefined where the product itself has no solubility.
 */
export function stagePot(sheet: StageSheet, own: readonly Curve[] = []): StagePot | undefined {
  const { total, intoProduct, evaporated } = sheet.water
  const water = Math.max(0, total.value + intoProduct.value + (evaporated?.value ?? 0))
  const wanted = sheet.products[0]!
  const held = [
    ...sheet.products
      .slice(1)
      .filter(({ wayOut, species }) => wayOut === 'stays in the liquor' && species !== 'H2O')
      .map(({ species, theoretical }) => ({ text: species, mass: theoretical.value })),
    ...sheet.reagents
      .filter(({ limits, planned, leftover }) => planned && !limits && IN_LIQUOR.has(leftover.wayOut))
      .map(({ species, weighAs, leftover }) => ({
        text: weighAs === '' ? species : weighAs,
        mass: leftover.mass.value,
      })),
  ].flatMap(({ text, mass }): Held[] => {
    const read = parseFormula(text)
    return read.ok ? [{ formula: read.value, moles: mass / molarMass(read.value) }] : []
  })
  // An excess of acid and one of base in one pot have used each other up: neither is there for the metal to meet.
  const { left, salts } = neutralise(held)
  let pot: PotState = { celsius: ROOM, water: 0, totals: new Map(), solutes: [] }
  const form = parseFormula(wanted.form)
  const added = form.ok ? addSolute(pot, form.value, wanted.theoretical.value, own) : undefined
  if (!added?.ok) return undefined
  pot = { ...added.value, water }
  const leftOut: { form: string; mass: number }[] = []
  for (const one of [...left, ...salts]) {
    const mass = gramsOf(one)
    if (mass < 1e-9) continue
    const next = addSolute({ ...pot, water: 0 }, one.formula, mass, own)
    if (next.ok) pot = { ...next.value, water }
    else leftOut.push({ form: one.formula.text, mass })
  }
  return { pot, leftOut }
}
