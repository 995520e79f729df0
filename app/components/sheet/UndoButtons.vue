<script setup lang="ts">
import { History, Redo2, Undo2 } from '@lucide/vue'
import { onKeyStroke } from '@vueuse/core'
import type SaveSign from './SaveSign.vue'

/** Undo and redo, and whether what was changed is saved: the same on every page that changes something. */
const { of } = defineProps<{
  of: {
    readonly saving: InstanceType<typeof SaveSign>['$props']['saving']
    readonly canUndo: boolean
    readonly canRedo: boolean
    /** A batch’s, whose saved plans are kept. */
    readonly code?: string
    undo: () => void
    redo: () => void
  }
}>()

const isHistory = ref(false)
onKeyStroke(['z', 'Z'], event => {
  if (!(event.ctrlKey || event.metaKey)) return
  event.preventDefault()
  if (event.shiftKey) of.redo()
  else of.undo()
})
</script>

<template>
  <div class="flex items-center gap-2 pt-1">
    <SaveSign :saving="of.saving" />
    <button type="button" :disabled="!of.canUndo" aria-label="Undo" title="Undo (Ctrl Z)" @click="of.undo()">
      <Undo2 :size="16" />
    </button>
    <button type="button" :disabled="!of.canRedo" aria-label="Redo" title="Redo (Ctrl Shift Z)" @click="of.redo()">
      <Redo2 :size="16" />
    </button>
    <button
      v-if="of.code"
      type="button"
      aria-label="Plans as they were saved"
      title="Plans as they were saved"
      @click="isHistory = true"
    >
      <History :size="16" />
    </button>
    <LazyPlanHistory v-if="isHistory" @close="isHistory = false" />
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
