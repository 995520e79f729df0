import { statedWords, type Figure } from '#core/quantity'
import { budgetOf, meanFigure } from './budget'
import { summarise } from './replicates'
import type { Cells, Finding, Outcome, Unit } from './worksheet-kind'

/** The other of two components that the same rows tell: its mean with its expanded uncertainty, as the first has them. */
export function theOther(
  { whole }: Outcome,
  name: string,
  unit: Unit,
  of: (cells: Cells) => Figure | undefined,
): Finding[] {
  const figures = whole.flatMap(({ cells }) => of(cells) ?? [])
  const mean = meanFigure(figures)
  if (!mean) return []
  const { standardDeviation } = summarise(figures.map(({ value }) => value * unit.scale))
  const { expanded } = budgetOf(figures, mean, unit.scale, standardDeviation)
  return [
    {
      tone: 'info',
      tag: 'The other component',
      text: `${name}: ${statedWords(mean.value * unit.scale, expanded, unit.text)} (95 %).`,
    },
  ]
}
