<script setup lang="ts">
import { parseFormula, typeset } from '#core/formula'
import { nameOf } from '#core/species'

/** A formula, typeset the one way however it was typed, and read aloud by its name; what does not read as one is shown as it is. */
const { text } = defineProps<{ text: string }>()
const read = computed(() => parseFormula(text))
const pieces = computed(() => typeset(read.value.ok ? read.value.value.text : text))
const name = computed(() => (read.value.ok && nameOf(read.value.value)) || text)
const tags = { line: 'span', sub: 'sub', sup: 'sup' } as const
</script>

<template>
  <span class="whitespace-nowrap" role="img" :aria-label="name"
    ><component :is="tags[piece.place]" v-for="(piece, i) in pieces" :key="i">{{ piece.text }}</component></span
  >
</template>
