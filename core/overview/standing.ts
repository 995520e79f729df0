import { foldJournal, productMass, weighingOf, cropsOf, type Entry, type JournalLine } from '#core/journal'
import { formatFigure } from '#core/quantity'
import type { SubstanceRow } from '#core/reference'
import {
  computeReadPlan,
  readPlan,
  type Plan,
  type ReadPlan,
  type ReadStage,
  type ReagentLine,
  type StageSheet,
} from '#core/sheet'

export type Standing = 'plan' | 'charge' | 'react' | 'weighed'

/** Where a batch stands and the next thing it wants; formulas in the words stand in braces. */
export interface NextWant {
  readonly standing: Standing
  readonly want: string
  readonly page: 'sheet' | 'run' | 'yield'
}

/** What a batch wants next, from its plan and its journal alone. */
export function nextWant(plan: Plan, entries: readonly Entry[], own: readonly SubstanceRow[] = []): NextWant {
  const read = readPlan(plan, own)
  const sheet = read.ok ? computeReadPlan(read.value) : read
  if (!read.ok || !sheet.ok) {
    const unscaled = !sheet.ok && sheet.problem.problem.code === 'sheet.no-scale'
    return {
      standing: 'plan',
      page: 'sheet',
      want: unscaled ? 'Give a charge or a target mass' : 'Mend the sheet: something in it cannot be understood',
    }
  }
  const lines = foldJournal(entries)
  const at = currentStage(read.value, sheet.value.stages, lines)
  const stage = sheet.value.stages[at]!
  const uncharged = unchargedOf(read.value.stages[at]!, stage, lines)
  const mass = productMass(lines, stage.id)
  const half = cropsOf(lines, stage.id)
    .map(crop => weighingOf(lines, { what: 'product', stage: stage.id, crop }).problem)
    .find(problem => problem)

  if (half === 'tare-missing') return { standing: 'react', page: 'run', want: 'Weigh the empty vessel of the product' }
  if (half === 'gross-missing')
    return { standing: 'react', page: 'run', want: 'Weigh the vessel with the product in it' }
  if (half === 'gross-below-tare')
    return { standing: 'react', page: 'run', want: 'Mend a weighing: its gross is below its tare' }
  if (mass) return { standing: 'weighed', page: 'yield', want: 'Read the yield' }
  if (uncharged.length > 0) {
    const begun = lines.length > 0
    return { standing: begun ? 'charge' : 'plan', page: 'run', want: wordsFor(uncharged[0]!) }
  }
  return { standing: 'react', page: 'run', want: `Isolate and weigh {${stage.products[0]!.form}}` }
}

/** The first stage that is not yet through: its product is not weighed, or what goes on in the pot is not charged. */
export function currentStage(
  { stages }: Pick<ReadPlan, 'stages'>,
  sheets: readonly StageSheet[],
  lines: readonly JournalLine[],
): number {
  const at = sheets.findIndex((sheet, i) => {
    const later = sheets.slice(i + 1).some(({ id }) => lines.some(({ entry }) => stageOf(entry) === id))
    if (later || productMass(lines, sheet.id)) return false
    return !stages[i]!.inPot || unchargedOf(stages[i]!, sheet, lines).length > 0
  })
  return at < 0 ? sheets.length - 1 : at
}
const stageOf = (entry: JournalLine['entry']): string => (entry.kind === 'reading' ? entry.about.stage : entry.stage)

/** Planned reagents that come from a bottle and have no reading. */
function unchargedOf({ reagents }: ReadStage, sheet: StageSheet, lines: readonly JournalLine[]): ReagentLine[] {
  return sheet.reagents.filter(
    ({ planned, species }, i) =>
      planned &&
      reagents[i]?.from === undefined &&
      weighingOf(lines, { what: 'charge', stage: sheet.id, species }).portions.length === 0,
  )
}

function wordsFor({ mass, volume, weighAs }: ReagentLine): string {
  if (volume) return `Measure ${formatFigure(volume, 4)} of {${weighAs}}`
  return mass ? `Weigh ${formatFigure(mass, 4)} of {${weighAs}}` : `Charge {${weighAs}}`
}
