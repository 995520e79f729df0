import { molarMass } from '#core/formula'
import { parseQuantity } from '#core/quantity'
import { findByName, type Found } from '#core/species'
import { wantedForm } from './forms'
import { stuffOf } from './stuff'

/** A part of the line with what it was taken for; nothing where it names nothing that is known. */
export interface Named {
  readonly text: string
  readonly found: Found | undefined
}

/** What somebody wants, as it was understood from one line. */
export interface Wish {
  /** As typed: `15 g`. */
  readonly amount?: string
  /** The same as a mass of the product, in the chemist's digits where a mass was typed. */
  readonly mass?: string
  /** That mass, g. */
  readonly grams?: number
  /** Why an amount that was typed cannot be used. */
  readonly amountProblem?: string
  readonly product: Named
  readonly from: readonly Named[]
}

const AMOUNT =
  /(?:about|around|some|ca\.?|~|≈)?\s*(\d+(?:[.,]\d+)?)\s*(kg|mg|g|grams?|gramm?e?s?|mmol|mol|moles?)\b\.?(?:\s+of\b)?/i
const FROM = /\s+(?:from|out of|starting (?:from|with)|using|made (?:from|of)|with|aus)\s+/i
const AND = /\s*(?:,|;|\band\b|\bwith\b|&|\s\+\s)\s*/i
const LEAD = /^(?:please\s+)?(?:i\s+(?:want|need)|make|prepare|plan|synthesi[sz]e|get)\s+(?:me\s+)?/i

/**
 * `15 g nickel ammonium sulfate from nickel turnings`: the amount, the product and what it starts from, each by its name or formula, in the order that people write. Undefined where nothing is typed yet.
 */
export function readWish(line: string): Wish | undefined {
  const plain = line.replace(/\s+/g, ' ').trim().replace(LEAD, '')
  if (plain === '') return undefined
  const [what = '', ...sources] = plain.split(FROM)
  const amount = AMOUNT.exec(what)
  const product = (amount ? what.replace(amount[0], ' ') : what)
    .replace(/^[\s,]*(?:of\s+)?|[\s,]+$/g, '')
    .replace(/\s+/g, ' ')
    .trim()
  const named = { text: product, found: product === '' ? undefined : findByName(product) }
  const from = sources
    .join(', ')
    .split(AND)
    .map(text =>
      text
        .replace(AMOUNT, ' ')
        .replace(/^(?:of|the|some)\s+/i, '')
        .trim(),
    )
    .filter(text => text !== '')
    .map(text => ({ text, found: findByName(text) }))
  return { ...(amount && amountOf(amount, named)), product: named, from }
}

const UNITS: Readonly<Record<string, string>> = { g: 'g', kg: 'kg', mg: 'mg', mol: 'mol', mmol: 'mmol' }
const unitOf = (typed: string): string => {
  const lower = typed.toLowerCase()
  return UNITS[lower] ?? (lower.startsWith('g') ? 'g' : 'mol')
}

function amountOf(
  [, digits = '', unit = '']: RegExpExecArray,
  { found }: Named,
): Pick<Wish, 'amount' | 'mass' | 'grams' | 'amountProblem'> {
  const amount = `${digits.replace(',', '.')} ${unitOf(unit)}`
  const isMass = !amount.endsWith('mol')
  const read = parseQuantity(amount, { kinds: [isMass ? 'mass' : 'amount'], name: 'wanted', source: 'wanted' })
  if (!read.ok || !(read.value.value > 0))
    return { amount, amountProblem: 'An amount above nothing is wanted, such as 15 g.' }
  if (isMass) return { amount, mass: amount, grams: read.value.value }
  const stuff = found && stuffOf(found.formula.text)
  if (!stuff) return { amount }
  const { form } = wantedForm(stuff, found.isFormSaid ? found.formula : undefined)
  const grams = read.value.value * molarMass(form)
  return { amount, mass: `${Number(grams.toPrecision(3))} g`, grams }
}
