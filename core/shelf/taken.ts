import { weighingOf, type About, type JournalLine } from '#core/journal'
import { sum } from '#core/quantity'
import type { Taken } from './holding'

/**
 * What a batch took out of the lab's bottles, by its journal as it stands: of each charge or addition the readings that name a bottle, added up for that bottle alone. A reading that was struck
 * out takes nothing, one that was corrected what it says now; half a weighing nothing yet.
 */
export function takenBy(batch: string, lines: readonly JournalLine[]): ReadonlyMap<string, readonly Taken[]> {
  const groups = new Map<string, { bottle: string; about: About; lines: JournalLine[] }>()
  for (const line of lines) {
    const { entry } = line
    if (entry.kind !== 'reading' || entry.bottle === undefined || !('species' in entry.about)) continue
    const key = JSON.stringify([entry.bottle, entry.about])
    const group = groups.get(key) ?? { bottle: entry.bottle, about: entry.about, lines: [] }
    group.lines.push(line)
    groups.set(key, group)
  }
  const taken = new Map<string, Taken[]>()
  for (const { bottle, about, lines: mine } of groups.values()) {
    const { portions } = weighingOf(mine, about)
    const [first] = portions
    if (!first || !('species' in about) || portions.some(({ kind }) => kind !== first.kind)) continue
    const amount =
      portions.length === 1
        ? first
        : sum(
            first.name,
            portions.map(portion => [1, portion]),
          )
    const at = mine.reduce((last, { entry }) => (entry.at > last ? entry.at : last), '')
    taken.set(bottle, [...(taken.get(bottle) ?? []), { batch, stage: about.stage, species: about.species, at, amount }])
  }
  return taken
}
