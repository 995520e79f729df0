import type { Run, StepState } from './run'
import type { Operation, Step } from '#core/journal'

/** What is usually done before a step and was not, with the step that would mend it. */
export interface Forgotten {
  readonly code: 'wash' | 'tare' | 'cool' | 'residue'
  readonly ask: string
  /** An open step that stands before, or one to put in. */
  readonly open?: string
  readonly put?: Step
}

const DRYING: readonly Operation[] = ['dry', 'desiccate']
const HOT: readonly Operation[] = ['ignite', 'heat', 'evaporate to dryness']
const FILTERS: readonly Operation[] = ['filter', 'filter hot']

/** What to ask before a step is taken up; `hasTare` tells whether the product's empty vessel was weighed. Common practice, no source. */
export function forgottenBefore(run: Run, id: string, hasTare: boolean): Forgotten[] {
  const at = run.steps.findIndex(({ step }) => step.id === id)
  const here = run.steps[at]
  if (!here) return []
  const before = run.steps.slice(0, at)
  return [
    ...(DRYING.includes(here.step.do) ? washBefore(before, id) : []),
    ...((isProductWeighing(here.step) && !isTaring(here.step)) || DRYING.includes(here.step.do)
      ? tareBefore(before, hasTare, id)
      : []),
    ...(isProductWeighing(here.step) ? coolBefore(before, id) : []),
    ...(at === run.steps.length - 1 ? residueBefore(before) : []),
  ]
}

const isProductWeighing = (step: Step): boolean => step.do === 'weigh' && step.about?.what === 'product'

function washBefore(before: readonly StepState[], id: string): Forgotten[] {
  const filtered = before.findLastIndex(({ step, status }) => FILTERS.includes(step.do) && status === 'done')
  if (filtered < 0) return []
  const washes = before.slice(filtered).filter(({ step }) => step.do === 'wash')
  const open = washes.find(({ status }) => status === 'open' || status === 'begun')
  if (open) {
    const { times = 1 } = open.step.repeat ?? {}
    const left = times - open.times
    return [
      {
        code: 'wash',
        ask: `Wash, before you dry: ${left === 1 ? 'one portion is' : `${left} portions are`} not done.`,
        open: open.step.id,
      },
    ]
  }
  if (washes.length > 0) return []
  return [
    {
      code: 'wash',
      ask: 'Wash, before you dry: no wash is planned, and what the liquor holds dries into the crystals.',
      put: { id: `wash-before-${id}`, do: 'wash', words: 'Wash the crystals with a little ice-cold solvent' },
    },
  ]
}

function tareBefore(before: readonly StepState[], hasTare: boolean, id: string): Forgotten[] {
  if (hasTare || before.some(({ step, status }) => isTaring(step) && status === 'skipped')) return []
  const open = before.find(({ step, status }) => isTaring(step) && status !== 'done')
  return [
    {
      code: 'tare',
      ask: 'Weigh the empty paper or vessel, before the crystals go into it.',
      ...(open
        ? { open: open.step.id }
        : {
            put: {
              id: `tare-before-${id}`,
              do: 'weigh',
              words: 'Weigh the empty paper or vessel, dry and cold',
              about: { what: 'product', crop: 1, empty: true },
            } as const,
          }),
    },
  ]
}
const isTaring = ({ do: name, about }: Step): boolean =>
  name === 'weigh' && about?.what === 'product' && about.empty === true

function coolBefore(before: readonly StepState[], id: string): Forgotten[] {
  const last = before.findLast(({ status, step }) => status === 'done' && step.do !== 'observe' && step.do !== 'weigh')
  const isHot = last && (HOT.includes(last.step.do) || (last.step.do === 'dry' && last.step.needs?.includes('oven')))
  return isHot
    ? [
        {
          code: 'cool',
          ask: 'Let it cool in the desiccator, before you weigh: a hot vessel weighs wrong.',
          put: {
            id: `cool-before-${id}`,
            do: 'cool in desiccator',
            words: 'Let it cool in the desiccator',
            wait: '30 min',
          },
        },
      ]
    : []
}

function residueBefore(before: readonly StepState[]): Forgotten[] {
  const open = before.find(({ step, status }) => step.do === 'quench' && (status === 'open' || status === 'begun'))
  return open
    ? [
        {
          code: 'residue',
          ask: 'Treat the residue, before you leave: a residue is not treated yet.',
          open: open.step.id,
        },
      ]
    : []
}
