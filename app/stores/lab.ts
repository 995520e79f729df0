import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'

interface Lab {
  readonly id: string
  readonly name: string
  readonly people: readonly { id: string; name: string }[]
}

/** The lab and who is at the bench; who it is stays on this device. */
export const useLabStore = defineStore('lab', () => {
  const lab = ref<Lab>()
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
  return { lab, personId, nameOf, load }
})
