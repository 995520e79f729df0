import { balance, parseEquation } from '#core/equation'
import { parseFormula, type Formula } from '#core/formula'
import type { Advice, Span } from '#core/problem'
import { difference, explainQuantity, parseQuantity, type Figure, type Kind } from '#core/quantity'
import { analyteShare, gravimetricFactor } from './gravimetric'
import { watersFromLoss } from './hydrate'
import { explainAssay, type AssayProblem } from './problems'
import { dixon, grubbs, summarise, type Outlier, type Replicates } from './replicates'
import { amountOf, matched, purityAs } from './titration'

/** An assay as it is typed and kept: what is sought, and one row of readings for each replicate. Texts with units; nothing computed. */
export interface Worksheet {
  readonly id: string
  readonly kind: WorksheetKind
  readonly name: string
  /** What the kind asks for, by its own keys. */
  readonly given: Readonly<Record<string, string>>
  readonly rows: readonly Readonly<Record<string, string>>[]
}
export const worksheetKinds = ['gravimetric', 'hydrate', 'titration'] as const
export type WorksheetKind = (typeof worksheetKinds)[number]

interface Column {
  readonly key: string
  readonly label: string
  readonly kind: Kind
}
interface Asked {
  readonly key: string
  readonly label: string
  readonly what: 'formula' | 'equation' | 'concentration'
  readonly example: string
}
interface Shape {
  readonly name: string
  readonly about: string
  readonly asked: readonly Asked[]
  readonly columns: readonly Column[]
  readonly result: string
  readonly unit: '%' | 'waters'
}

export const worksheetShapes: Record<WorksheetKind, Shape> = {
  gravimetric: {
    name: 'Gravimetric',
    about: 'A weighed sample, thrown down as something pure, dried and weighed.',
    asked: [
      { key: 'analyte', label: 'Analyte', what: 'formula', example: 'Ni' },
      { key: 'weighedAs', label: 'Weighed as', what: 'formula', example: 'Ni(C4H7N2O2)2' },
    ],
    columns: [
      { key: 'sample', label: 'Sample', kind: 'mass' },
      { key: 'tare', label: 'Crucible or paper', kind: 'mass' },
      { key: 'gross', label: 'with the precipitate', kind: 'mass' },
    ],
    result: 'Analyte in the sample',
    unit: '%',
  },
  hydrate: {
    name: 'Water by heating',
    about: 'A weighed hydrate, heated to constant mass as the anhydrous salt.',
    asked: [{ key: 'salt', label: 'Salt without its water', what: 'formula', example: 'CuSO4' }],
    columns: [
      { key: 'tare', label: 'Vessel', kind: 'mass' },
      { key: 'before', label: 'with the hydrate', kind: 'mass' },
      { key: 'after', label: 'after heating', kind: 'mass' },
    ],
    result: 'Waters to a formula',
    unit: 'waters',
  },
  titration: {
    name: 'Titration',
    about: 'A weighed sample, titrated directly with a solution of known strength.',
    asked: [
      { key: 'equation', label: 'Equation', what: 'equation', example: 'Na2CO3 + HCl -> NaCl + H2O + CO2' },
      { key: 'titrant', label: 'Titrant', what: 'formula', example: 'HCl' },
      { key: 'concentration', label: 'Its strength', what: 'concentration', example: '0.1000 mol/L' },
      { key: 'species', label: 'Sought, as in the equation', what: 'formula', example: 'Na2CO3' },
      { key: 'form', label: 'Sample taken as', what: 'formula', example: 'Na2CO3·10H2O' },
    ],
    columns: [
      { key: 'sample', label: 'Sample', kind: 'mass' },
      { key: 'volume', label: 'Titrant used', kind: 'volume' },
      { key: 'blank', label: 'Blank', kind: 'volume' },
    ],
    result: 'Purity as this form',
    unit: '%',
  },
}

