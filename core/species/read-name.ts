import { ionText } from './ion-text'
import { findElement, parseFormula, withWaters } from '#core/formula'
import { anions, anionStems, cations, elements, ligands, metalCharges, plainLigands, substances } from '#core/reference'

const HYDRATES: Readonly<Record<string, number>> = {
  hemi: 0.5, mono: 1, sesqui: 1.5, di: 2, tri: 3, tetra: 4, penta: 5, hexa: 6, hepta: 7, octa: 8, nona: 9, deca: 10, undeca: 11, dodeca: 12, hexadeca: 16, octadeca: 18,
} // prettier-ignore
const PREFIXES: readonly (readonly [string, number])[] = [
  ['hexakis', 6], ['pentakis', 5], ['tetrakis', 4], ['tris', 3], ['bis', 2], ['hexa', 6], ['penta', 5], ['tetra', 4], ['tri', 3], ['di', 2], ['mono', 1],
] // prettier-ignore
const ROMAN: Readonly<Record<string, number>> = { '0': 0, i: 1, ii: 2, iii: 3, iv: 4, v: 5, vi: 6, vii: 7 }

export interface NamedIon {
  readonly text: string
  readonly charge: number
}

/**
 * The formula that a name means: one of the substance table or its other names, or a salt or complex put together from the names of
 * its ions; hydrates by their word. Undefined where the name does not read.
 */
