<script setup lang="ts">
import type { Pictogram } from '#core/remarks'

/** A hazard pictogram: its symbol in a red square on a point, with its word for whoever does not see it. */
const { pictogram } = defineProps<{ pictogram: Pictogram }>()
</script>

<template>
  <svg viewBox="0 0 100 100" class="size-14" role="img" :aria-label="pictogram.word">
    <title>{{ pictogram.word }}</title>
    <path d="M50 4L96 50L50 96L4 50z" fill="#fff" stroke="#c8102e" stroke-width="5" />
    <path transform="translate(5 5) scale(.9)" fill="#000" fill-rule="evenodd" :d="pictogram.shape" />
  </svg>
</template>
