/**
 * Relative permittivity of ethanol and water at 20 °C against % of ethanol by mass. Åkerlöf, J. Am. Chem. Soc. 54 (1932) 4125, recalled
 * from memory: good to about 2 %.
 */
export const permittivities: readonly (readonly [percent: number, value: number])[] = [
  [0, 80.4],
  [10, 74.6],
  [20, 68.7],
  [30, 62.6],
  [40, 56.5],
  [50, 50.4],
  [60, 44.7],
  [70, 39.1],
  [80, 33.9],
  [90, 29.0],
  [100, 25.0],
]
