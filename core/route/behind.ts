import type { Route } from './route'

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight']
const more = (n: number, one: string): string => `${NUMBERS[n] ?? n} more ${one}${n === 1 ? '' : 's'}`
/** Less than this, minutes, is no reason. */
const HOUR = 60
/** g of co-products to a gram, likewise. */
const GRAM = 0.5

/** In what a route stands behind the first, in words: what would have to be better for it to come first. Empty where only small things tell them apart. */
export function behind(first: Route, other: Route, lacks: (route: Route) => number): string[] {
  const stages = other.stages.length - first.stages.length
  const minutes = other.minutes - first.minutes
  const gases = other.gases.filter(gas => !first.gases.includes(gas))
  const bought = lacks(other) - lacks(first)
  const waste = other.waste - first.waste
  const unsure =
    other.stages.some(stage => stage.first?.is === 'not known') &&
    first.stages.every(stage => stage.first?.is !== 'not known')
  return [
    ...(stages > 0 ? [more(stages, 'stage')] : []),
    ...(minutes >= HOUR ? [more(Math.round(minutes / HOUR), 'hour')] : []),
    ...(gases.length > 0 ? [`${gases.map(gas => `{${gas}}`).join(' and ')} to lead away`] : []),
    ...(bought > 0 ? [`${more(bought, 'bottle')} to get`] : []),
    ...(waste > GRAM ? [`${waste.toFixed(1)} g more of co-products to each gram`] : []),
    ...(unsure ? ['which salt comes first is not known'] : []),
  ]
}
