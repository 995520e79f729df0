import distance from 'damerau-levenshtein'
import { findElement, findSubstance, parseFormula, withWaters, type Formula } from '#core/formula'
import {
  anions,
  cations,
  elements,
  everydayNames,
  ligands,
  metalCharges,
  oldMetalNames,
  otherSpellings,
  shapeWords,
  substances,
  unsaidStates,
} from '#core/reference'
import { readBareComplex } from './complex'
import { ionsOf } from './ions'
import { nameOf } from './names'
import { complexIon, formulaFromName, neutral, simpleIon, type NamedIon } from './read-name'

/** What a text names. */
export interface Found {
  readonly formula: Formula
  /** Its form was said: a formula with its waters, a word such as pentahydrate or anhydrous, or a name that means one form. */
  readonly isFormSaid: boolean
  /** Mass percent, where it is something sold in water. */
  readonly percent?: number
  /** The words as they were taken, where they had slips. */
  readonly corrected?: string
  /** What was taken for granted: the state of a metal that the name leaves out. */
  readonly taken?: string
}

/**
 * The substance that a text means: a formula, a name of the tables, a systematic name, an old or household or mineral one, in any order of its words, with slips of the keys. Undefined where nothing is near enough, or two
 * things are as near.
 */
export function findByName(text: string): Found | undefined {
  const plain = tidied(text)
  if (plain === '' || plain.length > 160) return undefined
  return exact(plain) ?? asFormula(plain) ?? bareLigand(plain) ?? (isWords(plain) ? slipped(plain) : undefined)
}

/** A formula or a name as typed, for a search: the formula it means, with its systematic name; slips are not mended, since half a word is no slip. */
export function findByWords(text: string): { formula: string; name: string | undefined } | undefined {
  const plain = tidied(text)
  if (plain === '' || plain.length > 160) return undefined
  const found = asFormula(plain) ?? exact(plain) ?? bareLigand(plain)
  return found && { formula: found.formula.text, name: nameOf(found.formula) }
}

