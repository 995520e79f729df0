import { onScopeDispose, ref, watch, type Ref } from 'vue'
import type { BatchVerdict } from '#core/result'
import type { VerdictQuestion } from '../workers/verdict'

/** The verdict on a stage, worked out in a worker: pots of several salts take more than a frame. The last question wins; the old answer stays till the new one is there. */
export function useVerdict(question: Ref<VerdictQuestion | undefined>) {
  const verdict = ref<BatchVerdict>()
  const isWorking = ref(false)
  let worker: Worker | undefined

  function cancel(): void {
    worker?.terminate()
    worker = undefined
    isWorking.value = false
  }
  watch(
    () => JSON.stringify(question.value),
    (asked, before) => {
      cancel()
      if (!asked) return (verdict.value = undefined)
      if (before && JSON.parse(before).stage !== question.value!.stage) verdict.value = undefined
      isWorking.value = true
      worker = new Worker(new URL('../workers/verdict.ts', import.meta.url), { type: 'module' })
      worker.onmessage = ({ data }: MessageEvent<{ verdict?: BatchVerdict }>) => {
        verdict.value = data.verdict
        cancel()
      }
      worker.onerror = cancel
      worker.postMessage(JSON.parse(asked))
    },
    { immediate: true },
  )
  onScopeDispose(cancel)
  return { verdict, isWorking }
}
