import { onScopeDispose } from 'vue'
import type { DrillAnswer, DrillAsked, DrillMessage } from '../workers/drills'

/** Questions are made and judged beside the page: some of them ask the model of solutions, which takes longer than a frame. */
export function useDrillWorker() {
  let worker: Worker | undefined
  let number = 0
  const waiting = new Map<number, { take: (body: DrillAnswer) => void; refuse: (error: Error) => void }>()

  function begin(): Worker {
    const made = new Worker(new URL('../workers/drills.ts', import.meta.url), { type: 'module' })
    made.onmessage = ({ data }: MessageEvent<DrillMessage<DrillAnswer>>) => {
      waiting.get(data.number)?.take(data.body)
      waiting.delete(data.number)
    }
    made.onerror = () => {
      for (const { refuse } of waiting.values()) refuse(new Error('The questions could not be made.'))
      waiting.clear()
      worker?.terminate()
      worker = undefined
    }
    return made
  }

  const ask = <Is extends DrillAsked['is']>(
    body: Extract<DrillAsked, { is: Is }>,
  ): Promise<Extract<DrillAnswer, { is: Is }>> =>
    new Promise((resolve, reject) => {
      worker ??= begin()
      number += 1
      waiting.set(number, { take: answered => resolve(answered as Extract<DrillAnswer, { is: Is }>), refuse: reject })
      worker.postMessage({ number, body: JSON.parse(JSON.stringify(body)) } satisfies DrillMessage<DrillAsked>)
    })
  onScopeDispose(() => worker?.terminate())
  return { ask }
}
