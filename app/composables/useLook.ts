import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { computed, watchEffect, type ComputedRef } from 'vue'

export const looks = [
  { key: 'system', name: 'As the system' },
  { key: 'light', name: 'Light' },
  { key: 'dark', name: 'Dark' },
  { key: 'bright', name: 'High contrast' },
] as const
export type Look = (typeof looks)[number]['key']

const look = useLocalStorage<Look>('zip-ledger.look', 'system')

/** The look of every page: chosen by the system, or by hand and kept on this device. */
export function useLook() {
  const isSystemDark = usePreferredDark()
  const shown = computed(() => (look.value === 'system' ? (isSystemDark.value ? 'dark' : 'light') : look.value))
  return { look, shown }
}

/** Writes the look that was chosen onto the page; called once. */
export function applyLook(): void {
  watchEffect(() => {
    const root = document.documentElement
    if (look.value === 'system') delete root.dataset.look
    else root.dataset.look = look.value
  })
}

/** Colours that charts are written in, each by the name that a look gives another colour to. */
const NAMES: Readonly<Record<string, string>> = {
  '#1d2529': 'ink',
  '#566063': 'soft',
  '#eceadf': 'grid',
  '#8d8776': 'edge',
  '#b9b3a2': 'edge',
  '#17695c': 'verdigris',
  '#0f4f45': 'verdigris-deep',
  '#8a5300': 'amber',
  '#a8442a': 'red-edge',
  '#9a2b1f': 'red',
  '#2b64c4': 'blue-edge',
  '#f3d9d2': 'red-soft',
}

/** A colour of the look by its name, as a canvas takes it. */
function colourNamed(name: string): string {
  const probe = document.createElement('span')
  probe.style.color = `var(--color-${name})`
  document.body.append(probe)
  const { color } = getComputedStyle(probe)
  probe.remove()
  return color
}

/** A chart's option with its colours as the look has them; it follows both. */
export function useTinted<Option>(option: () => Option): ComputedRef<Option> {
  const { shown } = useLook()
  const colours = computed(() => {
    void shown.value
    return new Map(Object.entries(NAMES).map(([hex, name]) => [hex, colourNamed(name)] as const))
  })
  const tint = (value: unknown): unknown => {
    if (typeof value === 'string') return colours.value.get(value) ?? value
    if (Array.isArray(value)) return value.length > 200 ? value : value.map(tint)
    if (typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype)
      return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, tint(one)]))
    return value
  }
  // Letters and ticks that a chart does not colour itself go by this.
  return computed(() => ({ ...(tint(option()) as Option), darkMode: shown.value === 'dark' }))
}