/** Words and no formula: a slip in a formula is not mended to a name. The name of a complex ion is a word, brackets and all. */
const isWords = (text: string): boolean =>
  text
    .split(' ')
    .every(
      word =>
        (/^[A-Za-zäöü][a-zäöü’'-]*(?:\([iv]+\))?$/i.test(word) && !/[a-z][A-Z]/.test(word)) ||
        complexIon(word.toLowerCase()) !== undefined,
    )

/** Marks of a reaction, phases and quotes that are no part of a name; hydrates written with a letter x or a star. */
export const tidied = (text: string): string =>
  text
    .normalize('NFC')
    .replace(/[↑↓]/g, '')
    .replace(/\((?:s|l|g|aq|conc\.?|dil\.?|cr)\)/gi, '')
    .replace(/\s*(?:[x×*•.]|·)\s*(\d+(?:[.,]\d+)?\s*H2O)\b/g, '·$1')
    .replace(/(\d)\s+H2O\b/g, '$1H2O')
    .replace(/^(?:cis|trans|fac|mer)-/i, '')
    .replace(/\s+/g, ' ')
    .trim()

function asFormula(plain: string): Found | undefined {
  const read = parseFormula(withoutShape(plain))
  return read.ok && read.value.charge === 0 ? { formula: read.value, isFormSaid: true } : undefined
}

/** `en`, `phen`: the molecule that binds; of one that loses a proton as it does (acac, gly), the molecule with that proton. */
function bareLigand(plain: string): Found | undefined {
  const row = ligands.find(({ abbreviation }) => abbreviation === plain)
  if (!row) return undefined
  const read = parseFormula(row.charge < 0 ? `${row.formula}H${row.charge === -1 ? '' : -row.charge}` : row.formula)
  const known = read.ok ? findSubstance(read.value)?.row : undefined
  const whole = known && parseFormula(known.formula)
  return whole?.ok ? { formula: whole.value, isFormSaid: false } : undefined
}

const HYDRATE =
  /,?[ -]?(hemi|mono|sesqui|di|tri|tetra|penta|hexa|hepta|octa|nona|deca|undeca|dodeca|octadeca|\d+)?-?hydrate$/
const COUNTS: Readonly<Record<string, number>> = {
  hemi: 0.5, mono: 1, sesqui: 1.5, di: 2, tri: 3, tetra: 4, penta: 5, hexa: 6, hepta: 7, octa: 8, nona: 9, deca: 10, undeca: 11, dodeca: 12, octadeca: 18,
} // prettier-ignore

/** A name without slips: an everyday one, one of the tables, or put together from its ions. */
function exact(text: string): Found | undefined {
  const lower = spelled(text.toLowerCase())
  const everyday = everydayOf(text.toLowerCase()) ?? everydayOf(lower) ?? everydayOf(withoutShape(lower))
  if (everyday) return everyday
  const hydrate = HYDRATE.exec(lower)
  const dry = /^anhydrous | anhydrous$/.test(lower)
  const base = withoutShape(lower.replace(HYDRATE, '').replace(/^anhydrous | anhydrous$/g, ''))
  const named = nameOfTable(base) ?? fromWords(base)
  const read = named && parseFormula(named.formula)
  if (!named || !read?.ok) return undefined
  const waters = hydrate ? (COUNTS[hydrate[1] ?? ''] ?? Number(hydrate[1])) : undefined
  const whole = waters === undefined || Number.isNaN(waters) ? read : parseFormula(withWaters(named.formula, waters))
  return whole.ok
    ? { formula: whole.value, isFormSaid: dry || waters !== undefined, ...(named.taken && { taken: named.taken }) }
    : undefined
}

const spelled = (text: string): string =>
  otherSpellings.reduce(
    (so, [other, ours]) => so.replace(new RegExp(`\\b${other}\\b`, 'g'), ours),
    text.replaceAll('sulph', 'sulf').replace(/['’′]s\b/g, '’s'),
  )

const shapes = new Set(shapeWords)
function withoutShape(text: string): string {
  const kept = text.split(' ').filter(word => !shapes.has(word.toLowerCase()))
  return kept.length === 0 ? text : kept.join(' ').replace(/^of /, '')
}

const everyday = new Map(everydayNames.flatMap(row => row.names.map(name => [name, row] as const)))
function everydayOf(name: string): Found | undefined {
  const row = everyday.get(name) ?? everyday.get(name.replace(/’s\b/g, ''))
  const read = row && parseFormula(row.formula)
  return row && read?.ok
    ? {
        formula: read.value,
        isFormSaid: row.formula.includes('H2O'),
        ...(row.percent !== undefined && { percent: row.percent }),
      }
    : undefined
}

interface Named {
  readonly formula: string
  readonly taken?: string
}

function nameOfTable(name: string): Named | undefined {
  const formula = formulaFromName(name)
  return formula === undefined ? undefined : { formula }
}

/** Cations and one anion in any order, `hydrogen` before an anion joined to it, metals without a state in the one that is usual. */
function fromWords(name: string): Named | undefined {
  const words = name
    .replace(/\b(hydrogen|dihydrogen) (?=[a-z]+(?:ate|ite)\b)/g, '$1')
    .split(' ')
    .filter(word => word !== 'of' && word !== '')
  const ions: (NamedIon & { readonly open?: string })[] = []
  for (const word of words) {
    const ion = simpleIon(word) ?? oldMetal(word) ?? chelate(word) ?? complexIon(word) ?? openMetal(word)
    if (!ion) return undefined
    ions.push(ion)
  }
  const positive = ions.filter(({ charge }) => charge >= 0)
  const negative = ions.filter(({ charge }) => charge < 0)
  if (negative.length !== 1 || positive.length === 0) return undefined
  const open = positive.filter(one => one.open !== undefined)
  if (open.length > 1) return undefined
  const [metal] = open
  if (!metal) return put(positive, negative[0]!)
  const tried = (unsaidStates[metal.text] ?? metalCharges[metal.text] ?? []).flatMap(charge => {
    const formula = put(
      positive.map(one => (one === metal ? { text: metal.text, charge } : one)),
      negative[0]!,
    )
    return formula ? [{ ...formula, charge }] : []
  })
  const known = tried.find(({ formula }) => isKnown(formula)) ?? tried[0]
  return known && { formula: known.formula, taken: `${metal.open} is taken as ${metal.open}(${ROMAN[known.charge]})` }
}
const ROMAN = ['0', 'I', 'II', 'III', 'IV', 'V', 'VI', 'VII']

const isKnown = (formula: string): boolean => {
  const read = parseFormula(formula)
  return read.ok && findSubstance(read.value) !== undefined
}

function put(positive: readonly NamedIon[], negative: NamedIon): Named | undefined {
  const order = [...positive].sort((a, b) => a.charge - b.charge)
  const text = neutral(order, negative)
  const read = text === undefined ? undefined : parseFormula(text)
  return read?.ok && (ionsOf(read.value) ?? findSubstance(read.value) ?? readBareComplex(read.value.text))
    ? { formula: read.value.text }
    : undefined
}

/** `acetylacetonate`, `glycinate`: the ligand that makes a complex without a charge. */
const chelate = (word: string): NamedIon | undefined => {
  const row = ligands.find(
    ({ name, charge }) => charge === -1 && name.endsWith('ato') && word === name.replace(/o$/, 'e'),
  )
  return row && { text: row.formula, charge: row.charge }
}
const oldMetal = (word: string): NamedIon | undefined => {
  const row = oldMetalNames.find(([name]) => name === word)
  return row && { text: row[1], charge: row[2] }
}
const openMetal = (word: string): (NamedIon & { open: string }) | undefined => {
  const element = (elements as readonly { symbol: string; name: string }[]).find(one => one.name === word)
  return element && metalCharges[element.symbol] ? { text: element.symbol, charge: 0, open: word } : undefined
}

let words: readonly string[] | undefined
/** Every word that names here are made of. */
const vocabulary = (): readonly string[] =>
  (words ??= [
    ...new Set(
      [
        ...everydayNames.flatMap(({ names }) => names),
        ...substances.flatMap(({ name, ...row }) => [name, ...('also' in row ? (row.also ?? []) : [])]),
        ...[...anions, ...cations].flatMap(({ name, also }) => [name, ...(also ?? [])]),
        ...Object.keys(metalCharges).map(symbol => findElement(symbol)?.name ?? ''),
        ...oldMetalNames.map(([name]) => name),
        ...shapeWords,
        ...Object.keys(COUNTS).map(count => `${count}hydrate`),
        'anhydrous',
      ].flatMap(name => name.toLowerCase().split(' ')),
    ),
  ].filter(word => word.length > 2))

/** Slips of the keys that are let pass, by the length of the word: one in a short word, two in a longer one. A judgement: with three, oxychloride and chloride are one. */
const letPass = (word: string): number => (word.length <= 6 ? 1 : 2)

/** The same words with each unknown one as the only known word that is nearest. */
function slipped(text: string): Found | undefined {
  const lower = spelled(text.toLowerCase())
  const all = vocabulary()
  const mended = lower.split(' ').map(word => (all.includes(word) || /[\d()]/.test(word) ? word : nearest(word, all)))
  if (mended.some(word => word === undefined)) return undefined
  const corrected = mended.join(' ')
  if (corrected === lower) return undefined
  const found = exact(corrected)
  return found && { ...found, corrected }
}

function nearest(word: string, all: readonly string[]): string | undefined {
  const limit = letPass(word)
  const near = all
    .filter(one => Math.abs(one.length - word.length) <= limit)
    .map(one => ({ one, steps: distance(word, one).steps }))
    .filter(({ steps }) => steps <= limit)
    .sort((a, b) => a.steps - b.steps)
  const [first, second] = near
  return first && (!second || second.steps > first.steps) ? first.one : undefined
}
