import { findSubstance, parseFormula } from '#core/formula'
import { formatFigure, formatValue, standardUncertainty } from '#core/quantity'
import { hazardStatements, type HazardCode, type SubstanceRow } from '#core/reference'
import type { StageSheet } from '#core/sheet'
import type { ActualStage } from './actual'

/** What the software judged, beside what it concerns; formulas in the text stand in braces. */
export interface MarginNote {
  readonly tone: 'hazard' | 'caution' | 'info'
  readonly tag: string
  readonly text: string
}

/** What limits, what is left over and where it goes, gas, water, and the hazards of what is at hand. */
export function sheetNotes(sheet: StageSheet): MarginNote[] {
  return [
    ...hazardNotes(sheet),
    ...warningNotes(sheet),
    ...limitNotes(sheet),
    ...leftoverNotes(sheet),
    ...gasNotes(sheet),
  ]
}

function limitNotes({ reagents }: StageSheet): MarginNote[] {
  const limiting = reagents.filter(({ limits, planned }) => limits && planned).map(({ species }) => `{${species}}`)
  if (limiting.length === 0) return []
  const rest = reagents.filter(({ limits, planned }) => !limits && planned)
  const text =
    limiting.length > 1
      ? `${listed(limiting)} are charged in exact proportion; neither is left over.`
      : `${limiting[0]} is used up first and sets the theoretical yield.${rest.length === 0 ? '' : ` ${listed(rest.map(({ species, equivalents }) => `{${species}} at ${equivalents.value.toFixed(2)} equivalents`))}.`}`
  return [{ tone: 'info', tag: 'Limits', text }]
}

const wayWords: Record<string, string> = {
  'filtered off': 'does not dissolve and filters off',
  'boiled off': 'is volatile and boils away: use the hood',
  'stays in the liquor': 'is soluble, stays in the liquor, and has to be washed out of the crystals',
  'not known': 'is not in the table, so where it goes is not known',
}

function leftoverNotes({ reagents }: StageSheet): MarginNote[] {
  return reagents
    .filter(({ leftover, limits, planned }) => planned && !limits && leftover.mass.value > 1e-9)
    .map(({ weighAs, leftover }) => ({
      tone: leftover.wayOut === 'not known' ? 'caution' : 'info',
      tag: 'Left over',
      text: `${formatFigure(leftover.mass, 3)} of {${weighAs}} ${wayWords[leftover.wayOut] ?? ''}.`,
    }))
}

function gasNotes({ gases }: StageSheet): MarginNote[] {
  return gases.map(({ formula, volume }) => {
    const row = rowOf(formula)
    const danger = (row?.hazards?.length ?? 0) > 0
    return {
      tone: 'caution',
      tag: danger ? 'Gas, in the hood' : 'Gas',
      text: `${formatValue(volume.value, 'volume', 3)} of {${formula}} leaves the pot. Add slowly, in a vessel with room for foam.${danger ? ` ${capital(row!.name)} ${statements(row!.hazards!, 2)}.` : ''}`,
    }
  })
}

const warningNotes = ({ warnings }: StageSheet): MarginNote[] =>
  warnings.map(({ message }) => ({ tone: 'caution', tag: 'Check', text: message }))

/** One note for substances with the same statements, gravest first; statements are those of the usual form of sale. */
function hazardNotes({ reagents, products }: StageSheet): MarginNote[] {
  const groups = new Map<string, SubstanceRow[]>()
  for (const formula of [...reagents.map(({ species }) => species), ...products.map(({ species }) => species)]) {
    const row = rowOf(formula)
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

const statements = (codes: readonly HazardCode[], most: number): string => {
  const chosen = [...codes].sort((a, b) => rankOf(a) - rankOf(b)).slice(0, most)
  return listed(chosen.map(code => `${hazardStatements.find(statement => statement.code === code)!.text} (${code})`))
}

function rowOf(formula: string): SubstanceRow | undefined {
  const read = parseFormula(formula)
  return read.ok ? findSubstance(read.value)?.row : undefined
}

/** What the weighed product says: what was not read, and a plain word on a yield over 100 %. */
export function yieldNotes({ result, unread }: ActualStage): MarginNote[] {
  const notes: MarginNote[] = []
  if (unread.length > 0) {
    notes.push({
      tone: 'caution',
      tag: 'Not read',
      text: `${listed(unread.map(species => `{${species}}`))} ${unread.length === 1 ? 'has' : 'have'} no reading, so the planned amount counts. Enter what was really charged to make the yield sure.`,
    })
  }
  if (!result) return notes
  const over = result.percent.value - 1
  const spread = standardUncertainty(result.percent)
  if (over > 2 * spread) {
    const extra = result.actual.value - result.theoretical.value
    notes.push({
      tone: 'hazard',
      tag: 'Over 100 %',
      text: `${formatValue(extra, 'mass', 3)} more than every mole of the limiting reagent could give. The solid is not only the form named: water, another hydrate, salts from the liquor, unreacted solid, or a wrong limiting reagent. Dry to constant mass first.`,
    })
  } else if (over > 0) {
    notes.push({
      tone: 'info',
      tag: 'About 100 %',
      text: 'Above 100 % by no more than the uncertainty of the weighings: complete, as far as these can tell.',
    })
  }
  const fitting = result.forms.filter(({ percent }) => percent.value <= 1 + 2 * standardUncertainty(percent))
  if (over > 2 * spread && fitting.length > 0) {
    notes.push({
      tone: 'info',
      tag: 'Forms',
      text: `As ${listed(fitting.map(({ form, percent }) => `{${form}} it would be ${formatFigure(percent)}`))}. The mass alone cannot tell a heavier hydrate from wet crystals.`,
    })
  }
  return notes
}

const listed = (items: readonly string[]): string =>
  items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
