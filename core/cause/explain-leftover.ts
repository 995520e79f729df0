import { difference, standardUncertainty, type Figure } from '#core/quantity'
import type { StageSheet } from '#core/sheet'
import { grams, percentText } from './cause'
import type { Recovered } from '#core/outcome'

export interface LeftoverCause {
  readonly title: string
  readonly needs: string
  readonly settle: string
}
/** A recovered excess against what the sheet leaves of it. */
export interface LeftoverJudgement {
  readonly species: string
  readonly found: Figure
  readonly should: Figure
  readonly kind: 'as it should be' | 'too little' | 'too much'
  /** Found less what should be there, g. */
  readonly difference: number
  readonly causes: readonly LeftoverCause[]
}

/** What sticks to filter and glass: so much of a leftover may be missing without a reason; a judgement. */
const STICKS = 0.05

/** Judges each recovered excess: what would have used it up, or kept it from being used. The limiting reagent's own return is a matter of the yield. */
export const judgeLeftovers = (sheet: StageSheet, recovered: readonly Recovered[]): LeftoverJudgement[] =>
  recovered
    .filter(({ limits }) => !limits)
    .flatMap(one => {
      const line = sheet.reagents.find(({ species }) => species === one.species)
      return line ? [judge(sheet, line, one)] : []
    })

function judge(
  sheet: StageSheet,
  line: StageSheet['reagents'][number],
  { species, found, should }: Recovered,
): LeftoverJudgement {
  const off = difference(`{${species}} that came back, less what should`, found, should)
  const spread = standardUncertainty(off)
  const allowance = Math.max(2 * spread, STICKS * should.value)
  const kind = Math.abs(off.value) <= allowance ? 'as it should be' : off.value < 0 ? 'too little' : 'too much'
  const consumed = line.consumed.value
  // Grams of it to a mole, from the sheet's own two figures of what is left.
  const perMole = line.leftover.amount.value > 1e-12 ? line.leftover.mass.value / line.leftover.amount.value : 0
  const share = perMole > 0 && consumed > 0 ? Math.abs(off.value) / perMole / consumed : undefined
  return {
    species,
    found,
    should,
    kind,
    difference: off.value,
    causes: causesFor(kind, sheet, species, off.value, share),
  }
}

function causesFor(
  kind: LeftoverJudgement['kind'],
  { limiting }: StageSheet,
  species: string,
  apart: number,
  share: number | undefined,
): LeftoverCause[] {
  const off = grams(Math.abs(apart))
  const partner = limiting[0]
  const more = share === undefined ? undefined : percentText(share)
  if (kind === 'too little')
    return [
      {
        title: 'A side reaction used it up',
        needs: `${off} of {${species}} went into something else${more ? `, ${more} of what the reaction itself took` : ''}: with air, with an impurity, with the acid or base in excess.`,
        settle:
          'Test liquor and gas for what that would make; repeat with a smaller excess and see whether it follows.',
      },
      ...(partner && more
        ? [
            {
              title: `{${partner}} was stronger than its label`,
              needs: `By ${more}: then it took so much more {${species}} with it, and the yield should be higher by as much.`,
              settle: `Titrate or assay {${partner}} from the same bottle.`,
            },
          ]
        : []),
      {
        title: `Some of it stayed on paper and glass, or ran through`,
        needs: `${off} of it.`,
        settle: 'Look at the filtrate for cloudiness, at the vessel for a film; dry and weigh the paper itself.',
      },
      {
        title: `{${species}} was weaker than its label`,
        needs: `${off} of what was weighed was not {${species}}.`,
        settle: `Assay {${species}} from the same bottle.`,
      },
    ]
  if (kind === 'too much')
    return [
      {
        title: 'The reaction was not finished',
        needs: `${off} of {${species}} had still to react${more ? `: ${more} of what should have` : ''}. The yield would be low by the same share.`,
        settle: 'Put a little of what came back into fresh acid or reagent: if it reacts at once, it would have.',
      },
      ...(partner && more
        ? [
            {
              title: `{${partner}} was weaker than its label`,
              needs: `By ${more}.`,
              settle: `Titrate or assay {${partner}} from the same bottle.`,
            },
          ]
        : []),
      {
        title: 'It was not rinsed or not dry',
        needs: `${off} of water and liquor in it.`,
        settle: 'Rinse it, dry it to constant mass, and weigh it again.',
      },
    ]
  return []
}
