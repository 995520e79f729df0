import { computed, reactive } from 'vue'

const homeless = reactive(new Set<string>())

/** True while something could not be kept on this device because its storage is full or closed. */
export const isDeviceFull = computed(() => homeless.size > 0)

/** Keeps a value on the device; false, and told on every page, where there is no room for it. */
export function keepOnDevice(key: string, value: unknown): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(value))
    homeless.delete(key)
    return true
  } catch {
    homeless.add(key)
    return false
  }
}

export function dropFromDevice(key: string): void {
  homeless.delete(key)
  localStorage.removeItem(key)
}

export function readFromDevice<T>(key: string): T | undefined {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') ?? undefined
  } catch {
    return undefined
  }
}

/** The keys under which something is kept that begins so, in their order. */
export const keysOnDevice = (prefix: string): string[] =>
  Object.keys(localStorage)
    .filter(key => key.startsWith(prefix))
    .sort()
