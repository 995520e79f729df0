import { formatFigure } from '#core/quantity'
import type { StageSheet } from '#core/sheet'
import { benchNotes } from './bench-notes'
import { explosiveNotes, hazardNotes, specialNotes } from './hazard-notes'
import type { MarginNote, Setting } from './note'
import { secondLook } from './second-look'
import { listed } from './words'

/** What explodes, and what is minded before all else; gas, water, vessel and heat; hazards of what is at hand; what limits, and what is left over and where it goes. */
export function sheetNotes(sheet: StageSheet, setting: Setting): MarginNote[] {
  const { stage, room } = setting
  const isRead = stage.unread.length === 0 && room.unread.length === 0
  return [
    ...explosiveNotes(sheet),
    ...specialNotes(sheet),
    ...secondLook(stage.reaction),
    ...(isRead ? benchNotes(sheet, setting) : []),
    ...hazardNotes(sheet, setting.stage),
    ...warningNotes(sheet).filter(() => isRead),
    ...limitNotes(sheet),
    ...leftoverNotes(sheet),
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
  'washed out': 'is to be washed out of the crystals',
  'left in on purpose': 'is left in on purpose and filtered off last',
  quenched: 'is to be quenched before the product is isolated',
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

const warningNotes = ({ warnings }: StageSheet): MarginNote[] =>
  warnings.map(({ message }) => ({ tone: 'caution', tag: 'Check', text: message }))
