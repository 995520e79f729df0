import type { Figure } from './figure'
import { formatFigure, formatStep } from './format'
import { functions } from './functions'

/** One line of arithmetic as on paper: `amount of {HCl}` is `40.0 mL × 3.00 mol/L` makes `120 mmol`. Formulas stand in braces. */
export interface WorkingLine {
  readonly name: string
  readonly relation: string
  readonly result: string
}

const INTERMEDIATE_DIGITS = 5

/** The arithmetic that made a figure, inputs first; made from the graph that computed it, so it is never a second copy. */
export function workingOf(figure: Figure): WorkingLine[] {
  const lines: WorkingLine[] = []
  write(figure, lines, new Set(), true)
  return lines
}

function write(figure: Figure, lines: WorkingLine[], seen: Set<Figure>, last: boolean): void {
  if (seen.has(figure)) return
  seen.add(figure)
  const made = figure.made
  if (made.how === 'given') {
    if (last)
      lines.push({
        name: figure.name,
        relation: made.source === 'exact' ? 'as chosen' : `given: ${made.source}`,
        result: shownInput(figure),
      })
    return
  }
  if (isTableSum(figure)) {
    if (last) lines.push(lineOf(figure, last))
    return
  }
  for (const input of inputsOf(made)) write(input, lines, seen, false)
  if (last || !isRenaming(figure)) lines.push(lineOf(figure, last))
}

function inputsOf(made: Exclude<Figure['made'], { how: 'given' }>): readonly Figure[] {
  if (made.how === 'sum') return made.terms.map(([, of]) => of)
  return made.how === 'function' ? [made.of] : [...made.over, ...made.under]
}

/** A product of one factor only gives it another name; a working need not say so. */
const isRenaming = ({ made }: Figure): boolean =>
  made.how === 'product' && made.over.length === 1 && made.under.length === 0 && made.conversion === 1

/** Molar masses are sums of atomic weights; a working shows the mass, and its own working shows the sum. */
const isTableSum = (figure: Figure): boolean => figure.kind === 'molar mass' && figure.made.how === 'sum'

const lineOf = (figure: Figure, last: boolean): WorkingLine => ({
  name: figure.name,
  relation: relationOf(figure),
  result: last ? formatFigure(figure) : formatStep(figure, INTERMEDIATE_DIGITS),
})

function relationOf({ made }: Figure): string {
  if (made.how === 'sum')
    return made.terms
      .map(([weight, of], i) => `${signOf(weight, i)}${weightOf(weight)}${inBrackets(shownInput(of))}`)
      .join(' ')
  if (made.how === 'given') return ''
  if (made.how === 'function') return `${functions[made.is].written}(${shownInput(made.of)})`
  const over = made.over.map(shownInput).join(' × ') || '1'
  const under = made.under.filter(figure => !isUnity(figure))
  return under.length === 0 ? over : `${over} ÷ ${under.map(shownInput).join(' ÷ ')}`
}

/** Divided by one that nobody named or wrote, such as a yield of all of it: a working need not say so. */
const isUnity = ({ value, made, name }: Figure): boolean =>
  made.how === 'given' && made.source === 'exact' && value === 1 && name === '' && made.written === undefined

/** A negative term stands in brackets: two signs in a row read as a slip. */
const inBrackets = (shown: string): string => (/^[-−]/.test(shown) ? `(${shown})` : shown)

const signOf = (weight: number, i: number): string => (weight < 0 ? (i === 0 ? '−' : '− ') : i === 0 ? '' : '+ ')
const weightOf = (weight: number): string =>
  Math.abs(weight) === 1 ? '' : `${Number(Math.abs(weight).toPrecision(6))} × `

function shownInput(figure: Figure): string {
  if (figure.made.how === 'given' && figure.made.written) return figure.made.written
  if (figure.kind === 'number' && figure.made.how === 'given') return String(Number(figure.value.toPrecision(6)))
  return isTableSum(figure) ? formatFigure(figure) : formatStep(figure, INTERMEDIATE_DIGITS)
}
