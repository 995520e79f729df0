import { relate } from '#core/formula'
import { product, type Figure } from '#core/quantity'
import { partOf, sharesOf, within, type Carried, type CarriedPot } from './carried'
import type { ReadStage, Reagent } from './read-stage'
import type { StageSheet } from './stage'
import { isWater } from './water'

/** What a stage's pot brings to the next: all that is left of its reagents and was not taken out by decision, and what came along and was not used. */
export function carriedFrom(stage: ReadStage, sheet: StageSheet, before: CarriedPot | undefined): CarriedPot {
  const shares = sharesOf(stage, before).map((share, i) => {
    const line = sheet.reagents[i]
    return line ? within(share, line.amount) : share
  })
  const partUsed = (one: Carried): number => shares.find(({ by }) => by.includes(one))?.part ?? 0
  const reused = (one: Carried): boolean =>
    stage.reagents.some(({ term, from }) => !from && relate(one.formula, term.species.formula) !== undefined)
  const left = sheet.reagents.flatMap((line, i): Carried[] => {
    const reagent = stage.reagents[i]
    if (!reagent || !line.planned || isWater(reagent.term) || isTakenOut(reagent)) return []
    if (line.limits || !(line.leftover.amount.value > 0)) return []
    return [{ formula: reagent.term.species.formula, amount: line.leftover.amount, from: stage.id }]
  })
  return {
    water: sheet.water.total,
    matter: [
      ...(before?.matter ?? [])
        .filter(one => !reused(one) && partUsed(one) < 1)
        .map(one => ({ ...one, amount: partOf(one.amount, 1 - partUsed(one)) })),
      ...left,
    ],
  }
}

/** A gas leaves; what the chemist filters off, boils off or quenches is gone. Everything else goes on with the pot. */
const isTakenOut = ({ supply, wayOut }: Reagent): boolean =>
  supply.kind === 'gas' || wayOut === 'filtered off' || wayOut === 'boiled off' || wayOut === 'quenched'

/** The part of a pot that one of several stages takes. */
export function dividedPot(pot: CarriedPot, share: Figure | undefined): CarriedPot {
  if (!share) return pot
  const part = (whole: Figure): Figure => product(whole.name, whole.kind, [whole, share])
  return { water: part(pot.water), matter: pot.matter.map(one => ({ ...one, amount: part(one.amount) })) }
}
