<script setup lang="ts">
/** How far a batch has come, as a zip that closes from plan to weighed product. */
const { standing } = defineProps<{ standing: 'plan' | 'charge' | 'react' | 'weighed' }>()
const steps = ['plan', 'charge', 'react', 'weighed'] as const
const names = { plan: 'planning', charge: 'charging', react: 'in the pot', weighed: 'weighed' } as const
const reached = computed(() => steps.indexOf(standing))
</script>

<template>
  <span class="inline-flex items-center gap-2.5 whitespace-nowrap">
    <svg width="58" height="16" viewBox="0 0 58 16" aria-hidden="true">
      <template v-for="(step, i) in steps" :key="step">
        <rect
          :x="i * 14.5"
          :y="i <= reached ? 4 : 0"
          width="7"
          height="6"
          rx="1"
          :fill="i <= reached ? 'var(--color-verdigris)' : 'var(--color-edge)'"
        />
        <rect
          :x="i * 14.5 + 7"
          :y="i <= reached ? 7 : 10"
          width="7"
          height="6"
          rx="1"
          :fill="i <= reached ? 'var(--color-verdigris)' : 'var(--color-edge)'"
        />
      </template>
    </svg>
    <span class="text-[13.5px]">{{ names[standing] }}</span>
  </span>
</template>
