<script setup lang="ts">
/** Words of the core, where formulas stand in braces. */
const { text } = defineProps<{ text: string }>()
const runs = computed(() =>
  text
    .split(/[{}]/)
    .map((run, i) => ({ run, formula: i % 2 === 1 }))
    .filter(({ run }) => run !== ''),
)
</script>

<template>
  <span
    ><template v-for="({ run, formula }, i) in runs" :key="i"
      ><FormulaText v-if="formula" :text="run" /><template v-else>{{ run }}</template></template
    ></span
  >
</template>
