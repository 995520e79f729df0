<script setup lang="ts">
import { colourOf, formsOf, parseFormula } from '#core/formula'
import type { Span } from '#core/problem'
import type { SubstanceRow } from '#core/reference'

/** The form in which the product is isolated, and the yield expected of it. */
const { species, form, expected, own, problemAt } = defineProps<{
  species: string
  own: readonly SubstanceRow[]
  form: string
  expected: string
  problemAt: (...path: string[]) => { span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{ form: [text: string]; expected: [text: string]; close: [] }>()

const forms = computed(() => {
  const read = parseFormula(species)
  return [...new Set([species, ...(read.ok ? formsOf(read.value, own) : [])])].map(text => {
    const formula = parseFormula(text)
    return { text, colour: formula.ok ? colourOf(formula.value, own) : undefined }
  })
})
</script>

<template>
  <PanelFrame name="Product" @close="emit('close')">
    <template #title>How <FormulaText :text="species" /> is isolated</template>
    <div class="grid gap-4 sm:grid-cols-3">
      <div class="sm:col-span-2">
        <QuantityField
          :model-value="form"
          wide
          label="Form isolated"
          :problem="problemAt('product', 'form')"
          @update:model-value="emit('form', $event)"
        />
        <div class="mt-1.5 flex flex-wrap gap-1.5">
          <button
            v-for="one in forms"
            :key="one.text"
            type="button"
            class="flex min-h-7 items-center gap-1.5 rounded border px-2 text-[13.5px]"
            :class="
              form === one.text ? 'border-verdigris bg-verdigris-soft' : 'border-edge bg-card hover:bg-verdigris-soft'
            "
            @click="emit('form', one.text)"
          >
            <ColourSwatch :colour="one.colour" /><FormulaText :text="one.text" />
          </button>
        </div>
      </div>
      <QuantityField
        :model-value="expected"
        wide
        label="Expected yield"
        unit="%"
        placeholder="100 %"
        :problem="problemAt('yield')"
        @update:model-value="emit('expected', $event)"
      />
    </div>
  </PanelFrame>
</template>
