<script setup lang="ts">
import type { MarginNote } from '#core/result'

/** The frame of a page of the work: what it is about on the sheet, what the software judged in the margin beside it, or below on a narrow screen. */
const { notes } = defineProps<{ notes: readonly MarginNote[] }>()
</script>

<template>
  <div class="page grid min-h-0 flex-1">
    <main class="min-w-0 bg-sheet px-[22px] py-[18px]"><slot /></main>
    <MarginColumn :notes="notes" />
  </div>
</template>

<style scoped>
.page {
  grid-template-columns: minmax(0, 1fr) 268px;
}
@media (max-width: 900px) {
  .page {
    grid-template-columns: 1fr;
  }
}
</style>
