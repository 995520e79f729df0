import { refDebounced } from '@vueuse/core'
import { ref, watch, type Ref } from 'vue'

export interface BatchSummary {
  readonly code: string
  readonly title: string
  readonly product: string
  readonly colour?: { readonly word: string; readonly swatch: string }
  readonly touchedAt: string
  readonly last?: { readonly text: string; readonly at: string }
  readonly standing: 'plan' | 'charge' | 'react' | 'weighed'
  readonly want: string
  readonly result?: { readonly percent: number; readonly spread: number }
  readonly page: 'sheet' | 'run' | 'yield'
}

/** The server tells so many at once. */
const AT_ONCE = 300
/** ms between the last key and the question. */
const PAUSE = 120

/** The lab's batches, last touched first, as far as they were asked for, or those that have `words` in code, title or product; undefined until they have been read once, and told when they could not be. */
export function useBatchList(words: Ref<string> = ref('')) {
  const batches = ref<readonly BatchSummary[]>()
  const failed = ref(false)
  const hasMore = ref(false)
  /** The words for which these are the batches. */
  const readFor = ref('')
  let asked = 0
  /** So many of the server’s list were read. */
  let asFar = 0

  async function read(from: number): Promise<void> {
    const mine = ++asked
    const wanted = words.value
    const before = from > 0 ? (batches.value ?? []) : []
    try {
      const found = await $fetch<BatchSummary[]>('/api/batches', { query: { words: wanted.trim() || undefined, from } })
      if (mine !== asked) return
      // What was touched meanwhile stands first, and pushed the others down.
      const there = new Set(before.map(({ code }) => code))
      batches.value = [...before, ...found.filter(({ code }) => !there.has(code))]
      readFor.value = wanted
      asFar = from + found.length
      hasMore.value = found.length === AT_ONCE
      failed.value = false
    } catch {
      if (mine === asked) failed.value = true
    }
  }
  const load = (): Promise<void> => read(0)
  const more = (): Promise<void> => read(asFar)
  watch(refDebounced(words, PAUSE), load)
  return { batches, failed, hasMore, readFor, load, more }
}
