import { parseFormula, relate } from '#core/formula'
import { draftStage } from './draft'
import type { Plan, StagePlan } from './plan'
import { readReaction } from './read-plan'

/** The stages that a stage feeds, by id. */
export const fedBy = (plan: Plan, id: string): string[] =>
  plan.stages
    .filter(({ reagents }) => reagents.some(({ supply }) => supply.kind === 'stage' && supply.from === id))
    .map(stage => stage.id)

/** An id that no stage of the plan has: s1, s2, … */
export function freshId({ stages }: Plan): string {
  for (let i = 1; ; i++) if (!stages.some(({ id }) => id === `s${i}`)) return `s${i}`
}

/**
 * A new stage that makes what a reagent of another needs, put right before it and feeding it. The plan's target stays where it is;
 * the charge of the reagent gives way to the stage.
 */
export function addStageFor(plan: Plan, id: string, species: string, equation: string): Plan | undefined {
  const at = plan.stages.findIndex(stage => stage.id === id)
  const reagent = plan.stages[at]?.reagents.find(one => one.species === species)
  const wanted = reagent?.supply.kind === 'solid' ? (reagent.supply.formula ?? species) : species
  const drafted = draftStage(wanted, equation)
  if (at < 0 || !reagent || !drafted.ok) return undefined
  const made: StagePlan = { ...drafted.value, id: freshId(plan) }
  const fed = feed(plan.stages[at]!, species, made.id)
  return { ...plan, stages: [...plan.stages.slice(0, at), made, fed, ...plan.stages.slice(at + 1)] }
}

/** A new last stage that uses what the last one makes. A target on the old last stage goes, since only the last may have one. */
export function addStageAfter(plan: Plan, product: string, equation: string): Plan | undefined {
  const drafted = draftStage(product, equation)
  const last = plan.stages.at(-1)
  if (!drafted.ok || !last) return undefined
  const { target: _, ...before } = last
  const id = freshId(plan)
  const species = speciesMadeOf(before, drafted.value)
  const stage: StagePlan = { ...drafted.value, id }
  return {
    ...plan,
    stages: [...plan.stages.slice(0, -1), before, species === undefined ? stage : feed(stage, species, before.id)],
  }
}

/** The reactant of a stage that an earlier stage's product can be. */
function speciesMadeOf(before: StagePlan, after: StagePlan): string | undefined {
  const form = parseFormula(before.product.form ?? before.product.species)
  const reaction = readReaction(after.equation)
  if (!form.ok || !reaction.ok) return undefined
  return reaction.value.reactants.find(({ species }) => relate(form.value, species.formula))?.species.formula.text
}

function feed(stage: StagePlan, species: string, from: string): StagePlan {
  const reagents = stage.reagents.map(reagent =>
    reagent.species === species ? { species, supply: { kind: 'stage', from } as const } : reagent,
  )
  return { ...stage, reagents }
}

/** Takes a stage out; what it fed comes from a bottle again. The only stage stays. */
export function removeStage(plan: Plan, id: string): Plan {
  if (plan.stages.length < 2) return plan
  return {
    ...plan,
    stages: plan.stages
      .filter(stage => stage.id !== id)
      .map(stage => ({
        ...stage,
        reagents: stage.reagents.map(reagent =>
          reagent.supply.kind === 'stage' && reagent.supply.from === id
            ? { species: reagent.species, supply: { kind: 'solid' } as const }
            : reagent,
        ),
      })),
  }
}

/** Moves a stage by one place, unless that would put it after what it feeds or before what feeds it; then undefined. */
export function moveStage(plan: Plan, id: string, by: -1 | 1): Plan | undefined {
  const at = plan.stages.findIndex(stage => stage.id === id)
  const other = plan.stages[at + by]
  const stage = plan.stages[at]
  if (!stage || !other) return undefined
  const [first, second] = by === 1 ? [stage, other] : [other, stage]
  if (fedBy(plan, first.id).includes(second.id)) return undefined
  if (at + by === plan.stages.length - 1 || at === plan.stages.length - 1) return undefined
  const stages = [...plan.stages]
  stages[at] = other
  stages[at + by] = stage
  return { ...plan, stages }
}

/** A copy of a stage right after it, fed by the same bottles and feeding nothing yet. */
export function duplicateStage(plan: Plan, id: string): Plan {
  const at = plan.stages.findIndex(stage => stage.id === id)
  const stage = plan.stages[at]
  if (!stage) return plan
  const { target: _, ...copy } = stage
  const twin: StagePlan = {
    ...copy,
    id: freshId(plan),
    ...(stage.name !== undefined && { name: `${stage.name}, again` }),
  }
  return { ...plan, stages: [...plan.stages.slice(0, at), twin, ...plan.stages.slice(at)] }
}
