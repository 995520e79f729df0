import { reduce, type Integers } from './integers'

/**
 * Whole vectors that the matrix turns to zero, one for each free column: a basis of the null space. Gauss-Jordan elimination
 * over the integers, rows divided by their common divisor when the numbers grow.
 */
export function nullSpace<N>(z: Integers<N>, rows: readonly (readonly number[])[], columns: number): N[][] {
  const matrix = rows.map(row => row.map(z.from))
  const pivotRow: (number | undefined)[] = new Array(columns).fill(undefined)
  let rank = 0
  for (let column = 0; column < columns && rank < matrix.length; column++) {
    const found = matrix.findIndex((row, i) => i >= rank && z.sign(row[column]!) !== 0)
    if (found < 0) continue
    ;[matrix[rank], matrix[found]] = [matrix[found]!, matrix[rank]!]
    for (let i = 0; i < matrix.length; i++) if (i !== rank) clear(z, matrix[i]!, matrix[rank]!, column)
    pivotRow[column] = rank++
  }
  const free = pivotRow.flatMap((row, column) => (row === undefined ? [column] : []))
  return free.map(column => vectorFor(z, matrix, pivotRow, column))
}

function clear<N>(z: Integers<N>, row: N[], pivot: readonly N[], column: number): void {
  const factor = row[column]!
  if (z.sign(factor) === 0) return
  const lead = pivot[column]!
  let grows = false
  for (let j = 0; j < row.length; j++) {
    row[j] = z.minus(z.times(row[j]!, lead), z.times(pivot[j]!, factor))
    grows ||= z.isLarge(row[j]!)
  }
  if (grows) reduce(z, row)
}

/** Sets one free column so that every pivot column comes out whole. */
function vectorFor<N>(
  z: Integers<N>,
  matrix: readonly N[][],
  pivotRow: readonly (number | undefined)[],
  free: number,
): N[] {
  let scale = z.one
  const vector: N[] = new Array(pivotRow.length).fill(z.zero)
  pivotRow.forEach((row, column) => {
    if (row === undefined) return
    const lead = matrix[row]![column]!
    const needed = z.times(scale, matrix[row]![free]!)
    const [small] = reduce(z, [lead, needed]) as [N, N]
    const grow = z.sign(needed) === 0 ? z.one : z.sign(small) < 0 ? z.minus(z.zero, small) : small
    scale = z.times(scale, grow)
  })
  vector[free] = scale
  pivotRow.forEach((row, column) => {
    if (row === undefined) return
    const value = z.times(scale, matrix[row]![free]!)
    vector[column] = z.over(z.minus(z.zero, value), matrix[row]![column]!)
  })
  return reduce(z, vector)
}
