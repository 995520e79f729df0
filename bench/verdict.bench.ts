import { bench, describe } from 'vitest'
import { demoBatches } from '#demo'
import { computeWorksheet } from '#core/assay'
import { foldJournal } from '#core/journal'
import { verdictOf } from '#core/cause'
import { readPlan } from '#core/sheet'

const demo = demoBatches(new Date('2026-05-04T12:00:00Z'))
const batch = (code: string) => demo.find(one => one.code === code)!
const asked = (code: string) => {
  const { document, entries } = batch(code)
  const read = readPlan(document.plan)
  if (!read.ok) throw new Error(code)
  const stage = document.plan.stages[0]!
  const steps = document.procedures?.find(one => one.stage === stage.id)?.steps ?? []
  return {
    plan: read.value,
    lines: foldJournal(entries),
    stageId: stage.id,
    steps,
    moves: stage.crystals?.moves,
    assays: document.assays ?? [],
  }
}

/** The verdict is worked out in a worker; a worksheet on every key, so it must fit a frame (16 ms). */
describe('the verdict', () => {
  const low = asked('ZN-020')
  const high = asked('MO-002')
  bench('of a low batch with two crops and an assay', () => void verdictOf(low))
  bench('of a batch over 100 %', () => void verdictOf(high))
})
describe('a worksheet on a key', () => {
  for (const [code, kind] of [
    ['NI-014', 'gravimetric'],
    ['NI-014', 'absorbance'],
    ['ZN-020', 'titration'],
    ['CU-011', 'thermogram'],
  ] as const) {
    const sheet = batch(code).document.assays!.find(one => one.kind === kind)!
    bench(kind, () => void computeWorksheet(sheet))
  }
  const unknown = {
    id: 'u',
    kind: 'gravimetric' as const,
    name: '',
    given: { analyte: 'SO4', weighedAs: 'BaSO4', unknown: 'an unknown salt of this anion' },
    rows: [{ sample: '0.5000 g', tare: '20.0000 g', gross: '20.4058 g' }],
  }
  bench('gravimetric, with the candidates of an unknown salt', () => void computeWorksheet(unknown))
})
