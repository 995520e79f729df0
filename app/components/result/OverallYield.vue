<script setup lang="ts">
import { formatFigure, standardUncertainty, type Figure } from '#core/quantity'
import type { RouteYields } from '#core/outcome'

/** Each stage's yield, the route's, and on each element: what share of what came in bottles is in the last product. */
const { yields, names, at } = defineProps<{ yields: RouteYields; names: readonly string[]; at: number }>()
const emit = defineEmits<{ working: [figure: Figure] }>()
const plusMinus = (figure: Figure): string => `± ${(standardUncertainty(figure) * 100).toPrecision(1)}`
</script>

<template>
  <section class="mt-2 text-[14px]" aria-label="The route">
    <p class="flex flex-wrap items-baseline gap-x-5 gap-y-1">
      <span v-for="(stage, i) in yields.stages" :key="stage.id" :class="{ 'font-semibold': i === at }">
        {{ i + 1 }} {{ names[i] }}
        <button
          v-if="stage.percent"
          type="button"
          class="figure underline decoration-dotted"
          :aria-label="`Yield of stage ${i + 1}: ${formatFigure(stage.percent)}. Show the working`"
          @click="emit('working', stage.percent)"
        >
          {{ formatFigure(stage.percent) }}</button><span v-else class="text-soft">not weighed</span>
      </span>
      <span v-if="yields.overall">
        Route
        <button
          type="button"
          class="figure font-semibold underline decoration-dotted"
          :aria-label="`Yield of the route: ${formatFigure(yields.overall)}. Show the working`"
          @click="emit('working', yields.overall)"
        >
          {{ formatFigure(yields.overall) }}
        </button>
        <span class="small">{{ plusMinus(yields.overall) }}</span>
      </span>
    </p>
    <p v-if="yields.uses.length > 0" class="text-soft">
      {{ yields.isWeighed ? 'The weighed product holds' : 'The expected product would hold' }}
      <template v-for="(use, i) in yields.uses" :key="use.element"
        ><template v-if="i > 0">, </template
        ><button
          type="button"
          class="figure text-ink underline decoration-dotted"
          :aria-label="`${formatFigure(use.share, 3)} of the ${use.element}. Show the working`"
          @click="emit('working', use.share)"
        >
          {{ formatFigure(use.share, 3) }}
        </button>
        of the {{ use.element }}</template
      >
      that came in bottles.
    </p>
  </section>
</template>
