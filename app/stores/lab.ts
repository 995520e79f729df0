import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { Equipment } from '#core/journal'
import type { Hours, RoomAir } from '#core/procedure'

interface LabSettings {
  readonly hours?: Hours
  readonly have?: Partial<Record<Equipment, number>>
  readonly air?: RoomAir
}
interface Lab {
  readonly id: string
  readonly name: string
  readonly people: readonly { id: string; name: string }[]
  readonly settings: LabSettings
}

/** The lab and who is at the bench; who it is stays on this device. */
export const useLabStore = defineStore('lab', () => {
  /** Kept on the device, so that what is recorded while the server is away is signed. */
  const lab = useLocalStorage<Lab | undefined>('zip-ledger.lab', undefined, {
    serializer: { read: text => JSON.parse(text), write: value => JSON.stringify(value) },
  })
  const chosen = useLocalStorage('zip-ledger.person', '')

  const personId = computed({
    get: () =>
      lab.value?.people.some(({ id }) => id === chosen.value) ? chosen.value : (lab.value?.people[0]?.id ?? ''),
    set: id => {
      chosen.value = id
    },
  })
  const nameOf = (id: string): string => lab.value?.people.find(person => person.id === id)?.name ?? 'unknown'

  async function load(): Promise<void> {
    lab.value = await $fetch<Lab>('/api/lab')
  }
  /** Saves what is told of the settings; the others stay. */
  async function saveSettings(settings: LabSettings): Promise<void> {
    lab.value = await $fetch<Lab>('/api/lab', { method: 'PUT', body: settings })
  }
  return { lab, personId, nameOf, load, saveSettings }
})
