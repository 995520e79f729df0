<script setup lang="ts">
import { parseFormula } from '#core/formula'
import { formatFigure } from '#core/quantity'
import { compareSupply, substitutesFor, type Plan, type Substitute, type SupplyPlan } from '#core/sheet'
import type { SubstanceRow } from '#core/reference'

/** What could stand in for a bottle that is empty: how much of it, and the difference in water. */
const { species, supply, plan, stageId, own } = defineProps<{
  species: string
  supply: SupplyPlan
  plan: Plan
  stageId: string
  own: readonly SubstanceRow[]
}>()
const emit = defineEmits<{ take: [supply: SupplyPlan] }>()
const isOpen = ref(false)

interface Offer extends Substitute {
  readonly measure: string
  readonly water: string
}
const offers = computed((): Offer[] => {
  const read = parseFormula(species)
  if (!isOpen.value || !read.ok) return []
  return substitutesFor(read.value, supply, own).flatMap(offer => {
    const compared = compareSupply(plan, stageId, species, offer.supply)
    if (!compared) return [{ ...offer, measure: '', water: '' }]
    const { after, water } = compared
    const figure = after.mass ?? after.volume
    const both =
      after.volume && after.mass && offer.supply.kind === 'solution' ? ` or ${formatFigure(after.volume, 3)}` : ''
    const size = Math.abs(water.value)
    return [
      {
        ...offer,
        measure: figure ? `${formatFigure(figure, 4)}${both}` : '',
        water:
          size < 0.005
            ? 'same water'
            : `${formatFigure({ ...water, value: size }, 3)} ${water.value > 0 ? 'more' : 'less'} water`,
      },
    ]
  })
})
</script>

<template>
  <div class="mt-3 border-t border-rule pt-2">
    <button
      type="button"
      class="rounded px-1 text-verdigris underline"
      :aria-expanded="isOpen"
      @click="isOpen = !isOpen"
    >
      I have something else instead
    </button>
    <ul v-if="isOpen" class="mt-1.5 grid grid-cols-2 gap-x-6 text-[14px] max-md:grid-cols-1">
      <li v-for="offer in offers" :key="offer.label" class="flex items-baseline gap-2 border-b border-rule py-1">
        <span class="min-w-0 flex-1"
          ><RichText :text="offer.label" /> <span class="small">{{ offer.why }}</span></span
        >
        <span class="figure text-right"
          >{{ offer.measure }}<span class="small block font-sans">{{ offer.water }}</span></span
        >
        <button
          type="button"
          class="rounded px-1 text-verdigris underline"
          :aria-label="`Use ${offer.label.replace(/[{}]/g, '')}`"
          @click="emit('take', offer.supply)"
        >
          use
        </button>
      </li>
      <li v-if="offers.length === 0" class="small">The table knows nothing that could stand in.</li>
    </ul>
  </div>
</template>
