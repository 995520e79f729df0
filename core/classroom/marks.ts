import { summarise } from '#core/assay'
import type { Criterion } from './class-plan'
import type { RuleKept } from './record-rules'
import type { RunAssay } from './run'

/** A mark that the rubric gives by itself, or that is given by hand; nothing where there is nothing to judge yet. */
export interface Mark {
  readonly criterion: string
  readonly points?: number
  readonly of: number
  readonly why: string
  readonly byHand: boolean
  readonly comment?: string
}
export interface MarkFacts {
  readonly assay?: RunAssay
  /** What the key says of this group's jar. */
  readonly key?: number
  readonly kept: readonly RuleKept[]
  /** Questions that are answered, of those that are asked. */
  readonly answered: number
  readonly asked: number
}
export interface GivenMark {
  readonly criterion: string
  readonly points?: number | undefined
  readonly comment: string
}

/** A run by its class's rubric. What was given by hand stands before what the rubric finds, and says that it was. */
export function marksFor(rubric: readonly Criterion[], facts: MarkFacts, given: readonly GivenMark[]): Mark[] {
  return rubric.map(criterion => {
    const byRule = ruled(criterion, facts)
    const hand = given.findLast(one => one.criterion === criterion.id)
    if (!hand) return byRule
    const comment = hand.comment === '' ? {} : { comment: hand.comment }
    return hand.points === undefined
      ? { ...byRule, ...comment }
      : {
          criterion: criterion.id,
          of: criterion.points,
          points: hand.points,
          why: 'Given by hand.',
          byHand: true,
          ...comment,
        }
  })
}

function ruled({ id, points, by, bands = [] }: Criterion, facts: MarkFacts): Mark {
  const none = (why: string): Mark => ({ criterion: id, of: points, why, byHand: false })
  const some = (share: number, why: string): Mark => ({
    ...none(why),
    points: Math.round(points * share * 10) / 10,
  })
  switch (by) {
    case 'accuracy': {
      if (facts.key === undefined) return none('The key is sealed, or there is none.')
      if (!facts.assay) return none('No result yet.')
      const off = Math.abs((facts.assay.mean - facts.key) / facts.key) * 100
      return some(banded(off, bands), `${off.toFixed(2)} % off the key.`)
    }
    case 'precision': {
      const { relativePercent } = facts.assay ? summarise(facts.assay.values) : { relativePercent: undefined }
      if (relativePercent === undefined) return none('Two replicates at least are wanted.')
      return some(
        banded(relativePercent, bands),
        `${relativePercent.toFixed(2)} % relative standard deviation of ${facts.assay!.values.length}.`,
      )
    }
    case 'record': {
      const share = facts.kept.reduce((sum, one) => sum + one.share, 0) / Math.max(1, facts.kept.length)
      return some(share, facts.kept.map(({ rule, why }) => `${rule}: ${why}`).join(' '))
    }
    case 'answers':
      if (facts.asked === 0) return none('No questions are asked.')
      return none(`${facts.answered} of ${facts.asked} questions are answered: read them, and give the points.`)
    case 'hand':
      return none('Given by hand.')
  }
}

/** The share of the first band that is wide enough; none beyond the last. */
const banded = (off: number, bands: NonNullable<Criterion['bands']>): number =>
  bands.toSorted((a, b) => a.within - b.within).find(({ within }) => off <= within + 1e-9)?.share ?? 0

/** What there is so far, and of how much. */
export const totalOf = (
  marks: readonly Mark[],
): { readonly points: number; readonly of: number; readonly open: number } => ({
  points: marks.reduce((sum, { points = 0 }) => sum + points, 0),
  of: marks.reduce((sum, one) => sum + one.of, 0),
  open: marks.filter(({ points }) => points === undefined).length,
})
