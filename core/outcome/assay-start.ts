import type { BatchFacts } from '#core/assay'
import { parseFormula } from '#core/formula'
import { judgeSpots, type JournalLine } from '#core/journal'
import { readReaction, type StagePlan } from '#core/sheet'
import { findProduct } from '#core/solution'

/** What a batch's last stage and its journal know for a fresh worksheet: product, reaction, reagents as weighed, and what the spot tests say. */
export function assayStart(stage: StagePlan | undefined, lines: readonly JournalLine[]): BatchFacts {
  if (!stage) return { reagents: [] }
  const product = parseFormula(stage.product.form ?? stage.product.species)
  const reagents = stage.reagents.map(({ species, supply }) => ({
    species,
    form: (supply?.kind === 'solid' && supply.formula) || species,
  }))
  const [first, second] = reagents
  const tests = lines.flatMap(({ entry, current }) =>
    entry.kind === 'test' && current !== undefined && entry.stage === stage.id ? [entry] : [],
  )
  const verdict = first && second ? judgeSpots(tests, first.species, second.species) : undefined
  const clouds = verdict?.says === 'excess' ? verdict.by : verdict?.says === 'equal' ? 'neither' : undefined
  const reaction = readReaction(stage.equation)
  const precipitate = reaction.ok
    ? reaction.value.products.map(({ species }) => species.formula).find(formula => findProduct(formula))?.text
    : undefined
  return {
    ...(product.ok && { product: product.value }),
    equation: stage.equation,
    reagents,
    ...(precipitate && { precipitate }),
    ...(clouds && { clouds }),
  }
}
