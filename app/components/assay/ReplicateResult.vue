<script setup lang="ts">
import type { WorksheetResult } from '#core/assay'
import type { Figure } from '#core/quantity'

/** What the replicates say together: mean, spread, interval, the tests for a doubtful value, and a plot. */
const emit = defineEmits<{ working: [figure: Figure] }>()
const { result, show, expected } = defineProps<{
  result: WorksheetResult
  show: (value: number) => string
  expected: number | undefined
}>()
</script>

<template>
  <div v-if="result.summary" class="flex flex-wrap items-end gap-x-6 gap-y-2">
    <button
      type="button"
      class="figure rounded text-[44px] font-semibold leading-none tracking-[-0.03em] hover:bg-verdigris-soft"
      data-testid="mean"
      :aria-label="`Mean: ${show(result.summary.mean)}. Show the working`"
      @click="emit('working', result.mean!)"
    >
      {{ show(result.summary.mean) }}
    </button>
    <dl class="grid grid-cols-[auto_auto] gap-x-3 text-[14px]">
      <template v-if="result.summary.standardDeviation !== undefined">
        <dt class="text-soft">standard deviation</dt>
        <dd class="figure">{{ result.summary.standardDeviation.toPrecision(2) }}</dd>
        <template v-if="result.summary.relativePercent !== undefined">
          <dt class="text-soft">relative</dt>
          <dd class="figure">{{ result.summary.relativePercent.toPrecision(2) }} %</dd>
        </template>
        <dt class="text-soft">95 % confidence, ±</dt>
        <dd class="figure">{{ result.summary.confidence95!.toPrecision(2) }}</dd>
      </template>
      <template v-if="result.byReadings">
        <dt class="text-soft">from readings and labels, ±</dt>
        <dd class="figure">{{ result.byReadings.toPrecision(2) }}</dd>
      </template>
      <template v-for="{ test, outlier } in result.outliers" :key="test">
        <dt class="text-soft">{{ test }}, limit {{ outlier.critical.toPrecision(3) }}</dt>
        <dd class="figure" :class="{ 'font-semibold text-amber': outlier.suspected }">
          {{ outlier.q.toFixed(2) }}<template v-if="outlier.suspected">, doubtful</template>
        </dd>
      </template>
    </dl>
    <ReplicatePlot
      v-if="result.values.length > 1"
      :values="result.values"
      :mean="result.summary.mean"
      :expected="expected"
    />
  </div>
</template>
