export type Kind =
  | 'mass'
  | 'volume'
  | 'amount'
  | 'concentration'
  | 'mass fraction'
  | 'mass per volume'
  | 'density'
  | 'molar mass'
  | 'molar volume'
  | 'temperature'
  | 'time'
  | 'pressure'
  | 'energy'
  | 'power'
  | 'molar energy'
  | 'warming'
  | 'flow'
  | 'share of air'
  | 'length'
  | 'conductivity'
  | 'molar conductance'
  | 'number'

/** The unit that numbers of a kind are held in, inside the core and in answers. */
export const fixedUnit = {
  mass: 'g',
  volume: 'mL',
  amount: 'mol',
  concentration: 'mol/L',
  'mass fraction': '',
  'mass per volume': 'g/mL',
  density: 'g/mL',
  'molar mass': 'g/mol',
  'molar volume': 'mL/mol',
  temperature: '°C',
  time: 'h',
  pressure: 'kPa',
  energy: 'kJ',
  power: 'W',
  'molar energy': 'kJ/mol',
  warming: 'K',
  flow: 'mL/min',
  'share of air': 'ppm',
  length: 'cm',
  conductivity: 'mS/cm',
  'molar conductance': 'S cm²/mol',
  number: '',
} as const satisfies Record<Kind, string>

interface Unit {
  readonly symbol: string
  readonly kind: Kind
  readonly size: number
  readonly offset?: number
}

/**
 * Units that may be typed; `size` is how many of the fixed unit one of them is, exact by definition (SI Brochure, 9th ed.), but for
 * drops: 20 to the mL is common practice, no source.
 */
export const units = [
  { symbol: 'g', kind: 'mass', size: 1 },
  { symbol: 'mg', kind: 'mass', size: 1e-3 },
  { symbol: 'µg', kind: 'mass', size: 1e-6 },
  { symbol: 'kg', kind: 'mass', size: 1e3 },
  { symbol: 'mL', kind: 'volume', size: 1 },
  { symbol: 'µL', kind: 'volume', size: 1e-3 },
  { symbol: 'L', kind: 'volume', size: 1e3 },
  { symbol: 'm3', kind: 'volume', size: 1e6 },
  { symbol: 'cm3', kind: 'volume', size: 1 },
  { symbol: 'dm3', kind: 'volume', size: 1e3 },
  { symbol: 'drops', kind: 'volume', size: 0.05 },
  { symbol: 'mol', kind: 'amount', size: 1 },
  { symbol: 'mmol', kind: 'amount', size: 1e-3 },
  { symbol: 'µmol', kind: 'amount', size: 1e-6 },
  { symbol: 'mol/L', kind: 'concentration', size: 1 },
  { symbol: 'mmol/L', kind: 'concentration', size: 1e-3 },
  { symbol: 'µmol/L', kind: 'concentration', size: 1e-6 },
  { symbol: 'mol/dm3', kind: 'concentration', size: 1 },
  { symbol: 'mmol/dm3', kind: 'concentration', size: 1e-3 },
  { symbol: 'M', kind: 'concentration', size: 1 },
  { symbol: 'mM', kind: 'concentration', size: 1e-3 },
  { symbol: 'µM', kind: 'concentration', size: 1e-6 },
  { symbol: '%', kind: 'mass fraction', size: 1e-2 },
  { symbol: '% w/w', kind: 'mass fraction', size: 1e-2 },
  { symbol: 'ppm', kind: 'mass fraction', size: 1e-6 },
  { symbol: 'mg/kg', kind: 'mass fraction', size: 1e-6 },
  { symbol: '% w/v', kind: 'mass per volume', size: 1e-2 },
  { symbol: 'g/L', kind: 'mass per volume', size: 1e-3 },
  { symbol: 'mg/L', kind: 'mass per volume', size: 1e-6 },
  { symbol: 'µg/L', kind: 'mass per volume', size: 1e-9 },
  { symbol: 'µg/mL', kind: 'mass per volume', size: 1e-6 },
  { symbol: 'mg/mL', kind: 'mass per volume', size: 1e-3 },
  { symbol: 'g/dm3', kind: 'mass per volume', size: 1e-3 },
  { symbol: 'mg/dm3', kind: 'mass per volume', size: 1e-6 },
  { symbol: 'g/mL', kind: 'density', size: 1 },
  { symbol: 'kg/L', kind: 'density', size: 1 },
  { symbol: 'g/cm3', kind: 'density', size: 1 },
  { symbol: 'g/mol', kind: 'molar mass', size: 1 },
  { symbol: '°C', kind: 'temperature', size: 1 },
  { symbol: 'K', kind: 'temperature', size: 1, offset: -273.15 },
  { symbol: 'h', kind: 'time', size: 1 },
  { symbol: 'min', kind: 'time', size: 1 / 60 },
  { symbol: 's', kind: 'time', size: 1 / 3600 },
  { symbol: 'd', kind: 'time', size: 24 },
  { symbol: 'kPa', kind: 'pressure', size: 1 },
  { symbol: 'Pa', kind: 'pressure', size: 1e-3 },
  { symbol: 'hPa', kind: 'pressure', size: 0.1 },
  { symbol: 'mbar', kind: 'pressure', size: 0.1 },
  { symbol: 'bar', kind: 'pressure', size: 100 },
  { symbol: 'atm', kind: 'pressure', size: 101.325 },
  { symbol: 'torr', kind: 'pressure', size: 101.325 / 760 },
  { symbol: 'kJ', kind: 'energy', size: 1 },
  { symbol: 'J', kind: 'energy', size: 1e-3 },
  { symbol: 'W', kind: 'power', size: 1 },
  { symbol: 'kW', kind: 'power', size: 1000 },
  { symbol: 'cm', kind: 'length', size: 1 },
  { symbol: 'mm', kind: 'length', size: 0.1 },
  { symbol: 'm', kind: 'length', size: 100 },
  { symbol: 'nm', kind: 'length', size: 1e-7 },
  { symbol: 'mS/cm', kind: 'conductivity', size: 1 },
  { symbol: 'µS/cm', kind: 'conductivity', size: 1e-3 },
  { symbol: 'S/m', kind: 'conductivity', size: 10 },
  { symbol: 'mS/m', kind: 'conductivity', size: 0.01 },
  { symbol: '', kind: 'number', size: 1 },
] as const satisfies readonly Unit[]

