import type { Step } from '#core/journal'
import { formatValue } from '#core/quantity'
import type { ReadStage, StageSheet } from '#core/sheet'
import { targetOf } from './follow-sheet'

/** What a label says beside the formula: `, 25 % w/w`, `, 97 %`; empty where it says nothing. */
export function bottleOf({ reagents }: ReadStage, species: string): string {
  const supply = reagents.find(({ term }) => term.species.formula.text === species)?.supply
  const { massFraction, molarity } = supply?.strength ?? {}
  const label = [molarity, massFraction, supply?.assay].find(figure => figure?.made.how === 'given')
  return label?.made.how === 'given' && label.made.written ? `, ${label.made.written}` : ''
}

export interface GoingIn {
  /** In all, as the sheet has it, `66.0 mL`. */
  readonly all: string
  /** Of each portion, where there are several. */
  readonly each?: string
  /** What its bottle says, `2.00 mol/L`; empty where it says nothing. */
  readonly bottle: string
}

/** How much of the sheet goes into the vessel at a step, by the sheet as it is now; undefined where none does, or the sheet plans no amount of it. */
export function amountGoingIn({ does, repeat }: Step, stage: ReadStage, sheet: StageSheet): GoingIn | undefined {
  if (!does || !('charge' in does)) return undefined
  const line = sheet.reagents.find(({ species, planned }) => planned && species === does.charge)
  const all = line && targetOf(line)
  if (!line || all === undefined) return undefined
  const figure = line.volume ?? line.mass
  const times = repeat?.times ?? 1
  return {
    all,
    ...(figure && times > 1 && { each: formatValue(figure.value / times, figure.kind, 2).replaceAll('\u202f', ' ') }),
    bottle: bottleOf(stage, line.species).replace(/^, /, ''),
  }
}
