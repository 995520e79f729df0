<script setup lang="ts">
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
  DialogTitle,
} from '@headlessui/vue'
import { useBatchList, type BatchSummary } from '~/composables/useBatchList'

/** Finds a batch by its code, title or product from anywhere. */
const open = defineModel<boolean>('open', { required: true })
const query = ref('')
const { batches, readFor, load } = useBatchList(query)
/** What was found for the words before is no answer to these. */
const isAnswered = computed(() => batches.value !== undefined && readFor.value === query.value)
const found = computed(() => (isAnswered.value ? (batches.value ?? []).slice(0, 8) : []))

/** Enter before the list is there takes its first line once it is. */
const wantsFirst = ref(false)
watch(found, now => {
  if (wantsFirst.value && now[0]) void go(now[0])
})

load()

function choose(active: BatchSummary | null): void {
  const batch = active ?? found.value[0]
  if (batch) void go(batch)
  else wantsFirst.value = !isAnswered.value
}

async function go(batch: BatchSummary | null): Promise<void> {
  open.value = false
  wantsFirst.value = false
  if (batch) await navigateTo(`/batches/${batch.code}/${batch.page}`)
}
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="open = false">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-16">
      <DialogPanel class="w-[560px] max-w-full rounded-xl bg-sheet p-4 shadow-xl">
        <DialogTitle class="sr-only">Find a batch</DialogTitle>
        <Combobox v-slot="{ activeOption }" :model-value="null" nullable @update:model-value="go">
          <ComboboxInput
            class="field text-[17px]"
            placeholder="Code, title or product"
            aria-label="Find a batch"
            @change="query = $event.target.value"
            @keydown.enter.prevent="choose(activeOption as BatchSummary | null)"
          />
          <ComboboxOptions static class="mt-3">
            <ComboboxOption v-for="batch in found" :key="batch.code" v-slot="{ active }" :value="batch">
              <span
                class="flex cursor-pointer items-center gap-3 rounded-md px-2 py-2"
                :class="{ 'bg-verdigris-soft': active }"
              >
                <ColourSwatch :colour="batch.colour" /><b class="w-16">{{ batch.code }}</b
                ><span class="flex-1">{{ batch.title }}</span
                ><FormulaText :text="batch.product" class="text-soft" />
              </span>
            </ComboboxOption>
          </ComboboxOptions>
          <p v-if="found.length === 0" class="small px-2 py-2">
            {{ isAnswered ? 'No batch has that in its code, title or product.' : 'Reading the batches.' }}
          </p>
        </Combobox>
      </DialogPanel>
    </div>
  </Dialog>
</template>
