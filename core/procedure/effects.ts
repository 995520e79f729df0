import type { Operation as Name, Step } from '#core/journal'
import type { OperationPlan } from '#core/vessel'
import type { Real } from './event'

const NOTHING: OperationPlan = { nothing: true }
/** Where a step names no temperature: the room, an ice bath, a freezer; common practice, no source. */
const USUAL: Partial<Record<Name, string>> = { cool: '25 °C', ice: '5 °C', freeze: '-18 °C' }

/** What each operation does to the vessel where its step does not say: by its target and what it is about, never by its words. None where that does not tell. */
const usual: Record<Name, (step: Step) => OperationPlan | undefined> = {
  weigh: () => NOTHING,
  measure: () => NOTHING,
  observe: () => NOTHING,
  test: () => NOTHING,
  clean: () => NOTHING,
  wait: () => NOTHING,
  decant: () => NOTHING,
  refilter: () => NOTHING,
  seed: () => NOTHING,
  'cool in desiccator': () => NOTHING,
  stand: () => ({ stir: true }),
  stir: () => ({ stir: true }),
  dissolve: entering,
  add: entering,
  heat: heated,
  hold: heated,
  reflux: heated,
  cool: cooled,
  ice: cooled,
  freeze: cooled,
  filter: () => ({ filter: {} }),
  'filter hot': () => ({ filterOff: true }),
  evaporate: ({ target }) => (target === undefined ? undefined : { evaporateTo: { volume: target } }),
  'evaporate to dryness': () => ({ toDryness: 'boiled off' }),
  flush: () => undefined,
  wash: () => undefined,
  dry: () => ({ dry: true }),
  desiccate: () => ({ dry: true }),
  ignite: ({ target }) => (target === undefined ? undefined : { ignite: target }),
  quench: () => undefined,
}
function entering({ about }: Step): OperationPlan | undefined {
  return about?.what === 'charge' ? { charge: about.species } : undefined
}
function heated({ target, do: name }: Step): OperationPlan | undefined {
  if (target === undefined) return name === 'hold' ? { stir: true } : undefined
  return { heatTo: target }
}
function cooled({ target, do: name }: Step): OperationPlan {
  return { coolTo: target ?? USUAL[name] ?? '25 °C' }
}

/** What a step does to the vessel: as it says, or as its operation usually does, or as what was read at it tells; undefined where none does. */
export function effectOf(step: Step, read: Pick<Real, 'celsius' | 'volume'> = {}): OperationPlan | undefined {
  const told = step.does ?? usual[step.do](step)
  if (told) return told
  if (read.volume !== undefined && step.do === 'evaporate') return { evaporateTo: { volume: `${read.volume} mL` } }
  return read.celsius === undefined ? undefined : { heatTo: `${read.celsius} °C` }
}
