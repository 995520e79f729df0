import {
  carrierFor,
  carriersOf,
  computeWorksheet,
  shareHeld,
  unitsTitrated,
  type Worksheet,
  type WorksheetResult,
} from '#core/assay'
import { molarMass, parseFormula, relate, type Formula } from '#core/formula'
import { metalOf } from '#core/outcome'
import { given, parseQuantity, product as figureOf, type Figure } from '#core/quantity'
import { readReaction } from '#core/sheet'
import { findProduct } from '#core/solution'
import { ionsOf } from '#core/species'

/** What the batch's own assays say of its product. */
export interface AssayEvidence {
  /** Its purity as the named form, a fraction of one, and how far that is known (95 %). */
  readonly purity: number
  readonly spread: number
  readonly name: string
  /** What of the product was counted: `Fe`, `SO4`, `H2O`; none where the whole is told. */
  readonly of?: string
}

/** What a worksheet found that the whole mother liquor still holds. */
export interface LiquorFound {
  /** The ion that was counted, and the element of it that is all counted so. */
  readonly of: string
  readonly element?: string
  readonly amount: Figure
  readonly name: string
}

/** The worksheets of the mother liquor, as what they counted. */
export function liquorsFound(product: Formula, assays: readonly Worksheet[]): LiquorFound[] {
  return assays.flatMap((sheet): LiquorFound[] => {
    if (sheet.kind === 'absorbance') return byColour(sheet, product)
    const species = sheet.kind === 'liquor' ? parseFormula(sheet.given.species ?? '') : undefined
    const { mean } = species?.ok ? computeWorksheet(sheet) : {}
    if (!species?.ok || !mean) return []
    const of = titratedPart(species.value, sheet.given.equation)
    const counted = parseFormula(of)
    const elements = counted.ok ? [...counted.value.composition.keys()].filter(symbol => !WATER.has(symbol)) : []
    return [{ of, amount: mean, name: sheet.name, ...(elements.length === 1 && { element: elements[0]! }) }]
  })
}
/** A concentration read off a line, in all of a liquor of this volume: of the metal of the salt that colours it, else of the product's. */
function byColour({ given: asked, ...rest }: Worksheet, product: Formula): LiquorFound[] {
  const whole = parseQuantity(asked.whole ?? '', { kinds: ['volume'], name: 'the whole liquor', source: rest.name })
  const { calibrated } = computeWorksheet({ given: asked, ...rest })
  const [reading] = calibrated?.readings ?? []
  const salt = parseFormula(asked.salt ?? '')
  const metal = metalOf(salt.ok ? salt.value : product)
  if (!whole.ok || !reading || !metal || calibrated?.unit !== 'mol/L') return []
  const concentration = given(reading.concentration, 'concentration', `{${metal}} in the liquor, read off the line`, {
    source: rest.name,
    uncertainty: reading.uncertainty,
  })
  const amount = figureOf(`{${metal}} in all the liquor`, 'amount', [concentration, whole.value], [], 1e-3)
  return [{ of: metal, element: metal, amount, name: rest.name }]
}

/** Elements that come and go with water. */
const WATER: ReadonlySet<string> = new Set(['H', 'O'])

/** Half a percent is what a careful assay is taken to be good for where it has no spread; common practice, no source. */
const LEAST_SPREAD = 0.005

/** The purities that the worksheets of a batch give its product; those that ask something else say nothing of it. */
export function assayEvidence(product: Formula, assays: readonly Worksheet[]): AssayEvidence[] {
  return assays.flatMap((sheet): AssayEvidence[] => {
    const result = computeWorksheet(sheet)
    if (sheet.kind === 'hydrate') return byWater(sheet, product, result)
    if (sheet.kind === 'composition') return byComposition(sheet, product, result)
    const { summary, budget } = result
    const found = summary && counted(sheet, product)
    if (!summary || !found) return []
    const purity = (summary.mean / 100) * found.factor
    const spread = Math.max((budget?.expanded ?? 0) / Math.abs(summary.mean), LEAST_SPREAD) * purity
    return [{ purity, spread, name: sheet.name, ...(found.of && { of: found.of }) }]
  })
}

const WATER_MASS = 18.015

