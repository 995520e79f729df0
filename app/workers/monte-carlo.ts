import { monteCarlo, seeded, type Figure } from '#core/quantity'

/** Redraws a figure off the main thread; tells how far it is, then how the figure spreads. */
const EVERY = 0.05
self.onmessage = ({ data }: MessageEvent<{ figure: Figure; draws: number; seed: number }>): void => {
  let told = 0
  const spread = monteCarlo(data.figure, data.draws, seeded(data.seed), done => {
    if (done - told >= EVERY) {
      told = done
      self.postMessage({ done })
    }
    return true
  })
  self.postMessage({ spread })
}
