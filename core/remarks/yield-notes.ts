import { formatFigure, formatValue, standardUncertainty } from '#core/quantity'
import type { ActualStage } from '#core/outcome'
import type { MarginNote } from './note'
import { listed } from './words'

/** What the weighed product says: what was not read, and a plain word on a yield over 100 %. */
export function yieldNotes({ result, unread, unusable }: ActualStage): MarginNote[] {
  const notes: MarginNote[] = unusable.map(({ species, read }) => ({
    tone: 'hazard',
    tag: 'Reading not used',
    text: `${read} of {${species}} cannot be told in moles, so the planned amount stands in its place and every figure here hangs on that. Give the density of the solution on the sheet.`,
  }))
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
