/** What an instrument of the bench says: a quantity, its value as shown, its unit, and whether it holds still. */
export interface Said {
  readonly quantity: 'mass' | 'temperature' | 'pH' | 'absorbance' | 'conductivity'
  /** The digits as shown. */
  readonly value: string
  readonly unit: 'g' | '°C' | 'mS/cm' | ''
  readonly steady: boolean
}

const units = { mass: 'g', temperature: 'degC', pH: '-', absorbance: '-', conductivity: 'mS/cm' } as const
const shownUnits = { g: 'g', degC: '°C', 'mS/cm': 'mS/cm', '-': '' } as const

/** One line of the protocol (docs/instrument-lines.md): `mass 88.437 g steady`. */
export const sayLine = ({ quantity, value, steady }: Said): string =>
  `${quantity} ${value} ${units[quantity]} ${steady ? 'steady' : 'moving'}`

const LINE =
  /^(mass|temperature|pH|absorbance|conductivity) (-?\d{1,6}(?:\.\d{1,6})?) (g|degC|mS\/cm|-) (steady|moving)\s*$/

/** Reads a line; undefined for anything that is not one, or whose unit is not the quantity's. */
export function readLine(line: string): Said | undefined {
  const [, quantity, value, unit, state] = LINE.exec(line) ?? []
  if (!quantity || !value || !unit || units[quantity as Said['quantity']] !== unit) return undefined
  return {
    quantity: quantity as Said['quantity'],
    value,
    unit: shownUnits[unit as keyof typeof shownUnits],
    steady: state === 'steady',
  }
}

/** The reading as the journal keeps it: `88.437 g`, `5.62`. */
export const textOf = ({ value, unit }: Said): string => (unit === '' ? value : `${value} ${unit}`)

/** Collects whole lines out of pieces as a serial port delivers them. */
export function lineSplitter(onLine: (line: string) => void): (piece: string) => void {
  let rest = ''
  return piece => {
    const parts = (rest + piece).split(/\r\n|\n|\r/)
    rest = parts.pop()!.slice(-200)
    for (const part of parts) if (part !== '') onLine(part)
  }
}
