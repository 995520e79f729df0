import { ref } from 'vue'

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

/** The lab's batches; undefined until they have been read once, and told when they could not be. */
export function useBatchList() {
  const batches = ref<readonly BatchSummary[]>()
  const failed = ref(false)
  let asked = 0

  async function load(): Promise<void> {
    const mine = ++asked
    try {
      const read = await $fetch<BatchSummary[]>('/api/batches')
      if (mine !== asked) return
      batches.value = read
      failed.value = false
    } catch {
      if (mine === asked) failed.value = true
    }
  }
  return { batches, failed, load }
}

const plain = (text: string): string => text.toLowerCase().replace(/[·.*\s-]/g, '')

/** True where the query stands in the code, the title or the product, dots and spaces aside. */
export const matches = ({ code, title, product }: BatchSummary, query: string): boolean =>
  query.trim() === '' || [code, title, product].some(text => plain(text).includes(plain(query)))
