import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { Equipment } from '#core/journal'
import type { Role } from '#core/people'
import type { ReviewRule } from '#core/record'
import type { ShelfLimit } from '#core/shelf'
import type { Hours, RoomAir } from '#core/procedure'
import { adoptEarlier } from '~/utils/whose'
import { useWhoStore } from './who'

interface LabSettings {
  readonly hours?: Hours
  readonly have?: Partial<Record<Equipment, number>>
  readonly air?: RoomAir
  readonly review?: ReviewRule
  readonly limits?: readonly ShelfLimit[]
}
export interface Person {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly closedAt?: string
  readonly hasAccount: boolean
  readonly hasPin: boolean
}
interface Lab {
  readonly id: string
  readonly name: string
  readonly people: readonly Person[]
  readonly settings: LabSettings
}

/** The lab at hand and its people. */
export const useLabStore = defineStore('lab', () => {
  /** Kept on the device, so that what is recorded while the server is away is signed. */
  const lab = useLocalStorage<Lab | undefined>('zip-ledger.lab', undefined, {
    serializer: { read: text => JSON.parse(text), write: value => JSON.stringify(value) },
  })
  const who = useWhoStore()
  // What the device kept of another lab is not this one's.
  if (lab.value && lab.value.id !== who.me?.lab.id) lab.value = undefined
  const personId = computed(() => who.me?.person ?? '')
  const nameOf = (id: string): string => lab.value?.people.find(person => person.id === id)?.name ?? 'unknown'

  async function load(): Promise<void> {
    const told = await $fetch<Lab>('/api/lab')
    adoptEarlier(told.id, told.people)
    lab.value = told
  }
  /** Saves what is told of the settings; the others stay. */
  async function saveSettings(settings: LabSettings): Promise<void> {
    lab.value = await $fetch<Lab>('/api/lab', { method: 'PUT', body: settings })
  }
  return { lab, personId, nameOf, load, saveSettings }
})
