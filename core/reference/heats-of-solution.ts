/**
 * Heat set free when one mole of the pure substance is dissolved in n moles of water, kJ/mol at 25 °C; linear in 1/n between rows,
 * not known outside them. NBS tables 1982 (from memory, good to about 2 kJ/mol).
 */
export interface HeatOfSolution {
  readonly reagent: string
  readonly rows: readonly (readonly [waters: number, kilojoule: number])[]
}
export const heatOfSolutionSource = 'NBS tables 1982, integral heats of solution (from memory, to about 2 kJ/mol)'

export const heatsOfSolution: readonly HeatOfSolution[] = [
  { reagent: 'H2SO4', rows: [[0.1, 3.8], [0.25, 8.6], [0.5, 15.7], [1, 28.1], [1.5, 36.9], [2, 41.9], [3, 49.0], [4, 54.1], [5, 58.0], [6, 60.8], [8, 64.6], [10, 67.0], [15, 70.2], [20, 71.5], [50, 73.4], [100, 74.0], [200, 74.9], [1000, 78.6]] },
  { reagent: 'NaOH', rows: [[3, 28.9], [4, 34.4], [5, 37.8], [6, 39.9], [8, 41.9], [10, 42.5], [15, 42.8], [20, 42.9], [50, 42.5], [100, 42.3], [200, 42.3], [1000, 42.8]] },
  { reagent: 'KOH', rows: [[3, 41.8], [4, 45.8], [5, 48.2], [6, 49.9], [8, 51.8], [10, 52.7], [15, 53.9], [20, 54.3], [50, 55.1], [100, 55.3], [200, 55.5], [1000, 56.3]] },
  { reagent: 'HCl', rows: [[1, 26.2], [2, 48.8], [3, 56.9], [4, 61.2], [5, 64.0], [6, 65.9], [8, 68.2], [10, 69.5], [15, 71.2], [20, 72.0], [50, 73.3], [100, 73.8], [200, 74.2], [1000, 74.7]] },
  { reagent: 'HNO3', rows: [[1, 13.1], [2, 20.1], [3, 24.3], [4, 26.9], [5, 28.7], [6, 29.9], [8, 31.2], [10, 31.8], [15, 32.5], [20, 32.7], [50, 32.7], [100, 32.8], [1000, 33.0]] },
]
