<script setup lang="ts">
import { parseFormula } from '#core/formula'

/** A formula as somebody typed it, typeset where it reads. */
const { text } = defineProps<{ text: string }>()
const canonical = computed(() => {
  const read = parseFormula(text)
  return read.ok ? read.value.text : text
})
</script>

<template><FormulaText :text="canonical" /></template>
