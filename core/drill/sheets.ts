import { given, parseQuantity, type Figure, type Kind } from '#core/quantity'
import { computePlan, type Plan, type ReagentLine, type StageSheet } from '#core/sheet'
import type { Preparation } from './pool'

type Reagent = Plan['stages'][number]['reagents'][number]

/** The charge sheet of one preparation, as the app computes it. */
export function sheetFor(
  { equation, product, form }: Pick<Preparation, 'equation' | 'product' | 'form'>,
  reagents: readonly Reagent[],
  target?: string,
): StageSheet {
  const computed = computePlan({
    stages: [
      {
        id: 's1',
        equation,
        reagents,
        product: { species: product, form },
        ...(target !== undefined && { target: { mass: target } }),
      },
    ],
  })
  if (!computed.ok) throw new Error(`No sheet of ${equation}: ${computed.problem.problem.code}`)
  return computed.value.stages[0]!
}

export function lineOf({ reagents }: StageSheet, species: string): ReagentLine {
  const line = reagents.find(one => one.species === species)
  if (!line) throw new Error(`${species} has no line.`)
  return line
}

/** A measured value as it stands in a question. */
export function measuredFigure(text: string, kind: Kind, name: string): Figure {
  const read = parseQuantity(text, { kinds: [kind], name, source: name, aboveWhole: true, zero: true })
  if (!read.ok) throw new Error(`${text}: ${read.problem.code}`)
  return read.value
}

/** A value that is read off, not typed. */
export const plainFigure = (value: number, kind: Kind, name: string): Figure =>
  given(value, kind, name, { source: 'read off the curve', uncertainty: 0 })
