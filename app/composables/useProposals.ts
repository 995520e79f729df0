import { onScopeDispose, ref, watch, type Ref } from 'vue'
import type { Proposals } from '#core/route'
import type { RoutesAnswer, RoutesQuestion } from '../workers/routes'

/** After this the device is told to be too slow for it, ms: an answer takes a third of a second, some seconds on a slow and busy device; a judgement. */
const LIMIT = 60_000

/** Routes to a product, worked out beside the page each time the question changes; the last question wins, and the answer before stays till then. */
export function useProposals(question: Ref<Omit<RoutesQuestion, 'number'> | undefined>) {
  const proposals = ref<Proposals>()
  const state = ref<'none' | 'working' | 'done' | 'failed'>('none')
  let worker: Worker | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let number = 0
  /** Asked while the worker was busy: only the last of them is asked once it is free. */
  let next: RoutesQuestion | undefined
  let isBusy = false

  function fail(): void {
    worker?.terminate()
    worker = undefined
    isBusy = false
    state.value = 'failed'
  }
  function begin(): Worker {
    const made = new Worker(new URL('../workers/routes.ts', import.meta.url), { type: 'module' })
    made.onmessage = ({ data }: MessageEvent<RoutesAnswer>) => {
      clearTimeout(timer)
      isBusy = false
      if (next) send(next)
      else if (data.number === number) {
        proposals.value = data.proposals
        state.value = 'done'
      }
    }
    made.onerror = fail
    return made
  }
  function send(asked: RoutesQuestion): void {
    next = undefined
    isBusy = true
    worker ??= begin()
    timer = setTimeout(fail, LIMIT)
    worker.postMessage(asked)
  }

  watch(
    () => JSON.stringify(question.value),
    asked => {
      number += 1
      next = undefined
      if (!asked) {
        proposals.value = undefined
        state.value = 'none'
        return
      }
      state.value = 'working'
      const whole: RoutesQuestion = { ...(JSON.parse(asked) as Omit<RoutesQuestion, 'number'>), number }
      if (isBusy) next = whole
      else send(whole)
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    clearTimeout(timer)
    worker?.terminate()
  })
  return { proposals, state }
}