export function formulaFromName(name: string): string | undefined {
  const plain = name.trim().toLowerCase().replace(/sulph/g, 'sulf').replace(/'/g, '′').replace(/\s+/g, ' ')
  if (plain === '' || plain.length > 120) return undefined
  const split =
    /^(.*?),?[ -]?(?:(hemi|mono|sesqui|di|tri|tetra|penta|hexa|hepta|octa|nona|deca|undeca|dodeca|hexadeca|octadeca)?hydrate|(anhydrous))$/.exec(
      plain,
    )
  const base = (split?.[1] ?? plain).replace(/^anhydrous /, '').trim()
  const formula = fromTable(base) ?? fromIons(base)
  if (!formula) return undefined
  if (!split || split[3]) return formula
  const waters = HYDRATES[split[2] ?? '']
  return waters === undefined ? undefined : withWaters(formula, waters)
}

const byName: ReadonlyMap<string, string> = new Map(
  substances.flatMap(({ formula, name, also }) =>
    [name, ...(also ?? [])].map(word => [word.toLowerCase(), formula] as const),
  ),
)
const fromTable = (name: string): string | undefined => byName.get(name)

function fromIons(name: string): string | undefined {
  const words = name.split(' ')
  const ions: NamedIon[] = []
  for (const word of joined(words)) {
    const ion = simpleIon(word) ?? complexIon(word)
    if (!ion) return undefined
    ions.push(ion)
  }
  const positive = ions.filter(({ charge }) => charge > 0)
  const negative = ions.filter(({ charge }) => charge < 0)
  if (ions.length === 1 && ions[0]!.charge === 0) return ions[0]!.text
  if (positive.length === 0 || negative.length !== 1) return undefined
  const formula = neutral(positive, negative[0]!)
  return formula && parseFormula(formula).ok ? formula : undefined
}

/** `hydrogen phthalate` is one anion of two words. */
function joined(words: readonly string[]): string[] {
  const both = words.slice(-2).join(' ')
  return anions.some(({ name }) => name === both) ? [...words.slice(0, -2), both] : [...words]
}

/** An ion of a name that says its charge, or has only one. */
export function simpleIon(word: string): NamedIon | undefined {
  const anion = anions.find(({ name, also }) => name === word || also?.includes(word))
  if (anion) return anion
  const cation = cations.find(({ name }) => name === word)
  if (cation) return cation
  const [, stem = '', state] = /^([a-z]+)(?:\((0|i{1,3}|iv|v|vi{0,2})\))?$/.exec(word) ?? []
  const element = (elements as readonly { symbol: string; name: string }[]).find(one => one.name === stem)
  const usual = element && metalCharges[element.symbol]
  if (!usual) return undefined
  const charge = state === undefined ? (usual.length === 1 ? usual[0] : undefined) : ROMAN[state]
  return charge === undefined ? undefined : { text: element.symbol, charge }
}

const ligandNames: readonly { name: string; text: string; charge: number }[] = [
  ...plainLigands.filter(({ formula }) => !['NCS', 'ONO', 'C5H7O2', 'C4H7N2O2', 'C2H4NO2', 'C9H6NO', 'C5H5N', 'C2H8N2'].includes(formula)).map(({ name, formula, charge }) => ({ name, text: formula, charge })),
  ...ligands.filter(({ abbreviation }) => !['bpy', 'Hdmg', 'Y', 'ox', 'OAc'].includes(abbreviation)).map(({ name, abbreviation, charge }) => ({ name: name as string, text: abbreviation as string, charge: charge as number })),
  { name: 'ethylenediamine', text: 'en', charge: 0 },
  { name: 'chloro', text: 'Cl', charge: -1 },
  { name: 'aquo', text: 'H2O', charge: 0 },
  { name: 'cyano', text: 'CN', charge: -1 },
  { name: 'oxalato', text: 'C2O4', charge: -2 },
].sort((a, b) => b.name.length - a.name.length) // prettier-ignore

const centres: readonly { name: string; symbol: string }[] = [
  ...Object.entries(anionStems).map(([symbol, name]) => ({ symbol, name })),
  ...Object.keys(metalCharges).flatMap(symbol => {
    const element = findElement(symbol)
    return element ? [{ symbol, name: element.name as string }] : []
  }),
].sort((a, b) => b.name.length - a.name.length)

/** `tetraamminecopper(ii)`: ligands with their numbers, then the metal and its oxidation state. */
export function complexIon(word: string): NamedIon | undefined {
  const [, body = '', state] = /^(.*?)\((0|i{1,3}|iv|v|vi{0,2})\)$/.exec(word) ?? []
  const oxidation = state === undefined ? undefined : ROMAN[state]
  if (oxidation === undefined) return undefined
  const centre = centres.find(({ name }) => body.endsWith(name))
  if (!centre) return undefined
  const bound = readBound(body.slice(0, body.length - centre.name.length))
  if (!bound || bound.length === 0) return undefined
  const charge = oxidation + bound.reduce((total, one) => total + one.charge * one.count, 0)
  const inner = bound.map(({ text, count }) => ligandText(text, count)).join('')
  return { text: `[${centre.symbol}${inner}]`, charge }
}

const ligandText = (text: string, count: number): string =>
  count === 1 && /^[A-Z][a-z]?$/.test(text)
    ? text
    : /^[A-Z][a-z]?$/.test(text)
      ? `${text}${count}`
      : `(${text})${count === 1 ? '' : count}`

function readBound(text: string): { text: string; charge: number; count: number }[] | undefined {
  if (text === '') return []
  for (const [prefix, count] of [...PREFIXES, ['', 1] as const]) {
    if (!text.startsWith(prefix)) continue
    const rest = text.slice(prefix.length)
    for (const ligand of ligandNames) {
      for (const form of [ligand.name, `(${ligand.name})`]) {
        if (!rest.startsWith(form)) continue
        const after = readBound(rest.slice(form.length))
        if (after) return [{ text: ligand.text, charge: ligand.charge, count }, ...after]
      }
    }
  }
  return undefined
}

/** Smallest whole numbers of each ion that make it neutral; several cations stand one to one where that can be. */
export function neutral(positive: readonly NamedIon[], negative: NamedIon): string | undefined {
  for (let anionsTaken = 1; anionsTaken <= 12; anionsTaken++) {
    const counts = shareOut(positive, -negative.charge * anionsTaken)
    if (counts)
      return positive.map(({ text }, i) => ionText(text, counts[i]!)).join('') + ionText(negative.text, anionsTaken)
  }
  return undefined
}

function shareOut(positive: readonly NamedIon[], charge: number): number[] | undefined {
  const [first, ...rest] = positive
  if (!first) return charge === 0 ? [] : undefined
  for (let count = 1; count * first.charge <= charge; count++) {
    const others = shareOut(rest, charge - count * first.charge)
    if (others) return [count, ...others]
  }
  return undefined
}
