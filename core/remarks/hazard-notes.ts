import { findSubstance, parseFormula } from '#core/formula'
import { hazardStatements, type HazardCode, type SubstanceRow } from '#core/reference'
import type { ReadStage, StageSheet } from '#core/sheet'
import type { MarginNote } from './note'
import { capital, listed } from './words'

/** One note for substances with the same statements, gravest first; statements are those of the usual form of sale. */
export function hazardNotes({ reagents, products }: StageSheet, { own }: ReadStage): MarginNote[] {
  const groups = new Map<string, { readonly hazards: readonly HazardCode[]; readonly rows: SubstanceRow[] }>()
  for (const formula of [...reagents.map(({ species }) => species), ...products.map(({ species }) => species)]) {
    const row = rowOf(formula, own)
    if (
      !row?.hazards ||
      row.hazards.length === 0 ||
      (row.state === 'gas' && products.some(({ species }) => species === formula))
    )
      continue
    const key = row.hazards.join(' ')
    const group = groups.get(key) ?? { hazards: row.hazards, rows: [] }
    group.rows.push(row)
    groups.set(key, group)
  }
  const notes = [...groups.values()]
    .sort((a, b) => gravest(a.hazards) - gravest(b.hazards))
    .map(({ hazards, rows }): MarginNote => ({
      tone: 'hazard',
      tag: 'Hazard',
      text: `${capital(listed(rows.map(({ name }) => name)))}${rows.length > 1 ? ': each' : ''} ${statements(hazards, 3)}.`,
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

const statementOf = Object.fromEntries(hazardStatements.map(row => [row.code, row])) as Readonly<
  Record<HazardCode, (typeof hazardStatements)[number]>
>
const rankOf = (code: HazardCode): number => statementOf[code].rank
const gravest = (codes: readonly HazardCode[]): number => Math.min(...codes.map(rankOf))

/** The gravest statements of a row, in words. */
export const statements = (codes: readonly HazardCode[], most: number): string => {
  const chosen = [...codes].sort((a, b) => rankOf(a) - rankOf(b)).slice(0, most)
  return listed(chosen.map(code => `${statementOf[code].text} (${code})`))
}

export function rowOf(formula: string, own: readonly SubstanceRow[]): SubstanceRow | undefined {
  const read = parseFormula(formula)
  return read.ok ? findSubstance(read.value, own)?.row : undefined
}
