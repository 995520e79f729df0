<script setup lang="ts">
import { parseFormula, typeset } from '#core/formula'

/** A formula, typeset the one way however it was typed; what does not read as one is shown as it is. */
const { text } = defineProps<{ text: string }>()
const pieces = computed(() => {
  const read = parseFormula(text)
  return typeset(read.ok ? read.value.text : text)
})
const tags = { line: 'span', sub: 'sub', sup: 'sup' } as const
</script>

<template>
  <span class="whitespace-nowrap"
    ><component :is="tags[piece.place]" v-for="(piece, i) in pieces" :key="i">{{ piece.text }}</component></span
  >
</template>
