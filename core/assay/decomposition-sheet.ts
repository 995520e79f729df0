import { exact, given, product, statedWords, sum, type Figure } from '#core/quantity'
import type { Cells, Finding, Outcome, SheetKind } from './worksheet-kind'

/** Of the length of a mercury column that stands out of the bath, in degrees, for each degree that it is cooler: mercury in glass; laboratory texts, from memory. */
const MERCURY = 1.6e-4

/** Where a compound melts or begins to decompose, by a heated capillary, put right for the thread that stands out. */
export const decompositionSheet: SheetKind = {
  shape: {
    name: 'Melting or decomposition point',
    about:
      'A capillary with the dry powder in a slowly heated bath or block: where it begins to melt, darken or swell, and where it is through. Ten degrees below it, heat by one or two degrees a minute; decomposition goes lower the slower it is heated.',
    asked: [
      {
        key: 'known',
        label: 'Known point (optional)',
        what: 'quantity',
        kinds: ['temperature'],
        optional: true,
        example: '230 °C',
      },
      {
        key: 'thread',
        label: 'Degrees of the thread out of the bath (optional)',
        what: 'quantity',
        kinds: ['number'],
        optional: true,
        example: '120',
      },
      {
        key: 'threadAt',
        label: 'Temperature beside the thread (optional)',
        what: 'quantity',
        kinds: ['temperature'],
        optional: true,
        example: '35 °C',
      },
    ],
    columns: [
      { key: 'begins', label: 'Begins', kinds: ['temperature'], instrument: 'temperature' },
      { key: 'ends', label: 'is through', kinds: ['temperature'], optional: true, instrument: 'temperature' },
    ],
    result: 'Begins at',
    unit: { scale: 1, text: '°C' },
    rows: 'replicates',
  },
  method({ figures: { known, thread, threadAt } }) {
    const right = (read: Figure): Figure => {
      if (!thread || !threadAt)
        return sum('begins', [
          [1, read],
          [1, THERMOMETER],
        ])
      const apart = sum('bath over the thread', [
        [1, read],
        [-1, threadAt],
      ])
      const by = product('for the thread', 'temperature', [exact(MERCURY, 'number', '', '0.00016'), thread, apart])
      return sum('begins, put right', [
        [1, read],
        [1, by],
        [1, THERMOMETER],
      ])
    }
    return {
      problems: [],
      work({ begins, ends }) {
        if (!begins) return undefined
        if (ends && ends.value < begins.value)
          return {
            problem: { key: 'ends', why: 'This is below where it begins.', fix: 'Check whether the two are swapped.' },
          }
        return { value: right(begins) }
      },
      judge: outcome => ({ findings: [...against(known, outcome), ...wide(outcome)] }),
    }
  },
}

/** A thermometer that was not set against known points: good to a degree, one for all replicates; common practice, no source. */
const THERMOMETER = given(0, 'temperature', 'error of the thermometer', {
  source: 'thermometer, not calibrated',
  uncertainty: 1,
  written: '0 ± 1 °C',
})

/** What capillary and thermometer are good for without calibration, °C; common practice, no source. */
const GOOD_FOR = 2
function against(known: Figure | undefined, { mean, expanded }: Outcome): Finding[] {
  if (!known) return []
  const off = mean - known.value
  const within = Math.max(GOOD_FOR, expanded)
  return [
    {
      tone: Math.abs(off) <= within ? 'info' : 'caution',
      tag: 'Against the known point',
      text:
        Math.abs(off) <= within
          ? `${statedWords(mean, expanded, '°C')} agrees with ${known.value} °C within ${within.toFixed(0)} degrees.`
          : `${Math.abs(off).toFixed(1)} degrees ${off < 0 ? 'below' : 'above'} ${known.value} °C: ${off < 0 ? 'impure, wet, or heated more slowly' : 'heated faster, or another compound'}.`,
    },
  ]
}

/** A pure compound melts within so many degrees; common practice, no source. */
const SHARP = 2
const wide = ({ whole }: Outcome): Finding[] =>
  whole.flatMap(({ row, cells }: { row: number; cells: Cells }): Finding[] => {
    const range = cells.begins && cells.ends ? cells.ends.value - cells.begins.value : 0
    return range > SHARP
      ? [
          {
            tone: 'info',
            tag: 'Not sharp',
            text: `Replicate ${row} takes ${range.toFixed(1)} degrees: not pure, not dry, or it decomposes rather than melts.`,
          },
        ]
      : []
  })
