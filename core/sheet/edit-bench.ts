import { parseQuantity } from '#core/quantity'
import type { OperationPlan } from '#core/vessel'
import { findReagent } from './edit'
import type { Plan, ReagentPlan, StagePlan } from './plan'
import type { chosenWays } from './ways-out'

type BenchKey = 'solvent' | 'evaporate' | 'at' | 'vessel' | 'addition' | 'bath' | 'name'
type Way = (typeof chosenWays)[number]

/** Sets one text of how the stage is run; an emptied one is taken out. */
export function withBench(stage: StagePlan, key: BenchKey, text: string): StagePlan {
  const { [key]: _, ...rest } = stage
  return text.trim() === '' ? rest : { ...rest, [key]: text }
}

/** Sets one text of the trap; it goes once all are empty. */
export function withTrap(stage: StagePlan, key: 'reagent' | 'volume' | 'concentration', text: string): StagePlan {
  const { trap: before, ...rest } = stage
  const trap = { reagent: '', volume: '', concentration: '', ...before, [key]: text }
  return Object.values(trap).every(value => value.trim() === '') ? rest : { ...rest, trap }
}

/** Where the chemist says that a reagent's excess goes; undefined leaves it to the proposal. */
export function withWayOut(stage: StagePlan, species: string, way: Way | undefined): StagePlan {
  const known = findReagent(stage, species)
  const changed = ({ wayOut: _, ...rest }: ReagentPlan): ReagentPlan => (way ? { ...rest, wayOut: way } : rest)
  return { ...stage, reagents: stage.reagents.map(reagent => (reagent === known ? changed(reagent) : reagent)) }
}

/** Which of several reactions run, and in what shares; none leaves it to the equation. */
export function withMix(stage: StagePlan, mix: StagePlan['mix']): StagePlan {
  const { mix: _, ...rest } = stage
  return mix && mix.length > 0 ? { ...rest, mix } : rest
}

/**
 * Sets the share of one of the reactions a stage allows. Of two, the other takes what is left of the whole, where the share is a percentage;
 * of more, the chemist says. An emptied share is left out.
 */
export function withShare(stage: StagePlan, reactions: readonly string[], reaction: string, share: string): StagePlan {
  const others = reactions.filter(one => one !== reaction)
  const read = parseQuantity(share, { kinds: ['mass fraction'], name: 'share', source: 'share', zero: true })
  const rest = others.length === 1 && read.ok ? `${Number((100 - read.value.value * 100).toFixed(6))} %` : undefined
  const shareOf = (text: string): string =>
    text === reaction ? share : (rest ?? stage.mix?.find(({ equation }) => equation === text)?.share ?? '')
  const mix = reactions.map(equation => ({ equation, share: shareOf(equation) }))
  return withMix(
    stage,
    mix.filter(part => part.share.trim() !== ''),
  )
}

export function withInPot(stage: StagePlan, inPot: boolean): StagePlan {
  const { inPot: _, ...rest } = stage
  return inPot ? { ...rest, inPot } : rest
}

/** Sets how the product is won from the vessel; no operations leave it to the proposal. */
export function withOperations(stage: StagePlan, operations: readonly OperationPlan[] | undefined): StagePlan {
  const { operations: _, ...rest } = stage
  return operations ? { ...rest, operations } : rest
}

/** Sets one text of the room: its temperature, pressure or volume. */
export function withRoom(plan: Plan, key: 'temperature' | 'pressure' | 'volume', text: string): Plan {
  const part = key === 'volume' ? 'room' : 'ambient'
  const before: Readonly<Record<string, string>> = { ...plan[part] }
  const { [key]: _, ...others } = before
  const changed = text.trim() === '' ? others : { ...others, [key]: text }
  const { [part]: __, ...rest } = plan
  return Object.keys(changed).length === 0 ? rest : { ...rest, [part]: changed }
}

type NamedSolvent = NonNullable<StagePlan['solvents']>[number]

/** Sets the solvents of a stage beside its water; none takes the list out. */
export function withSolvents(stage: StagePlan, solvents: readonly NamedSolvent[]): StagePlan {
  const { solvents: _, ...rest } = stage
  return solvents.length === 0 ? rest : { ...rest, solvents }
}

/** A solvent with the amount that was typed: a mass where it says so, else a volume; an emptied one has none yet. */
export function solventWith({ name }: NamedSolvent, text: string): NamedSolvent {
  const read = parseQuantity(text, { kinds: ['mass'], name: 'solvent', source: 'solvent' })
  return { name, ...(read.ok ? { mass: text } : { volume: text }) }
}
