import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { clear, display, load, makeBalance, noise, tare } from '#instruments'

const VESSEL = { least: 24, most: 62 }

/** The simulated balance at this bench, with its display going on while the page is open. */
export function useBalance() {
  const resolution = useLocalStorage('zip-ledger.balance', 0.01)
  const seed = Math.floor(performance.timeOrigin) % 100_000
  const balance = shallowRef(makeBalance(resolution.value, seed))
  const seconds = ref(now())
  useIntervalFn(() => {
    seconds.value = now()
  }, 200)

  const shown = computed(() => display(balance.value, seconds.value))
  const isEmpty = computed(() => balance.value.load === 0)
  const isTared = computed(() => balance.value.tared !== 0)
  const name = computed(() => `Simulated balance, ${resolution.value} g`)
  let vessels = 0
  let portions = 0

  function now(): number {
    return performance.now() / 1000
  }

  function putVesselOn(): void {
    const mass = VESSEL.least + (VESSEL.most - VESSEL.least) * noise(seed, 1000 + vessels++)
    balance.value = load(clear({ ...balance.value, tared: 0 }, now()), mass, now())
  }
  /** A spatula is never exact: it brings the wanted mass give or take a tenth. */
  function add(grams: number): void {
    balance.value = load(balance.value, grams * (0.9 + 0.2 * noise(seed, 2000 + portions++)), now())
  }
  function pressTare(): void {
    balance.value = tare(balance.value, now())
  }
  function takeOff(): void {
    balance.value = { ...clear(balance.value, now()), tared: 0 }
  }
  function choose(step: number): void {
    resolution.value = step
    balance.value = { ...balance.value, resolution: step }
  }
  return { shown, isEmpty, isTared, name, resolution, putVesselOn, add, pressTare, takeOff, choose }
}
