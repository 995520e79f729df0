import { fixedUnit, type Kind } from './units'

/** Powers of the base units that a quantity is made of; none for a plain number. */
export type Dimension = Readonly<Partial<Record<Base, number>>>
const bases = ['g', 'mol', 'cm', 'h', 'K', 'kPa', 'S'] as const
type Base = (typeof bases)[number]

/** What one fixed unit of each kind is in base units: 1 mol/L is 0.001 mol/cm³, 1 kJ is 10⁶ kPa cm³ (SI Brochure, 9th ed.). */
const table: Readonly<Record<Kind, { readonly size: number; readonly of: Dimension }>> = {
  number: { size: 1, of: {} },
  'mass fraction': { size: 1, of: {} },
  'share of air': { size: 1e-6, of: {} },
  mass: { size: 1, of: { g: 1 } },
  volume: { size: 1, of: { cm: 3 } },
  amount: { size: 1, of: { mol: 1 } },
  concentration: { size: 1e-3, of: { mol: 1, cm: -3 } },
  density: { size: 1, of: { g: 1, cm: -3 } },
  'mass per volume': { size: 1, of: { g: 1, cm: -3 } },
  'molar mass': { size: 1, of: { g: 1, mol: -1 } },
  'molar volume': { size: 1, of: { cm: 3, mol: -1 } },
  warming: { size: 1, of: { K: 1 } },
  temperature: { size: 1, of: { K: 1 } },
  time: { size: 1, of: { h: 1 } },
  flow: { size: 60, of: { cm: 3, h: -1 } },
  length: { size: 1, of: { cm: 1 } },
  pressure: { size: 1, of: { kPa: 1 } },
  energy: { size: 1e6, of: { kPa: 1, cm: 3 } },
  power: { size: 3.6e6, of: { kPa: 1, cm: 3, h: -1 } },
  'molar energy': { size: 1e6, of: { kPa: 1, cm: 3, mol: -1 } },
  conductivity: { size: 1e-3, of: { S: 1, cm: -1 } },
  'molar conductance': { size: 1, of: { S: 1, cm: 2, mol: -1 } },
}

export const dimensionOf = (kind: Kind): Dimension => table[kind].of
/** How many base units one fixed unit of a kind is. */
export const sizeOf = (kind: Kind): number => table[kind].size

const power = (dimension: Dimension, base: Base): number => dimension[base] ?? 0
const same = (a: number, b: number): boolean => Math.abs(a - b) < 1e-9

export const sameDimension = (a: Dimension, b: Dimension): boolean =>
  bases.every(base => same(power(a, base), power(b, base)))
/** `a` times `b` to a power: −1 divides. */
export const timesDimension = (a: Dimension, b: Dimension, times = 1): Dimension =>
  Object.fromEntries(
    bases.flatMap(base => {
      const sum = power(a, base) + times * power(b, base)
      return same(sum, 0) ? [] : [[base, sum]]
    }),
  )

/** The kind of quantity that has these powers, the commonest first; undefined where none has. */
export const kindOf = (dimension: Dimension): Kind | undefined =>
  (Object.keys(table) as Kind[]).find(kind => sameDimension(table[kind].of, dimension))

/** Powers as they are written: `g/mol`, `cm³/mol`, `1/h`; empty for a plain number. */
export function dimensionText(dimension: Dimension): string {
  const kind = kindOf(dimension)
  if (kind) return fixedUnit[kind]
  const write = (sign: 1 | -1): string =>
    bases
      .filter(base => sign * power(dimension, base) > 1e-9)
      .map(base => `${base}${raised(Math.abs(power(dimension, base)))}`)
      .join(' ')
  const [over, under] = [write(1), write(-1)]
  return under === '' ? over : `${over || '1'}/${under.includes(' ') ? `(${under})` : under}`
}
const RAISED: Readonly<Record<number, string>> = { 1: '', 2: '²', 3: '³' }
const raised = (times: number): string => RAISED[times] ?? `^${Number(times.toPrecision(3))}`
