import { onScopeDispose, ref, watch, type Ref } from 'vue'
import type { PhasePicture, Verdict } from '#core/solution'
import type { FirstAnswer, FirstQuestion } from '../workers/which-first'

/** After this time the device is left alone, ms: a pot takes some two seconds, ten on a slow and busy device; a judgement. */
const LIMIT = 60_000

/** Which salt comes first, and which solid stands where, worked out in a worker each time the question changes; the last question wins. */
export function useWhichFirst(question: Ref<FirstQuestion | undefined>) {
  const verdict = ref<Verdict>()
  const picture = ref<PhasePicture>()
  const state = ref<'none' | 'working' | 'done' | 'gave up' | 'failed'>('none')
  const tries = ref(0)
  let worker: Worker | undefined
  let timer: ReturnType<typeof setTimeout> | undefined

  function cancel(): void {
    worker?.terminate()
    worker = undefined
    clearTimeout(timer)
  }

  watch(
    () => [JSON.stringify(question.value), tries.value] as const,
    ([asked]) => {
      cancel()
      verdict.value = undefined
      picture.value = undefined
      state.value = asked ? 'working' : 'none'
      if (!asked) return
      worker = new Worker(new URL('../workers/which-first.ts', import.meta.url), { type: 'module' })
      worker.onmessage = ({ data }: MessageEvent<FirstAnswer>) => {
        if ('verdict' in data) {
          verdict.value = data.verdict
          state.value = 'done'
        } else {
          picture.value = data.picture
          cancel()
        }
      }
      worker.onerror = () => {
        cancel()
        state.value = 'failed'
      }
      timer = setTimeout(() => {
        cancel()
        if (state.value === 'working') state.value = 'gave up'
      }, LIMIT)
      worker.postMessage(JSON.parse(asked))
    },
    { immediate: true },
  )
  onScopeDispose(cancel)
  return { verdict, picture, state, retry: () => void (tries.value += 1) }
}
