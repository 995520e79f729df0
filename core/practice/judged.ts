import { recordKept } from '#core/classroom'
import type { BatchDocument } from '#core/document'
import type { Entry } from '#core/journal'
import { cropOf, goodCrop, stateOf } from './outcome'
import type { Practice } from './practice'

/** One thing that a run is judged by. */
export interface PracticeMark {
  readonly name: string
  readonly points: number
  readonly of: number
  readonly why: readonly string[]
}

/** From nothing at half of a good crop to all of it at nineteen twentieths. Shares and points are judgements: the crop counts as much as all the troubles and their purity. */
const [NONE, ALL] = [0.5, 0.95] as const
const CLEAN = 0.01
const DIRTY = 0.06
const between = (value: number, none: number, all: number): number =>
  Math.min(1, Math.max(0, (value - none) / (all - none)))

/** A run against what good hands get of the same procedure: its crop, its purity, its troubles, its record. */
export function judgePractice(practice: Practice, document: BatchDocument, entries: readonly Entry[]): PracticeMark[] {
  const { chosen } = stateOf(practice, entries)
  const crop = cropOf(practice, entries)
  const good = goodCrop(practice)
  const share = crop ? crop.product / good : 0
  const dirt = crop && crop.product > 0 ? crop.foreign / (crop.product + crop.foreign) : 0
  const right = chosen.filter(({ choice }) => choice.isRight).length
  const rules = recordKept(document, entries)
  const kept = rules.reduce((sum, one) => sum + one.share, 0) / rules.length
  const mark = (name: string, of: number, part: number, why: readonly string[]): PracticeMark => ({
    name,
    of,
    points: Math.round(of * part),
    why,
  })
  return [
    mark('Crop', 40, between(share, NONE, ALL), [
      crop
        ? `${crop.product.toFixed(2)} g of product, where good hands get ${good.toFixed(2)} g: ${(share * 100).toFixed(0)} %.`
        : 'What was won is not known.',
    ]),
    mark('Purity', 10, 1 - between(dirt, CLEAN, DIRTY), [`${(dirt * 100).toFixed(1)} % of it are other salts.`]),
    mark('Troubles', 30, practice.planted.length === 0 ? 1 : right / practice.planted.length, [
      ...chosen.map(({ planted, choice }) => `${planted.row.seen} You: ${choice.words}. ${choice.because}`),
      ...practice.planted
        .filter(one => !chosen.some(({ planted }) => planted === one))
        .map(({ row }) => `${row.seen} Nothing was done about it.`),
    ]),
    mark(
      'Record',
      20,
      kept,
      rules.map(({ rule, why }) => `${rule}: ${why}`),
    ),
  ]
}