const spelling: Readonly<Record<string, string>> = {
  drop: 'drops',
  'm³': 'm3',
  'cm³': 'cm3',
  'dm³': 'dm3',
  cc: 'cm3',
  'mol/dm³': 'mol/dm3',
  'mol dm-3': 'mol/dm3',
  'mol dm^-3': 'mol/dm3',
  'mol dm−3': 'mol/dm3',
  'mol dm⁻³': 'mol/dm3',
  'mol L-1': 'mol/L',
  'mol l-1': 'mol/L',
  'mol L⁻¹': 'mol/L',
  'g dm-3': 'g/dm3',
  'g dm⁻³': 'g/dm3',
  'g/dm³': 'g/dm3',
  'mg/dm³': 'mg/dm3',
  'umol/L': 'µmol/L',
  'umol/l': 'µmol/L',
  'µmol/l': 'µmol/L',
  uM: 'µM',
  'uS/cm': 'µS/cm',
  'ug/mL': 'µg/mL',
  'ug/ml': 'µg/mL',
  'µg/ml': 'µg/mL',
  'ug/L': 'µg/L',
  'µg/l': 'µg/L',
  'mg/l': 'mg/L',
  'mg/ml': 'mg/mL',
  ml: 'mL',
  l: 'L',
  ul: 'µL',
  µl: 'µL',
  uL: 'µL',
  ug: 'µg',
  umol: 'µmol',
  C: '°C',
  ºC: '°C',
  'mol/l': 'mol/L',
  'mmol/l': 'mmol/L',
  '%w/w': '% w/w',
  '%w/v': '% w/v',
  'g/cm³': 'g/cm3',
  'g/ml': 'g/mL',
  'g/l': 'g/L',
  Torr: 'torr',
}

const bySymbol: ReadonlyMap<string, Unit> = new Map(units.map(unit => [unit.symbol, unit]))

/** The unit a text means, with the usual spellings of µ, litre and degree allowed; capitals count otherwise. */
export function findUnit(text: string): Unit | undefined {
  const plain = text
    .trim()
    .replace(/μ/g, 'µ')
    .replace(/\s+/g, ' ')
    .replace(/\s*\/\s*/g, '/')
  return bySymbol.get(plain) ?? bySymbol.get(spelling[plain] ?? '?')
}

/** The units that a field of these kinds takes, for a hint. */
export const unitsOf = (kinds: readonly Kind[]): string[] =>
  units.filter(unit => kinds.includes(unit.kind) && unit.symbol !== '').map(unit => unit.symbol)