/** What was left after heating, as the product: it holds M(product)/(M(salt) + n·M(H2O)) of the named form where n waters were found. */
function byWater({ given, name }: Worksheet, product: Formula, { summary, budget }: WorksheetResult): AssayEvidence[] {
  const salt = parseFormula(given.salt ?? '')
  const relation = salt.ok ? relate(product, salt.value) : undefined
  if (!salt.ok || !summary || relation?.units !== 1) return []
  const holds = (n: number): number => molarMass(product) / (molarMass(salt.value) + n * WATER_MASS)
  const purity = holds(summary.mean)
  const reach = Math.abs(holds(summary.mean - (budget?.expanded ?? 0)) - purity)
  return [{ purity, spread: Math.max(reach, LEAST_SPREAD * purity), name, of: 'H2O' }]
}

/** A metal and what it took up: of the mass found, what the metal of it makes of the product. */
function byComposition(
  { given, name }: Worksheet,
  product: Formula,
  { summary, budget }: WorksheetResult,
): AssayEvidence[] {
  const [metal, other] = [parseFormula(given.metal ?? ''), parseFormula(given.other ?? '')]
  if (!metal.ok || !other.ok || !summary) return []
  const [m, x] = [product.composition.get(metal.value.text) ?? 0, product.composition.get(other.value.text) ?? 0]
  if (m === 0 || x === 0 || product.composition.size !== 2) return []
  const weight = (ratio: number): number => molarMass(metal.value) + ratio * molarMass(other.value)
  const holds = (ratio: number): number => weight(x / m) / weight(ratio)
  const purity = holds(summary.mean)
  const reach = Math.abs(holds(summary.mean - (budget?.expanded ?? 0)) - purity)
  return [{ purity, spread: Math.max(reach, LEAST_SPREAD * purity), name, of: other.value.text }]
}

interface Counted {
  /** From the worksheet's percent to the purity as the product. */
  readonly factor: number
  readonly of?: string
}

/** What a worksheet counts of the product; undefined where it asks something else. */
function counted({ kind, given }: Worksheet, product: Formula): Counted | undefined {
  switch (kind) {
    case 'gravimetric':
      return byShare(given, product)
    case 'titration':
    case 'back titration':
      return byTitration(given, product)
    case 'ion exchange':
      return asForm(given.salt, product, 'charge')
    case 'two salts':
    case 'two readings':
      return asForm(given.first, product)
    default:
      return undefined
  }
}

function byShare(given: Worksheet['given'], product: Formula): Counted | undefined {
  const analyte = parseFormula(given.analyte ?? '')
  const weighed = parseFormula(given.weighedAs ?? '')
  const share = analyte.ok ? shareHeld(analyte.value, product) : undefined
  if (!analyte.ok || !share) return undefined
  const by = weighed.ok ? carrierFor(analyte.value, weighed.value, given.by?.trim() || undefined)?.by : undefined
  return { factor: 1 / share, of: by ?? analyte.value.text }
}

/** By what one unit of the titrated species stands for, in the form that the sample was taken as and in the product. */
function byTitration(given: Worksheet['given'], product: Formula): Counted | undefined {
  const [species, form] = [parseFormula(given.species ?? ''), parseFormula(given.form ?? '')]
  if (!species.ok || !form.ok) return undefined
  const [taken, held] = [unitsTitrated(species.value, form.value), unitsTitrated(species.value, product)]
  if (!taken || !held) return undefined
  const factor = ((taken / molarMass(form.value)) * molarMass(product)) / held
  const isWhole = relate(product, species.value) !== undefined
  return {
    factor,
    of: isWhole ? titratedPart(species.value, given.equation) : (carriersOf(species.value, product)[0]?.by ?? ''),
  }
}
/**
 * Of a salt titrated as a whole, the ion that the titrant counts: the one that stands in no product as an ion any more, as zinc in its complex or a carbonate by
 * acid; else the one that is thrown down.
 */
function titratedPart(species: Formula, equation = ''): string {
  const mine = ionsOf(species)?.map(({ text }) => text) ?? []
  const reaction = readReaction(equation)
  if (!reaction.ok) return species.text
  const products = reaction.value.products.map(({ species: { formula } }) => ({
    formula,
    ions: ionsOf(formula)?.map(({ text }) => text) ?? [],
  }))
  const gone = mine.find(text => products.every(({ ions }) => !ions.includes(text)))
  const down = products.find(({ formula }) => findProduct(formula))
  return gone ?? mine.find(text => down?.ions.includes(text)) ?? species.text
}

function asForm(text: string | undefined, product: Formula, of?: string): Counted | undefined {
  const form = parseFormula(text ?? '')
  const relation = form.ok ? relate(form.value, product) : undefined
  if (!form.ok || !relation) return undefined
  return { factor: (relation.units * molarMass(product)) / molarMass(form.value), ...(of && { of }) }
}
