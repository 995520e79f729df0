import type { Where } from '#core/outcome'

/** Warm tints for what comes out, verdigris for what was wanted; each place stands with its word beside it. */
export const placeColours: Record<Where, string> = {
  crystals: '#17695c',
  recovered: '#7c9a5b',
  'filtered off': '#8d8776',
  gas: '#9db3a9',
  liquor: '#d9b877',
  washings: '#f0e2c4',
  'dried in': '#c98f6b',
}
