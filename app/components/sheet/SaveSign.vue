<script setup lang="ts">
import { Check, CircleAlert, CloudOff, LoaderCircle, Pencil } from '@lucide/vue'

/** A quiet word on how far the sheet is saved. */
const { saving } = defineProps<{
  saving: 'saved' | 'typing' | 'saving' | 'unreadable' | 'away' | 'conflict' | 'looking' | 'sealed'
}>()
const signs = {
  saved: { icon: Check, text: 'Saved' },
  typing: { icon: Pencil, text: 'Saving soon' },
  saving: { icon: LoaderCircle, text: 'Saving' },
  unreadable: { icon: CircleAlert, text: 'Kept here, saved once it can be understood' },
  away: { icon: CloudOff, text: 'Kept on this device; server not reached' },
  looking: { icon: CircleAlert, text: 'Not kept: your role here only looks' },
  sealed: { icon: CircleAlert, text: 'Not kept: this batch is sealed' },
  conflict: { icon: CircleAlert, text: 'Saved elsewhere too' },
} as const
</script>

<template>
  <span
    class="flex items-center gap-1.5 text-[12.5px]"
    :class="
      saving === 'saved'
        ? 'text-soft'
        : saving === 'typing' || saving === 'saving'
          ? 'text-soft'
          : 'font-semibold text-amber'
    "
    role="status"
  >
    <component :is="signs[saving].icon" :size="14" aria-hidden="true" />{{ signs[saving].text }}
  </span>
</template>
