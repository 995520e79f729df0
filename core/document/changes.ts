/** What differs between two documents: the place as keys from the root, and the texts before and after. */
export interface Change {
  readonly path: readonly string[]
  readonly before: string | undefined
  readonly after: string | undefined
}

/** The places where two documents of the batch format differ, in the order of the first. */
export function changesBetween(before: unknown, after: unknown, path: readonly string[] = []): Change[] {
  if (Object.is(before, after)) return []
  if (isBranch(before) && isBranch(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])]
    return keys.flatMap(key => changesBetween(before[key], after[key], [...path, key]))
  }
  return [{ path, before: fieldText(before), after: fieldText(after) }]
}

const isBranch = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null

/** A field in words: its text, or the texts of what it holds. */
export const fieldText = (value: unknown): string | undefined =>
  value === undefined
    ? undefined
    : typeof value === 'string'
      ? value
      : isBranch(value)
        ? Object.values(value).map(fieldText).join(' ')
        : String(value)
