import type { Need } from '#core/overview'
import { parseQuantity } from '#core/quantity'
import type { BottleRow } from './kept'

/** What an open batch has yet to weigh. */
export interface BatchNeed extends Need {
  readonly batch: string
}
/** So much of a bottle is spoken for by a batch, in the bottle's unit; undefined where its density would have to be known. */
export interface Reserved {
  readonly batch: string
  readonly stage: string
  readonly species: string
  readonly amount?: number
}

type Measured = Pick<BottleRow, 'unit' | 'comes'>

/** Of a need, what comes out of a bottle, in the unit of that bottle. */
export function amountOutOf({ unit, comes }: Measured, need: Need): number | undefined {
  const direct = unit === 'g' ? need.grams : need.millilitres
  if (direct !== undefined) return direct
  const text = 'density' in comes ? comes.density : undefined
  const read =
    text === undefined ? undefined : parseQuantity(text, { kinds: ['density'], name: 'density', source: 'density' })
  if (!read?.ok) return undefined
  if (unit === 'g') return need.millilitres === undefined ? undefined : need.millilitres * read.value.value
  return need.grams === undefined ? undefined : need.grams / read.value.value
}

/** What open batches whose plans name a bottle have yet to take out of it. */
export const reservedOf = (
  bottle: Measured & Pick<BottleRow, 'code'>,
  needs: readonly BatchNeed[],
): readonly Reserved[] =>
  needs.flatMap(need => {
    if (need.bottle !== bottle.code) return []
    const amount = amountOutOf(bottle, need)
    const { batch, stage, species } = need
    return [{ batch, stage, species, ...(amount !== undefined && { amount }) }]
  })

export const sumReserved = (all: readonly Reserved[]): number => all.reduce((sum, { amount = 0 }) => sum + amount, 0)
