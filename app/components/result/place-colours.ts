import type { Where } from '#core/result'

/** Warm tints for what comes out, verdigris for what was wanted; each place stands with its word beside it. */
export const placeColours: Record<Where, string> = {
  crystals: '#17695c',
  recovered: '#7c9a5b',
  'filtered off': '#8d8776',
  gas: '#9db3a9',
  precipitate: '#6f6a5f',
  liquor: '#d9b877',
  'liquor, by the model': '#e6cf9f',
  'wash, by the model': '#f0e2c4',
}
