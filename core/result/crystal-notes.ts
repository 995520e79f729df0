import { toSignificant } from '#core/quantity'
import { parseFormula, type Formula } from '#core/formula'
import { solubilityProductSource } from '#core/reference'
import { findCurve, gramsIn, ionsOfSparing, type Course, type Crop, type Curve, type Verdict } from '#core/solution'
import type { MarginNote } from './note'

/** What the margin of a crystallisation knows: the way that was followed and what was found on it. */
export interface CrystalSetting {
  readonly product: Formula
  readonly curve: Curve | undefined
  /** Substances of the liquor that no table knows. */
  readonly leftOut: readonly string[]
  readonly course: Course | undefined
  readonly verdict: Verdict | undefined
  /** °C at which the product begins to come from the hot liquor. */
  readonly hotFilter: number | undefined
  readonly curves: readonly Curve[]
}

/** Below this, a second crop is worth the time: common practice, no source. */
const LOW_CROP = 0.7
/** A liquor that crystallises above this clogs a cold filter: common practice, no source. */
const CLOGS_ABOVE = 45
const TRACE = 1e-4

/** Share of the product that the way's crops bring, all of its hydrates together. */
export function recoveryOf(course: Course, product: Formula, curves: readonly Curve[] = []): number {
  return cropsOf(course)
    .filter(crop => isOf(crop, product, curves))
    .reduce((sum, { recovery }) => sum + recovery, 0)
}

/** The remarks beside a crystallisation: the wrong salt, a poor or mixed crop, a filter that clogs, what is estimated and what is not known. */
export function crystalNotes(setting: CrystalSetting): MarginNote[] {
  const { curve, product } = setting
  if (!curve) return ionsOfSparing(product) ? [note('info', 'Source', `${solubilityProductSource}.`)] : []
  return [
    ...wrongSalt(setting),
    ...cropNotes(setting, curve),
    ...hotFilterNote(setting),
    ...limitsOfTheModel(setting),
    note('info', 'Source', `${curve.source}.`),
  ]
}

const note = (tone: MarginNote['tone'], tag: string, text: string): MarginNote => ({ tone, tag, text })
const cropsOf = (course: Course): Crop[] => course.crops.filter(({ mass }) => mass > TRACE)
const listed = (formulas: readonly string[]): string => formulas.map(text => `{${text}}`).join(', ')

function isOf({ form }: Crop, product: Formula, curves: readonly Curve[]): boolean {
  const read = parseFormula(form)
  const salt = findCurve(product, curves)?.curve.salt.text
  return read.ok && salt !== undefined && findCurve(read.value, curves)?.curve.salt.text === salt
}

function wrongSalt({ verdict }: CrystalSetting): MarginNote[] {
  if (!verdict || verdict.wanted === 'first' || !verdict.instead) return []
  const from = verdict.order[0]!.celsius.toFixed(0)
  const way = verdict.exchanges[0] ? ` ${verdict.exchanges[0].words}` : ''
  return [note('hazard', 'Not the one you want', `{${verdict.instead}} comes down first, from ${from} °C.${way}`)]
}

function cropNotes({ course, product, curves }: CrystalSetting, curve: Curve): MarginNote[] {
  if (!course) return []
  const crops = cropsOf(course)
  if (crops.length === 0)
    return [note('caution', 'No crop', 'Nothing comes down on this way: boil it down further, or cool further.')]
  const notes: MarginNote[] = []
  const recovery = recoveryOf(course, product, curves)
  if (recovery > 0 && recovery < LOW_CROP) {
    const left = gramsIn(course.liquor, curve.salt) * (course.liquor.freeWater / 100)
    notes.push(
      note(
        'caution',
        'Low crop',
        `${toSignificant(left, 2)} g of the salt stay in the liquor. Boil it down and chill it for a second crop, less clean.`,
      ),
    )
  }
  const strangers = crops.filter(crop => !isOf(crop, product, curves))
  if (strangers.length > 0) {
    const masses = strangers.map(({ form, mass }) => `${toSignificant(mass, 2)} g of {${form}}`).join(', ')
    notes.push(note('hazard', 'Mixed crop', `${masses} come down with it.`))
  }
  return notes
}

function hotFilterNote({ hotFilter }: CrystalSetting): MarginNote[] {
  if (hotFilter === undefined || hotFilter <= CLOGS_ABOVE) return []
  return [
    note(
      'caution',
      'Hot filter',
      `It begins to come down at ${hotFilter.toFixed(0)} °C: a filter that is not warmed clogs. Pour hot water through it first.`,
    ),
  ]
}

function limitsOfTheModel({ course, leftOut }: CrystalSetting): MarginNote[] {
  const notes: MarginNote[] = []
  const dry = course?.steps.find(step => step.dry)
  if (dry)
    notes.push(
      note(
        'caution',
        'No liquor left',
        `At ${dry.celsius.toFixed(0)} °C the crystals take all the water there is, and it is too little for all of them: ${listed(dry.solid.map(({ form }) => form))} stand together, and what was dissolved beside them dries into the crop. Add water.`,
      ),
    )
  if (course?.steps.some(({ estimated }) => estimated))
    notes.push(
      note(
        'info',
        'Estimate',
        'Salts here share ions, so a model answers: products of the curves, without activities. It can be some percent of the liquor off.',
      ),
    )
  if (leftOut.length > 0)
    notes.push(
      note(
        'caution',
        'Left out',
        `${listed(leftOut)} ${leftOut.length === 1 ? 'has' : 'have'} no solubility in the table and ${leftOut.length === 1 ? 'is' : 'are'} not in this pot.`,
      ),
    )
  const unreached = [...new Set(course?.steps.flatMap(step => step.leftOut) ?? [])]
  if (unreached.length > 0)
    notes.push(
      note(
        'info',
        'Not reached',
        `The curves of ${listed(unreached)} do not reach all these temperatures; what they would do there is not known.`,
      ),
    )
  return notes
}
