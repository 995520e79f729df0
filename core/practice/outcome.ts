import { foldJournal, type Entry, type Step } from '#core/journal'
import { realAccounts } from '#core/outcome'
import { tellVessel, vesselWords, type ToldStage } from '#core/procedure'
import { scaleText } from '#core/quantity'
import type { Planted, Practice } from './practice'
import type { Choice } from './troubles'

/** Where a practice run stands, folded out of its journal. */
export interface PracticeState {
  /** The first step that is neither done nor skipped. */
  readonly next: Step | undefined
  /** A trouble at that step that nobody has done anything about. */
  readonly trouble: Planted | undefined
  readonly chosen: readonly { readonly planted: Planted; readonly choice: Choice }[]
  /** Times that the crop was weighed. */
  readonly weighings: number
  /** Minutes from the first entry to the last. */
  readonly minutes: number
  readonly isOver: boolean
}

const isCrop = (entry: Entry): boolean =>
  entry.kind === 'reading' && entry.about.what === 'product' && entry.measure === 'gross'

export function stateOf({ steps, planted }: Practice, entries: readonly Entry[]): PracticeState {
  const over = new Set(
    entries.flatMap(entry =>
      entry.kind === 'step' && (entry.what === 'done' || entry.what === 'skipped') ? [entry.step] : [],
    ),
  )
  const chosen = planted.flatMap(one => {
    const said = entries.find(entry => entry.kind === 'deviation' && entry.step === one.step)
    const choice = one.row.choices.find(({ words }) => said?.kind === 'deviation' && said.text === words)
    return choice ? [{ planted: one, choice }] : []
  })
  const next = steps.find(({ id }) => !over.has(id))
  const times = entries.map(({ at }) => Date.parse(at))
  return {
    next,
    trouble: planted.find(({ step }) => step === next?.id && !chosen.some(one => one.planted.step === step)),
    chosen,
    weighings: entries.filter(isCrop).length,
    minutes: times.length > 0 ? (Math.max(...times) - Math.min(...times)) / 60_000 : 0,
    isOver: next === undefined,
  }
}

export interface PracticeCrop {
  /** g of the product, dry. */
  readonly product: number
  /** g of other salts in it, dry. */
  readonly foreign: number
}
/** What sticks to glass and paper in careful hands: a share of any crop. A judgement. */
const HANDLING = 0.985

/**
 * What really lies on the filter: the vessel's account over what was really charged, a weak bottle counted as weak as it is until more was added, with what each choice lost or left in. Undefined where the
 * account does not know.
 */
export function cropOf(practice: Practice, entries: readonly Entry[]): PracticeCrop | undefined {
  const { chosen } = stateOf(practice, entries)
  const told = accountOf(practice, entries)
  const mass = told?.product.mass
  if (!told || mass === undefined) return undefined
  const kept = chosen.reduce((share, { choice }) => share * (choice.kept ?? 1), HANDLING)
  const product = mass * kept
  const clinging = told.product.with.reduce((sum, portion) => sum + portion.mass, 0) * kept
  const left = chosen.reduce((sum, { choice }) => sum + (choice.foreign ?? 0), 0)
  return { product, foreign: clinging + (product * left) / 100 }
}

/** The vessel's account over what was really charged and read: a weak bottle counts as weak as it is, until more was added. */
function accountOf(practice: Practice, entries: readonly Entry[]): ToldStage | undefined {
  const { chosen } = stateOf(practice, entries)
  const weak = practice.planted.find(
    one => one.weak && !chosen.some(({ planted, choice }) => planted === one && choice.isRight),
  )
  const truth = entries
    .filter(entry => !isAddition(entry))
    .map(entry => (weak?.weak ? weakened(entry, weak.weak) : entry))
  return realAccounts({ plan: practice.plan, lines: foldJournal(truth), stepsOf: () => practice.steps })?.[0]
}

/** What stands in the vessel after the last step that was done, in words; undefined before anything is in it, or where the account does not know. */
export function vesselAt(practice: Practice, entries: readonly Entry[]): string | undefined {
  const done = new Set(entries.flatMap(entry => (entry.kind === 'step' && entry.what === 'done' ? [entry.step] : [])))
  const told = done.size > 0 ? accountOf(practice, entries) : undefined
  const event = told?.events.findLast(({ step }) => done.has(step))
  return told && event?.isKnown ? vesselWords(tellVessel(event.after, told.named)) : undefined
}
const isAddition = (entry: Entry): boolean => entry.kind === 'reading' && entry.about.what === 'addition'

function weakened(entry: Entry, { species, share }: NonNullable<Planted['weak']>): Entry {
  if (entry.kind !== 'reading' || entry.about.what !== 'charge' || entry.about.species !== species) return entry
  return { ...entry, value: scaleText(entry.value, share) }
}

/** Of the water of one drying a twentieth is left after the next hour. A judgement. */
const DRIES = 0.05

/** What the balance shows of the crop at its next weighing, g: wet at first, drier each time. */
export function shownCrop(practice: Practice, entries: readonly Entry[]): number | undefined {
  const crop = cropOf(practice, entries)
  if (!crop) return undefined
  const dry = crop.product + crop.foreign
  return dry * (1 + practice.wet * DRIES ** stateOf(practice, entries).weighings)
}

/** What the same procedure gives in good hands: by the plan, washed, with every trouble met rightly, g. */
export const goodCrop = ({ told }: Practice): number => (told.product.mass ?? 0) * HANDLING
