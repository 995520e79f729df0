<script setup lang="ts">
import { knownBy, strengthText, warningsOf } from '#core/shelf'
import { amountText, heldWords, today, type Bottle } from './bottle'

/** A bottle as its label reads: what is in it, how strong, where it stands, what it holds. */
const { bottle } = defineProps<{ bottle: Bottle }>()
const warnings = computed(() => warningsOf(bottle, today()))
const strength = computed(() => strengthText(bottle.comes))
const agedText = computed(() => {
  const { aged } = warnings.value
  return aged ? strengthText(aged.comes) : ''
})
</script>

<template>
  <NuxtLink
    :to="`/shelf/${bottle.code}`"
    class="row grid h-[76px] items-center gap-x-4 border-b border-rule px-2 text-ink no-underline hover:bg-paper"
    :class="{ 'text-soft': bottle.isEmpty }"
  >
    <span class="min-w-0">
      <span class="block font-semibold text-verdigris underline underline-offset-4">{{ bottle.code }}</span>
      <span class="small block truncate">{{ bottle.place || 'no place' }}</span>
    </span>
    <span class="min-w-0">
      <FormulaText :text="bottle.label.formula" class="text-[17px]" />
      <span class="small block truncate"
        >{{
          [bottle.name, bottle.label.words, bottle.label.lot && `lot ${bottle.label.lot}`].filter(Boolean).join(' · ')
        }}
      </span>
    </span>
    <span class="min-w-0 text-[14px]">
      <template v-if="strength"
        >{{ strength }} <span class="small">{{ knownBy[bottle.known] }}</span></template
      >
      <span v-else class="small">strength not said</span>
      <span v-if="agedText" class="block truncate text-amber">ages: about {{ agedText }} today</span>
    </span>
    <span class="text-right">
      <span class="figure block">{{ amountText(bottle) }}</span>
      <span v-if="bottle.held" class="small block truncate">{{ heldWords(bottle.held, bottle.unit) }} reserved</span>
      <span v-if="bottle.missing" class="tag bg-amber-soft text-amber">not found</span>
      <span v-if="warnings.isLow" class="tag bg-amber-soft text-amber">low</span>
      <span v-if="warnings.isExpired" class="tag bg-amber-soft text-amber">expired</span>
      <span v-else-if="warnings.expiresIn !== undefined" class="tag bg-amber-soft text-amber"
        >expires in {{ warnings.expiresIn }} {{ warnings.expiresIn === 1 ? 'day' : 'days' }}</span
      >
    </span>
  </NuxtLink>
</template>

<style scoped>
.row {
  grid-template-columns: 110px minmax(0, 1.3fr) minmax(0, 1fr) 170px;
}
@media (max-width: 700px) {
  .row {
    grid-template-columns: 74px minmax(0, 1fr) 120px;
  }
  .row > :nth-child(3) {
    display: none;
  }
}
</style>
