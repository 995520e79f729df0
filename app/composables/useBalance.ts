import { useIntervalFn, useLocalStorage, useSessionStorage } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { ofLab } from '~/utils/whose'
import { clear, display, load, makeBalance, noise, tare } from '#instruments'

const VESSEL = { least: 24, most: 62 }

/** A vessel of this bench: what it weighs empty, and what was put into it on the balance, g. */
interface Vessel {
  readonly name: string
  readonly empty: number
  readonly holds: number
}
/** Vessels that stand beside the balance at most; the oldest goes. */
const MOST = 6

/** The simulated balance at this bench, with its display going on while the page is open; vessels that were on it stand beside it and can come back with what they hold. */
export function useBalance() {
  const resolution = useLocalStorage('zip-ledger.balance', 0.01)
  const vessels = useSessionStorage<readonly Vessel[]>(ofLab('vessels'), [])
  const on = useSessionStorage<string>(ofLab('on-the-balance'), '')
  const seed = Math.floor(performance.timeOrigin) % 100_000
  const standing = vessels.value.find(({ name }) => name === on.value)
  const balance = shallowRef(
    standing
      ? load(makeBalance(resolution.value, seed), standing.empty + standing.holds, now())
      : makeBalance(resolution.value, seed),
  )
  const seconds = ref(now())
  useIntervalFn(() => {
    seconds.value = now()
  }, 200)

  const shown = computed(() => display(balance.value, seconds.value))
  const isEmpty = computed(() => on.value === '')
  const isTared = computed(() => balance.value.tared !== 0)
  const name = computed(() => `Simulated balance, ${resolution.value} g`)
  const beside = computed(() => vessels.value.filter(vessel => vessel.name !== on.value).toReversed())
  let portions = 0

  function now(): number {
    return performance.now() / 1000
  }

  function put(vessel: Vessel): void {
    on.value = vessel.name
    balance.value = load(clear({ ...balance.value, tared: 0 }, now()), vessel.empty + vessel.holds, now())
  }
  function putNewOn(): void {
    const number = 1 + Math.max(0, ...vessels.value.map(vessel => Number(vessel.name.split(' ')[1])))
    const empty = VESSEL.least + (VESSEL.most - VESSEL.least) * noise(seed, 1000 + number)
    const vessel = { name: `Vessel ${number}`, empty, holds: 0 }
    vessels.value = [...vessels.value, vessel].slice(-MOST)
    put(vessel)
  }
  function putBack(vesselName: string): void {
    const vessel = vessels.value.find(one => one.name === vesselName)
    if (vessel) put(vessel)
  }
  /** A spatula is never exact: it brings the wanted mass give or take a tenth. */
  function add(grams: number): void {
    const brought = grams * (0.9 + 0.2 * noise(seed, 2000 + portions++))
    vessels.value = vessels.value.map(vessel =>
      vessel.name === on.value ? { ...vessel, holds: vessel.holds + brought } : vessel,
    )
    balance.value = load(balance.value, brought, now())
  }
  /** What the vessel on the pan holds goes into the pot. */
  function tipOut(): void {
    const vessel = vessels.value.find(one => one.name === on.value)
    if (!vessel) return
    vessels.value = vessels.value.map(one => (one === vessel ? { ...one, holds: 0 } : one))
    balance.value = load(balance.value, -vessel.holds, now())
  }
  function pressTare(): void {
    balance.value = tare(balance.value, now())
  }
  function takeOff(): void {
    on.value = ''
    balance.value = { ...clear(balance.value, now()), tared: 0 }
  }
  function choose(step: number): void {
    resolution.value = step
    balance.value = { ...balance.value, resolution: step }
  }
  return {
    shown,
    isEmpty,
    isTared,
    name,
    on,
    beside,
    resolution,
    putNewOn,
    putBack,
    add,
    tipOut,
    pressTare,
    takeOff,
    choose,
  }
}
