import { toSignificant } from '#core/quantity'
import type { Formula } from '#core/formula'
import type { ToldStage } from '#core/procedure'
import { slowSalts, solubilityGaps, solubilityProductSource } from '#core/reference'
import { findCurve, findDouble, findProduct, ionsOfSparing, type Curve, type Verdict } from '#core/solution'
import { dissolvedOf, dryOf, formulaOf } from '#core/vessel'
import { forecastOf, isProductForm, whenReacted } from '#core/outcome'
import type { MarginNote } from './note'

/** What the margin of a procedure knows: the account of its vessels, and what was found of it. */
export interface WinningSetting {
  readonly product: Formula
  readonly curve: Curve | undefined
  readonly account: ToldStage | undefined
  /** g of the product that could be made. */
  readonly most: number
  readonly verdict: Verdict | undefined
  /** °C at which the product begins to come from the hot liquor. */
  readonly hotFilter: number | undefined
  readonly curves: readonly Curve[]
}

/** Below this, a second crop is worth the time: common practice, no source. */
const LOW_CROP = 0.7
/** A liquor that crystallises above this clogs a cold filter: common practice, no source. */
const CLOGS_ABOVE = 45
const NOTHING = 1e-3

/** The remarks beside a procedure: the wrong salt, a poor crop, a filter that clogs, what is estimated and what is not known. */
export function winningNotes(setting: WinningSetting): MarginNote[] {
  const { curve, product } = setting
  return [
    ...wrongSalt(setting),
    ...saidOf(setting),
    ...cropNotes(setting),
    ...kinetics(setting),
    ...mayCome(setting),
    ...hotFilterNote(setting),
    ...limitsOfTheModel(setting),
    ...(curve ? [note('info', 'Source', `${curve.source}.`)] : []),
    ...(!curve && ionsOfSparing(product) ? [note('info', 'Source', `${solubilityProductSource}.`)] : []),
  ]
}

const note = (tone: MarginNote['tone'], tag: string, text: string): MarginNote => ({ tone, tag, text })

function wrongSalt({ verdict }: WinningSetting): MarginNote[] {
  const [first] = verdict?.order ?? []
  if (!verdict || !first || verdict.wanted === 'first' || !verdict.instead) return []
  const way = verdict.exchanges[0] ? ` ${verdict.exchanges[0].words}` : ''
  return [
    note(
      'hazard',
      'Not the one you want',
      `{${verdict.instead}} comes down first, from ${first.celsius.toFixed(0)} °C.${way}`,
    ),
  ]
}

/** How far below the point at which it stands a liquor is seeded, K: below it a seed dissolves, much below it too much comes at once. Common practice, no source. */
const SEED_BELOW = 3

/** What is known to come late or as something else, and where to seed it. */
function kinetics({ product, curve, hotFilter }: WinningSetting): MarginNote[] {
  const salt = curve?.salt ?? findProduct(product)?.salt ?? findDouble(product)?.salt ?? product
  const row = slowSalts.find(([text]) => text === salt.text)
  if (!row) return []
  const [, habit, words] = row
  const seed =
    habit === 'wrong ion when hot' || hotFilter === undefined
      ? ''
      : ` Seed it at about ${Math.round(hotFilter - SEED_BELOW)} °C, with a crystal of {${product.text}} that was kept dry.`
  return [note('info', habitTags[habit], words + seed)]
}
const habitTags = {
  supersaturates: 'Supersaturates',
  'comes slowly': 'Comes slowly',
  'lower hydrate first': 'Another hydrate',
  'wrong ion when hot': 'Not too hot',
} as const

/** Salts that the pot could bring whose solubility no table tells. */
function mayCome({ verdict, product }: WinningSetting): MarginNote[] {
  const others = (verdict?.notKnown ?? []).filter(text => !isProductForm({ form: text, amount: 0, mass: 0 }, product))
  if (others.length === 0) return []
  return [
    note(
      'caution',
      'May come too',
      `${others.map(text => `{${text}}`).join(', ')}: known to crystallise from such a liquor, but no solubility is known, so ${others.length === 1 ? 'it counts' : 'they count'} as staying dissolved. Look at the crystals.`,
    ),
  ]
}

/** What the fold itself had to say: a charge that goes in nowhere, a form that does not come, a step that does not tell what it does. */
const saidOf = ({ account }: WinningSetting): MarginNote[] => [
  ...(account?.warnings ?? []).map(({ code, message }) =>
    note(
      code === 'water.assumed' ? 'info' : code === 'explosive' ? 'hazard' : 'caution',
      tags[code] ?? 'Procedure',
      message,
    ),
  ),
  ...(account?.problems ?? []).map(({ why, fix }) => note('caution', 'Not told from here on', `${why}: ${fix}.`)),
]
const tags: Partial<Record<string, string>> = {
  'crop.mixed': 'Mixed crop',
  'form.comes-as': 'Another form',
  'solid.beside': 'Mixed crop',
  'solid.passes': 'Passes the filter',
  'water.assumed': 'Water',
  'charge.missing': 'Not put in',
  'charge.twice': 'Twice',
  'carbonate.basic': 'Basic carbonate',
  explosive: 'Explosive',
  'nothing-known': 'Nothing known',
  'crop.in-liquor': 'In the liquor',
}

