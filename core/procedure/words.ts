import { formatValue } from '#core/quantity'
import type { ToldVessel } from './procedure'

/** Less than this of something is not worth a word, g. */
const WORTH = 5e-3
const listed = (portions: ToldVessel['solid'], most: number): string => {
  const seen = portions.filter(({ mass }) => mass > WORTH).toSorted((a, b) => b.mass - a.mass)
  const words = seen.slice(0, most).map(({ form, mass }) => `${formatValue(mass, 'mass', 3)} {${form}}`)
  return [...words, ...(seen.length > most ? [`${seen.length - most} more`] : [])].join(', ')
}
const MOST = 4

/** What a vessel holds, in one line: volume, temperature, what is dissolved in what, what stands solid; formulas in braces. */
export function vesselWords({ celsius, volume, solvents, dissolved, solid }: ToldVessel): string {
  const wet = Object.entries(solvents).filter(([, mass]) => mass > WORTH)
  const at = `${celsius.toFixed(0)} °C`
  const standing = listed(solid, MOST)
  if (wet.length === 0) return standing === '' ? 'empty' : `${standing}, dry, at ${at}`
  const inWhat = wet.map(([name, mass]) => `${formatValue(mass, 'mass', 3)} ${name}`).join(' and ')
  const liquor = listed(dissolved, MOST)
  return `${volume.toFixed(volume < 10 ? 1 : 0)} mL at ${at}: ${liquor === '' ? inWhat : `${liquor} in ${inWhat}`}${standing === '' ? '' : `; solid: ${standing}`}`
}
