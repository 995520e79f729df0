<script setup lang="ts">
/** The substance's real colour, with its word for who cannot see it; hatched where it is not known. */
const { colour } = defineProps<{ colour?: { word: string; swatch: string } | undefined }>()
</script>

<template>
  <span
    class="inline-block size-[15px] shrink-0 rounded-[3px] border border-black/25 align-[-2px]"
    role="img"
    :aria-label="colour ? `colour: ${colour.word}` : 'colour not known'"
    :title="colour?.word ?? 'colour not known'"
    :style="
      colour
        ? { background: colour.swatch }
        : { background: 'repeating-linear-gradient(45deg,#e6e3d7 0 3px,#fff 3px 6px)' }
    "
  />
</template>
