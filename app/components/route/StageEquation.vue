<script setup lang="ts">
import { explainPlan, readStageReaction, type StagePlan } from '#core/sheet'

/** A stage's balanced equation, or why there is none. */
const { stage } = defineProps<{ stage: StagePlan }>()
const read = computed(() => readStageReaction(stage))
</script>

<template>
  <EquationText v-if="read.ok" :reaction="read.value" />
  <span v-else class="text-red">{{ explainPlan(read.problem).why }}</span>
</template>
