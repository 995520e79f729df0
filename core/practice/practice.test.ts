import { demoBatches } from '#demo'
import { describe, expect, it } from 'vitest'
import { readEntry } from '#core/document'
import type { Entry } from '#core/journal'
import {
  choosing,
  vesselAt,
  cropOf,
  doing,
  expertRun,
  goodCrop,
  judgePractice,
  practiceOf,
  shownCrop,
  stateOf,
  troubleRows,
  weighing,
  type Act,
  type Practice,
} from '.'

const START = Date.UTC(2026, 0, 5, 8)
let count = 0
const id = (): string => `00000000-0000-4000-8000-${String((count += 1)).padStart(12, '0')}`
const BY = '0c7d2f7e-0d0b-4d0f-8a51-9b6f3a4c1e02'
const put = (entries: readonly Entry[], acts: readonly Act[]): Entry[] => [
  ...entries,
  ...acts.map(act => ({ ...act, id: id(), by: BY }) as Entry),
]
const at = (entries: readonly Entry[]): number => Math.max(START, ...entries.map(one => Date.parse(one.at)))

const offered = demoBatches(new Date(START)).flatMap(({ code, document }) => {
  const read = practiceOf(document, 1)
  return read.ok ? [{ code, document }] : []
})
const of = (code: string, seed: number): Practice => {
  const read = practiceOf(offered.find(one => one.code === code)!.document, seed)
  if (!read.ok) throw new Error(read.why)
  return read.value
}
const SEEDS = Array.from({ length: 12 }, (_, i) => i + 1)

/** Somebody who takes the choice that `pick` takes of each trouble, and weighs once only. */
function careless(
  practice: Practice,
  pick: (choices: Practice['planted'][number]['row']['choices']) => number,
): Entry[] {
  let entries: Entry[] = []
  for (const step of practice.steps) {
    const { trouble } = stateOf(practice, entries)
    if (trouble)
      entries = put(entries, choosing(practice, step, trouble.row.choices[pick(trouble.row.choices)]!, at(entries)))
    if (step.about?.what === 'product' && !step.about.empty)
      entries = put(entries, weighing(practice, entries, step, at(entries)))
    entries = put(entries, doing(practice, step, at(entries)))
  }
  return entries
}

describe('what can be practised', () => {
  it('is every plan of one stage whose account the vessel knows; others say why not', () => {
    expect(offered.length).toBeGreaterThanOrEqual(4)
    const nickel = demoBatches(new Date(START)).find(({ code }) => code === 'NI-014')!
    expect(practiceOf(nickel.document, 1)).toMatchObject({ ok: false })
  })

  it('plants one to three troubles at steps where they can happen, the same for the same seed', () => {
    for (const { code } of offered)
      for (const seed of SEEDS) {
        const { planted, steps } = of(code, seed)
        expect(planted.length).toBeGreaterThanOrEqual(1)
        expect(planted.length).toBeLessThanOrEqual(3)
        for (const { row, step } of planted) expect(row.at).toContain(steps.find(one => one.id === step)!.do)
        expect(planted.map(({ row, step }) => [row.kind, step])).toEqual(
          of(code, seed).planted.map(({ row, step }) => [row.kind, step]),
        )
      }
    const kinds = new Set(
      offered.flatMap(({ code }) => SEEDS.flatMap(seed => of(code, seed).planted.map(({ row }) => row.kind))),
    )
    expect(kinds.size).toBeGreaterThanOrEqual(4)
  })

  it('each trouble has one right way and two wrong ones, which cost something', () => {
    for (const { choices } of troubleRows) {
      expect(choices.filter(({ isRight }) => isRight)).toHaveLength(1)
      for (const { isRight, kept = 1, foreign = 0, words } of choices) {
        expect(words.length).toBeGreaterThan(10)
        if (isRight) expect([kept, foreign]).toEqual([1, 0])
      }
    }
  })
})

