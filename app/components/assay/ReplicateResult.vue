<script setup lang="ts">
import type { WorksheetResult } from '#core/assay'
import { stated, statedWords, type Figure } from '#core/quantity'

/** What the replicates say together: mean, spread, interval, the tests for a doubtful value, and a plot. */
const emit = defineEmits<{ working: [figure: Figure] }>()
const { result, expected, unit, coverage } = defineProps<{
  result: WorksheetResult
  expected: number | undefined
  /** As a result is told: its unit, and what its uncertainty says. */
  unit: string
  coverage: string
}>()
const told = computed(() => stated(result.summary?.mean ?? NaN, result.budget?.expanded))
const mean = computed(
  () => `${told.value.value}${told.value.times ? ` × ${told.value.times}` : ''}${unit ? `\u202f${unit}` : ''}`,
)
/** A spread, with the unit of the result. */
const spread = (value: number): string => statedWords(Number(value.toPrecision(2)), undefined, unit)
</script>

<template>
  <div v-if="result.summary" class="flex flex-wrap items-end gap-x-6 gap-y-2">
    <button
      type="button"
      class="figure rounded text-[44px] max-sm:text-[32px] font-semibold leading-none tracking-[-0.03em] hover:bg-verdigris-soft"
      data-testid="mean"
      :aria-label="`Mean: ${mean}. Show the working`"
      @click="emit('working', result.mean!)"
    >
      {{ mean }}
    </button>
    <p v-if="told.uncertainty" class="leading-tight">
      <span class="figure text-[20px]" data-testid="uncertainty"
        >± {{ told.uncertainty }}{{ told.times ? ` × ${told.times}` : '' }}{{ unit ? `\u202f${unit}` : '' }}</span
      ><br /><span class="small">{{ coverage }}</span>
    </p>
    <dl class="grid grid-cols-[auto_auto] gap-x-3 text-[14px]">
      <template v-if="result.summary.standardDeviation !== undefined">
        <dt class="text-soft">standard deviation</dt>
        <dd class="figure">{{ spread(result.summary.standardDeviation) }}</dd>
        <template v-if="result.summary.relativePercent !== undefined">
          <dt class="text-soft">relative</dt>
          <dd class="figure">{{ result.summary.relativePercent.toPrecision(2) }} %</dd>
        </template>
      </template>
      <template v-if="result.budget && result.budget.combined > 0">
        <dt class="text-soft">
          {{
            result.budget.isScatter
              ? 'scatter of the mean'
              : result.values.length > 1
                ? 'readings of the mean'
                : 'readings'
          }}, standard
        </dt>
        <dd class="figure">{{ spread(result.budget.own) }}</dd>
        <template v-if="result.budget.shared > 0">
          <dt class="text-soft">shared by all, standard</dt>
          <dd class="figure">{{ spread(result.budget.shared) }}</dd>
        </template>
      </template>
      <template v-for="{ test, outlier } in result.outliers" :key="test">
        <dt class="text-soft">{{ test }} at {{ outlier.level }} %, limit {{ outlier.critical.toPrecision(3) }}</dt>
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
