import { findElement, findSubstance, type Formula } from '#core/formula'
import { anions, anionStems, cations, metalCharges, type SubstanceRow } from '#core/reference'
import { readBareComplex, readComplex, type Complex } from './complex'
import { ionsOf, type Ion } from './ions'
import { partsOf } from './tokens'

const ROMAN = ['0', 'I', 'II', 'III', 'IV', 'V', 'VI', 'VII', 'VIII']
const TIMES = ['', '', 'di', 'tri', 'tetra', 'penta', 'hexa', 'hepta', 'octa', 'nona', 'deca', 'undeca', 'dodeca']
const TIMES_OF_LONG = ['', '', 'bis', 'tris', 'tetrakis', 'pentakis', 'hexakis']
/** Ligands whose own name holds a number or a multiplied group take bis, tris. */
const LONG =
  /^(?:ethane|propane|diethyl|2,|1,|acetyl|dimethyl|pyridine|quinolin|glycin|thiourea|malon|oxal|sulf|ethylenediamine)/

export const roman = (state: number): string => (state < 0 ? `−${ROMAN[-state]}` : (ROMAN[state] ?? String(state)))

/**
 * Systematic name of a salt, double salt or complex, hydrate included (IUPAC Recommendations 2005); undefined where the rules here
 * do not reach. A name the substance table has is used as it stands.
 */
export function nameOf(formula: Formula, own: readonly SubstanceRow[] = []): string | undefined {
  const known = findSubstance(formula, own)
  if (known && (known.units === 1 || known.row.state === 'solid')) return known.row.name + hydrate(known.waters)
  const { parts, waters } = partsOf(formula.text)
  const ions = ionsOf(formula)
  if (ions) {
    const name = nameOfIons(ions)
    return name && name + (formula.charge === 0 ? hydrate(waters) : '')
  }
  const [part] = parts
  if (parts.length !== 1 || !part || formula.charge !== 0) return undefined
  const complex = readBareComplex(part.text) ?? readComplex(/^\[(.*)\]$/.exec(part.text)?.[1] ?? '')
  return complex && nameOfComplex(complex, 0) + hydrate(waters)
}

const hydrate = (waters: number): string => {
  if (waters === 0) return ''
  if (waters === 1) return ' monohydrate'
  if (waters === 0.5) return ' hemihydrate'
  if (waters === 1.5) return ' sesquihydrate'
  const word = Number.isInteger(waters) ? TIMES[waters] : undefined
  return word ? ` ${word}hydrate` : ` (${Number(waters.toFixed(3))} H2O)`
}

export const hydrateWord = hydrate

function nameOfIons(ions: readonly Ion[]): string | undefined {
  const part = (sign: 1 | -1): string[] | undefined => {
    const names = ions.filter(({ charge }) => charge * sign > 0).map(nameOfIon)
    return names.every(name => name !== undefined) ? (names as string[]).sort((a, b) => a.localeCompare(b)) : undefined
  }
  const positive = part(1)
  const negative = part(-1)
  return positive && negative ? [...positive, ...negative].join(' ') : undefined
}

function nameOfIon({ text, charge, complex }: Ion): string | undefined {
  if (complex) return nameOfComplex(complex, charge)
  const row = [...cations, ...anions].find(one => one.text === text && one.charge === charge)
  if (row) return row.name
  const element = findElement(text)
  const usual = metalCharges[text]
  if (!element || !usual) return undefined
  return usual.length === 1 && usual[0] === charge ? element.name : `${element.name}(${roman(charge)})`
}

/** `tetraamminecopper(II)`, `tris(oxalato)ferrate(III)`: ligands by the alphabet, then the metal with its oxidation state. */
export function nameOfComplex({ metal, ligands, ligandCharge }: Complex, charge: number): string {
  const bound = [...ligands]
    .sort((a, b) => a.name.replace(/^[\d,′″-]+/, '').localeCompare(b.name.replace(/^[\d,′″-]+/, '')))
    .map(({ name, count }) =>
      LONG.test(name) && (count > 1 || /^[\d2]/.test(name) || name.includes('-'))
        ? `${TIMES_OF_LONG[count] ?? ''}(${name})`
        : `${TIMES[count] ?? ''}${name}`,
    )
    .join('')
  const centre = charge < 0 ? (anionStems[metal] ?? metal) : (findElement(metal)?.name ?? metal)
  return `${bound}${centre}(${roman(charge - ligandCharge)})`
}
