import type { Curve } from './curve'
import type { PotState } from './pot'
import { restOf } from './pot-state'

/** Which solids stand in a pot, over temperature and over all of its water. */
export interface PhasePicture {
  /** °C of the columns, g of water of the rows (crystals’ included), both rising. */
  readonly celsius: readonly number[]
  readonly water: readonly number[]
  /** The sets of solids that come, each told once, the emptiest first. */
  readonly fields: readonly { readonly solids: readonly string[]; readonly isDry: boolean }[]
  /** By row, then column: the place of its field; -1 where it is not known. */
  readonly cells: readonly (readonly number[])[]
}
export interface PictureOf {
  readonly celsius: readonly [from: number, to: number]
  readonly water: readonly [least: number, most: number]
  /** Columns and rows. */
  readonly steps: number
}

/** Less than this share of a solid’s ions standing is the edge of its field. */
const EDGE = 1e-6

/** Lets a pot come to rest at every temperature and amount of water of a picture, and tells which solids stand; what the model cannot settle is not known. */
export function phasePicture(
  pot: PotState,
  { celsius, water, steps }: PictureOf,
  own: readonly Curve[] = [],
): PhasePicture {
  const spread = ([from, to]: readonly [number, number]): number[] =>
    Array.from({ length: steps }, (_, i) => from + ((to - from) * i) / (steps - 1))
  const columns = spread(celsius)
  const rows = spread(water)
  const found = new Map<string, { solids: readonly string[]; isDry: boolean }>()
  const names = rows.map(grams =>
    columns.map(degrees => {
      const rest = restOf({ ...pot, celsius: degrees, water: grams }, own)
      if (!rest.ok || rest.value.isUnsettled) return undefined
      const most = Math.max(...pot.totals.values())
      const solids = rest.value.solids
        .filter(({ amount }) => amount > EDGE * most)
        .map(({ solid }) => solid.form.text)
        .sort()
      const isDry = rest.value.dry
      const name = `${solids.join(' + ')}${isDry ? ' dry' : ''}`
      found.set(name, { solids, isDry })
      return name
    }),
  )
  const order = [...found].sort(
    ([, a], [, b]) => a.solids.length - b.solids.length || a.solids.join().localeCompare(b.solids.join()),
  )
  const places = new Map(order.map(([name], i) => [name, i]))
  return {
    celsius: columns,
    water: rows,
    fields: order.map(([, field]) => field),
    cells: names.map(row => row.map(name => (name === undefined ? -1 : (places.get(name) ?? -1)))),
  }
}
