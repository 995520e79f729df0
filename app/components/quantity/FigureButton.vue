<script setup lang="ts">
import { formatFigure, type Figure } from '#core/quantity'

/** A computed figure; pressing it opens its working. */
const { figure, of, most } = defineProps<{
  figure: Figure
  of: string
  /** Significant digits at most, for a plan. */
  most?: number
}>()
const emit = defineEmits<{ working: [figure: Figure] }>()
const text = computed(() => formatFigure(figure, most))
</script>

<template>
  <button
    type="button"
    class="figure -mx-1 min-h-6 rounded px-1 hover:bg-verdigris-soft"
    :aria-label="`${of}: ${text}. Show the working`"
    @click="emit('working', figure)"
  >
    {{ text }}
  </button>
</template>
