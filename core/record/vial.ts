import { assayEvidence } from '#core/cause'
import { parseFormula } from '#core/formula'
import { productMass } from '#core/journal'
import { standardUncertainty, statedWords } from '#core/quantity'
import type { Label } from '#core/shelf'
import { factsOf, type RecordSource, type StageFacts } from './source'

/** What a stage gave, as it would be written on a vial of it. */
export interface Vial {
  readonly stage: string
  readonly name: string
  readonly label: Label
  /** What was weighed of it, with its standard uncertainty: `42.1 ± 0.02 g`. */
  readonly amount: string
}

/** What the stages of a batch have given so far, each as the label of a vial: its form, its purity where a worksheet found it, its batch. */
export const vialsOf = (source: RecordSource): Vial[] =>
  factsOf(source, { isQuick: true }).stages.flatMap(stage => {
    const mass = productMass(stage.lines, stage.plan.id)
    if (!mass || mass.value <= 0) return []
    return [
      {
        stage: stage.plan.id,
        name: stage.name,
        amount: statedWords(mass.value, standardUncertainty(mass) || undefined, 'g'),
        label: labelOf(source, stage),
      },
    ]
  })

function labelOf(source: RecordSource, { plan, isLast, lines }: StageFacts): Label {
  const formula = plan.product.form ?? plan.product.species
  const assay = isLast ? purityOf(source, formula) : undefined
  const last = lines.at(-1)?.entry.at.slice(0, 10)
  return {
    formula,
    comes: { kind: 'solid', ...(assay && { assay: assay.text }) },
    known: assay ? 'titration' : 'made',
    words: assay ? `made here, ${assay.name}` : 'made here, its purity not found',
    lot: source.code,
    ...(last !== undefined && { received: last }),
    made: { batch: source.code, stage: plan.id },
  }
}

/** The purity that is known best: as a share of one, with its standard uncertainty. More than the whole tells of lost water, and is no assay. */
function purityOf(source: RecordSource, formula: string): { readonly text: string; readonly name: string } | undefined {
  const read = parseFormula(formula)
  const found = read.ok ? assayEvidence(read.value, source.document.assays ?? []) : []
  const [best] = found.filter(({ purity }) => purity <= 1).toSorted((a, b) => a.spread - b.spread)
  // The evidence tells a spread of 95 %, two standard uncertainties.
  return best && { text: statedWords(best.purity * 100, best.spread * 50, '%'), name: best.name }
}
