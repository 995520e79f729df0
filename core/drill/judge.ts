import { parseFormula, sameStuff, explainFormula } from '#core/formula'
import type { Advice } from '#core/problem'
import { explainQuantity, parseQuantity, partsOfMeasured, toSignificant } from '#core/quantity'
import { formulaFromName } from '#core/species'
import { open } from './families/balancing'
import type { Answer, Question, Slip, Slipped } from './question'
import { allowance, lastPlaceOf, slipAllowance } from './tolerance'

/** What is said of an answer. */
export type Verdict =
  | { readonly is: 'right'; readonly note?: string }
  /** It does not read: nothing is judged. */
  | ({ readonly is: 'unread' } & Advice)
  /** Right as far as it goes. */
  | { readonly is: 'too short'; readonly says: string }
  | { readonly is: 'slip'; readonly slips: readonly Slip[] }
  | { readonly is: 'wrong'; readonly says: string }

/** What is typed for: I do not know. */
export const GIVEN_UP = '?'

/** Judges an answer as it was typed, or as places of what was chosen, or numbers before formulas, with blanks between. */
export function judge({ answer }: Question, typed: string): Verdict {
  if (typed.trim() === '')
    return { is: 'unread', why: 'There is no answer yet.', fix: 'Type one, or look at the working.' }
  if (typed.trim() === GIVEN_UP) return { is: 'wrong', says: 'The working below shows how it goes.' }
  switch (answer.is) {
    case 'number':
      return judgeNumber(answer, typed)
    case 'formula':
      return judgeFormula(answer, typed)
    case 'name':
      return judgeName(answer, typed)
    case 'choice':
      return judgePlaces(answer.right, answer.slipped, numbersOf(typed), 'That is not it.')
    case 'teeth': {
      const counts = numbersOf(typed)
      const says = open(
        answer.species,
        answer.species.map((_, i) => counts[i] ?? 0),
      )
      return judgePlaces(
        answer.right,
        answer.slipped,
        counts,
        says === '' ? 'It balances, but not with the smallest whole numbers.' : `Still open: ${says}.`,
      )
    }
  }
}

const numbersOf = (typed: string): number[] => typed.trim().split(/\s+/).map(Number)
const same = (a: readonly number[], b: readonly number[]): boolean =>
  a.length === b.length && a.every((one, i) => one === b[i])

function judgePlaces(
  right: readonly number[],
  slipped: readonly Slipped<readonly number[]>[],
  chosen: readonly number[],
  says: string,
): Verdict {
  if (same(chosen, right)) return { is: 'right' }
  const slip = slipped.find(({ answer }) => same(answer, chosen))
  return slip ? { is: 'slip', slips: slip.of } : { is: 'wrong', says }
}

type Of<Is extends Answer['is']> = Extract<Answer, { is: Is }>

/** Written digits that count: all from the first that is not zero. */
const digitsOf = (number: string): number =>
  number.toLowerCase().split('e')[0]!.replace(/\D/g, '').replace(/^0+/, '').length
/** More than this many digits beyond those asked are not known. */
const SPARE = 2

function judgeNumber(answer: Of<'number'>, typed: string): Verdict {
  const { value, kind, digits, within, unit, size } = answer
  const read = parseQuantity(typed, {
    kinds: [kind],
    name: 'answer',
    source: 'answer',
    zero: true,
    aboveWhole: true,
    negative: true,
  })
  if (!read.ok) return { is: 'unread', ...explainQuantity(read.problem) }
  const given = read.value.value
  const told = `${toSignificant(value / size, digits)}${unit === '' ? '' : ` ${unit}`}`
  const written = digitsOf(partsOfMeasured(typed)?.number ?? '')
  if (Math.abs(given - value) <= allowance(value, digits, within)) {
    if (within === undefined && written > digits + SPARE)
      return { is: 'right', note: `The data are good for ${digits} digits: ${told}.` }
    return { is: 'right' }
  }
  const isShort =
    within === undefined && written < digits && Math.abs(given - value) <= 0.51 * lastPlaceOf(given, written)
  if (isShort)
    return { is: 'too short', says: `Right as far as it goes: give ${digits} digits, the data are good for them.` }
  const slip = nearest(answer, given)
  return slip
    ? { is: 'slip', slips: slip.of }
    : { is: 'wrong', says: 'That is not it, and none of the usual slips gives this number on its own or with another.' }
}

/** The slip whose number this is: one alone before two together, else the nearest. */
function nearest({ slipped, digits, within }: Of<'number'>, given: number): Slipped<number> | undefined {
  const near = slipped.filter(({ answer }) => Math.abs(given - answer) <= slipAllowance(answer, digits, within))
  const off = ({ answer }: Slipped<number>): number => Math.abs(given - answer)
  return near.toSorted((a, b) => a.of.length - b.of.length || off(a) - off(b))[0]
}

function judgeFormula({ text, slipped }: Of<'formula'>, typed: string): Verdict {
  const read = parseFormula(typed)
  if (!read.ok) return { is: 'unread', ...explainFormula(read.problem) }
  const is = (other: string): boolean => {
    const formula = parseFormula(other)
    return formula.ok && sameStuff(read.value, formula.value)
  }
  if (is(text)) return { is: 'right' }
  const slip = slipped.find(({ answer }) => is(answer))
  return slip ? { is: 'slip', slips: slip.of } : { is: 'wrong', says: 'That is another substance.' }
}

const plain = (name: string): string => name.trim().toLowerCase().replace(/sulph/g, 'sulf').replace(/\s+/g, ' ')

function judgeName({ text, formula, slipped }: Of<'name'>, typed: string): Verdict {
  const name = plain(typed)
  if (name === plain(text)) return { is: 'right' }
  const slip = slipped.find(({ answer }) => plain(answer) === name)
  if (slip) return { is: 'slip', slips: slip.of }
  const [meant, wanted] = [formulaFromName(name), parseFormula(formula)]
  const read = meant === undefined ? undefined : parseFormula(meant)
  if (!read?.ok || !wanted.ok)
    return { is: 'wrong', says: 'This does not read as a name: cation first, then anion, then how many waters.' }
  if (sameStuff(read.value, wanted.value)) return { is: 'right', note: `It is also called ${text}.` }
  return { is: 'wrong', says: `That is {${read.value.text}}.` }
}
