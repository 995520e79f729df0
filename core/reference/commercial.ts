/** How the usual liquids are sold, mass percent; common catalogue strengths, no source. The stock that `1 + 3` dilutes. */
export const commercial = [
  { reagent: 'HCl', percent: 37, others: [32, 36, 25, 10] },
  { reagent: 'HNO3', percent: 65, others: [70, 53] },
  { reagent: 'H2SO4', percent: 96, others: [98, 95, 25] },
  { reagent: 'H3PO4', percent: 85, others: [75] },
  { reagent: 'CH3COOH', percent: 100, others: [80, 60, 10] },
  { reagent: 'NH3', percent: 25, others: [28, 30, 10] },
  { reagent: 'NaOH', percent: 50, others: [32, 30] },
  { reagent: 'KOH', percent: 45, others: [50] },
  { reagent: 'H2O2', percent: 30, others: [35, 3] },
  { reagent: 'C2H5OH', percent: 94, others: [99, 70] },
] as const
