import { hazardStatements } from '#core/reference'
import type { Step } from './search'
import { isFrom, type Shelf } from './shelf'
import { stuffOf, type Stuff } from './stuff'

const AIR_AND_WATER = new Set(['H2O', 'O2'])

/** What goes in, what is started from first. */
export function needsOf(steps: readonly Step[], shelf: Shelf): string[] {
  const made = new Set(steps.map(({ target }) => stuffOf(target.text)?.key ?? target.key))
  const all = steps.flatMap(({ draft }) =>
    [...draft.left, ...(draft.catalyst ? [draft.catalyst] : [])].map(text => stuffOf(text)!),
  )
  const needed = all.filter(
    ({ key, text }) => !AIR_AND_WATER.has(text) && (!made.has(key) || isFrom(shelf, { key } as Stuff)),
  )
  const from = needed.filter(stuff => isFrom(shelf, stuff))
  return [...new Set([...from, ...needed].map(({ text }) => text))]
}

/** As many hazards stand on a card. */
const MOST_HAZARDS = 3
/** Statements of this rank and above are grave: poison, fire in air, cancer, harm to the unborn. */
const GRAVE = 2

/** The gravest statement of each substance, told once for all that share it, gravest first. */
export function hazardsOf(steps: readonly Step[]): string[] {
  const all = steps.flatMap(({ reaction }) =>
    [...reaction.products, ...reaction.reactants].map(({ species }) => stuffOf(species.formula.text)!),
  )
  const said = new Map<(typeof hazardStatements)[number], Set<string>>()
  for (const { text, row } of all) {
    const codes: readonly string[] = row?.hazards ?? []
    const gravest = hazardStatements
      .filter(({ code, rank }) => rank <= GRAVE && codes.includes(code))
      .toSorted((one, other) => one.rank - other.rank)[0]
    if (gravest) said.set(gravest, (said.get(gravest) ?? new Set()).add(text))
  }
  return [...said]
    .toSorted(([one], [other]) => one.rank - other.rank)
    .slice(0, MOST_HAZARDS)
    .map(([{ text }, of]) => `${[...of].map(one => `{${one}}`).join(', ')}: ${text}`)
}

/** Gases that come off. */
export const gasesOf = (steps: readonly Step[]): string[] => [
  ...new Set(
    steps.flatMap(({ reaction }) =>
      reaction.products.flatMap(({ species }) => {
        const stuff = stuffOf(species.formula.text)
        return stuff?.standing === 'gas' ? [stuff.text] : []
      }),
    ),
  ),
]
