<script setup lang="ts">
import { X } from '@lucide/vue'
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
  <section
    class="mt-4 rounded-lg border border-rule bg-paper px-3.5 py-3"
    aria-label="Product"
    @keydown.esc="emit('close')"
  >
    <div class="mb-2 flex items-start justify-between">
      <h2 class="text-[15px] text-ink font-semibold">How <FormulaText :text="species" /> is isolated</h2>
      <button
        type="button"
        class="grid size-6 place-items-center rounded hover:bg-rule"
        aria-label="Close the product"
        @click="emit('close')"
      >
        <X :size="16" />
      </button>
    </div>
    <div class="grid grid-cols-3 gap-4">
      <div class="col-span-2">
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
  </section>
</template>