describe('a run at the practice bench', () => {
  it('by an expert is an ordinary journal, ends, and is worth all or nearly all points', () => {
    for (const { code, document } of offered)
      for (const seed of SEEDS.slice(0, 6)) {
        const practice = of(code, seed)
        const entries = expertRun(practice, START, BY, id)
        for (const entry of entries) expect(readEntry(entry).ok, JSON.stringify(entry)).toBe(true)
        expect(stateOf(practice, entries).isOver).toBe(true)
        expect(cropOf(practice, entries)!.product / goodCrop(practice), `${code} ${seed}`).toBeGreaterThan(0.95)
        const marks = judgePractice(practice, document, entries)
        const total = marks.reduce((sum, { points }) => sum + points, 0)
        expect(total, `${code} ${seed}: ${JSON.stringify(marks)}`).toBeGreaterThanOrEqual(90)
      }
  })

  it('by somebody careless is worth less, and each wrong choice is named', () => {
    for (const { code, document } of offered)
      for (const seed of SEEDS.slice(0, 6)) {
        const practice = of(code, seed)
        const wrong = careless(practice, choices => choices.findIndex(({ isRight }) => !isRight))
        const [best, worst] = [expertRun(practice, START, BY, id), wrong].map(entries =>
          judgePractice(practice, document, entries),
        )
        const total = (marks: typeof best) => marks!.reduce((sum, { points }) => sum + points, 0)
        expect(total(worst)).toBeLessThan(total(best) - 25)
        const troubles = worst!.find(({ name }) => name === 'Troubles')!
        expect(troubles.points).toBe(0)
        expect(troubles.why).toHaveLength(practice.planted.length)
      }
  })

  it('a weak bottle costs its share of what it limits, unless more is added', () => {
    const practice = offered
      .flatMap(({ code }) => SEEDS.map(seed => of(code, seed)))
      .find(({ planted }) => planted.some(one => one.weak))!
    const weak = practice.planted.find(one => one.weak)!
    const pick = (isRight: boolean) => (choices: typeof weak.row.choices) =>
      Math.max(
        0,
        choices.findIndex(
          choice => choice.isRight === isRight || (!isRight && choice.kept === undefined && !choice.isRight),
        ),
      )
    const rescued = cropOf(practice, careless(practice, pick(true)))!.product
    const leftAlone = careless(practice, choices =>
      choices === weak.row.choices
        ? choices.findIndex(({ words }) => words.startsWith('Filter off'))
        : choices.findIndex(({ isRight }) => isRight),
    )
    const lost = cropOf(practice, leftAlone)!.product
    expect(lost / rescued).toBeLessThan(weak.weak!.share + 0.03)
    expect(lost / rescued).toBeGreaterThan(weak.weak!.share - 0.2)
  })

  it('tells what stands in the vessel, by the account: nothing at first, the acid before the metal', () => {
    const practice = of('ZN-021', 2)
    expect(vesselAt(practice, [])).toBeUndefined()
    const entries = expertRun(practice, START, BY, id)
    const until = (words: string): Entry[] =>
      entries.slice(0, entries.findIndex(entry => entry.kind === 'step' && entry.words.startsWith(words)) + 1)
    const acid = vesselAt(practice, until('Put the'))!
    expect(acid).toContain('{H2SO4}')
    expect(acid).not.toContain('{ZnSO4')
    expect(vesselAt(practice, until('Stir'))).toContain('{ZnSO4')
  })

  it('the crop is wet at first, and comes to constant mass', () => {
    const practice = of(offered[0]!.code, 3)
    let entries = expertRun(practice, START, BY, id).filter(
      entry => !(entry.kind === 'reading' && entry.about.what === 'product' && entry.measure === 'gross'),
    )
    const step = practice.steps.find(({ about }) => about?.what === 'product' && !about.empty)!
    const shown: number[] = []
    for (let i = 0; i < 5; i++) {
      shown.push(shownCrop(practice, entries)!)
      entries = put(entries, weighing(practice, entries, step, at(entries)))
    }
    expect(shown[0]! / shown[4]!).toBeGreaterThan(1.025)
    expect(Math.abs(shown[3]! - shown[4]!)).toBeLessThan(0.005)
  })

  it('half the charge gives less than half the crop, since the liquor keeps as much: it is the account that is asked, not the plan', () => {
    const practice = of('ZN-021', 2)
    const run = (share: number): Entry[] =>
      expertRun(practice, START, BY, id).map(entry =>
        entry.kind === 'reading' && entry.about.what === 'charge'
          ? { ...entry, value: entry.value.replace(/^[\d.]+/, number => String(Number(number) * share)) }
          : entry,
      )
    const [whole, half] = [cropOf(practice, run(1))!.product, cropOf(practice, run(0.5))!.product]
    expect(half / whole).toBeLessThan(0.5)
    expect(half).toBeGreaterThan(0)
  })
})
