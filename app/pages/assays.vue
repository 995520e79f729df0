<script setup lang="ts">
import type { Worksheet } from '#core/assay'
import { useAssaysStore } from '~/stores/assays'

useHead({ title: 'Assays · Zip Ledger' })
/** Worksheets that stand alone, until one is attached to a batch. */
const store = useAssaysStore()
void store.open()
const attached = ref<string>()
const history = shallowRef<Worksheet>()
/** A worksheet as it was saved once: a change like any other, which can be undone. */
const bringBack = (saved: unknown): void =>
  store.change(
    list => list.map(one => (one.id === history.value?.id ? (saved as Worksheet) : one)),
    `back ${Date.now()}`,
  )
function taken(sheet: Worksheet, code: string): void {
  store.change(list => list.filter(one => one.id !== sheet.id), 'attached')
  attached.value = `“${sheet.name}” is with ${code} now.`
}
</script>

<template>
  <AssayDesk :assays="store.sheets" :facts="{ reagents: [] }" @change="store.change">
    <template #head>
      <div class="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1>Assays on their own</h1>
          <p class="mt-0.5 text-[14px] text-soft">
            Worksheets that belong to no batch yet. Each batch has its own on its Assay page.
          </p>
        </div>
        <UndoButtons :of="store" />
      </div>
      <ConflictBanner v-if="store.conflict" class="mt-3" :clashes="store.conflict.clashes" @settle="store.settle" />
      <p v-if="attached" class="mt-2 text-[14px] text-verdigris" role="status">{{ attached }}</p>
      <p v-if="!store.isLoaded" class="small mt-2" role="status">
        {{ store.saving === 'away' ? 'Server not reached; trying again.' : 'Fetching the worksheets.' }}
      </p>
    </template>
    <template #result="{ sheet }"><AttachToBatch :sheet="sheet" @attached="taken(sheet, $event)" /></template>
    <template #foot="{ sheet }">
      <button type="button" class="mt-3 min-h-6 text-verdigris underline" @click="history = sheet">
        As it was saved
      </button>
    </template>
  </AssayDesk>
  <LazyThingHistory
    v-if="history"
    kind="assay"
    :subject="history.id"
    :title="history.name"
    @back="bringBack"
    @close="history = undefined"
  />
</template>
