<script setup lang="ts">
import { assayStart } from '#core/outcome'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import type { NewEntry } from '~/stores/outbox'

/** The assays of a batch. */
const batch = useBatchStore()
const journal = useJournalStore()
const facts = computed(() => assayStart(batch.stages.at(-1), journal.lines))
const isWritten = (words: string): boolean => journal.lines.some(({ current }) => current === words)
function write(words: string): void {
  journal.record({ kind: 'note', stage: batch.stages.at(-1)!.id, text: words } as NewEntry)
}
</script>

<template>
  <AssayDesk :assays="batch.document?.assays ?? []" :facts="facts" @change="batch.changeAssays">
    <template #head>
      <div class="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1>Assays</h1>
          <p class="mt-0.5 text-[14px] text-soft">The figures follow as you type, and no value is ever dropped.</p>
        </div>
        <UndoButtons :of="batch" />
      </div>
      <ConflictBanner v-if="batch.clashes.length > 0" class="mt-3" :clashes="batch.clashes" @settle="batch.settle" />
    </template>
    <template #result="{ words }">
      <button v-if="words" type="button" class="button mt-3" :disabled="isWritten(words)" @click="write(words)">
        {{ isWritten(words) ? 'In the journal' : 'Write it into the journal' }}
      </button>
    </template>
  </AssayDesk>
</template>
