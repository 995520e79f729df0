<script setup lang="ts">
import type { MarginNote } from '#core/remarks'
import type { Attempt } from '~/composables/useAttempt'

/** The frame of a page of the work: what it is about on the sheet, what the software judged in the margin beside it, or below on a narrow screen. */
const { notes, attempts = [] } = defineProps<{
  notes: readonly MarginNote[]
  /** What the page works out beside its panels, so that a failure of it is said. */
  attempts?: readonly Attempt<unknown>[]
}>()
</script>

<template>
  <div class="page grid min-h-0 flex-1">
    <main class="min-w-0 bg-sheet px-[22px] py-[18px]"><FailedParts :of="attempts" /> <slot /></main>
    <PanelGuard name="The remarks"><MarginColumn :notes="notes" /></PanelGuard>
  </div>
</template>

<style scoped>
.page {
  grid-template-columns: minmax(0, 1fr) 268px;
}
@media (max-width: 900px) {
  .page {
    grid-template: 1fr auto / minmax(0, 1fr);
  }
}
</style>
