import { exact, product, type Figure } from '#core/quantity'
import type { Cells, Finding } from './worksheet-kind'

/** Beyond this a part by mass is no longer the same as by volume, to a percent; a judgement, no source. */
const DILUTE = 0.01

/** A part by mass, such as ppm, as mass to the volume: 1 ppm is 1 mg/L in water. Others as they are. */
export const perVolume = (figure: Figure): Figure =>
  figure.kind === 'mass fraction'
    ? product(`${figure.name}, to the volume`, 'mass per volume', [
        figure,
        exact(1, 'density', 'density of a dilute solution', '1 g/mL'),
      ])
    : figure

/** What is said where parts by mass stand for a concentration. */
export function partsFindings(rows: readonly { readonly cells: Cells }[]): Finding[] {
  const parts = rows.flatMap(({ cells: { concentration } }) =>
    concentration?.kind === 'mass fraction' ? [concentration.value] : [],
  )
  if (parts.length === 0) return []
  return [
    Math.max(...parts) > DILUTE
      ? {
          tone: 'caution',
          tag: 'Parts by mass',
          text: 'Over one percent by mass is not the same to the volume: give g/L, or mol/L.',
        }
      : {
          tone: 'info',
          tag: 'ppm',
          text: 'ppm is read as mg/L, which holds for dilute solutions in water; in a solid it is mg/kg.',
        },
  ]
}
