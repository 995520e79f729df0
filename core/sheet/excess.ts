import type { ReadStage } from './read-stage'
import { computeStage, type StageSheet } from './stage'
import { exact, type Figure } from '#core/quantity'
import type { WayOut } from './ways-out'

/** One excess of a reagent, and what it would cost. */
export interface ExcessCase {
  readonly percent: number
  readonly mass?: Figure
  readonly volume?: Figure
  readonly leftover: Figure
}

export interface ExcessRange {
  readonly species: string
  readonly wayOut: WayOut
  readonly cases: readonly ExcessCase[]
  /** The two schools, with their reasons. */
  readonly schools: readonly { readonly name: string; readonly reason: string; readonly fits: boolean }[]
}

const STEPS = [0, 2, 5, 10, 20, 50] as const

/** What a reagent in more or less excess would mean at the stage's present extent; undefined for a species that is not charged. */
export function excessRange(stage: ReadStage, sheet: StageSheet, species: string): ExcessRange | undefined {
  const at = stage.reagents.findIndex(({ term, planned }) => planned && term.species.formula.text === species)
  if (at < 0) return undefined
  const cases = STEPS.map((percent): ExcessCase => {
    const reagents = stage.reagents.map((reagent, i) =>
      i === at
        ? {
            ...reagent,
            charge: { by: 'equivalents', equivalents: exact(1 + percent / 100, 'number', 'equivalents') } as const,
          }
        : reagent,
    )
    const line = computeStage({ ...stage, reagents }, sheet.extent).reagents[at]!
    return {
      percent,
      leftover: line.leftover.mass,
      ...(line.mass && { mass: line.mass }),
      ...(line.volume && { volume: line.volume }),
    }
  })
  const { wayOut } = sheet.reagents[at]!.leftover
  const proposed = wayOut === 'used up' ? undefined : wayOut
  return { species, wayOut, cases, schools: schoolsFor(proposed) }
}

/** Where practitioners differ, both ways with the reason; which fits follows from where the excess goes. */
function schoolsFor(wayOut: WayOut | undefined): ExcessRange['schools'] {
  const filters = wayOut === 'filtered off' || wayOut === 'left in on purpose'
  return [
    {
      name: 'In excess, then filter',
      reason:
        'A solid that does not dissolve uses the other reagent up and stays on the filter. Nothing has to be judged by eye; the surplus is lost or recovered.',
      fits: filters,
    },
    {
      name: 'To the end point',
      reason:
        'Add the last of it in small portions until the sign of the end (no more fizz, a colour, litmus). Nothing is left to wash out; it takes watching.',
      fits: !filters,
    },
  ]
}

/** What an excess that goes this way risks, in words. */
export const riskWords: Readonly<Record<WayOut, string>> = {
  'filtered off': 'Costs the reagent; fine powder can come through the paper and weigh as product.',
  'boiled off': 'Costs time in the hood; what is not boiled off stays in the crystals.',
  'stays in the liquor': 'Every bit of liquor left in the cake dries into the product: wash, and count the wash loss.',
  'washed out': 'Each wash takes product with it: small, cold portions.',
  'left in on purpose': 'Filter it off last, and quickly: it protects only while it is there.',
  quenched: 'What quenches it stays in the liquor in its place.',
  'used up': 'None is left.',
  'leaves as gas': 'Needs the hood or a trap.',
  crystals: 'Comes down with the product.',
  'stays in the pot': 'Goes on to the next stage.',
  precipitate: 'Comes down with the product.',
  'not known': 'The table does not know where it goes: decide before you take an excess.',
}
