/** One field that was changed on both sides, and not to the same. */
export interface Clash {
  readonly path: readonly string[]
  readonly mine: unknown
  readonly theirs: unknown
}
export interface Merged<T> {
  /** Both sides' changes; where they clash, mine. */
  readonly merged: T
  readonly clashes: readonly Clash[]
}

/**
 * Two documents that were made from one, put together by their changes: what one side left alone is the other's, field by field. Lists whose
 * members have a name (`id`, `stage`, `species`) are put together by it, whatever their order; others only where they are of one length. A
 * field that both changed, to different ends, clashes.
 */
export function merge<T>(base: T, mine: T, theirs: T): Merged<T> {
  const clashes: Clash[] = []
  const merged = put(base, mine, theirs, [], clashes) as T
  return { merged, clashes }
}

type Branch = Record<string, unknown>

function put(base: unknown, mine: unknown, theirs: unknown, path: readonly string[], clashes: Clash[]): unknown {
  if (isSame(mine, theirs) || isSame(theirs, base)) return mine
  if (isSame(mine, base)) return theirs
  if (Array.isArray(mine) && Array.isArray(theirs)) {
    const before = Array.isArray(base) ? base : []
    if (isNamed(before) && isNamed(mine) && isNamed(theirs)) return byName(before, mine, theirs, path, clashes)
    if (mine.length === theirs.length && mine.length === before.length)
      return mine.map((one, i) => put(before[i], one, theirs[i], [...path, String(i)], clashes))
  } else if (isBranch(mine) && isBranch(theirs)) {
    const before = isBranch(base) ? base : {}
    const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])]
    const fields = keys.map(key => [key, put(before[key], mine[key], theirs[key], [...path, key], clashes)] as const)
    return Object.fromEntries(fields.filter(([, value]) => value !== undefined))
  }
  clashes.push({ path, mine, theirs })
  return mine
}

/** Theirs in their order, then what is mine alone; what either side took away stays away, unless the other changed it. */
function byName(
  base: readonly Branch[],
  mine: readonly Branch[],
  theirs: readonly Branch[],
  path: readonly string[],
  clashes: Clash[],
): unknown[] {
  const find = (list: readonly Branch[], name: string) => list.find(one => nameOf(one) === name)
  const wasMoved = base.length === mine.length && base.some((one, i) => nameOf(one) !== nameOf(mine[i]!))
  const first = wasMoved ? mine : theirs
  const names = [...new Set([...first, ...mine, ...theirs].flatMap(one => nameOf(one) ?? []))]
  return names.flatMap(name => {
    const [before, here, there] = [find(base, name), find(mine, name), find(theirs, name)]
    const at = String(mine.findIndex(one => nameOf(one) === name))
    if (before && !here && isSame(there, before)) return []
    if (before && !there && isSame(here, before)) return []
    const one = put(before, here, there, [...path, at], clashes)
    return one === undefined ? [] : [one]
  })
}

const isBranch = (value: unknown): value is Branch =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

const nameOf = (one: Branch): string | undefined => {
  const name = one.id ?? one.stage ?? one.species
  return typeof name === 'string' ? name : undefined
}
const isNamed = (list: readonly unknown[]): list is Branch[] => {
  const names = list.map(one => (isBranch(one) ? nameOf(one) : undefined))
  return names.every(name => name !== undefined) && new Set(names).size === names.length
}

/** The same content; the order of an object's keys does not count. */
export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((one, i) => isSame(one, b[i]))
  if (!isBranch(a) || !isBranch(b)) return false
  const keys = Object.keys(a).filter(key => a[key] !== undefined)
  const others = Object.keys(b).filter(key => b[key] !== undefined)
  return keys.length === others.length && keys.every(key => isSame(a[key], b[key]))
}

/** The document with a clash settled for theirs. */
export function withTheirs<T>(document: T, { path, theirs }: Clash): T {
  return set(document, path, theirs) as T
}
function set(value: unknown, [key, ...rest]: readonly string[], to: unknown): unknown {
  if (key === undefined) return to
  if (Array.isArray(value)) {
    const at = Number(key)
    return to === undefined && rest.length === 0
      ? value.filter((_, i) => i !== at)
      : value.map((one, i) => (i === at ? set(one, rest, to) : one))
  }
  const before = isBranch(value) ? value : {}
  const { [key]: old, ...others } = before
  const next = set(old, rest, to)
  return next === undefined ? others : { ...before, [key]: next }
}