function cropNotes({ account, product, most }: WinningSetting): MarginNote[] {
  const forecast = account && forecastOf(account, product, most)
  if (!account || !forecast || account.way.way === 'heat dry') return []
  if (forecast.recovery < NOTHING)
    return [note('caution', 'No crop', 'Nothing comes down on this way: boil it down further, or cool further.')]
  const isSaid = account.warnings.some(({ code }) => code === 'crop.in-liquor')
  if (isSaid || forecast.recovery >= LOW_CROP || forecast.inLiquor < NOTHING) return []
  return [
    note(
      'caution',
      'Low crop',
      `${toSignificant(forecast.inLiquor, 2)} g of it, as {${product.text}}, stay in the liquor. Keep it, boil it down and chill it for a second crop, less clean.`,
    ),
  ]
}

function hotFilterNote({ hotFilter }: WinningSetting): MarginNote[] {
  if (hotFilter === undefined || hotFilter <= CLOGS_ABOVE) return []
  return [
    note(
      'caution',
      'Hot filter',
      `It begins to come down at ${hotFilter.toFixed(0)} °C: a filter that is not warmed clogs. Pour hot water through it first.`,
    ),
  ]
}

function limitsOfTheModel(setting: WinningSetting): MarginNote[] {
  const { account, product, curves } = setting
  if (!account) return []
  const notes: MarginNote[] = []
  const dry =
    account.way.way !== 'heat dry' &&
    account.events.find(
      ({ operation, after }) =>
        (operation.do === 'cool' || operation.do === 'boil off' || operation.do === 'boil down') &&
        after.lumps.length > 0 &&
        (after.solvents.get('water') ?? 0) < NOTHING,
    )
  if (dry)
    notes.push(
      note(
        'caution',
        'No liquor left',
        `At ${dry.after.celsius.toFixed(0)} °C the crystals take all the water there is, and what was dissolved beside them dries into the crop. Add water.`,
      ),
    )
  if (account.events.some(({ after }) => after.estimated))
    notes.push(
      note(
        'info',
        'Estimate',
        'Salts here share ions, or alcohol is in it, so a model answers: activities after Pitzer, each salt held to its own curve. What is dissolved beside crystals it tells to about 15 %.',
      ),
    )
  notes.push(...doubtful(setting))
  const reacted = whenReacted(account)
  const unknown = reacted
    ? dissolvedOf(reacted, account.named).filter(
        one => one.mass > NOTHING && !isProductForm(one, product) && !isTabled(formulaOf(one.form), curves),
      )
    : []
  if (unknown.length > 0)
    notes.push(
      note(
        'info',
        'No curve',
        `${unknown.map(({ form }) => `{${form}}`).join(', ')}: no solubility in the tables, so ${unknown.length === 1 ? 'it counts' : 'they count'} as staying dissolved.`,
      ),
    )
  if (!account.isKnown && account.way.way !== 'own')
    notes.push(
      note(
        'caution',
        'Not known',
        `The tables end on this way: how much comes is not told, and the steps go on all the same.${gapOf(product)}`,
      ),
    )
  return notes
}

const isTabled = (salt: Formula, curves: readonly Curve[]): boolean =>
  [findCurve(salt, curves), findProduct(salt), findDouble(salt)].some(found => found !== undefined)

/** Why the tables have no curve of a salt. */
function gapOf(product: Formula): string {
  const { dry } = dryOf(product)
  const gap = solubilityGaps.find(([text]) => text === dry.text)
  return gap ? ` {${dry.text}}: ${gap[1]}` : ''
}

/** Why the model is less sure here than elsewhere. */
function doubtful({ verdict }: WinningSetting): MarginNote[] {
  const { doubts } = verdict ?? {}
  if (!doubts) return []
  const pairs = doubts.borrowed.map(pair => pair.split(' ').map(ion => `{${ion}}`).join(' with ')) // prettier-ignore
  return [
    ...(doubts.isBeyond
      ? [
          note(
            'caution',
            'A guess',
            'The cold liquor is stronger than the model was fitted to: what comes, and how much of it, is a guess.',
          ),
        ]
      : []),
    ...(pairs.length > 0
      ? [
          note(
            'info',
            'Parameters of a relative',
            `${pairs.join('; ')}: nothing is known of how these act on each other, so ions of the same charge stand in for them.`,
          ),
        ]
      : []),
  ]
}
