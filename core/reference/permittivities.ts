/**
 * Relative permittivity of mixtures with water against % by mass of the other: ethanol at 20 °C, the rest at 25 °C. Åkerlöf, J. Am. Chem. Soc. 54 (1932) 4125, recalled
 * from memory: good to about 2 %.
 */
export type Cosolvent = 'ethanol' | 'methanol' | 'acetone' | 'propan-2-ol'

type Row = readonly (readonly [percent: number, value: number])[]
export const permittivities: Readonly<Record<Cosolvent, Row>> = {
  ethanol: [[0, 80.4], [10, 74.6], [20, 68.7], [30, 62.6], [40, 56.5], [50, 50.4], [60, 44.7], [70, 39.1], [80, 33.9], [90, 29.0], [100, 25.0]],
  methanol: [[0, 78.5], [10, 74.2], [20, 70.0], [30, 65.6], [40, 60.9], [50, 56.3], [60, 51.7], [70, 47.1], [80, 42.6], [90, 37.9], [100, 32.6]],
  acetone: [[0, 78.5], [10, 73.0], [20, 67.0], [30, 61.0], [40, 54.6], [50, 48.2], [60, 41.8], [70, 35.7], [80, 29.6], [90, 24.6], [100, 20.7]],
  'propan-2-ol': [[0, 78.5], [10, 71.4], [20, 64.1], [30, 56.9], [40, 49.7], [50, 42.5], [60, 35.3], [70, 29.0], [80, 24.4], [90, 21.0], [100, 18.6]],
} // prettier-ignore
