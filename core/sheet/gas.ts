import { findSubstance, parseFormula, sameStuff, type Formula } from '#core/formula'
import { exact, product, type Figure } from '#core/quantity'
import { exposureLimits, type ExposureRow } from '#core/reference'
import type { ReadStage, Room } from './read-stage'
import type { StageSheet } from './stage'

export interface GasFacts {
  readonly formula: string
  readonly name: string
  readonly amount: Figure
  readonly volume: Figure
  /** While what makes it is added, mL/min. */
  readonly rate?: Figure
  readonly limit?: ExposureRow
  /** Were all of it to mix with the still air of the room, ppm. */
  readonly inRoom?: Figure
  readonly verdict: 'harmless' | 'hood' | 'trap missing' | 'trap wrong' | 'trap small' | 'trap holds'
  readonly trap?: Trap
}
export interface Trap {
  readonly reagent: string
  readonly why: string
  /** Gas that the trap at hand can take, mol; undefined where there is none. */
  readonly holds?: Figure
  /** Capacity over gas. */
  readonly margin?: Figure
  /** Volume of a 2 mol/L solution that takes twice the gas, mL. */
  readonly wants: Figure
}

/** A trap should take at least twice what comes; common practice, no source. */
export const TRAP_MARGIN = 2
const TRAP_STRENGTH = 2

const limits: readonly { readonly row: ExposureRow; readonly formula: Formula }[] = exposureLimits.flatMap(row => {
  const read = parseFormula(row.formula)
  return read.ok ? [{ row, formula: read.value }] : []
})

export const findLimit = (formula: Formula): ExposureRow | undefined =>
  limits.find(one => one.formula.text === formula.text || sameStuff(one.formula, formula))?.row

/** What each gas of a stage asks for: rate, hood, trap with its capacity, and what it would come to in the room's air. */
export function gasFacts(stage: ReadStage, sheet: StageSheet, room: Room): GasFacts[] {
  return sheet.gases.map(({ formula: text, amount, volume }) => {
    const read = parseFormula(text)
    if (!read.ok) throw new Error(`The sheet holds ${text}.`)
    const formula = read.value
    const row = findSubstance(formula, stage.own)?.row
    const limit = findLimit(formula)
    const trap = trapFor(stage, limit, text, amount)
    const { addition } = stage.bench
    return {
      formula: text,
      name: row?.name ?? text,
      amount,
      volume,
      ...(addition && { rate: product(`rate of {${text}}`, 'flow', [volume], [addition], 1 / 60) }),
      ...(limit && { limit }),
      ...(room.volume && {
        inRoom: product(`{${text}} in the air of the room`, 'share of air', [volume], [room.volume], 1e6),
      }),
      ...(trap && { trap }),
      verdict: verdictOf(stage, limit, trap, (row?.hazards?.length ?? 0) > 0),
    }
  })
}

function verdictOf(
  { bench }: ReadStage,
  limit: ExposureRow | undefined,
  trap: Trap | undefined,
  hazardous: boolean,
): GasFacts['verdict'] {
  if (!limit && !hazardous) return 'harmless'
  if (!limit?.trap) return hazardous || (limit?.short ?? limit?.eightHours ?? 9999) < 1000 ? 'hood' : 'harmless'
  if (!bench.trap) return 'trap missing'
  if (!trap?.holds) return 'trap wrong'
  return trap.margin && trap.margin.value >= TRAP_MARGIN ? 'trap holds' : 'trap small'
}

/** KOH does what NaOH does. */
const standsFor = (reagent: Formula, wanted: string): boolean =>
  reagent.text === wanted || (wanted === 'NaOH' && reagent.text === 'KOH')

function trapFor({ bench }: ReadStage, limit: ExposureRow | undefined, gas: string, amount: Figure): Trap | undefined {
  const ways = limit?.trap ?? []
  const way = ways.find(({ reagent }) => bench.trap && standsFor(bench.trap.reagent, reagent)) ?? ways[0]
  if (!way) return undefined
  const per = exact(way.per, 'number', `{${gas}} for one {${way.reagent}}`)
  const wants = product(
    `2 mol/L {${way.reagent}} for twice the {${gas}}`,
    'volume',
    [amount, exact(TRAP_MARGIN, 'number', 'margin')],
    [per, exact(TRAP_STRENGTH, 'concentration', 'strength of the trap', '2 mol/L')],
    1000,
  )
  const told = { reagent: way.reagent, why: way.why, wants }
  const molarity = bench.trap?.strength.molarity
  if (!bench.trap || !molarity || !standsFor(bench.trap.reagent, way.reagent)) return told
  const holds = product(`{${gas}} that the trap takes`, 'amount', [bench.trap.volume, molarity, per], [], 1e-3)
  return { ...told, holds, margin: product('margin of the trap', 'number', [holds], [amount]) }
}
