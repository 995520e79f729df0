<script setup lang="ts">
import type { Moved } from '#core/procedure'

/** Charges that went in at another figure than the sheet has now. */
const { moved } = defineProps<{ moved: readonly Moved[] }>()
</script>

<template>
  <ul v-if="moved.length > 0" class="mb-3 rounded-lg bg-amber-soft px-3 py-2 text-[14px] text-amber" role="status">
    <li v-for="one in moved" :key="one.step">
      <FormulaText :text="one.weighAs" />: <b class="figure">{{ one.was }}</b> were asked for when it was charged; the
      sheet says <b class="figure">{{ one.now }}</b> now. What was read counts.
    </li>
  </ul>
</template>
