<script setup lang="ts">
import { formsOf, parseFormula } from '#core/formula'
import { formatFigure } from '#core/quantity'
import {
  dilute,
  explainDilution,
  explainPlan,
  makeUpFromSolid,
  usualStock,
  vesselFor,
  warmthOfDilution,
  type DilutionRefused,
  type SupplyPlan,
} from '#core/sheet'
import type { SubstanceRow } from '#core/reference'

/** This solution made up from a stronger one or from a solid: how much of each, what goes into what, how warm it gets. */
const { species, supply, own } = defineProps<{
  species: string
  supply: Extract<SupplyPlan, { kind: 'solution' }>
  own: readonly SubstanceRow[]
}>()
const isOpen = ref(false)
const volume = ref('250 mL')
const stock = ref('')
const read = computed(() => parseFormula(species))
const usual = computed(() => (read.value.ok ? usualStock(read.value.value) : undefined))
const solids = computed(() =>
  read.value.ok && !usual.value ? formsOf(read.value.value, own) : ['NaOH', 'KOH'].includes(species) ? [species] : [],
)
const stockText = computed(() => stock.value || (usual.value ? `${usual.value.percent} % w/w` : ''))

const plan = computed(() => ({
  from: { reagent: species, concentration: stockText.value },
  to: { concentration: supply.concentration, volume: volume.value, ...(supply.density && { density: supply.density }) },
}))
const diluted = computed(() => (stockText.value === '' ? undefined : dilute(plan.value)))
const warmth = computed(() => (diluted.value?.ok ? warmthOfDilution(plan.value, diluted.value.value) : undefined))
const fromSolids = computed(() =>
  solids.value.map(form => ({
    form,
    made: makeUpFromSolid({ form, solute: species, concentration: supply.concentration, volume: volume.value }),
  })),
)
const words = ({ path, problem }: DilutionRefused): string => {
  const { why, fix } = problem.code.startsWith('dilute.')
    ? explainDilution(problem as Parameters<typeof explainDilution>[0])
    : explainPlan({ path, problem: problem as Parameters<typeof explainPlan>[0]['problem'] })
  return `${why} ${fix}`
}
const vessel = computed(() => {
  const match = /^\s*([\d.]+)\s*(mL|ml|L|l)\s*$/.exec(volume.value)
  return match ? vesselFor(Number(match[1]) * (match[2]!.toLowerCase() === 'l' ? 1000 : 1)) : undefined
})
</script>

<template>
  <div class="mt-2 border-t border-rule pt-2 text-[14px]">
    <button
      type="button"
      class="rounded px-1 text-verdigris underline"
      :aria-expanded="isOpen"
      @click="isOpen = !isOpen"
    >
      Make this solution up
    </button>
    <div v-if="isOpen" class="mt-2 grid grid-cols-[160px_200px_minmax(0,1fr)] gap-4 max-md:grid-cols-1">
      <QuantityField v-model="volume" wide label="Volume wanted" />
      <QuantityField
        v-model="stock"
        wide
        label="From a stock of"
        :placeholder="usual ? `${usual.percent} % w/w` : 'strength (37 % w/w, 2 mol/L) or dilution 1 + 3'"
      />
      <div role="status">
        <template v-if="diluted?.ok">
          <p>
            <b class="figure">{{ diluted.value.takeVolume ? formatFigure(diluted.value.takeVolume, 4) : '' }}</b>
            (<span class="figure">{{ formatFigure(diluted.value.takeMass, 4) }}</span
            >) of the stock and <b class="figure">{{ formatFigure(diluted.value.water, 4) }}</b> of water<template
              v-if="vessel"
              >, in a {{ vessel }} mL vessel</template
            >.
          </p>
          <p class="mt-1">{{ diluted.value.order }}</p>
          <p v-if="warmth" class="mt-1" :class="{ 'font-semibold text-red': warmth.boils }">
            It warms by about {{ warmth.rise.value.toFixed(0) }} K if nothing cools it
            <span class="tag bg-amber-soft text-amber">estimate</span
            >{{ warmth.boils ? ': it would boil and spit. Ice, and slowly.' : '.' }}
            <span class="small">{{ warmth.source }}</span>
          </p>
          <p v-else class="small mt-1">How warm it gets is not in the table.</p>
        </template>
        <p v-else-if="diluted" class="text-red">{{ words(diluted.problem) }}</p>
        <template v-for="one in fromSolids" :key="one.form">
          <p v-if="one.made.ok" class="mt-1.5">
            Or <b class="figure">{{ formatFigure(one.made.value.weigh, 4) }}</b> of
            <FormulaText :text="one.form" /><template v-if="one.made.value.water">
              and <b class="figure">{{ formatFigure(one.made.value.water, 4) }}</b> of water</template
            ><template v-else> made up to the mark</template>. <span class="small">{{ one.made.value.order }}</span>
          </p>
          <p v-else class="small mt-1.5">{{ words(one.made.problem) }}</p>
        </template>
        <p v-if="!diluted && fromSolids.length === 0" class="small">Say what stock you have.</p>
      </div>
    </div>
  </div>
</template>
