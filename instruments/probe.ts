import { noise } from './balance'
import type { Said } from './line'

/** What a probe can be put into at this bench, and what it then comes to. Invented stand-ins for a thermometer, a pH meter, a photometer and a conductivity cell. */
export const surroundings = {
  temperature: [
    { name: 'air', value: 21.4 },
    { name: 'ice', value: 2.1 },
    { name: 'cold pot', value: 18.2 },
    { name: 'warm pot', value: 61.8 },
    { name: 'hot pot', value: 96.3 },
  ],
  pH: [
    { name: 'water', value: 6.4 },
    { name: 'acid liquor', value: 1.3 },
    { name: 'last wash', value: 5.6 },
    { name: 'caustic', value: 12.8 },
  ],
  absorbance: [
    { name: 'blank', value: 0.002 },
    { name: 'pale sample', value: 0.214 },
    { name: 'deep sample', value: 0.873 },
  ],
  // At 25 °C: potassium chloride 0.0100 mol/L 1.413 mS/cm (handbooks, from memory), by which a cell is set; the others invented.
  conductivity: [
    { name: 'water', value: 0.0021 },
    { name: 'KCl 0.0100 mol/L', value: 1.413 },
    { name: 'sample', value: 0.4312 },
  ],
} as const

export interface Probe {
  readonly quantity: 'temperature' | 'pH' | 'absorbance' | 'conductivity'
  readonly seed: number
  readonly to: number
  readonly from: number
  /** Second at which it was put where it is. */
  readonly changedAt: number
}

/** How fast each comes to rest (s), its last digit, and its tremble in last digits. */
const nature = {
  temperature: { settles: 4, decimals: 1 },
  pH: { settles: 3, decimals: 2 },
  absorbance: { settles: 0.6, decimals: 3 },
  conductivity: { settles: 1.5, decimals: 4 },
} as const
const unitOf = { temperature: '°C', pH: '', absorbance: '', conductivity: 'mS/cm' } as const

export const makeProbe = (quantity: Probe['quantity'], seed: number): Probe => {
  const { value } = surroundings[quantity][0]
  return { quantity, seed, to: value, from: value, changedAt: -60 }
}

/** Puts the probe into something else; it takes its time. */
export const putInto = (probe: Probe, value: number, at: number): Probe => ({
  ...probe,
  from: trueValue(probe, at),
  to: value,
  changedAt: at,
})

const trueValue = ({ quantity, from, to, changedAt }: Probe, at: number): number =>
  to + (from - to) * Math.exp(-Math.max(0, at - changedAt) / nature[quantity].settles)

/** What it shows so many seconds after the start; steady where it has shown the same for a second and is where it goes. */
export function probeSays(probe: Probe, at: number): Said {
  return {
    quantity: probe.quantity,
    value: valueAt(probe, at),
    unit: unitOf[probe.quantity],
    steady: isThere(probe, at) && isThere(probe, at - 1),
  }
}
const digitOf = ({ quantity }: Probe): number => 10 ** -nature[quantity].decimals
const isThere = (probe: Probe, at: number): boolean => Math.abs(trueValue(probe, at) - probe.to) < digitOf(probe) / 2

/** On its way it trembles in its last digits; where it has come it holds still. */
function valueAt(probe: Probe, at: number): string {
  const { decimals } = nature[probe.quantity]
  const digit = digitOf(probe)
  const real = trueValue(probe, at)
  const shown = isThere(probe, at) ? probe.to : real + (noise(probe.seed, Math.floor(at * 2)) - 0.5) * 1.2 * digit
  return (Math.abs(shown) < digit / 2 ? 0 : shown).toFixed(decimals)
}
