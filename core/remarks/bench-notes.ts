import { parseFormula } from '#core/formula'
import { formatFigure, formatValue } from '#core/quantity'
import { explainSolubility } from '#core/solution'
import { clashesOf } from '#core/species'
import { gasFacts, heatOf, potOf, TRAP_MARGIN, type GasFacts, type StageSheet } from '#core/sheet'
import { rowOf, statements } from './hazard-notes'
import type { MarginNote, Setting } from './note'
import { capital } from './words'

/** What gas, water, vessel, heat and neighbours ask for at the bench. */
export function benchNotes(sheet: StageSheet, setting: Setting): MarginNote[] {
  return [
    ...clashNotes(sheet),
    ...gasFacts(setting.stage, sheet, setting.room).map(gas => gasNote(gas, setting)),
    ...potNotes(sheet, setting),
    ...heatNotes(sheet, setting),
  ]
}

const LIMIT_WORDS = 'Limits are published figures; your site’s own come first.'

function gasNote(gas: GasFacts, { stage, room }: Setting): MarginNote {
  const row = rowOf(gas.formula, stage.own)
  const hazards = gas.verdict === 'harmless' ? [] : (row?.hazards ?? [])
  const says = hazards.length > 0 ? ` ${capital(gas.name)} ${statements(hazards, 2)}.` : ''
  const volume = `${formatValue(gas.volume.value, 'volume', 3)} of {${gas.formula}} leaves the pot.`
  const air = airWords(gas)
  const { trap } = gas
  const wants = trap ? formatFigure(trap.wants, 2) : 'a size not known'
  const margin = trap?.margin ? `${trap.margin.value.toFixed(1)} times` : 'an unknown part of'
  switch (gas.verdict) {
    case 'harmless':
      return { tone: 'caution', tag: 'Gas', text: `${volume} Add slowly, in a vessel with room for foam.${air}` }
    case 'hood':
      return { tone: 'caution', tag: 'Gas, in the hood', text: `${volume} Add slowly, in the hood.${says}${air}` }
    case 'trap missing':
      return {
        tone: 'hazard',
        tag: 'Hood and trap',
        text: `${volume}${says}${trap ? ` A trap of ${wants} of 2 mol/L {${trap.reagent}} takes twice that.` : ''}${air}`,
      }
    case 'trap wrong':
      return {
        tone: 'hazard',
        tag: 'Wrong trap',
        text: `${stage.bench.trap ? `{${stage.bench.trap.reagent.text}}` : 'The trap'} does not hold {${gas.formula}}${trap ? `: use {${trap.reagent}}` : ''}.${says}${air}`,
      }
    case 'trap small':
      return {
        tone: 'hazard',
        tag: 'Trap too small',
        text: `The trap takes ${margin} the {${gas.formula}}; have it take ${TRAP_MARGIN} times, ${wants} at 2 mol/L.${air}`,
      }
    case 'trap holds':
      return {
        tone: 'caution',
        tag: 'Gas, in the hood',
        text: `${volume} The trap takes ${margin} that.${says}${room.volume ? air : ''}`,
      }
  }
}

/** What the gas would come to in the air of the room, against the published limits. */
function airWords({ formula, inRoom, limit }: GasFacts): string {
  if (!inRoom || !limit) return ''
  const ppm = formatValue(inRoom.value, 'share of air', 2)
  const bound = limit.short ?? limit.eightHours
  const explosive =
    limit.explosive !== undefined && inRoom.value / 1e4 > limit.explosive / 4
      ? ` That is ${((inRoom.value / 1e4 / limit.explosive) * 100).toFixed(0)} % of what can be lit (${limit.explosive} % by volume).`
      : ''
  if (bound === undefined)
    return `${explosive || ` All of it in the room’s air would be ${ppm}; it can be lit from ${limit.explosive} % by volume, and near the vessel it is there long before.`}`
  const over = inRoom.value > bound
  return ` All of it in the room’s still air would be ${ppm}, ${over ? 'over' : 'under'} the limit of ${bound} ppm for {${formula}} (${limit.short === undefined ? '8 hours' : 'short term'}).${explosive} ${LIMIT_WORDS}`
}

function potNotes(sheet: StageSheet, { stage, curves }: Setting): MarginNote[] {
  const pot = potOf(stage, sheet, curves)
  const notes: MarginNote[] = []
  if (pot.tooSmall) {
    notes.push({
      tone: 'hazard',
      tag: 'Vessel too small',
      text: `About ${formatFigure(pot.liquid, 2)} of liquid may fill ${pot.most > 0.6 ? 'two thirds' : pot.most > 0.4 ? 'half (gas comes)' : 'a third (it foams)'} of the vessel: take at least ${formatFigure(pot.vesselWanted, 2)}.`,
    })
  }
  for (const need of pot.needs) {
    const least = need.least && formatFigure(need.least, 3)
    if (least && need.enough === false && need.role === 'reagent')
      notes.push({
        tone: 'caution',
        tag: 'Too little water',
        text: `${least} of water hold the {${need.formula}} at ${pot.celsius} °C; there are ${formatFigure(pot.water, 3)}.${need.advised ? ` With a third more it dissolves in good time: ${formatFigure(need.advised, 3)}.` : ''}`,
      })
    if (least && need.enough === false && need.role === 'product')
      notes.push({
        tone: 'caution',
        tag: 'Crystals too early',
        text: `At ${pot.celsius} °C the {${need.formula}} wants ${least} of water and has ${formatFigure(pot.water, 3)}: it comes down in the pot and hides the end point.`,
      })
    if (need.problem?.code === 'solubility.out-of-range')
      notes.push({ tone: 'info', tag: 'Not known', text: explainSolubility(need.problem).why })
  }
  return notes
}

const WARM = 15

function heatNotes(sheet: StageSheet, { stage }: Setting): MarginNote[] {
  const heat = heatOf(stage, sheet)
  if (!heat.known || !heat.rise || heat.rise.value < WARM) return []
  const time = heat.coolingTime
    ? ` The bath takes ${Math.ceil(heat.coolingTime.value * 60)} min to carry it off: add over at least that.`
    : ' Add it in portions, with a bath at hand.'
  return [
    {
      tone: heat.boils ? 'hazard' : 'caution',
      tag: heat.boils ? 'It would boil' : 'It warms',
      text: `All at once it would warm by about ${heat.rise.value.toFixed(0)} K${heat.boils ? ', past boiling' : ''} (an estimate).${time}`,
    },
  ]
}

function clashNotes(sheet: StageSheet): MarginNote[] {
  const formulas = sheet.reagents
    .filter(({ planned }) => planned)
    .flatMap(({ species }) => {
      const read = parseFormula(species)
      return read.ok ? [read.value] : []
    })
  return clashesOf(formulas).map(({ one, other, makes }) => ({
    tone: 'hazard',
    tag: 'Together they make',
    text: `${capital(one)} and ${other}: ${makes}. Meant or not, have the hood and the rescue ready.`,
  }))
}
