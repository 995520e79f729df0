import { findSubstance, parseFormula } from '#core/formula'
import { hazardStatements, type HazardCode, type SubstanceRow } from '#core/reference'
import type { ReadStage, StageSheet } from '#core/sheet'
import type { MarginNote } from './note'
import { capital, listed } from './words'

/** One note for substances with the same statements, gravest first; statements are those of the usual form of sale. */
export function hazardNotes({ reagents, products }: StageSheet, { own }: ReadStage): MarginNote[] {
  const groups = new Map<string, SubstanceRow[]>()
  for (const formula of [...reagents.map(({ species }) => species), ...products.map(({ species }) => species)]) {
    const row = rowOf(formula, own)
    if (
      !row?.hazards ||
      row.hazards.length === 0 ||
      (row.state === 'gas' && products.some(({ species }) => species === formula))
    )
      continue
    const key = row.hazards.join(' ')
    groups.set(key, [...(groups.get(key) ?? []), row])
  }
  const notes = [...groups.values()]
    .sort((a, b) => gravest(a[0]!.hazards!) - gravest(b[0]!.hazards!))
    .map((rows): MarginNote => ({
      tone: 'hazard',
      tag: 'Hazard',
      text: `${capital(listed(rows.map(({ name }) => name)))}${rows.length > 1 ? ': each' : ''} ${statements(rows[0]!.hazards!, 3)}.`,
    }))
  return notes.length === 0
    ? []
    : [
        ...notes,
        {
          tone: 'info',
          tag: 'Rules first',
          text: 'These are the usual cautions, not all of them. The label, your site’s rules and a competent person come first.',
        },
      ]
}

const rankOf = (code: HazardCode): number => hazardStatements.find(statement => statement.code === code)!.rank
const gravest = (codes: readonly HazardCode[]): number => Math.min(...codes.map(rankOf))

/** The gravest statements of a row, in words. */
export const statements = (codes: readonly HazardCode[], most: number): string => {
  const chosen = [...codes].sort((a, b) => rankOf(a) - rankOf(b)).slice(0, most)
  return listed(chosen.map(code => `${hazardStatements.find(statement => statement.code === code)!.text} (${code})`))
}

export function rowOf(formula: string, own: readonly SubstanceRow[]): SubstanceRow | undefined {
  const read = parseFormula(formula)
  return read.ok ? findSubstance(read.value, own)?.row : undefined
}
