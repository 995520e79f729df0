<script setup lang="ts">
import { formatValue } from '#core/quantity'
import type { BatchVerdict } from '#core/cause'

/** What would explain this yield, likeliest first, with what each needs and what this batch says for and against it. */
const { verdict } = defineProps<{ verdict: BatchVerdict }>()
const emit = defineEmits<{ working: [] }>()
const suffices = {
  alone: 'suffices alone',
  'not alone': 'cannot explain it alone',
  'not known': 'how far it goes is not known',
} as const
const gap = computed(() => formatValue(Math.abs(verdict.difference.value), 'mass', 3))
const isAll = ref(false)
const shown = computed(() => (isAll.value ? verdict.explanations : verdict.explanations.slice(0, 4)))
</script>

<template>
  <section v-if="verdict.kind !== 'as expected'" aria-label="What would explain it">
    <h2 class="mb-1 mt-5 text-[15px] text-ink">
      What would explain it:
      <button
        type="button"
        class="figure font-semibold underline decoration-dotted"
        :aria-label="`${gap}. Show the working`"
        @click="emit('working')"
      >
        {{ gap }}
      </button>
      {{ verdict.kind === 'too high' ? 'more than was possible' : 'less than was expected' }}
    </h2>
    <ol>
      <li
        v-for="(one, i) in shown"
        :key="one.cause + one.title"
        class="grid grid-cols-[26px_minmax(0,1fr)] gap-2 border-t border-rule py-2"
      >
        <span class="figure text-[18px] font-semibold text-soft">{{ i + 1 }}</span>
        <div class="min-w-0">
          <p class="flex flex-wrap items-baseline gap-x-2">
            <b class="text-[15.5px]"><RichText :text="one.title" /></b>
            <span
              class="tag"
              :class="one.suffices === 'alone' ? 'bg-verdigris-soft text-verdigris' : 'bg-amber-soft text-amber'"
              >{{ suffices[one.suffices] }}</span
            >
          </p>
          <p class="text-[14px]">
            <RichText :text="one.needs" /><template v-if="one.most !== undefined">
              There can be at most <span class="figure">{{ formatValue(one.most, 'mass', 3) }}</span>.</template
            >
          </p>
          <p v-if="one.speaksFor.length > 0" class="text-[13.5px]">
            <span class="text-verdigris">For:</span> <RichText :text="one.speaksFor.join(' ')" />
          </p>
          <p v-if="one.speaksAgainst.length > 0" class="text-[13.5px]">
            <span class="text-red">Against:</span> <RichText :text="one.speaksAgainst.join(' ')" />
          </p>
          <p class="text-[13.5px] text-soft">To settle it: <RichText :text="one.settle" /></p>
        </div>
      </li>
    </ol>
    <p v-if="verdict.explanations.length === 0" class="text-[14px]">
      Nothing that this batch’s plan, journal and assays leave possible explains it. Look at what was not written down.
    </p>
    <button
      v-if="verdict.explanations.length > 4"
      type="button"
      class="mt-1 min-h-9 text-[14px] text-verdigris underline"
      @click="isAll = !isAll"
    >
      {{ isAll ? 'Only the likeliest' : `All ${verdict.explanations.length}` }}
    </button>
    <p class="small mt-1">
      An order, not a probability: from how usual each is at the bench and what this batch’s own plan, journal and
      assays say.
    </p>
  </section>
</template>
