import { findSubstance, parseFormula } from '#core/formula'
import { hazardStatements, specialCautions, strengthHazards, type HazardCode, type SubstanceRow } from '#core/reference'
import { explosiveBy, ionsOf } from '#core/species'
import type { ReadStage, StageSheet } from '#core/sheet'
import type { MarginNote } from './note'
import { capital, listed } from './words'

/** What of a stage is known to explode; it stands above all else. */
export const explosiveNotes = ({ reagents, products }: StageSheet): MarginNote[] =>
  [...reagents, ...products].flatMap(({ species }): MarginNote[] => {
    const read = parseFormula(species)
    const why = read.ok ? explosiveBy(read.value) : undefined
    if (why === undefined) return []
    const text = `{${species}}: ${why}. No procedure is planned for it: ask a competent person.`
    return [{ tone: 'hazard', tag: 'Explosive', text }]
  })

/** What is minded of a substance beyond its statements, whether it goes in or comes. */
export const specialNotes = ({ reagents, products }: StageSheet): MarginNote[] => {
  const there = [...reagents, ...products].flatMap(({ species }) => {
    const read = parseFormula(species)
    return read.ok ? [read.value] : []
  })
  return specialCautions
    .filter(({ of, ion }) =>
      there.some(formula => (ion ? ionsOf(formula)?.some(({ text }) => text === of) : formula.text === of)),
    )
    .map(({ text }) => ({ tone: 'hazard', tag: 'Before you begin', text }))
}

/**
 * One note for substances with the same statements, gravest first: those of the strength that is taken, where limits by strength are known, else those of the usual form of sale.
 */
export function hazardNotes({ reagents, products }: StageSheet, { own, reagents: supplied }: ReadStage): MarginNote[] {
  const groups = new Map<string, { readonly hazards: readonly HazardCode[]; readonly rows: SubstanceRow[] }>()
  for (const formula of [...reagents.map(({ species }) => species), ...products.map(({ species }) => species)]) {
    const row = rowOf(formula, own)
    const hazards = row && (atStrength(formula, supplied) ?? row.hazards)
    if (
      !row ||
      !hazards ||
      hazards.length === 0 ||
      (row.state === 'gas' && products.some(({ species }) => species === formula))
    )
      continue
    const key = hazards.join(' ')
    const group = groups.get(key) ?? { hazards, rows: [] }
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

/** Statements of a reagent that comes as a solution of a known strength; undefined where no limits are known for it. */
function atStrength(species: string, supplied: ReadStage['reagents']): readonly HazardCode[] | undefined {
  const row = strengthHazards.find(({ of }) => of === species)
  const supply = supplied.find(one => one.supply.species.text === species)?.supply
  const fraction = supply?.kind === 'solution' ? supply.strength?.massFraction?.value : undefined
  if (!row || fraction === undefined) return undefined
  return row.bands.find(([from]) => fraction >= from)?.[1] ?? []
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
