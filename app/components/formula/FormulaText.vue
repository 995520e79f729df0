<script setup lang="ts">
import { typeset } from '#core/formula'

/** A canonical formula text, typeset; what does not read as one is shown as it is. */
const { text } = defineProps<{ text: string }>()
const pieces = computed(() => typeset(text))
const tags = { line: 'span', sub: 'sub', sup: 'sup' } as const
</script>

<template>
  <span class="whitespace-nowrap"
    ><component :is="tags[piece.place]" v-for="(piece, i) in pieces" :key="i">{{ piece.text }}</component></span
  >
</template>
