<script setup lang="ts">
import type { Checked } from '#core/problem'
import { formatFigure } from '#core/quantity'
import { productMass, type JournalLine } from '#core/journal'
import { computeReadPlan, elementUse, type PlanProblem, type ReadPlan } from '#core/sheet'

/** The route as a whole: what share of each element that came in bottles is in the last product. */
const { plan, lines } = defineProps<{
  plan: Checked<ReadPlan, PlanProblem> | undefined
  lines: readonly JournalLine[]
}>()
const uses = computed(() => {
  if (!plan?.ok) return undefined
  const sheet = computeReadPlan(plan.value)
  if (!sheet.ok) return undefined
  const weighed = productMass(lines, plan.value.stages.at(-1)!.id)
  return { isReal: !!weighed, list: elementUse(plan.value, sheet.value, weighed ?? sheet.value.overall.expected) }
})
</script>

<template>
  <p v-if="uses && uses.list.length > 0" class="mt-1 text-[14px] text-soft">
    Over the whole route {{ uses.isReal ? 'the weighed product holds' : 'the expected product would hold' }}
    <template v-for="(use, i) in uses.list" :key="use.element"
      ><template v-if="i > 0">, </template><b class="figure text-ink">{{ formatFigure(use.share, 3) }}</b> of the
      {{ use.element }}<span v-if="i === 0"> (it limits)</span></template
    >.
  </p>
</template>
