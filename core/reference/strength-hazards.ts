import type { HazardCode } from './substances'

/**
 * Hazard statements of a solution by its strength, as a mass fraction: the first band that it reaches holds, below the last one it carries none. Specific concentration limits of Regulation (EC) 1272/2008, Annex VI
 * (from memory); what a maker's label says comes first.
 */
export interface StrengthHazards {
  readonly of: string
  readonly bands: readonly (readonly [from: number, hazards: readonly HazardCode[]])[]
}
export const strengthHazards: readonly StrengthHazards[] = [
  { of: 'H2O2',    bands: [[0.7, ['H271', 'H314', 'H302', 'H332', 'H335']], [0.5, ['H272', 'H314', 'H302', 'H332', 'H335']], [0.35, ['H318', 'H315', 'H302', 'H335']], [0.22, ['H318', 'H302']], [0.08, ['H318']], [0.05, ['H319']]] },
  { of: 'HCl',     bands: [[0.25, ['H314', 'H335']], [0.1, ['H315', 'H319', 'H335']]] },
  { of: 'HBr',     bands: [[0.4, ['H314', 'H335']], [0.1, ['H315', 'H319', 'H335']]] },
  { of: 'HNO3',    bands: [[0.65, ['H331', 'H314', 'H272']], [0.265, ['H331', 'H314']], [0.05, ['H314']], [0.01, ['H315', 'H319']]] },
  { of: 'H2SO4',   bands: [[0.15, ['H314']], [0.05, ['H315', 'H319']]] },
  { of: 'HClO4',   bands: [[0.5, ['H271', 'H314']], [0.1, ['H314']], [0.01, ['H315', 'H319']]] },
  { of: 'H3PO4',   bands: [[0.25, ['H314']], [0.1, ['H315', 'H319']]] },
  { of: 'CH3COOH', bands: [[0.9, ['H314', 'H226']], [0.25, ['H314']], [0.1, ['H315', 'H319']]] },
  { of: 'HCOOH',   bands: [[0.85, ['H314', 'H226', 'H302']], [0.1, ['H314']], [0.02, ['H315', 'H319']]] },
  { of: 'NH3',     bands: [[0.25, ['H314', 'H335', 'H400']], [0.05, ['H314', 'H335']], [0.03, ['H315', 'H319']]] },
  { of: 'NaOH',    bands: [[0.02, ['H314']], [0.005, ['H315', 'H319']]] },
  { of: 'KOH',     bands: [[0.02, ['H314']], [0.005, ['H315', 'H319']]] },
] // prettier-ignore
