import { computeWorksheet, type Worksheet, type WorksheetKind } from '#core/assay'
import { parseFormula, type Formula } from '#core/formula'
import { metalCharges } from '#core/reference'
import { describeComplex, ionsOf, partsOf } from '#core/species'
import { assayEvidence, type AssayEvidence } from './assay-evidence'

/** One thing that a formula claims, and what the batch's worksheets say of it. Formulas stand in braces. */
export interface Claim {
  readonly what: string
  readonly says: 'agrees' | 'differs' | 'unproved'
  readonly text: string
}
export interface Proof {
  readonly claims: readonly Claim[]
  /** Worksheets that contradict each other. */
  readonly against: readonly string[]
  readonly headline: string
}

/** How far an assay may lie off the formula and agree: half a percent of it, or its own spread; common practice, no source. */
const NEAR = 0.005

/**
 * Purity and identity of a product told together: each part that its formula claims (its ions and ligands, its water, what stands inside the brackets, the spin of its
 * metal) against the worksheets that tell of it, where these contradict each other, and what nothing proves.
 */
export function proofOf(product: Formula, assays: readonly Worksheet[]): Proof {
  const evidence = assayEvidence(product, assays)
  const claims = [...contents(product, evidence), ...inside(product, assays), ...spin(product, assays), ...dry(assays)]
  return { claims, against: contradictions(evidence), headline: headlineOf(claims) }
}

interface Part {
  readonly text: string
  readonly name: string
}
/** What a formula is made of, each as one claim: ions and ligands, coordinated or not, and water. */
function partsClaimed(product: Formula): Part[] {
  const { waters } = partsOf(product.text)
  const complexes = describeComplex(product)
  const inner = complexes.flatMap(({ metal, ligands }) => [metal, ...ligands.map(({ text }) => text)])
  const outer = (ionsOf(product) ?? []).flatMap(({ text, complex }) => (complex ? [] : [text]))
  const texts = [...new Set([...inner, ...outer, ...(waters > 0 ? ['H2O'] : [])])]
  const claimed = texts.length > 0 ? texts : [...product.composition.keys()]
  return claimed
    .toSorted((a, b) => rank(a) - rank(b))
    .map(text => ({ text, name: text === 'H2O' ? 'water' : `{${text}}` }))
}
/** Metals first, water last. */
const rank = (text: string): number => (text === 'H2O' ? 2 : text in metalCharges ? 0 : 1)

const percent = (share: number): string => `${(100 * share).toFixed(share > 0.1 ? 1 : 2)} %`

function contents(product: Formula, evidence: readonly AssayEvidence[]): Claim[] {
  const parts = partsClaimed(product)
  const whole = evidence.filter(({ of }) => of === undefined)
  return [
    ...(whole.length > 0 ? [claimFrom('the whole', whole)] : []),
    ...parts.map(({ text, name }): Claim => {
      const mine = evidence.filter(({ of }) => of !== undefined && tells(of, text, parts))
      return mine.length > 0 ? claimFrom(name, mine) : { what: name, says: 'unproved', text: 'No worksheet counts it.' }
    }),
    ...evidence.filter(({ of }) => of === 'charge').map(one => claimFrom('the charges', [one])),
  ]
}
/** An element that was counted tells of the one ion or ligand that holds it: sulfur of sulfate, nitrogen of neither ammonia nor nitrate beside each other. */
function tells(of: string, part: string, parts: readonly Part[]): boolean {
  if (of === part) return true
  const holders = parts.filter(({ text }) => holds(text, of))
  return !COMMON.includes(of) && holders.length === 1 && holders[0]?.text === part
}
const COMMON = ['H', 'O']
function holds(text: string, symbol: string): boolean {
  const read = parseFormula(text)
  return read.ok && read.value.composition.has(symbol)
}

function claimFrom(what: string, evidence: readonly AssayEvidence[]): Claim {
  const off = evidence.map(({ purity }) => purity - 1)
  const agrees = evidence.every(({ purity, spread }) => Math.abs(purity - 1) <= Math.max(spread, NEAR))
  const worst = off.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a))
  const by = evidence.map(({ name }) => `“${name}”`).join(', ')
  return {
    what,
    says: agrees ? 'agrees' : 'differs',
    text: agrees
      ? `Within ${percent(Math.max(0.001, Math.abs(worst)))} of the formula by ${by}.`
      : `${percent(Math.abs(worst))} ${worst < 0 ? 'less' : 'more'} than the formula by ${by}.`,
  }
}

/** What stands inside the brackets shows only where something counts ions. */
function inside(product: Formula, assays: readonly Worksheet[]): Claim[] {
  const complexes = describeComplex(product)
  if (complexes.length === 0) return []
  const what = 'what is inside the brackets'
  return [
    byFinding(what, assays, ['conductance', 'ion exchange'], ['Ions', 'Charges']) ?? {
      what,
      says: 'unproved',
      text: 'Nothing tells inside from outside: molar conductance does, or ion exchange.',
    },
  ]
}

function spin(product: Formula, assays: readonly Worksheet[]): Claim[] {
  const found = byFinding('the spin of the metal', assays, ['magnetic'], ['Unpaired electrons'])
  return found && describeComplex(product).length > 0 ? [found] : []
}
const dry = (assays: readonly Worksheet[]): Claim[] => {
  const found = byFinding('dryness', assays, ['loss on drying'], ['Constant mass', 'Not constant'])
  return found ? [found] : []
}

/** What a worksheet says in its own words. */
function byFinding(
  what: string,
  assays: readonly Worksheet[],
  kinds: readonly WorksheetKind[],
  tags: readonly string[],
): Claim | undefined {
  const told = assays
    .filter(({ kind }) => kinds.includes(kind))
    .flatMap(sheet =>
      computeWorksheet(sheet)
        .findings.filter(({ tag }) => tags.includes(tag))
        .map(finding => ({ ...finding, name: sheet.name })),
    )
  const [first] = told
  if (!first) return undefined
  const doubtful = told.find(({ tone }) => tone === 'caution')
  const shown = doubtful ?? first
  return { what, says: doubtful ? 'differs' : 'agrees', text: `“${shown.name}”: ${shown.text}` }
}

/** Two worksheets whose purities lie further apart than both their spreads. */
function contradictions(evidence: readonly AssayEvidence[]): string[] {
  return evidence.flatMap((one, i) =>
    evidence.slice(i + 1).flatMap(other => {
      const apart = Math.abs(one.purity - other.purity)
      return apart > Math.hypot(one.spread, other.spread)
        ? [
            `“${one.name}” makes it ${percent(one.purity)} of the formula, “${other.name}” ${percent(other.purity)}: both cannot hold, unless it is a mixture.`,
          ]
        : []
    }),
  )
}

function headlineOf(claims: readonly Claim[]): string {
  const named = (says: Claim['says']): string[] => claims.filter(claim => claim.says === says).map(({ what }) => what)
  const [agrees, differs, open] = [named('agrees'), named('differs'), named('unproved')]
  const sentences = [
    agrees.length > 0 ? `${joined(agrees)} ${agrees.length > 1 ? 'agree' : 'agrees'} with the formula` : '',
    differs.length > 0 ? `${joined(differs)} ${differs.length > 1 ? 'do' : 'does'} not` : '',
    open.length > 0 ? `nothing proves ${joined(open, 'or')}` : '',
  ].filter(Boolean)
  const text = sentences.join('; ')
  return text === '' ? 'Nothing is proved yet.' : `${text[0]!.toUpperCase()}${text.slice(1)}.`
}
const joined = (words: readonly string[], last = 'and'): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`
