import type { Figure } from '#core/quantity'
import { absorbanceColumns, absorbanceShape, judgeAbsorbance } from './absorbance-sheet'
import { backTitrationSheet } from './back-titration-sheet'
import { budgetOf, meanFigure, type Budget } from './budget'
import type { Calibrated } from './calibrate'
import { compositionSheet } from './composition-sheet'
import { conductanceSheet } from './conductance-sheet'
import { conductometricShape, judgeConductometric } from './conductometric-sheet'
import { judgeSpectrum, judgeThermogram, spectrumShape, thermogramShape, type CurveResult } from './curve-sheets'
import { compareGroups } from './groups'
import { decompositionSheet } from './decomposition-sheet'
import { gravimetricSheet } from './gravimetric-sheet'
import { hydrateSheet } from './hydrate-sheet'
import { ionExchangeSheet } from './ion-exchange-sheet'
import { liquorSheet } from './liquor-sheet'
import { lossOnDryingSheet } from './loss-on-drying-sheet'
import { magneticSheet } from './magnetic-sheet'
import { mixtureSheet } from './mixture-sheet'
import { readAsked, readRow } from './read-asked'
import { dixon, grubbs, summarise, type Outlier, type Replicates } from './replicates'
import { ownShape, ownSheet } from './relation-sheet'
import { judgeStandardAddition, standardAdditionShape } from './standard-addition-sheet'
import { standardisationSheet } from './standardisation-sheet'
import { titrationSheet } from './titration-sheet'
import { twoColoursSheet } from './two-colours-sheet'
import { twoReadingsSheet } from './two-readings-sheet'
import { twoSaltsSheet } from './two-salts-sheet'
import { judgeWashes, washesShape, type WashState } from './washes-sheet'
import type {
  Cells,
  Choices,
  Column,
  FieldProblem,
  Finding,
  Shape,
  SheetKind,
  Worksheet,
  WorksheetKind,
} from './worksheet-kind'

/** Kinds whose rows repeat one measurement. */
const repeated = {
  gravimetric: gravimetricSheet,
  hydrate: hydrateSheet,
  titration: titrationSheet,
  'back titration': backTitrationSheet,
  standardisation: standardisationSheet,
  composition: compositionSheet,
  mixture: mixtureSheet,
  'two salts': twoSaltsSheet,
  'two readings': twoReadingsSheet,
  'two colours': twoColoursSheet,
  conductance: conductanceSheet,
  'loss on drying': lossOnDryingSheet,
  'ion exchange': ionExchangeSheet,
  decomposition: decompositionSheet,
  magnetic: magneticSheet,
  liquor: liquorSheet,
  own: ownSheet,
} as const satisfies Partial<Record<WorksheetKind, SheetKind>>
const methodOf = (kind: WorksheetKind): SheetKind | undefined =>
  (repeated as Partial<Record<WorksheetKind, SheetKind>>)[kind]

const shapesOf = (kinds: typeof repeated) =>
  Object.fromEntries(Object.entries(kinds).map(([kind, { shape }]) => [kind, shape])) as Record<
    keyof typeof repeated,
    Shape
  >
export const worksheetShapes: Readonly<Record<WorksheetKind, Shape>> = {
  ...shapesOf(repeated),
  absorbance: absorbanceShape,
  'standard addition': standardAdditionShape,
  conductometric: conductometricShape,
  spectrum: spectrumShape,
  thermogram: thermogramShape,
  washes: washesShape,
}

/** The shape of a worksheet: that of its kind, or what its own relation makes of it. */
export const shapeOf = (sheet: Worksheet): Shape =>
  sheet.kind === 'own' ? ownShape(sheet) : worksheetShapes[sheet.kind]

/** The columns of a worksheet: those of its kind, one more for each wavelength, and one for a mark. */
export function columnsOf(sheet: Worksheet): readonly Column[] {
  const { kind, given } = sheet
  const { columns, rows } = shapeOf(sheet)
  if (kind === 'absorbance') return [...columns, ...absorbanceColumns(given)]
  return rows === 'replicates' ? [...columns, WHO] : columns
}
/** Replicates may be marked with who made them, or which trial or class they are of. */
const WHO: Column = { key: 'who', label: 'Who, or which', kinds: [], optional: true }

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
  /** One for each whole replicate, scaled as shown. */
  readonly values: readonly number[]
  readonly summary?: Replicates
  /** The mean with where it comes from: what all replicates share, such as a titrant's strength, counts once. */
  readonly mean?: Figure
  /** Of the mean, scaled as shown: what its uncertainty is made of. */
  readonly budget?: Budget
  readonly outliers: readonly { readonly test: 'Dixon' | 'Grubbs'; readonly outlier: Outlier; readonly row: number }[]
  readonly findings: readonly Finding[]
  readonly choices: readonly Choices[]
  readonly calibrated?: Calibrated
  readonly washes?: WashState
  readonly curve?: CurveResult
  /** The result of what is no set of replicates, in words. */
  readonly headline?: string
}

