<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { formsOf, parseFormula } from '#core/formula'
import { usualStock, type Plan, type SupplyPlan } from '#core/sheet'
import { findDensityTable } from '#core/supply'
import type { SubstanceRow } from '#core/reference'
import type { Span } from '#core/problem'

/** How a reagent comes: the bottle rather than the formula. */
const { species, supply, sources, plan, stageId, own, problemAt } = defineProps<{
  species: string
  supply: SupplyPlan
  /** Earlier stages whose product can be this reagent. */
  sources: readonly { id: string; name: string }[]
  plan: Plan
  stageId: string
  own: readonly SubstanceRow[]
  problemAt: (key: string) => { span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{ change: [supply: SupplyPlan]; close: [] }>()

type Kind = SupplyPlan['kind']
const kinds = computed((): { kind: Kind; name: string }[] => [
  { kind: 'solid', name: 'Solid' },
  { kind: 'solution', name: 'Solution' },
  { kind: 'liquid', name: 'Neat liquid' },
  { kind: 'gas', name: 'Gas' },
  ...(sources.length > 0 ? [{ kind: 'stage' as const, name: 'From a stage' }] : []),
])

const read = computed(() => parseFormula(species))
const forms = computed(() => (read.value.ok ? [...new Set([species, ...formsOf(read.value.value, own)])] : [species]))
const table = computed(() => (read.value.ok ? findDensityTable(read.value.value) : undefined))
const usual = computed(() => (read.value.ok ? usualStock(read.value.value) : undefined))
const densityHint = computed(() =>
  table.value ? `from the table at ${table.value.temperature} °C` : 'such as 1.05 g/mL',
)
const isByVolumes = computed(() => supply.kind === 'solution' && /\d\s*\+\s*\d/.test(supply.concentration))

/** A pot that goes on is wet as it is. */
const isInPot = computed(
  () => supply.kind === 'stage' && plan.stages.some(({ id, inPot }) => id === supply.from && inPot === true),
)

const kind = computed({
  get: () => supply.kind,
  set: (wanted: Kind) => {
    const first = sources[0]
    if (wanted === 'solution')
      emit('change', {
        kind: 'solution',
        concentration: usual.value ? `${usual.value.percent} % w/w` : '1.00 mol/L',
      })
    else if (wanted === 'stage') emit('change', { kind: 'stage', from: first!.id })
    else emit('change', { kind: wanted })
  },
})

/** The supply with one text changed; an emptied text is left out. */
function set(key: string, text: string): void {
  const rest = Object.fromEntries(Object.entries(supply).filter(([name]) => name !== key))
  emit('change', (text.trim() === '' && key !== 'concentration' ? rest : { ...rest, [key]: text }) as SupplyPlan)
}
const textOf = (key: string): string => (supply as unknown as Record<string, string | undefined>)[key] ?? ''
</script>

<template>
  <PanelFrame name="Supply" @close="emit('close')">
    <template #title>How <FormulaText :text="species" /> comes</template>
    <RadioGroup v-model="kind" class="mb-3 flex flex-wrap gap-2">
      <RadioGroupLabel as="span" class="sr-only">Kind of supply</RadioGroupLabel>
      <RadioGroupOption v-for="one in kinds" :key="one.kind" v-slot="{ checked }" :value="one.kind" class="rounded-md">
        <span
          class="inline-block cursor-pointer rounded-md border px-3 py-1.5"
          :class="checked ? 'border-verdigris bg-verdigris font-semibold text-on' : 'border-edge bg-card'"
          >{{ one.name }}</span
        >
      </RadioGroupOption>
    </RadioGroup>
    <div class="grid grid-cols-4 gap-4 max-md:grid-cols-2">
      <template v-if="supply.kind === 'solid'">
        <div class="max-md:col-span-2">
          <QuantityField
            :model-value="textOf('formula')"
            wide
            label="Form as weighed"
            :placeholder="species"
            :problem="problemAt('formula')"
            @update:model-value="set('formula', $event)"
          />
          <div class="mt-1.5 flex flex-wrap gap-1.5">
            <button
              v-for="form in forms"
              :key="form"
              type="button"
              class="min-h-7 rounded border px-2 text-[13.5px]"
              :class="
                (textOf('formula') || species) === form
                  ? 'border-verdigris bg-verdigris-soft'
                  : 'border-edge bg-card hover:bg-verdigris-soft'
              "
              @click="set('formula', form === species ? '' : form)"
            >
              <FormulaText :text="form" />
            </button>
          </div>
        </div>
        <QuantityField
          :model-value="textOf('assay')"
          wide
          label="Assay, by mass"
          unit="%"
          placeholder="100 %"
          :problem="problemAt('assay')"
          @update:model-value="set('assay', $event)"
        />
        <QuantityField
          :model-value="textOf('moisture')"
          wide
          label="Moisture"
          unit="%"
          placeholder="0 %"
          :problem="problemAt('moisture')"
          @update:model-value="set('moisture', $event)"
        />
        <label class="block"
          ><span class="label">The rest of it</span>
          <select
            class="field"
            :value="textOf('rest')"
            @change="set('rest', ($event.target as HTMLSelectElement).value)"
          >
            <option value="">not said</option>
            <option value="residue">stays as residue</option>
            <option value="soluble">dissolves unchanged</option>
          </select></label
        >
      </template>
      <template v-else-if="supply.kind === 'solution'">
        <QuantityField
          :model-value="textOf('concentration')"
          wide
          label="Strength, or 1 + 3"
          :problem="problemAt('concentration')"
          @update:model-value="set('concentration', $event)"
        />
        <QuantityField
          v-if="isByVolumes"
          :model-value="textOf('of')"
          wide
          label="of the stock"
          :placeholder="usual ? `${usual.percent} % w/w` : 'strength (37 % w/w, 2 mol/L) or dilution 1 + 3'"
          :problem="problemAt('of')"
          @update:model-value="set('of', $event)"
        />
        <QuantityField
          v-else
          :model-value="textOf('density')"
          wide
          label="Density"
          unit="g/mL"
          :placeholder="densityHint"
          :problem="problemAt('density')"
          @update:model-value="set('density', $event)"
        />
        <p class="small self-end pb-1 col-span-2">
          {{
            table
              ? `${table.source}. Leave the density empty to use it.`
              : 'The core has no density table for this solution: give its density to weigh it, or to count its water exactly.'
          }}
        </p>
      </template>
      <template v-else-if="supply.kind === 'liquid'">
        <QuantityField
          :model-value="textOf('density')"
          wide
          label="Density"
          unit="g/mL"
          placeholder="such as 1.05 g/mL"
          :problem="problemAt('density')"
          @update:model-value="set('density', $event)"
        />
        <QuantityField
          :model-value="textOf('assay')"
          wide
          label="Assay, by mass"
          unit="%"
          placeholder="100 %"
          :problem="problemAt('assay')"
          @update:model-value="set('assay', $event)"
        />
      </template>
      <label v-else-if="supply.kind === 'stage'" class="block"
        ><span class="label">Made in</span>
        <select class="field" :value="supply.from" @change="set('from', ($event.target as HTMLSelectElement).value)">
          <option v-for="source in sources" :key="source.id" :value="source.id">{{ source.name }}</option>
        </select></label
      >
      <template v-if="supply.kind === 'stage'">
        <QuantityField
          :model-value="supply.share ?? ''"
          wide
          label="Share of it that goes here"
          unit="%"
          placeholder="all"
          :problem="problemAt('share')"
          @update:model-value="set('share', $event)"
        />
        <QuantityField
          v-if="!isInPot"
          :model-value="supply.wet ?? ''"
          wide
          label="Handed on wet: water in it"
          unit="%"
          placeholder="dry"
          :problem="problemAt('wet')"
          @update:model-value="set('wet', $event)"
        />
      </template>
      <p v-else-if="supply.kind === 'gas'" class="small col-span-3">
        Measured as an ideal gas at the room’s temperature and pressure.
      </p>
      <label v-if="supply.kind !== 'stage'" class="block"
        ><span class="label">Lot or bottle</span> <SaidText :most="80" :value="textOf('lot')" @say="set('lot', $event)"
      /></label>
    </div>
    <ShelfPicks
      v-if="supply.kind !== 'stage'"
      :species="species"
      :supply="supply"
      :plan="plan"
      :stage-id="stageId"
      @take="emit('change', $event)"
    />
    <SubstituteList
      v-if="supply.kind !== 'stage'"
      :species="species"
      :supply="supply"
      :plan="plan"
      :stage-id="stageId"
      :own="own"
      @take="emit('change', $event)"
    />
    <MakeUp v-if="supply.kind === 'solution'" :species="species" :supply="supply" :own="own" />
  </PanelFrame>
</template>
