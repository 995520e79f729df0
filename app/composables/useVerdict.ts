import { computed, onScopeDispose, ref, watch, type Ref } from 'vue'
import type { BatchVerdict } from '#core/cause'
import type { Attempt } from './useAttempt'
import type { VerdictQuestion } from '../workers/verdict'

/** The verdict on a stage, worked out in a worker: pots of several salts take more than a frame. The last question wins; the old answer stays till the new one is there. */
export function useVerdict(question: Ref<VerdictQuestion | undefined>) {
  const verdict = ref<BatchVerdict>()
  const isWorking = ref(false)
  const failed = ref<string>()
  const tries = ref(0)
  let worker: Worker | undefined
  let stage: string | undefined

  function cancel(): void {
    worker?.terminate()
    worker = undefined
    isWorking.value = false
  }
  watch(
    () => [JSON.stringify(question.value), tries.value] as const,
    ([asked]) => {
      cancel()
      failed.value = undefined
      if (!asked) return (verdict.value = undefined)
      if (question.value?.stage !== stage) verdict.value = undefined
      stage = question.value?.stage
      isWorking.value = true
      worker = new Worker(new URL('../workers/verdict.ts', import.meta.url), { type: 'module' })
      worker.onmessage = ({ data }: MessageEvent<{ verdict?: BatchVerdict }>) => {
        verdict.value = data.verdict
        cancel()
      }
      worker.onerror = ({ message }) => {
        failed.value = message
        cancel()
      }
      worker.postMessage(JSON.parse(asked))
    },
    { immediate: true },
  )
  onScopeDispose(cancel)
  /** As a part of a page that may have failed. */
  const attempt: Attempt<BatchVerdict> = {
    name: 'The verdict',
    value: computed(() => verdict.value),
    failed: computed(() => failed.value),
    retry: () => void (tries.value += 1),
  }
  return { verdict, isWorking, attempt }
}
