<script setup lang="ts">
import { explainPlan, type Path, type PlanProblem } from '#core/sheet'
import { fieldName } from './problem-place'

/** Every text of the sheet that does not read, each with the way to its field. */
const { problems, speciesOf } = defineProps<{
  problems: readonly PlanProblem[]
  speciesOf: (reagent: number) => string
}>()
const emit = defineEmits<{ show: [path: Path] }>()
const rows = computed(() =>
  problems.map(problem => ({
    path: problem.path,
    name: fieldName(problem.path, speciesOf),
    ...explainPlan(problem),
  })),
)
</script>

<template>
  <section
    class="mt-3 rounded-lg border border-red-edge bg-card px-3 py-2"
    role="status"
    aria-label="What cannot be understood"
  >
    <p class="text-[14px] font-semibold">
      {{ rows.length === 1 ? 'One field cannot be understood' : `${rows.length} fields cannot be understood` }}; what
      does not hang on {{ rows.length === 1 ? 'it' : 'them' }} is computed.
    </p>
    <ul>
      <li v-for="row in rows" :key="row.path.join('.')" class="flex items-baseline gap-2 py-0.5 text-[14px]">
        <span class="min-w-0 flex-1"
          ><b class="font-semibold text-red"><RichText :text="row.name" /></b>:
          <RichText :text="`${row.why} ${row.fix}`"
        /></span>
        <button
          type="button"
          class="min-h-6 shrink-0 rounded px-1 text-verdigris underline"
          @click="emit('show', row.path)"
        >
          Show it<span class="sr-only">: {{ row.name.replace(/[{}]/g, '') }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>
