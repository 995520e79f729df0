<script setup lang="ts">
import type { WorksheetResult } from '#core/assay'

/** The readings of successive washes, one bar a portion. */
const { washes } = defineProps<{ washes: NonNullable<WorksheetResult['washes']> }>()
const HEIGHT = 90
const STEP = 46
const top = computed(() => Math.max(...washes.readings.map(Math.abs), 1e-9))
const height = (value: number): number => Math.max(2, (Math.abs(value) / top.value) * (HEIGHT - 18))
</script>

<template>
  <svg
    :width="washes.readings.length * STEP + 8"
    :height="HEIGHT + 20"
    role="img"
    aria-label="Reading of each portion; the same numbers stand in the table"
  >
    <g v-for="(value, i) in washes.readings" :key="i">
      <rect
        :x="i * STEP + 8"
        :y="HEIGHT - height(value)"
        width="30"
        :height="height(value)"
        rx="3"
        :fill="washes.isSteady && i >= washes.readings.length - 2 ? 'var(--color-verdigris)' : 'var(--color-edge)'"
      />
      <text
        :x="i * STEP + 23"
        :y="HEIGHT - height(value) - 4"
        text-anchor="middle"
        font-size="12"
        fill="var(--color-ink)"
      >
        {{ value }}
      </text>
      <text :x="i * STEP + 23" :y="HEIGHT + 15" text-anchor="middle" font-size="12" fill="var(--color-soft)">
        {{ i + 1 }}
      </text>
    </g>
  </svg>
</template>
