import type { Figure } from './figure'

const isFigure = (value: object): value is Figure => 'made' in value && 'kind' in value && 'name' in value

/**
 * Every figure that stands in a value of plain objects, arrays and maps, in its order; what a figure was made of is not gone into. To find
 * a figure again by its name once everything was computed anew.
 */
export function figuresIn(root: unknown): Figure[] {
  if (typeof root !== 'object' || root === null) return []
  if (isFigure(root)) return [root]
  const parts = root instanceof Map ? [...root.values()] : Object.values(root)
  return parts.flatMap(figuresIn)
}
