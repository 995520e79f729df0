<script setup lang="ts">
import { Redo2, Undo2 } from '@lucide/vue'
import { onKeyStroke } from '@vueuse/core'
import { useBatchStore } from '~/stores/batch'

/** Undo and redo of the plan, and whether it is saved: the same on every page that changes it. */
const batch = useBatchStore()

onKeyStroke(['z', 'Z'], event => {
  if (!(event.ctrlKey || event.metaKey)) return
  event.preventDefault()
  if (event.shiftKey) batch.redo()
  else batch.undo()
})
</script>

<template>
  <div class="flex items-center gap-2 pt-1">
    <SaveSign :saving="batch.saving" />
    <button type="button" :disabled="!batch.canUndo" aria-label="Undo" title="Undo (Ctrl Z)" @click="batch.undo()">
      <Undo2 :size="16" />
    </button>
    <button
      type="button"
      :disabled="!batch.canRedo"
      aria-label="Redo"
      title="Redo (Ctrl Shift Z)"
      @click="batch.redo()"
    >
      <Redo2 :size="16" />
    </button>
  </div>
</template>

<style scoped>
button {
  display: grid;
  place-items: center;
  width: 32px;
  height: 32px;
  border: 1px solid var(--color-edge);
  border-radius: 5px;
}
button:disabled {
  border-color: var(--color-rule);
  color: var(--color-rule);
}
</style>
