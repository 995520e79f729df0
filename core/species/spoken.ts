import { parseFormula } from '#core/formula'
import { nameOf } from './names'

/** Units as they are said; a unit that is not here is said as it is written. */
const UNITS: Readonly<Record<string, string>> = {
  g: 'grams',
  mg: 'milligrams',
  kg: 'kilograms',
  mL: 'millilitres',
  L: 'litres',
  mol: 'moles',
  mmol: 'millimoles',
  'mol/L': 'moles per litre',
  'g/L': 'grams per litre',
  '°C': 'degrees Celsius',
  K: 'kelvin',
  '%': 'percent',
  min: 'minutes',
  h: 'hours',
  s: 'seconds',
}
const MEASURED = /(\d)[\u202f\u00a0 ]?(mol\/L|g\/L|mmol|mol|mg|kg|mL|°C|min|g|L|K|h|s|%)(?![\w/])/g
const FORMULA = /\{([^}]*)\}/g

/** Words of the bench as they are read aloud: formulas in braces by their names, units in full: `{ZnSO4·7H2O}, 5.21 g` is zinc sulfate heptahydrate, 5.21 grams. What has no name stays its formula. */
export const spoken = (text: string): string =>
  text
    .replace(FORMULA, (_, formula: string) => {
      const read = parseFormula(formula)
      return (read.ok && nameOf(read.value)) || formula
    })
    .replace(MEASURED, (_, digit: string, unit: string) => `${digit} ${UNITS[unit] ?? unit}`)
