import { scaleDocument, type BatchDocument } from '#core/document'
import { seeded, toSignificant } from '#core/quantity'
import type { ClassPlan } from './class-plan'

/** Groups of one class draw one after the other, those of another class otherwise. */
const MIX = 7919

/** The plan of one group: the class's, with all amounts a little more or less, so that nobody's figures are a neighbour's. The first group's of one seed is always the same. */
export function groupDocument({ document, seed, scatter }: ClassPlan, number: number): BatchDocument {
  const random = seeded(seed * MIX + number)
  random()
  const factor = 1 + (scatter / 100) * (2 * random() - 1)
  return scatter === 0 ? document : scaleDocument(document, Number(factor.toFixed(3)))
}

/** What is in each group's jar, by its number: drawn evenly between the ends, to the digits that the key is told in. */
export function drawUnknowns({ unknown, groups, seed }: ClassPlan, shuffle: () => number): Record<string, string> {
  if (!unknown) return {}
  const random = seeded(Math.floor(shuffle() * 2 ** 31) ^ seed)
  return Object.fromEntries(
    Array.from({ length: groups }, (_, i) => [
      String(i + 1),
      toSignificant(unknown.from + (unknown.to - unknown.from) * random(), unknown.digits),
    ]),
  )
}

/** The section of a group: groups are dealt to the sections in turn, in blocks. */
export function sectionOf({ sections, groups }: Pick<ClassPlan, 'sections' | 'groups'>, number: number): string {
  if (sections.length === 0) return ''
  return sections[Math.min(sections.length - 1, Math.floor(((number - 1) * sections.length) / groups))]!
}
