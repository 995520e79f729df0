import { foldSteps, type ToldStage } from '#core/procedure'
import { difference } from '#core/quantity'
import type { ActualStage } from './actual'
import { Tape } from './tape'

/** The tape of a stage as far as its reaction went: what came back of the limiting reagent was never in it. */
export function tapeOf(told: ToldStage, { sheet, recovered }: ActualStage): Tape {
  const back = recovered.filter(({ limits, amount }) => limits && amount.value > 0)
  if (back.length === 0) return new Tape(told, sheet)
  const reagents = sheet.reagents.map(line => {
    const one = back.find(({ species }) => species === line.species)
    return one ? { ...line, amount: difference(`{${line.species}} that was used up`, line.amount, one.amount) } : line
  })
  const net = { ...sheet, reagents }
  return new Tape(
    told,
    net,
    foldSteps({ ...told.folding, sheet: net }, told.kept?.steps ?? told.steps, told.kept?.realOf),
  )
}
