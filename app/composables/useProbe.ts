import { useIntervalFn } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { makeProbe, probeSays, putInto, readLine, sayLine, type Probe } from '#instruments'

/** A simulated probe at this bench; what it says goes through the same lines as a real one's. */
export function useProbe(quantity: Probe['quantity']) {
  const probe = shallowRef(makeProbe(quantity, Math.floor(performance.timeOrigin) % 99_991))
  const seconds = ref(now())
  useIntervalFn(() => {
    seconds.value = now()
  }, 300)
  function now(): number {
    return performance.now() / 1000
  }
  const said = computed(() => readLine(sayLine(probeSays(probe.value, seconds.value)))!)
  const put = (value: number): void => {
    probe.value = putInto(probe.value, value, now())
  }
  return { said, put }
}
