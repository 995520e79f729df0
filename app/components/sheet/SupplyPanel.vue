<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { X } from '@lucide/vue'
import { formsOf, parseFormula } from '#core/formula'
import { findDensityTable, type SupplyPlan } from '#core/sheet'
import type { Span } from '#core/problem'

/** How a reagent comes: the bottle rather than the formula. */
const { species, supply, problemAt } = defineProps<{
  species: string
  supply: SupplyPlan
  problemAt: (key: string) => { span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{ change: [supply: SupplyPlan]; close: [] }>()

const kinds = [
  { kind: 'solid', name: 'Solid' },
  { kind: 'solution', name: 'Solution' },
  { kind: 'liquid', name: 'Neat liquid' },
  { kind: 'gas', name: 'Gas' },
] as const
type Kind = (typeof kinds)[number]['kind']

const read = computed(() => parseFormula(species))
const forms = computed(() => (read.value.ok ? [...new Set([species, ...formsOf(read.value.value)])] : [species]))
const table = computed(() => (read.value.ok ? findDensityTable(read.value.value) : undefined))
const densityHint = computed(() =>
  table.value ? `from the table at ${table.value.temperature} °C` : 'such as 1.05 g/mL',
)

const kind = computed({
  get: () => supply.kind as Kind,
  set: (wanted: Kind) =>
    emit('change', wanted === 'solution' ? { kind: 'solution', concentration: '1.00 mol/L' } : { kind: wanted }),
})

/** The supply with one text changed; an emptied text is left out. */
function set(key: string, text: string): void {
  const rest = Object.fromEntries(Object.entries(supply).filter(([name]) => name !== key))
  emit('change', (text.trim() === '' && key !== 'concentration' ? rest : { ...rest, [key]: text }) as SupplyPlan)
}
const textOf = (key: string): string => (supply as Record<string, string | undefined>)[key] ?? ''
</script>

<template>
  <section
    class="mt-4 rounded-lg border border-rule bg-paper px-3.5 py-3"
    aria-label="Supply"
    @keydown.esc="emit('close')"
  >
    <div class="mb-2 flex items-start justify-between">
      <h2 class="text-[15px] text-ink font-semibold">How <FormulaText :text="species" /> comes</h2>
      <button
        type="button"
        class="grid size-6 place-items-center rounded hover:bg-rule"
        aria-label="Close the supply"
        @click="emit('close')"
      >
        <X :size="16" />
      </button>
    </div>
    <RadioGroup v-model="kind" class="mb-3 flex flex-wrap gap-2">
      <RadioGroupLabel class="sr-only">Kind of supply</RadioGroupLabel>
      <RadioGroupOption v-for="one in kinds" :key="one.kind" v-slot="{ checked }" :value="one.kind" class="rounded-md">
        <span
          class="inline-block cursor-pointer rounded-md border px-3 py-1.5"
          :class="checked ? 'border-verdigris bg-verdigris font-semibold text-white' : 'border-edge bg-white'"
          >{{ one.name }}</span
        >
      </RadioGroupOption>
    </RadioGroup>
    <div class="grid grid-cols-3 gap-4">
      <template v-if="supply.kind === 'solid'">
        <div>
          <QuantityField
            :model-value="textOf('formula') || species"
            wide
            label="Form as weighed"
            :problem="problemAt('formula')"
            @update:model-value="set('formula', $event === species ? '' : $event)"
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
                  : 'border-edge bg-white hover:bg-verdigris-soft'
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
          placeholder="100 %"
          :problem="problemAt('assay')"
          @update:model-value="set('assay', $event)"
        />
      </template>
      <template v-else-if="supply.kind === 'solution'">
        <QuantityField
          :model-value="textOf('concentration')"
          wide
          label="Strength: mol/L, % w/w or % w/v"
          :problem="problemAt('concentration')"
          @update:model-value="set('concentration', $event)"
        />
        <QuantityField
          :model-value="textOf('density')"
          wide
          label="Density"
          :placeholder="densityHint"
          :problem="problemAt('density')"
          @update:model-value="set('density', $event)"
        />
        <p class="small self-end pb-1">
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
          placeholder="such as 1.05 g/mL"
          :problem="problemAt('density')"
          @update:model-value="set('density', $event)"
        />
        <QuantityField
          :model-value="textOf('assay')"
          wide
          label="Assay, by mass"
          placeholder="100 %"
          :problem="problemAt('assay')"
          @update:model-value="set('assay', $event)"
        />
      </template>
      <p v-else class="small col-span-3">Measured as an ideal gas at 25 °C and 101.325 kPa.</p>
    </div>
  </section>
</template>
