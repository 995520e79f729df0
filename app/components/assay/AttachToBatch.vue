<script setup lang="ts">
import type { Worksheet } from '#core/assay'
import type { BatchDocument } from '#core/document'
import { useBatchList } from '~/composables/useBatchList'

/** Moves a worksheet to a batch. */
const { sheet } = defineProps<{ sheet: Worksheet }>()
const emit = defineEmits<{ attached: [code: string] }>()
const { batches, load } = useBatchList()
load()
const code = ref('')
const problem = ref<string>()
const isBusy = ref(false)

/** Adds it to the batch as it stands there; a save from elsewhere in between is taken up and tried once more. */
async function attach(tries = 2): Promise<void> {
  isBusy.value = true
  problem.value = undefined
  const address = `/api/batches/${encodeURIComponent(code.value)}`
  try {
    const { version, document } = await $fetch<{ version: number; document: BatchDocument }>(address)
    const assays = [...(document.assays ?? []), sheet]
    await $fetch(address, { method: 'PUT', body: { version, document: { ...document, assays } } })
    emit('attached', code.value)
  } catch (error) {
    const { statusCode, data } = error as { statusCode?: number; data?: { detail?: string } }
    if (statusCode === 409 && tries > 1) return attach(tries - 1)
    problem.value = data?.detail ?? 'Server not reached: it stays here. Try again in a moment.'
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <form class="mt-3 flex flex-wrap items-end gap-2" @submit.prevent="attach()">
    <label class="min-w-[260px]"
      ><span class="label">Attach it to a batch</span
      ><select v-model="code" class="field">
        <option value="" disabled>Choose a batch</option>
        <option v-for="one in batches" :key="one.code" :value="one.code">{{ one.code }} {{ one.title }}</option>
      </select></label
    >
    <button type="submit" class="button" :disabled="code === '' || isBusy">Attach</button>
    <p v-if="problem" class="basis-full text-[14px] text-red" role="alert">{{ problem }}</p>
  </form>
</template>
