<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { equipment } from '#core/journal'
import { usualHours } from '#core/procedure'
import { useLabStore } from '~/stores/lab'

/** When hands work, and how many there are of what two batches may want at once. */
const { open } = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const lab = useLabStore()
const from = ref(8)
const to = ref(17)
const days = ref<readonly number[]>([])
const have = reactive<Record<string, number>>({})
const problem = ref('')
watch(
  () => open,
  isOpen => {
    if (!isOpen) return
    const { hours = usualHours, have: owned = {} } = lab.lab?.settings ?? {}
    from.value = hours.from
    to.value = hours.to
    days.value = hours.days
    for (const one of equipment) have[one] = owned[one] ?? 1
    problem.value = ''
  },
)
const names = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']
const toggle = (day: number): void => {
  days.value = days.value.includes(day) ? days.value.filter(one => one !== day) : [...days.value, day].sort()
}
async function save(): Promise<void> {
  if (!(from.value < to.value)) {
    problem.value = 'The working day begins before it ends: give an earlier beginning.'
    return
  }
  try {
    await lab.saveSettings({ hours: { from: from.value, to: to.value, days: [...days.value] }, have: { ...have } })
    emit('close')
  } catch (error) {
    problem.value =
      (error as { data?: { detail?: string } }).data?.detail ?? 'It is not saved: the server does not answer.'
  }
}
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-14">
      <DialogPanel class="w-[520px] max-w-full rounded-xl bg-sheet p-5 shadow-xl">
        <DialogTitle class="text-[19px] font-semibold">Hours and equipment</DialogTitle>
        <form class="mt-3" @submit.prevent="save">
          <div class="grid grid-cols-2 gap-3">
            <label
              ><span class="label">Working day from, hour</span
              ><input v-model.number="from" type="number" min="0" max="24" step="0.5" class="field figure"
            /></label>
            <label
              ><span class="label">and end at</span
              ><input v-model.number="to" type="number" min="0" max="24" step="0.5" class="field figure"
            /></label>
          </div>
          <div class="mt-3 flex flex-wrap gap-1.5" role="group" aria-label="Working days">
            <button
              v-for="(name, day) in names"
              :key="day"
              type="button"
              class="button button-quiet px-3"
              :class="{ 'border-verdigris bg-verdigris-soft': days.includes(day) }"
              :aria-pressed="days.includes(day)"
              @click="toggle(day)"
            >
              {{ name }}
            </button>
          </div>
          <fieldset class="mt-3 grid grid-cols-3 gap-2">
            <legend class="label">How many there are</legend>
            <label v-for="one in equipment" :key="one" class="text-[14px]"
              >{{ one }}<input v-model.number="have[one]" type="number" min="0" max="50" class="field figure mt-0.5"
            /></label>
          </fieldset>
          <p v-if="problem" class="mt-2 text-red" role="alert">{{ problem }}</p>
          <div class="mt-4 flex gap-2">
            <button type="submit" class="button">Save</button>
            <button type="button" class="button button-quiet" @click="emit('close')">Cancel</button>
          </div>
        </form>
      </DialogPanel>
    </div>
  </Dialog>
</template>