/** Works a worksheet out: every row that is whole, and what they say together. No value is ever dropped; a doubtful one is named. */
export function computeWorksheet(sheet: Worksheet): WorksheetResult {
  const { asked } = worksheetShapes[sheet.kind]
  const values = readAsked(asked, sheet.given)
  const columns = columnsOf(sheet)
  const read = sheet.rows.map((row, i) => readRow(columns, row, i + 1))
  const kind = methodOf(sheet.kind)
  if (kind) return withGroups(computeReplicates(kind, shapeOf(sheet).unit.scale, values, read), sheet)
  const base = {
    rows: read.map(({ problems }) => ({ problems })),
    problems: values.problems,
    values: [],
    outliers: [],
    choices: [],
  }
  const calibrated = calibratedOf(sheet, values, read)
  if (calibrated) {
    const { findings, choices, headline } = calibrated
    return { ...base, calibrated, findings, choices, ...(headline && { headline }) }
  }
  if (sheet.kind === 'washes') {
    const rows = read.map(({ cells }) => cells)
    const washes = judgeWashes(values.texts.what, values.figures.within, rows)
    return { ...base, washes, findings: washes.findings, ...(washes.headline && { headline: washes.headline }) }
  }
  const curve =
    sheet.kind === 'thermogram' ? judgeThermogram(sheet.given, sheet.curve) : judgeSpectrum(sheet.given, sheet.curve)
  const { findings, choices, headline } = curve
  return {
    ...base,
    curve,
    findings,
    choices,
    problems: [...values.problems.filter(({ key }) => !curve.problems.some(one => one.key === key)), ...curve.problems],
    ...(headline && { headline }),
  }
}

/** Of a kind whose rows are the points of a line. */
function calibratedOf(
  sheet: Worksheet,
  values: ReturnType<typeof readAsked>,
  read: readonly { cells: Cells }[],
): Calibrated | undefined {
  const rows = read.map(({ cells }, i) => ({ cells, label: sheet.rows[i]?.label?.trim() ?? '' }))
  if (sheet.kind === 'absorbance')
    return judgeAbsorbance(sheet.given, rows, values.figures.path?.value, values.formulas.salt)
  if (sheet.kind === 'standard addition') return judgeStandardAddition(values, rows)
  return sheet.kind === 'conductometric' ? judgeConductometric(values, rows) : undefined
}

/** Adds what the marked rows say against each other. */
function withGroups(result: WorksheetResult, { rows }: Worksheet): WorksheetResult {
  const names = result.rows.flatMap(({ figure }, i) => (figure ? [rows[i]!.who ?? ''] : []))
  return { ...result, findings: [...result.findings, ...compareGroups(result.values, names, result.budget?.step)] }
}

function computeReplicates(
  { method }: SheetKind,
  scale: number,
  asked: ReturnType<typeof readAsked>,
  read: readonly { cells: Cells; problems: readonly FieldProblem[] }[],
): WorksheetResult {
  const made = asked.problems.length > 0 ? { problems: asked.problems } : method(asked)
  const rows = read.map(({ cells, problems }): WorksheetRow => {
    const worked = problems.length === 0 ? made.work?.(cells) : undefined
    if (worked && 'problem' in worked) return { problems: [worked.problem] }
    return { problems, ...(worked && { figure: worked.value }) }
  })
  const whole = rows.flatMap(({ figure }, i) => (figure ? [{ figure, cells: read[i]!.cells, row: i }] : []))
  const values = whole.map(({ figure }) => figure.value * scale)
  const summary = values.length > 0 ? summarise(values) : undefined
  const mean = meanFigure(whole.map(({ figure }) => figure))
  const figures = whole.map(({ figure }) => figure)
  const budget = mean && summary ? budgetOf(figures, mean, scale, summary.standardDeviation) : undefined
  const judged =
    summary &&
    budget &&
    made.judge?.({
      values,
      mean: summary.mean,
      uncertainty: budget.combined,
      expanded: budget.expanded,
      whole: whole.map(({ cells, row }) => ({ cells, row: row + 1 })),
    })
  const tests = [
    ['Dixon', dixon(values, budget?.step)],
    ['Grubbs', grubbs(values, budget?.step)],
  ] as const
  return {
    rows,
    problems: made.problems,
    ...(made.factor && { factor: made.factor }),
    values,
    ...(summary && { summary }),
    ...(mean && { mean }),
    ...(budget && { budget }),
    outliers: tests.flatMap(([test, outlier]) =>
      outlier ? [{ test, outlier, row: whole[outlier.index]?.row ?? 0 }] : [],
    ),
    findings: judged?.findings ?? [],
    choices: judged?.choices ?? [],
  }
}

/** A fresh worksheet with three empty rows, or none where a file is read. */
export const newWorksheet = (
  id: string,
  kind: WorksheetKind,
  given: Readonly<Record<string, string>> = {},
): Worksheet => ({
  id,
  kind,
  name: worksheetShapes[kind].name,
  given,
  rows: worksheetShapes[kind].rows === 'file' ? [] : [{}, {}, {}],
})
