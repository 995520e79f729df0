import { parseQuantity, partsOfMeasured, type Kind } from '#core/quantity'

/** How far a reading is off its target, and whether that is more than a step allows. */
export interface OffTarget {
  /** Read less wanted, in the fixed unit. */
  readonly by: number
  /** The same as a fraction of what was wanted; undefined for a temperature, whose zero is a convention. */
  readonly share: number | undefined
  readonly isFar: boolean
}

/**
 * Sets a reading against a target, both in the fixed unit of their kind. A tolerance in percent counts of the target, one with a unit as it
 * stands: `1 %`, `0.05 g`, `2 °C`. A tolerance that does not read allows nothing and forbids nothing.
 */
export function offTarget(read: number, wanted: number, kind: Kind, tolerance: string | undefined): OffTarget {
  const by = read - wanted
  const allowed = tolerance === undefined ? undefined : allowedOf(tolerance, wanted, kind)
  return {
    by,
    share: kind === 'temperature' || wanted === 0 ? undefined : by / wanted,
    isFar: allowed !== undefined && Math.abs(by) > allowed + 1e-9 * Math.max(1, Math.abs(wanted)),
  }
}

function allowedOf(text: string, wanted: number, kind: Kind): number | undefined {
  const name = { name: 'tolerance', source: 'tolerance', zero: true }
  const share = parseQuantity(text, { kinds: ['mass fraction'], ...name })
  if (share.ok) return share.value.value * Math.abs(wanted)
  if (kind === 'temperature') {
    // A difference: its degrees count from no zero.
    const parts = partsOfMeasured(text)
    return parts && (parts.unit === '°C' || parts.unit === 'K') ? Math.abs(Number(parts.number)) : undefined
  }
  const absolute = parseQuantity(text, { kinds: [kind], ...name })
  return absolute.ok ? absolute.value.value : undefined
}
