<script setup lang="ts">
import { cautionAmount, cautionWords, isGrave, type Caution } from '#core/procedure'

/** What can hurt at this step, before anything is pressed; by the account of the vessel. */
const { cautions } = defineProps<{ cautions: readonly Caution[] }>()
const graveFirst = computed(() => cautions.toSorted((a, b) => Number(isGrave(b.code)) - Number(isGrave(a.code))))
const wordsOf = (one: Caution): string => [cautionWords[one.code], cautionAmount(one)].filter(Boolean).join(' ')
</script>

<template>
  <ul v-if="cautions.length > 0" class="mt-2 grid gap-1 text-[15px]" aria-label="Cautions of this step">
    <li
      v-for="one in graveFirst"
      :key="one.code"
      class="rounded-md border-l-4 px-3 py-1"
      :class="isGrave(one.code) ? 'border-red-edge bg-red-soft text-red' : 'border-amber-edge bg-amber-soft text-amber'"
    >
      <RichText :text="wordsOf(one)" />
    </li>
  </ul>
</template>
