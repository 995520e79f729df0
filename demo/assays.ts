import { curveFrom, type Worksheet } from '#core/assay'

/** The station's assays; every reading is invented. */
export const nickelWithDmg: Worksheet = {
  id: 'a1',
  kind: 'gravimetric',
  name: 'Nickel with dimethylglyoxime',
  given: { analyte: 'Ni', weighedAs: 'Ni(C4H7N2O2)2' },
  rows: [
    { sample: '0.2561 g', tare: '24.1311 g', gross: '24.3185 g', again: '24.3182 g' },
    { sample: '0.2498 g', tare: '23.8804 g', gross: '24.0632 g', again: '24.0630 g' },
    { sample: '0.2603 g', tare: '24.5519 g', gross: '24.7422 g', again: '24.7422 g' },
    { sample: '0.2544 g', tare: '24.0078 g', gross: '24.1938 g', again: '24.1936 g' },
  ],
}

export const nickelByColour: Worksheet = {
  id: 'a2',
  kind: 'absorbance',
  name: 'Nickel left in the liquor',
  given: { wavelengths: '395, 720', path: '1.00', whole: '38 mL' },
  rows: [
    { label: 'blank', concentration: '0.0000 mol/L', a1: '0.001', a2: '0.000' },
    { label: 'standard 1', concentration: '0.0200 mol/L', a1: '0.104', a2: '0.043' },
    { label: 'standard 2', concentration: '0.0400 mol/L', a1: '0.206', a2: '0.084' },
    { label: 'standard 3', concentration: '0.0600 mol/L', a1: '0.311', a2: '0.127' },
    { label: 'standard 4', concentration: '0.0800 mol/L', a1: '0.413', a2: '0.168' },
    { label: 'standard 5', concentration: '0.1000 mol/L', a1: '0.518', a2: '0.211' },
    { label: 'Liquor', dilution: '5', a1: '0.268', a2: '0.109' },
    { label: 'Liquor', dilution: '5', a1: '0.271', a2: '0.110' },
  ],
}

export const copperWater: Worksheet = {
  id: 'a1',
  kind: 'hydrate',
  name: 'Water in the copper salt of the bottle',
  given: { salt: 'CuSO4' },
  rows: [
    { tare: '18.204 g', before: '19.254 g', after: '18.875 g' },
    { tare: '17.911 g', before: '18.872 g', after: '18.526 g' },
    { tare: '18.420 g', before: '19.563 g', after: '19.151 g' },
  ],
}

/** 21.3 mg heated at 5 °C a minute: two, two and one water go, then sulfur trioxide. */
const heated = curveFrom([
  ['°C', 'mg'],
  ...Array.from({ length: 400 }, (_, i) => {
    const celsius = 30 + i * 2
    const gone = [
      [74, 4.5, 0.1443],
      [108, 4, 0.1443],
      [232, 6, 0.0722],
      [724, 11, 0.3206],
    ].reduce((sum, [at, width, share]) => sum + share! / (1 + Math.exp((at! - celsius) / width!)), 0)
    return [String(celsius), (21.3 * (1 - gone) + 0.006 * Math.sin(i * 12.9898)).toFixed(3)]
  }),
])
export const copperHeated: Worksheet = {
  id: 'a2',
  kind: 'thermogram',
  name: 'The same, heated slowly',
  given: { form: 'CuSO4·5H2O' },
  rows: [],
  ...('curve' in heated && { curve: heated.curve }),
}

export const zincByEdta: Worksheet = {
  id: 'a1',
  kind: 'titration',
  name: 'Zinc by EDTA',
  given: {
    equation: 'ZnSO4 + Na2C10H14N2O8 -> Na2ZnC10H12N2O8 + H2SO4',
    titrant: 'Na2C10H14N2O8',
    concentration: '0.01000 mol/L',
    species: 'ZnSO4',
    form: 'ZnSO4·7H2O',
  },
  rows: [
    { sample: '0.1147 g', volume: '39.86 mL', blank: '0.03 mL' },
    { sample: '0.1092 g', volume: '37.93 mL', blank: '0.03 mL' },
    { sample: '0.1158 g', volume: '40.25 mL', blank: '0.03 mL' },
  ],
}

export const molybdateWashes: Worksheet = {
  id: 'a1',
  kind: 'washes',
  name: 'pH of the washes',
  given: { what: 'pH' },
  rows: [
    { portion: '3 mL', reading: '11.8' },
    { portion: '3 mL', reading: '10.9' },
    { portion: '3 mL', reading: '10.3' },
  ],
}
