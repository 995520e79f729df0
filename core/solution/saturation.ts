import { excessOf, logWater } from '#core/activity'
import { ionsFor } from './ions-for'
import type { Curve } from './curve'
import type { PotState } from './pot'
import type { Rest } from './pot-state'
import { solidsFor } from './solids'

/** How near a solid is to coming down: ln of its product over its limit; above 0 the liquor is supersaturated with it. */
export interface SaturationIndex {
  readonly form: string
  readonly index: number
}

/** The saturation of a liquor at rest with every solid that its ions could make, the nearest first. Ethanol is not counted. */
export function saturationIndices(pot: PotState, rest: Rest, own: readonly Curve[] = []): SaturationIndex[] {
  const keys = [...rest.dissolved].filter(([, moles]) => moles > 0).map(([key]) => key)
  const kilograms = rest.freeWater / 1000
  if (!(kilograms > 0)) return []
  const ions = ionsFor(
    keys,
    pot.celsius,
    keys.map(key => pot.totals.get(key) ?? 0),
  )
  const molalities = keys.map(key => (rest.dissolved.get(key) ?? 0) / kilograms)
  const excess = excessOf(ions, molalities)
  const water = logWater(ions, molalities, excess)
  const activity = new Map(keys.map((key, i) => [key, Math.log(molalities[i]!) + excess.gradient[i]!]))
  return solidsFor(new Set(keys), pot.celsius, own, ions)
    .solids.map(({ form, components, waters, logK }) => ({
      form: form.text,
      index:
        components.reduce((sum, { key, count }) => sum + count * (activity.get(key) ?? 0), 0) + waters * water - logK,
    }))
    .toSorted((a, b) => b.index - a.index)
}
