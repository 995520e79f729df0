/** Molar gas constant, J/(mol K), exact: CODATA 2018, from the SI's fixed k and N_A. */
export const GAS_CONSTANT = 8.31446261815324

export const CELSIUS_ZERO = 273.15

/** The room, unless the plan says otherwise. */
export const ROOM = { temperature: 25, pressure: 101.325 } as const

/** Ten minutes between two weighings, h: what a thin layer loses in less does not show on the balances here; a judgement, no source. */
export const LEAST_DRYING = 1 / 6
