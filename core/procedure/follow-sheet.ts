import type { Step } from '#core/journal'
import type { Run } from './run'
import { formatFigure } from '#core/quantity'
import type { ReagentLine, StageSheet } from '#core/sheet'

/** A charge that was done at another figure than the sheet has now; formulas in braces. */
export interface Moved {
  readonly step: string
  readonly weighAs: string
  readonly was: string
  readonly now: string
}

/** What a charge's step asks for, by the sheet: volume where it is measured so, else mass. */
export const targetOf = ({ volume, mass }: ReagentLine): string | undefined => {
  const figure = volume ?? mass
  return figure && formatFigure(figure, 4).replaceAll('\u202f', ' ')
}

/**
 * A kept procedure beside a sheet that has changed since: charges that are still open take the sheet's figure, those that were begun or done keep
 * theirs, and where these differ it is said.
 */
export function followSheet(
  steps: readonly Step[],
  sheet: StageSheet,
  { steps: states }: Run,
): { readonly steps: readonly Step[]; readonly moved: readonly Moved[] } {
  const moved: Moved[] = []
  const followed = steps.map(step => {
    const about = step.about
    const line = about?.what === 'charge' ? sheet.reagents.find(({ species }) => species === about.species) : undefined
    const now = line && targetOf(line)
    if (!line || !now || step.target === undefined || step.target === now) return step
    const isOpen = states.find(({ step: { id } }) => id === step.id)?.status === 'open'
    if (isOpen) return { ...step, target: now }
    moved.push({ step: step.id, weighAs: line.weighAs, was: step.target, now })
    return step
  })
  return { steps: followed, moved }
}