export interface FieldProblem extends Advice {
  readonly key: string
  readonly span?: Span
}
export interface WorksheetRow {
  readonly figure?: Figure
  readonly problems: readonly FieldProblem[]
}
export interface WorksheetResult {
  readonly rows: readonly WorksheetRow[]
  /** Problems of what was given, by key. */
  readonly problems: readonly FieldProblem[]
  /** The factor of a gravimetric assay. */
  readonly factor?: Figure
  /** In percent, or waters. */
  readonly values: readonly number[]
  readonly summary?: Replicates
  readonly outliers: readonly { readonly test: 'Dixon' | 'Grubbs'; readonly outlier: Outlier; readonly row: number }[]
}

type Read = { readonly value: Figure } | { readonly problem: FieldProblem } | undefined

/** Works a worksheet out: every replicate that is whole, and what they say together. No value is ever dropped; a doubtful one is named. */
export function computeWorksheet(sheet: Worksheet): WorksheetResult {
  const shape = worksheetShapes[sheet.kind]
  const given = readGiven(sheet, shape)
  const factor = given.factor
  const rows = sheet.rows.map((row, i): WorksheetRow => {
    const figures: Record<string, Figure> = {}
    const problems: FieldProblem[] = []
    for (const column of shape.columns) {
      const read = readCell(row[column.key] ?? '', column, i)
      if (!read) continue
      if ('problem' in read) problems.push(read.problem)
      else figures[column.key] = read.value
    }
    const done = problems.length === 0 && given.work ? given.work(figures) : undefined
    if (done && 'problem' in done) return { problems: [done.problem] }
    return { problems, ...(done && { figure: done.value }) }
  })
  const scale = shape.unit === '%' ? 100 : 1
  const values = rows.flatMap(({ figure }) => (figure ? [figure.value * scale] : []))
  const rowOf = (value: number): number =>
    rows.findIndex(({ figure }) => figure !== undefined && Math.abs(figure.value * scale - value) < 1e-12)
  const tests = [
    ['Dixon', dixon(values)],
    ['Grubbs', grubbs(values)],
  ] as const
  return {
    rows,
    problems: given.problems,
    ...(factor && { factor }),
    values,
    ...(values.length > 0 && { summary: summarise(values) }),
    outliers: tests.flatMap(([test, outlier]) => (outlier ? [{ test, outlier, row: rowOf(outlier.value) }] : [])),
  }
}

function readCell(text: string, { key, label, kind }: Column, row: number): Read {
  if (text.trim() === '') return undefined
  const read = parseQuantity(text, {
    kinds: [kind],
    name: label.toLowerCase(),
    source: `${label.toLowerCase()}, replicate ${row + 1}`,
    zero: true,
  })
  return read.ok
    ? { value: read.value }
    : { problem: { key, span: read.problem.span, ...explainQuantity(read.problem) } }
}

interface Given {
  readonly problems: readonly FieldProblem[]
  readonly factor?: Figure
  readonly work?: (figures: Readonly<Record<string, Figure>>) => Read
}

function readGiven({ kind, given }: Worksheet, { asked }: Shape): Given {
  const problems: FieldProblem[] = []
  const formulas: Record<string, Formula> = {}
  for (const { key, what } of asked) {
    const text = given[key] ?? ''
    if (what !== 'formula' || text.trim() === '') continue
    const read = parseFormula(text)
    if (read.ok) formulas[key] = read.value
    else
      problems.push({
        key,
        span: read.problem.span,
        why: `“${text}” does not read as a formula.`,
        fix: 'Write it as chemists do, such as NiSO4·6H2O.',
      })
  }
  if (problems.length > 0) return { problems }
  if (kind === 'gravimetric') return gravimetricGiven(formulas)
  if (kind === 'hydrate') return hydrateGiven(formulas)
  return titrationGiven(formulas, given)
}

const at = (key: string, problem: AssayProblem): FieldProblem => ({ key, ...explainAssay(problem) })
const below = (key: string): FieldProblem => ({
  key,
  why: 'This is below the empty vessel.',
  fix: 'Check whether the two are swapped or a digit was misread.',
})

