import { hazardStatements, pictograms, type HazardCode } from '#core/reference'

export type Pictogram = (typeof pictograms)[number]

/** Irritation of skin and eyes, and sensitised skin, which a graver picture tells already. */
const OF_SKIN: readonly HazardCode[] = ['H315', 'H319']
const LESSER: Readonly<Record<string, readonly HazardCode[]>> = { GHS05: OF_SKIN, H334: [...OF_SKIN, 'H317'] }

/**
 * The pictograms that statements call for, gravest first. Precedence by UN GHS Rev. 9, 1.4.10.5.3 (from memory): no exclamation mark beside the skull; none for irritation beside corrosion; none for
 * irritation or sensitised skin where the airways are sensitised.
 */
export function pictogramsOf(codes: readonly HazardCode[]): Pictogram[] {
  const calls = (left: readonly HazardCode[]): Pictogram[] =>
    pictograms.filter(({ statements }) => left.some(code => statements.includes(code)))
  const first = new Set(calls(codes).map(({ code }) => code))
  const told = [...first, ...codes].flatMap(by => LESSER[by] ?? [])
  return calls(codes.filter(code => !told.includes(code))).filter(({ code }) => code !== 'GHS07' || !first.has('GHS06'))
}

/** `Danger` or `Warning`: the graver of what the statements call for; none where there is none. */
export function signalOf(codes: readonly HazardCode[]): 'Danger' | 'Warning' | undefined {
  const called = hazardStatements.filter(({ code }) => codes.includes(code)).map(({ signal }) => signal)
  return called.includes('Danger') ? 'Danger' : called[0]
}
