import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { withComma } from '#core/quantity'

export const signs = [
  { key: 'point', name: '5.21 g' },
  { key: 'comma', name: '5,21 g' },
] as const
export type Sign = (typeof signs)[number]['key']

/** What the device's language writes, until a person chooses. */
const usual = (): Sign =>
  new Intl.NumberFormat(navigator.language).formatToParts(1.5).find(({ type }) => type === 'decimal')?.value === ','
    ? 'comma'
    : 'point'
const chosen = useLocalStorage<Sign | 'system'>('zip-ledger.decimal-sign', 'system')
const sign = computed({
  get: (): Sign => (chosen.value === 'system' ? usual() : chosen.value),
  set: one => (chosen.value = one),
})
const isComma = computed(() => sign.value === 'comma')

/** Numbers as the person at this device writes them. What is kept has a point, always. */
export function useNumbers() {
  return { sign, isComma, told }
}

/** Anything shown, its decimals as chosen; every `{{ }}` of the templates goes through it but those of formulas. */
export function told(shown: unknown): unknown {
  if (!isComma.value) return shown
  if (typeof shown === 'number') return withComma(String(shown))
  return typeof shown === 'string' ? withComma(shown) : shown
}
