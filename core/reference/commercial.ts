export interface CommercialRow {
  readonly reagent: string
  /** Mass percent as it is usually sold. */
  readonly percent: number
  readonly others: readonly number[]
  /** Nobody sells it but in water, whatever it is when pure. */
  readonly onlySolution?: boolean
}

/** How the usual liquids are sold, mass percent; common catalogue strengths and those of household bottles, no source. The stock that `1 + 3` dilutes. */
export const commercial: readonly CommercialRow[] = [
  { reagent: 'HCl', percent: 37, others: [32, 36, 25, 10] },
  { reagent: 'HBr', percent: 48, others: [47, 62] },
  { reagent: 'HI', percent: 57, others: [47] },
  { reagent: 'HF', percent: 40, others: [48] },
  { reagent: 'HClO4', percent: 70, others: [60] },
  { reagent: 'HNO3', percent: 65, others: [70, 53] },
  { reagent: 'H2SO4', percent: 96, others: [98, 95, 25] },
  { reagent: 'H3PO4', percent: 85, others: [75] },
  { reagent: 'HCOOH', percent: 98, others: [85] },
  { reagent: 'CH3COOH', percent: 100, others: [80, 60, 10, 5] },
  { reagent: 'NH3', percent: 25, others: [28, 30, 10] },
  { reagent: 'NaOH', percent: 50, others: [32, 30] },
  { reagent: 'KOH', percent: 45, others: [50] },
  { reagent: 'H2O2', percent: 30, others: [35, 3] },
  { reagent: 'NaClO', percent: 12, others: [5, 3], onlySolution: true },
  { reagent: 'C2H5OH', percent: 94, others: [99, 70] },
]
