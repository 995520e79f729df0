import { findSubstance } from '#core/formula'
import { solvents as solventRows } from '#core/reference'
import type { Step } from '#core/journal'
import { WATER, type Vessel } from '#core/vessel'
import type { Event } from './event'

/** How the glass stands for a step, part by part; what a picture is drawn from. */
export interface SetUp {
  readonly vessel: 'flask' | 'suction flask' | 'dish' | 'crucible' | 'desiccator'
  readonly over?:
    'dropping funnel' | 'powder funnel' | 'stopper' | 'gas inlet' | 'suction funnel' | 'fluted filter' | 'still head'
  readonly under?: 'ice' | 'water bath' | 'hotplate' | 'burner'
  /** Where gas goes that leaves: into a trap with its reagent, or off in the hood. */
  readonly gas?: { readonly forms: readonly string[]; readonly into?: string }
}

/** What the run knows of a step: its operations as they are folded, what stood before, and which reagent takes up which gas. */
export interface SetUpFacts {
  readonly step: Step
  readonly events: readonly Event[]
  readonly start: Vessel
  readonly traps: readonly { readonly gas: string; readonly reagent: string }[]
}

/** °C below which a filter is kept in ice, and above which it stands on the hotplate so that nothing crystallises in it; judgements. */
const ICED = 15
const WARM = 35
/** A solvent beside the water of which more than this share goes over is caught; a judgement. */
const CAUGHT = 0.05

/** The set-up of a step where a picture helps: gas, additions from a funnel, filters, distilling, dryness, ignition, a desiccator. By its operations in the account; undefined for all others. Common practice, no source. */
export function setUpOf({ step, events, start, traps }: SetUpFacts): SetUp | undefined {
  if (step.do === 'desiccate' || step.do === 'cool in desiccator') return { vessel: 'desiccator' }
  const at = events.findIndex(event => event.step === step.id)
  if (at < 0) return undefined
  const mine = events.filter(event => event.step === step.id)
  const { operation } = mine[0]!
  const before = events[at - 1]?.after ?? start
  switch (operation.do) {
    case 'filter off':
      return operation.keep === 'solid'
        ? { vessel: 'suction flask', over: 'suction funnel', ...(before.celsius < ICED && { under: 'ice' }) }
        : { vessel: 'flask', over: 'fluted filter', ...(before.celsius > WARM && { under: 'hotplate' }) }
    case 'wash':
      return { vessel: 'suction flask', over: 'suction funnel', ...(operation.celsius < ICED && { under: 'ice' }) }
    case 'ignite':
      return { vessel: 'crucible', under: 'burner' }
    case 'distil off':
      return { vessel: 'flask', over: 'still head', under: 'water bath' }
    case 'take to dryness':
    case 'boil off':
    case 'boil down':
      if (hasSpirit(before)) return { vessel: 'flask', over: 'still head', under: 'water bath' }
      return operation.do === 'take to dryness' ? { vessel: 'dish', under: 'water bath' } : undefined
    case 'charge':
      return charging(step, mine, before, traps)
    default:
      return undefined
  }
}

const hasSpirit = ({ solvents }: Vessel): boolean => {
  const all = [...solvents.values()].reduce((sum, mass) => sum + mass, 0)
  return all > 0 && 1 - (solvents.get(WATER) ?? 0) / all > CAUGHT
}
const isSolvent = (form: string): boolean => solventRows.some(({ formula }) => formula === form)

function charging(step: Step, events: readonly Event[], before: Vessel, traps: SetUpFacts['traps']): SetUp | undefined {
  const forms = [
    ...new Set(
      events
        .flatMap(({ out }) => out.filter(({ to }) => to === 'gas' || to === 'trap'))
        .flatMap(({ matter }) => matter.map(({ form }) => form))
        .filter(form => !isSolvent(form)),
    ),
  ]
  const codes = new Set(events.flatMap(({ cautions }) => cautions.map(({ code }) => code)))
  const isCooled = codes.has('exotherm') || step.needs?.includes('ice bath') === true
  const bringsLiquid = events.some(({ charge }) => Object.keys(charge?.solvents ?? {}).length > 0)
  const isPoured = bringsLiquid || codes.has('acid-into-water')
  if (before.solvents.size === 0 && before.lumps.length === 0) return undefined
  if (isPassedIn(events)) return { vessel: 'flask', over: 'gas inlet', ...(isCooled && { under: 'ice' }) }
  if (forms.length === 0 && !(isPoured && (isCooled || codes.has('acid-into-water')))) return undefined
  const trap = traps.find(({ gas }) => forms.includes(gas))
  return {
    vessel: 'flask',
    // Through an open neck the gas would pass the trap by.
    over: isPoured ? 'dropping funnel' : trap ? 'stopper' : 'powder funnel',
    ...(isCooled && { under: 'ice' }),
    ...(forms.length > 0 && { gas: { forms, ...(trap && { into: trap.reagent }) } }),
  }
}

/** A gas that brings no solvent is led in from its bottle. */
const isPassedIn = (events: readonly Event[]): boolean =>
  events.every(
    ({ operation }) =>
      operation.do === 'charge' &&
      operation.solvents.size === 0 &&
      findSubstance(operation.formula)?.row.state === 'gas',
  )

const vessels: Record<SetUp['vessel'], string> = {
  flask: 'A flask',
  'suction flask': 'A suction flask',
  dish: 'A dish',
  crucible: 'A crucible on its triangle, the lid ajar',
  desiccator: 'The desiccator, its lid greased, the vessel on the plate above the drying agent',
}
const over: Record<NonNullable<SetUp['over']>, string> = {
  'dropping funnel': 'a dropping funnel above',
  'powder funnel': 'a wide neck for the portions',
  stopper: 'the neck stoppered, and opened for a portion alone',
  'gas inlet': 'a tube that leads the gas in below the surface',
  'suction funnel': 'the suction funnel with its paper wetted, a bottle between it and the pump',
  'fluted filter': 'a fluted paper in a funnel with a short stem',
  'still head': 'a still head, the cooler and a receiver that is open to the air',
}
const under: Record<NonNullable<SetUp['under']>, string> = {
  ice: 'in ice',
  'water bath': 'over a water bath',
  hotplate: 'on the hotplate',
  burner: 'over the burner',
}

/** A set-up in words, as its picture is read out; formulas in braces. */
export function setUpWords({ vessel, over: top, under: below, gas }: SetUp): string {
  const base = [vessels[vessel], below && under[below]].filter(Boolean).join(' ')
  const parts = [base, top && over[top]].filter(Boolean).join('; ')
  if (!gas) return `${parts}.`
  const what = gas.forms.map(form => `{${form}}`).join(' and ')
  return gas.into === undefined
    ? `${parts}; open, so that ${what} leaves into the hood.`
    : `${parts}; ${what} goes into {${gas.into}} through a funnel just at its surface, so that nothing is sucked back.`
}
