import * as z from 'zod'
import { fail, ok, type Checked } from '#core/problem'
import { difference, type Figure } from '#core/quantity'
import type { CommandError } from '../answer'
import { readQuantity } from './read'

export const weighedSchema = z.union(
  [z.strictObject({ gross: z.string(), tare: z.string() }), z.strictObject({ net: z.string() })],
  { error: 'A weighing is { gross, tare } or { net }.' },
)

/** The net mass of a weighing; a gross below its tare is an error under `code`. */
export function readWeighed(
  weighed: z.output<typeof weighedSchema>,
  key: string,
  code: string,
): Checked<Figure, CommandError> {
  if ('net' in weighed) return readQuantity(weighed.net, `${key}.net`, ['mass'], { zero: true })
  const gross = readQuantity(weighed.gross, `${key}.gross`, ['mass'], { zero: true })
  if (!gross.ok) return gross
  const tare = readQuantity(weighed.tare, `${key}.tare`, ['mass'], { zero: true })
  if (!tare.ok) return tare
  if (gross.value.value < tare.value.value) {
    return fail({
      code,
      message: `${key}: the gross is below its tare.`,
      hint: 'Check whether the two were swapped, or a digit misread.',
    })
  }
  return ok(difference('mass by difference', gross.value, tare.value))
}
