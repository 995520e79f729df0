import { computed, ref, type ComputedRef } from 'vue'

/** Something a page works out that may fail by a mistake of ours: its value, or that it has none and why. */
export interface Attempt<T> {
  /** What it is, as the page calls it. */
  readonly name: string
  readonly value: ComputedRef<T | undefined>
  readonly failed: ComputedRef<string | undefined>
  readonly retry: () => void
}

/** A computed value whose failure stays its own: the page around it goes on, and can say so. */
export function useAttempt<T>(name: string, make: () => T): Attempt<T> {
  const tries = ref(0)
  const outcome = computed((): { value?: T; failed?: string } => {
    void tries.value
    try {
      return { value: make() }
    } catch (error) {
      console.error(`${name}:`, error)
      return { failed: error instanceof Error ? error.message : String(error) }
    }
  })
  return {
    name,
    value: computed(() => outcome.value.value),
    failed: computed(() => outcome.value.failed),
    retry: () => void (tries.value += 1),
  }
}
