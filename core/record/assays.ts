import { columnsOf, computeWorksheet, shapeOf, type Worksheet } from '#core/assay'
import { coverageWords, resultWords } from '#core/remarks'
import { formatFigure, statedWords } from '#core/quantity'
import { typedEquationWords } from './planned'
import { figure, open, paragraph, quiet, strong, words, type Unnamed } from './page'
import type { Facts } from './source'

/** A curve is drawn with at most so many points: a line across a page shows no more. */
const DRAWN = 400

/** Each worksheet: what was given, its rows as they were read, and what they say. */
export const assays = ({ source }: Facts): Unnamed[] => (source.document.assays ?? []).flatMap(assayOf)

function assayOf(sheet: Worksheet): Unnamed[] {
  const shape = shapeOf(sheet)
  const result = computeWorksheet(sheet)
  const columns = columnsOf(sheet).filter(({ key }) => sheet.rows.some(row => row[key]?.trim()))
  const given = shape.asked.filter(({ key }) => sheet.given[key]?.trim())
  const told = resultWords(sheet, result)
  const coverage = coverageWords(result)
  return [
    paragraph(strong(sheet.name || shape.name), quiet(` ${shape.name}`)),
    paragraph(
      given.flatMap(({ label, key, what }, i) => [
        `${i > 0 ? '; ' : ''}${label}: `,
        what === 'formula'
          ? `{${sheet.given[key]}}`
          : what === 'equation'
            ? typedEquationWords(sheet.given[key] ?? '')
            : figure(sheet.given[key] ?? ''),
      ]),
    ),
    ...(columns.length === 0
      ? []
      : [
          {
            is: 'table' as const,
            caption: `${sheet.name || shape.name}, as read`,
            columns: [
              ...columns.map(({ label, kinds }) => ({
                name: label,
                ...(kinds.length > 0 && { isFigure: true as const }),
              })),
              ...(result.rows.some(row => row.figure) ? [{ name: shape.result, isFigure: true as const }] : []),
            ],
            rows: sheet.rows.map((row, i) => [
              ...columns.map(({ key }) => words(figure(row[key] ?? ''))),
              ...(result.rows.some(one => one.figure)
                ? [words(result.rows[i]?.figure ? figure(formatFigure(result.rows[i].figure)) : open('does not read'))]
                : []),
            ]),
          },
        ]),
    ...(sheet.curve
      ? [
          {
            is: 'chart' as const,
            caption: sheet.name || shape.name,
            x: sheet.curve.x,
            y: sheet.curve.y,
            points: thinned(sheet.curve.points),
          },
        ]
      : []),
    paragraph(
      result.headline ??
        (told
          ? words(`${shape.result}: `, strong(told), coverage ? quiet(` (${coverage})`) : undefined)
          : open('It has no result yet.')),
    ),
    ...(result.summary?.standardDeviation === undefined
      ? []
      : [
          paragraph(
            'Standard deviation ',
            figure(statedWords(Number(result.summary.standardDeviation.toPrecision(2)), undefined, shape.unit.text)),
            ` of ${result.values.length} values.`,
          ),
        ]),
    ...result.findings.map(({ tag, text }) => paragraph(`${tag}: ${text}`)),
    ...result.choices.map(({ title, head, rows, mark }) => ({
      is: 'table' as const,
      caption: title,
      columns: [...head.map(name => ({ name })), { name: mark ?? 'fits' }],
      rows: rows.map(({ cells, fits }) => [...cells.map(cell => words(cell)), words(fits ? 'yes' : '')]),
    })),
  ].filter(block => block.is !== 'words' || block.words.length > 0)
}

/** Every so many points of a long curve, its ends among them. */
function thinned(points: readonly (readonly [number, number])[]): readonly (readonly [number, number])[] {
  if (points.length <= DRAWN) return points
  const step = (points.length - 1) / (DRAWN - 1)
  return Array.from({ length: DRAWN }, (_, i) => points[Math.round(i * step)]!)
}
