<script setup lang="ts">
import type { Reaction } from '#core/equation'

const { reaction } = defineProps<{ reaction: Reaction }>()
const sides = computed(() => [reaction.reactants, reaction.products])
</script>

<template>
  <span>
    <template v-for="(side, s) in sides" :key="s">
      <span v-if="s === 1" class="mx-2" role="img" aria-label="gives">→</span>
      <template v-for="(term, i) in side" :key="term.species.formula.text">
        <span v-if="i > 0" class="mx-1">+</span>
        <span class="whitespace-nowrap"
          ><b v-if="term.coefficient !== 1" class="figure mr-1 font-semibold text-verdigris">{{
            Number(term.coefficient.toPrecision(3))
          }}</b
          ><FormulaText :text="term.species.formula.text" /><span v-if="term.species.phase" class="small"
            >({{ term.species.phase }})</span
          ></span
        >
      </template>
    </template>
  </span>
</template>
