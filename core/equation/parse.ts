import { parseUnweighed, type Formula } from '#core/formula'
import { fail, ok, type Checked, type Span } from '#core/problem'
import type { Equation, Phase, Side, Species } from './equation'
import type { EquationProblem } from './problems'

const MAX_LENGTH = 2000
export const MAX_SPECIES = 40

export const electron: Formula = { text: 'e^-', composition: new Map(), charge: -1, denominator: 1 }

const ARROW = /<?[-=−–—]{1,3}>|[⇌→⟶⇄↔⇒]|==?/g
const ELECTRON = /^e(?:\^?[-−–⁻])$/
const COEFFICIENT = /^(?:½|\d+\/\d+|\d+(?:\.\d+)?|\.\d+)\s*(?=[A-Za-z([{])/
const PHASE = /\s*\((s|l|g|aq)\)$/

/**
 * Reads an equation as chemists type it, with or without spaces around +, with (s) (l) (g) (aq), and with any coefficients
 * that stand there left out. Spans of problems count from the start of the whole text.
 */
export function parseEquation(text: string): Checked<Equation, EquationProblem> {
  const whole: Span = [0, text.length]
  if (text.trim() === '') return fail({ code: 'equation.empty', span: whole })
  if (text.length > MAX_LENGTH)
    return fail({ code: 'equation.too-long', span: [MAX_LENGTH, text.length], limit: MAX_LENGTH })

  const arrows = findArrows(text)
  if (arrows.length === 0) return fail({ code: 'equation.no-arrow', span: whole })
  if (arrows.length > 1) return fail({ code: 'equation.several-arrows', span: arrows[1]! })
  const [arrow] = arrows as [Span]

  const left = readSide(text, [0, arrow[0]], 'reactant')
  if (!left.ok) return left
  const right = readSide(text, [arrow[1], text.length], 'product')
  if (!right.ok) return right

  const species = [...left.value, ...right.value]
  if (species.length > MAX_SPECIES) return fail({ code: 'equation.too-many-species', span: whole, limit: MAX_SPECIES })
  const twice = findRepeated(species)
  return twice ? fail(twice) : ok({ species, text })
}

/** Arrows, where a charge glued to one keeps its sign: `Cl-->` ends in Cl- and `->`, but ` -->` is one long arrow. */
function findArrows(text: string): Span[] {
  const spans: Span[] = []
  for (const match of text.matchAll(ARROW)) {
    let start = match.index
    const glued = start > 0 && !/\s/.test(text[start - 1]!)
    if (glued && /^[-−–].{2}/.test(match[0])) start++
    spans.push([start, match.index + match[0].length])
  }
  return spans
}

function readSide(text: string, [from, to]: Span, side: Side): Checked<Species[], EquationProblem> {
  if (text.slice(from, to).trim() === '') {
    return fail({ code: 'equation.empty-side', span: [from, to], side: side === 'reactant' ? 'left' : 'right' })
  }
  const species: Species[] = []
  for (const term of splitTerms(text, from, to)) {
    if (text.slice(...term).trim() === '') return fail({ code: 'equation.empty-term', span: around(term, from, to) })
    const read = readTerm(text, term, side)
    if (!read.ok) return read
    species.push(read.value)
  }
  return ok(species)
}

/**
 * Cuts a side at the + signs that separate. In a run of + signs all but the last are charges; a last + with nothing after it is
 * a charge too.
 */
function splitTerms(text: string, from: number, to: number): Span[] {
  const terms: Span[] = []
  let start = from
  let i = from
  while (i < to) {
    if (text[i] !== '+' || isRaised(text, i, from)) {
      i++
      continue
    }
    let last = i
    let next = i + 1
    while (next < to && /[\s+]/.test(text[next]!)) {
      if (text[next] === '+') last = next
      next++
    }
    const endsHere = next === to
    const charge = endsHere && (last > i || !/\s/.test(text[last - 1] ?? ' '))
    if (charge && i > start) {
      i = next
      continue
    }
    terms.push([start, last])
    start = last + 1
    i = next
  }
  terms.push([start, to])
  return terms
}

/** A + that ^ announces is a charge wherever it stands: `Na^+`, `Fe^3+`, `Fe^{3+}`, `Fe^+3`. */
function isRaised(text: string, at: number, from: number): boolean {
  let i = at - 1
  while (i >= from && /[\d{(+]/.test(text[i]!)) i--
  return i >= from && text[i] === '^' && !/\^[({]?\d*\+/.test(text.slice(i, at))
}

const around = ([start, end]: Span, from: number, to: number): Span => [
  Math.max(from, start - 1),
  Math.min(to, end + 1),
]

function readTerm(text: string, [from, to]: Span, side: Side): Checked<Species, EquationProblem> {
  let start = from + (text.slice(from, to).length - text.slice(from, to).trimStart().length)
  let end = from + text.slice(from, to).trimEnd().length
  const coefficient = /[\d.½]/.test(text[start]!) ? COEFFICIENT.exec(text.slice(start, end)) : null
  if (coefficient) start += coefficient[0].length
  const span: Span = [start, end]

  const phase = text[end - 1] === ')' ? PHASE.exec(text.slice(start, end)) : null
  if (phase && phase.index > 0) end = start + phase.index
  const written = text.slice(start, end)
  const named = phase && phase.index > 0 ? { phase: phase[1] as Phase } : {}
  if (written[0] === 'e' && ELECTRON.test(written)) return ok({ formula: electron, side, span, ...named })

  const formula = parseUnweighed(written)
  if (formula.ok) return ok({ formula: formula.value, side, span, ...named })
  const { problem } = formula
  if (problem.code === 'formula.space')
    return fail({ code: 'equation.no-separator', span: [start + problem.span[0], start + problem.span[1]] })
  return fail({ ...problem, span: [start + problem.span[0], start + problem.span[1]] })
}

function findRepeated(species: readonly Species[]): EquationProblem | undefined {
  const seen = new Map<string, Side>()
  for (const { formula, phase, side, span } of species) {
    const key = formula.text + (phase ?? '')
    const before = seen.get(key)
    if (before)
      return { code: before === side ? 'equation.repeated' : 'equation.on-both-sides', span, formula: formula.text }
    seen.set(key, side)
  }
  return undefined
}
