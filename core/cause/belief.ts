/** Share of belief in words; what is called likely is right in at least seven of ten of the planted batches (calibration.test.ts). */
export function beliefWords(share: number): string {
  if (share >= 0.95) return 'almost certain'
  if (share >= 0.6) return 'likely'
  if (share >= 0.3) return 'quite possible'
  if (share >= 0.08) return 'possible'
  return 'hardly likely'
}
