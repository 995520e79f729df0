<script setup lang="ts">
import { surroundings, textOf, type Probe } from '#instruments'
import { useProbe } from '~/composables/useProbe'

/** A thermometer, pH meter, photometer or conductivity cell: put it in, wait until it holds still, take the reading. */
const { quantity } = defineProps<{ quantity: Probe['quantity'] }>()
const emit = defineEmits<{ take: [measure: Probe['quantity'], value: string, instrument: string] }>()
const names = {
  temperature: 'thermometer',
  pH: 'pH meter',
  absorbance: 'photometer',
  conductivity: 'conductivity cell',
} as const
const { said, put } = useProbe(quantity)
const name = `Simulated ${names[quantity]}`
/** Takes what it shows; false while it moves. */
function take(): boolean {
  if (said.value.steady) emit('take', quantity, textOf(said.value), name)
  return said.value.steady
}
defineExpose({ take })
</script>

<template>
  <section :aria-label="names[quantity]" class="border-t border-rule pt-2 first:border-t-0 first:pt-0">
    <p class="flex flex-wrap items-baseline justify-between gap-x-2">
      <span class="text-[13.5px] text-soft">{{ name }}</span>
      <span class="figure text-[26px] font-semibold leading-tight">{{ textOf(said).replace(' ', '\u202f') }}</span>
      <span class="tag" :class="said.steady ? 'bg-verdigris-soft text-verdigris' : 'bg-amber-soft text-amber'">{{
        said.steady ? 'steady' : 'moving'
      }}</span>
    </p>
    <div class="mt-1 flex flex-wrap gap-2">
      <button
        v-for="one in surroundings[quantity]"
        :key="one.name"
        type="button"
        class="button button-quiet glove px-3"
        @click="put(one.value)"
      >
        {{ one.name }}
      </button>
      <button type="button" class="button glove ml-auto px-4" :disabled="!said.steady" @click="take">Take it</button>
    </div>
  </section>
</template>