function gravimetricGiven({ analyte, weighedAs }: Readonly<Record<string, Formula>>): Given {
  if (!analyte || !weighedAs) return { problems: [] }
  const factor = gravimetricFactor(analyte, weighedAs)
  if (!factor.ok) return { problems: [at('weighedAs', factor.problem)] }
  return {
    problems: [],
    factor: factor.value,
    work({ sample, tare, gross }) {
      if (!sample || !tare || !gross) return undefined
      if (gross.value < tare.value) return { problem: below('gross') }
      if (sample.value <= 0) return undefined
      return { value: analyteShare(factor.value, difference('precipitate', gross, tare), sample) }
    },
  }
}

function hydrateGiven({ salt }: Readonly<Record<string, Formula>>): Given {
  if (!salt) return { problems: [] }
  return {
    problems: [],
    work({ tare, before, after }) {
      if (!tare || !before || !after) return undefined
      if (after.value <= tare.value) return { problem: below('after') }
      const waters = watersFromLoss(
        salt,
        difference('hydrate', before, tare),
        difference('anhydrous salt', after, tare),
      )
      return waters.ok ? { value: waters.value.waters } : { problem: at('after', waters.problem) }
    },
  }
}

function titrationGiven(
  { titrant, species, form }: Readonly<Record<string, Formula>>,
  given: Readonly<Record<string, string>>,
): Given {
  const equation = given.equation?.trim() ? parseEquation(given.equation) : undefined
  if (equation && !equation.ok)
    return {
      problems: [
        {
          key: 'equation',
          why: 'The equation does not read.',
          fix: 'Write it with + and ->, such as Na2CO3 + HCl -> NaCl + H2O + CO2.',
        },
      ],
    }
  const reaction = equation?.ok ? balance(equation.value) : undefined
  if (reaction && !reaction.ok)
    return {
      problems: [
        { key: 'equation', why: 'The equation does not balance.', fix: 'Look at what is missing on one side.' },
      ],
    }
  if (reaction?.ok && !reaction.value.unique)
    return {
      problems: [
        {
          key: 'equation',
          why: 'Several independent reactions share these species.',
          fix: 'Give the one that the titration follows.',
        },
      ],
    }
  const strength = given.concentration?.trim()
    ? parseQuantity(given.concentration, {
        kinds: ['concentration'],
        name: 'concentration of the titrant',
        source: 'concentration of the titrant',
      })
    : undefined
  if (strength && !strength.ok)
    return { problems: [{ key: 'concentration', span: strength.problem.span, ...explainQuantity(strength.problem) }] }
  if (!reaction?.ok || !reaction.value.unique || !strength?.ok || !titrant || !species || !form) return { problems: [] }
  const balanced = reaction.value.reaction
  const probe = matched(balanced, titrant, strength.value, species)
  if (!probe.ok) return { problems: [at('equation', probe.problem)] }
  return {
    problems: [],
    work({ sample, volume, blank }) {
      if (!sample || !volume || sample.value <= 0) return undefined
      const used = amountOf({ formula: titrant, concentration: strength.value, volume, ...(blank && { blank }) })
      if (!used.ok) return { problem: at('blank', used.problem) }
      const sought = matched(balanced, titrant, used.value, species)
      if (!sought.ok) return { problem: at('volume', sought.problem) }
      const purity = purityAs(species, sought.value, sample, [form])
      return purity.ok ? { value: purity.value[0]!.purity } : { problem: at('form', purity.problem) }
    },
  }
}

/** A fresh worksheet with three empty rows. */
export const newWorksheet = (
  id: string,
  kind: WorksheetKind,
  given: Readonly<Record<string, string>> = {},
): Worksheet => ({
  id,
  kind,
  name: worksheetShapes[kind].name,
  given,
  rows: [{}, {}, {}],
})
