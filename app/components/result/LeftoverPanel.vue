<script setup lang="ts">
import { formatFigure, type Figure } from '#core/quantity'
import type { LeftoverJudgement } from '#core/cause'

/** What came back of an excess, against what the sheet leaves of it, and what would explain the difference. */
const { leftovers } = defineProps<{ leftovers: readonly LeftoverJudgement[] }>()
const emit = defineEmits<{ working: [figure: Figure] }>()
const words = {
  'as it should be': 'as it should be',
  'too little': 'less than should be there',
  'too much': 'more than should be there',
} as const
</script>

<template>
  <section v-if="leftovers.length > 0" aria-label="What came back">
    <h2 class="mb-1 mt-5 text-[15px] text-ink">What came back</h2>
    <div v-for="one in leftovers" :key="one.species" class="border-t border-rule py-2 text-[14px]">
      <p>
        <FormulaText :text="one.species" />:
        <button
          type="button"
          class="figure underline decoration-dotted"
          :aria-label="`${formatFigure(one.found)} came back. Show the working`"
          @click="emit('working', one.found)"
        >
          {{ formatFigure(one.found) }}
        </button>
        came back,
        <button
          type="button"
          class="figure underline decoration-dotted"
          :aria-label="`${formatFigure(one.should)} should have. Show the working`"
          @click="emit('working', one.should)"
        >
          {{ formatFigure(one.should) }}
        </button>
        should have.
        <span
          class="tag"
          :class="one.kind === 'as it should be' ? 'bg-verdigris-soft text-verdigris' : 'bg-amber-soft text-amber'"
          >{{ words[one.kind] }}</span
        >
      </p>
      <ul v-if="one.causes.length > 0" class="mt-1 grid gap-1">
        <li v-for="cause in one.causes" :key="cause.title" class="pl-3">
          <b><RichText :text="cause.title" /></b>. <RichText :text="cause.needs" />
          <span class="block text-[13.5px] text-soft">To settle it: <RichText :text="cause.settle" /></span>
        </li>
      </ul>
    </div>
  </section>
</template>
