import type { Figure } from '#core/quantity'

/**
 * How far two weighings of one thing may differ and count as constant: 0.3 mg on a four-place balance, 5 mg on a two-place one, 1 mg between;
 * common practice, no source.
 */
export function constantTolerance({ decimals = 4 }: Figure): number {
  if (decimals >= 4) return 3e-4
  return decimals === 3 ? 1e-3 : decimals === 2 ? 5e-3 : 0.5 * 10 ** -decimals
}

/** True where a second weighing agrees with the first, on the coarser balance of the two. */
export const agreesWith = (first: Figure, second: Figure): boolean =>
  Math.abs(second.value - first.value) <= Math.max(constantTolerance(first), constantTolerance(second)) + 1e-9
