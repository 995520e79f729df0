import { MOST_POINTS, type CurvePoints } from './curve-points'

export type CurveProblem =
  | { code: 'curve.too-few'; rows: number }
  | { code: 'curve.not-numbers'; line: number; text: string }
  | { code: 'curve.too-many'; rows: number }

/**
 * Two columns of numbers as a curve, from the cells of a table: a heading is taken as the names of the axes, points come in the order of x, and more than
 * 2000 are thinned by keeping every n-th. Refuses fewer than five rows, and a row that is no pair of numbers.
 */
export function curveFrom(cells: readonly (readonly string[])[]): { curve: CurvePoints } | { problem: CurveProblem } {
  const filled = cells.filter(row => row.some(cell => cell.trim() !== ''))
  const number = (cell: string | undefined): number =>
    cell === undefined || cell.trim() === '' ? NaN : Number(cell.trim().replace('−', '-'))
  const hasHead = filled[0] !== undefined && Number.isNaN(number(filled[0][0]))
  const rows = hasHead ? filled.slice(1) : filled
  if (rows.length < 5) return { problem: { code: 'curve.too-few', rows: rows.length } }
  const points: (readonly [number, number])[] = []
  for (const [i, row] of rows.entries()) {
    const [x, y] = [number(row[0]), number(row[1])]
    if (!isCoordinate(x) || !isCoordinate(y))
      return {
        problem: { code: 'curve.not-numbers', line: i + 1 + (hasHead ? 1 : 0), text: row.join(', ').slice(0, 60) },
      }
    points.push([sixDigits(x), sixDigits(y)])
  }
  if (points.length > 200_000) return { problem: { code: 'curve.too-many', rows: points.length } }
  const sorted = points.toSorted((a, b) => a[0] - b[0])
  const every = Math.ceil(sorted.length / MOST_POINTS)
  return {
    curve: {
      x: (hasHead && filled[0]![0]?.trim()) || 'x',
      y: (hasHead && filled[0]![1]?.trim()) || 'y',
      points: sorted.filter((_, i) => i % every === 0),
    },
  }
}

/** As far as any instrument's numbers reach. */
const isCoordinate = (value: number): boolean => Number.isFinite(value) && Math.abs(value) <= 1e9

/** No instrument of this kind knows more. */
const sixDigits = (value: number): number => Number(value.toPrecision(6))

export function explainCurve(problem: CurveProblem): { why: string; fix: string } {
  switch (problem.code) {
    case 'curve.too-few':
      return {
        why: `The file has ${problem.rows} rows of numbers.`,
        fix: 'A curve needs at least five: two columns, x and y.',
      }
    case 'curve.not-numbers':
      return {
        why: `Line ${problem.line} is no pair of numbers: “${problem.text}”.`,
        fix: 'Keep two columns, with a decimal point, and one heading at most.',
      }
    case 'curve.too-many':
      return { why: `The file has ${problem.rows} points.`, fix: 'Save it with fewer, two hundred thousand at most.' }
  }
}
