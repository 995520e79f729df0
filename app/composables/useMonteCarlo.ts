import { onScopeDispose, ref } from 'vue'
import type { Figure, Spread } from '#core/quantity'

const DRAWS = 1_000_000

/** A million draws of a figure's inputs in a worker, with progress; it can be cancelled, and a new one ends the last. */
export function useMonteCarlo() {
  const done = ref<number>()
  const spread = ref<Spread>()
  let worker: Worker | undefined

  function cancel(): void {
    worker?.terminate()
    worker = undefined
    done.value = undefined
  }

  function run(figure: Figure): void {
    cancel()
    spread.value = undefined
    done.value = 0
    worker = new Worker(new URL('../workers/monte-carlo.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<{ done?: number; spread?: Spread }>) => {
      if (data.done !== undefined) done.value = data.done
      if (data.spread) {
        spread.value = data.spread
        cancel()
      }
    }
    worker.postMessage({ figure: plain(figure), draws: DRAWS, seed: Date.now() % 2 ** 31 })
  }
  onScopeDispose(cancel)
  return { done, spread, run, cancel }
}

/** The figure without Vue's proxies, its shared inputs still shared. */
function plain(figure: Figure, known = new Map<Figure, Figure>()): Figure {
  const before = known.get(figure)
  if (before) return before
  const { made } = figure
  const of = (one: Figure): Figure => plain(one, known)
  const copy: Figure = {
    ...figure,
    made:
      made.how === 'sum'
        ? { how: 'sum', terms: made.terms.map(([weight, one]) => [weight, of(one)] as const) }
        : made.how === 'product'
          ? { ...made, over: made.over.map(of), under: made.under.map(of) }
          : made.how === 'function'
            ? { ...made, of: of(made.of) }
            : { ...made },
  }
  known.set(figure, copy)
  return copy
}
