import { computed, shallowRef } from 'vue'

const TOGETHER = 1500
const MOST = 200

/** A value with undo and redo. Pushes with one key within a moment of each other are one step. */
export function useHistory<T>(now: () => number = Date.now) {
  const current = shallowRef<T>()
  const past = shallowRef<readonly T[]>([])
  const future = shallowRef<readonly T[]>([])
  let last = { key: '', at: -Infinity }

  function start(value: T): void {
    current.value = value
    past.value = []
    future.value = []
    last = { key: '', at: -Infinity }
  }

  function push(value: T, key: string): void {
    const isSameStep = key === last.key && now() - last.at < TOGETHER
    if (!isSameStep && current.value !== undefined) past.value = [...past.value, current.value].slice(-MOST)
    last = { key, at: now() }
    future.value = []
    current.value = value
  }

  function undo(): boolean {
    const before = past.value.at(-1)
    if (before === undefined || current.value === undefined) return false
    future.value = [current.value, ...future.value]
    past.value = past.value.slice(0, -1)
    current.value = before
    last = { key: '', at: -Infinity }
    return true
  }

  function redo(): boolean {
    const [next, ...rest] = future.value
    if (next === undefined || current.value === undefined) return false
    past.value = [...past.value, current.value]
    future.value = rest
    current.value = next
    return true
  }

  return {
    current,
    /** How many steps can be undone. */
    steps: computed(() => past.value.length),
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    start,
    push,
    undo,
    redo,
  }
}
