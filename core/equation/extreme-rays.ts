import { reduce, type Integers } from './integers'

const MOST_RAYS = 2000

/**
 * The simplest reactions among all that a null space allows: its non-negative vectors that no others add up to (extreme rays),
 * by the double description method (Motzkin et al., 1953; adjacency as in Fukuda and Prodon, 1996). Each vector of the basis
 * must be alone, and positive, in some column. Undefined when there are too many to work out.
 */
export function extremeRays<N>(z: Integers<N>, basis: readonly (readonly N[])[]): N[][] | undefined {
  const columns = basis[0]?.length ?? 0
  const done = basis.map(vector =>
    vector.findIndex(
      (entry, j) => z.sign(entry) > 0 && basis.every(other => other === vector || z.sign(other[j]!) === 0),
    ),
  )
  let rays = basis.map(vector => [...vector])
  for (let column = 0; column < columns; column++) {
    if (done.includes(column)) continue
    rays = cut(z, rays, column, done)
    if (rays.length > MOST_RAYS) return undefined
    done.push(column)
  }
  return rays
}

/** The rays of the part of the cone where `column` is not negative; `done` are the columns that already hold. */
function cut<N>(z: Integers<N>, rays: readonly N[][], column: number, done: readonly number[]): N[][] {
  const kept = rays.filter(ray => z.sign(ray[column]!) >= 0)
  for (const up of rays) {
    if (z.sign(up[column]!) <= 0) continue
    for (const down of rays) {
      if (z.sign(down[column]!) >= 0 || !areAdjacent(z, up, down, rays, done)) continue
      kept.push(joined(z, up, down, column))
      if (kept.length > MOST_RAYS) return kept
    }
  }
  return kept
}

const areAdjacent = <N>(
  z: Integers<N>,
  up: readonly N[],
  down: readonly N[],
  rays: readonly N[][],
  done: readonly number[],
): boolean => {
  const idle = done.filter(j => z.sign(up[j]!) === 0 && z.sign(down[j]!) === 0)
  return !rays.some(ray => ray !== up && ray !== down && idle.every(j => z.sign(ray[j]!) === 0))
}

const joined = <N>(z: Integers<N>, up: readonly N[], down: readonly N[], column: number): N[] => {
  const less = z.minus(z.zero, down[column]!)
  return reduce(
    z,
    up.map((entry, j) => z.minus(z.times(entry, less), z.times(z.minus(z.zero, down[j]!), up[column]!))),
  )
}
