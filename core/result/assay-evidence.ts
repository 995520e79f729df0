import { computeWorksheet, shareHeld, type Worksheet } from '#core/assay'
import { molarMass, parseFormula, relate, type Formula } from '#core/formula'

/** What the batch's own assays say of its product. */
export interface AssayEvidence {
  /** Its purity as the named form, a fraction of one, and how far that is known (95 %). */
  readonly purity: number
  readonly spread: number
  readonly name: string
}

/** Half a percent is what a careful assay is taken to be good for where it has no spread; common practice, no source. */
const LEAST_SPREAD = 0.005

/** The purities that titrations, gravimetric assays and losses on heating of a batch give its product; others say nothing of it. */
export function assayEvidence(product: Formula, assays: readonly Worksheet[]): AssayEvidence[] {
  return assays.flatMap((sheet): AssayEvidence[] => {
    const { summary, budget } = computeWorksheet(sheet)
    const reach = budget?.expanded ?? 0
    if (summary && sheet.kind === 'hydrate') return byWater(sheet, product, summary.mean, reach)
    const factor = summary && factorFor(sheet, product)
    if (!summary || factor === undefined) return []
    const purity = (summary.mean / 100) * factor
    const spread = Math.max(reach / summary.mean, LEAST_SPREAD) * purity
    return [{ purity, spread, name: sheet.name }]
  })
}

const WATER = 18.015

/** What was left after heating, as the product: it holds M(product)/(M(salt) + n·M(H2O)) of the named form where n waters were found. */
function byWater({ given, name }: Worksheet, product: Formula, waters: number, confidence: number): AssayEvidence[] {
  const salt = parseFormula(given.salt ?? '')
  const relation = salt.ok ? relate(product, salt.value) : undefined
  if (!salt.ok || relation?.units !== 1) return []
  const holds = (n: number): number => molarMass(product) / (molarMass(salt.value) + n * WATER)
  const purity = holds(waters)
  return [{ purity, spread: Math.max(Math.abs(holds(waters - confidence) - purity), LEAST_SPREAD * purity), name }]
}

/** From the worksheet's result to the purity as the product; undefined where it asks something else. */
function factorFor({ kind, given }: Worksheet, product: Formula): number | undefined {
  if (kind === 'gravimetric') {
    const analyte = parseFormula(given.analyte ?? '')
    const share = analyte.ok ? shareHeld(analyte.value, product) : undefined
    return share && 1 / share
  }
  if (kind !== 'titration' && kind !== 'back titration') return undefined
  const form = parseFormula(given.form ?? '')
  const relation = form.ok ? relate(form.value, product) : undefined
  if (!form.ok || !relation) return undefined
  return (relation.units * molarMass(product)) / molarMass(form.value)
}
