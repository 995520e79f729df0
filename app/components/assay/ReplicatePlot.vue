<script setup lang="ts">
/** The replicates on a line, with their mean, and what the formula should hold. */
const { values, mean, expected } = defineProps<{
  values: readonly number[]
  mean: number
  expected: number | undefined
}>()
const WIDTH = 260
const EDGE = 26
const all = computed(() => [...values, ...(expected === undefined ? [] : [expected])])
const low = computed(() => Math.min(...all.value))
const span = computed(() => Math.max(...all.value) - low.value || 1)
const x = (value: number): number => EDGE + ((value - low.value) / span.value) * (WIDTH - 2 * EDGE)
</script>

<template>
  <svg :width="WIDTH" height="56" role="img" aria-label="The replicates on a line; the same numbers stand in the table">
    <line :x1="EDGE" :x2="WIDTH - EDGE" y1="26" y2="26" stroke="var(--color-rule)" stroke-width="2" />
    <line :x1="x(mean)" :x2="x(mean)" y1="10" y2="42" stroke="var(--color-ink)" stroke-width="2" />
    <g v-if="expected !== undefined">
      <line
        :x1="x(expected)"
        :x2="x(expected)"
        y1="14"
        y2="38"
        stroke="var(--color-amber)"
        stroke-width="2"
        stroke-dasharray="4 3"
      />
      <text :x="x(expected)" y="54" text-anchor="middle" font-size="11" fill="var(--color-amber)">formula</text>
    </g>
    <circle
      v-for="(value, i) in values"
      :key="i"
      :cx="x(value)"
      cy="26"
      r="6"
      fill="var(--color-verdigris)"
      fill-opacity="0.75"
    />
  </svg>
</template>
