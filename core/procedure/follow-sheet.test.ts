import { expect, it } from 'vitest'
import { foldJournal, type Entry, type Step } from '#core/journal'
import { runOf } from '#core/procedure'
import { computeReadPlan, readPlan, type StageSheet } from '#core/sheet'
import { followSheet } from './follow-sheet'

/* 5.00 g Zn / 65.38 g/mol = 76.48 mmol; 2.00 mol/L acid: 38.2 mL in exact proportion, 41.3 mL at 1.08 equivalents. */
function sheetAt(equivalents: number): StageSheet {
  const read = readPlan({
    stages: [
      {
        id: 's1',
        equation: 'Zn + H2SO4 -> ZnSO4 + H2',
        reagents: [
          { species: 'Zn', supply: { kind: 'solid' }, charge: { mass: '5.00 g' } },
          { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { equivalents } },
        ],
        product: { species: 'ZnSO4' },
      },
    ],
  })
  const computed = read.ok ? computeReadPlan(read.value) : read
  if (!computed.ok) throw new Error('not read')
  return computed.value.stages[0]!
}
const steps: readonly Step[] = [
  { id: 'zn', do: 'weigh', words: 'Weigh {Zn}', about: { what: 'charge', species: 'Zn' }, target: '5.00 g' },
  {
    id: 'acid',
    do: 'measure',
    words: 'Measure {H2SO4}',
    about: { what: 'charge', species: 'H2SO4' },
    target: '38.2 mL',
  },
  { id: 'wash', do: 'wash', words: 'Wash', target: '4 mL' },
]
const run = (...done: string[]) =>
  runOf(
    steps,
    foldJournal(
      done.map((step, i): Entry => ({
        kind: 'step',
        id: `e${i}`,
        at: '2026-05-04T09:00:00Z',
        by: 'p',
        stage: 's1',
        step,
        what: 'done',
        words: step,
      })),
    ),
    's1',
  )

it('open charges take the sheet’s figure, and nothing else of the procedure changes', () => {
  const { steps: now, moved } = followSheet(steps, sheetAt(1.08), run('zn'))
  expect(now.map(({ target }) => target)).toEqual(['5.00 g', '41.3 mL', '4 mL'])
  expect(moved).toEqual([])
  expect(followSheet(steps, sheetAt(1), run()).steps).toEqual(steps)
})

it('a charge that was done keeps its own, and the difference is said', () => {
  const { steps: now, moved } = followSheet(steps, sheetAt(1.08), run('zn', 'acid'))
  expect(now[1]!.target).toBe('38.2 mL')
  expect(moved).toEqual([{ step: 'acid', weighAs: 'H2SO4', was: '38.2 mL', now: '41.3 mL' }])
})
