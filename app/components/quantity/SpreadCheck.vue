<script setup lang="ts">
import { firstOrderHolds, formatValue, standardUncertainty, type Figure } from '#core/quantity'

/** The first-order uncertainty beside a million draws of the same inputs. */
const { figure } = defineProps<{ figure: Figure }>()
const { done, spread, run, cancel } = useMonteCarlo()
watch(
  () => figure,
  () => {
    cancel()
    spread.value = undefined
  },
)
const first = computed(() => standardUncertainty(figure))
const agrees = computed(() => spread.value !== undefined && firstOrderHolds(spread.value, figure.value, first.value))
const isOnlyShape = computed(
  () => spread.value !== undefined && Math.abs(spread.value.standardDeviation / first.value - 1) < 0.05,
)
const told = (value: number, digits = 4): string => formatValue(value, figure.kind, digits)
</script>

<template>
  <div class="mt-2 text-[13.5px]" role="status">
    <template v-if="done !== undefined">
      <progress class="mr-2 h-2 w-40 align-middle" :value="done" max="1" aria-label="Draws done" />
      <span class="figure small">{{ Math.round(done * 100) }} %</span>
      <button type="button" class="ml-2 rounded px-1 text-verdigris underline" @click="cancel()">Cancel</button>
    </template>
    <template v-else-if="spread">
      A million draws: mean <span class="figure">{{ told(spread.mean, 5) }}</span>, standard deviation
      <span class="figure">{{ told(spread.standardDeviation, 2) }}</span>, 95 % between
      <span class="figure">{{ told(spread.low, 5) }}</span> and <span class="figure">{{ told(spread.high, 5) }}</span>.
      <span :class="agrees ? 'text-verdigris' : 'font-semibold text-amber'">{{
        agrees
          ? 'The first order holds: its 95 % interval is the same.'
          : isOnlyShape
            ? 'The deviation of the first order holds, its 95 % interval does not: the spread is no bell. Trust the draws.'
            : 'The first order does not hold here: trust the draws.'
      }}</span>
    </template>
    <button v-else type="button" class="rounded px-1 text-verdigris underline" @click="run(figure)">
      Check with a million draws
    </button>
  </div>
</template>
