<script setup lang="ts">
import type { Asked, Shape, Worksheet } from '#core/assay'

/** The worksheet's name, and what its kind asks for. */
const { sheet, shape, problems } = defineProps<{
  sheet: Worksheet
  shape: Shape
  problems: readonly { key: string; why: string; fix: string }[]
}>()
const emit = defineEmits<{ name: [text: string]; give: [key: string, text: string] }>()
/** An option that another field names is told by what stands there. */
const nameOf = ({ named }: Asked, option: string): string => {
  const key = named?.[option]
  return (key && sheet.given[key]?.trim()) || option
}
const valueOf = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value
</script>

<template>
  <div class="mt-2 grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
    <label
      ><span class="label">Name</span
      ><input class="field" maxlength="120" :value="sheet.name" @input="emit('name', valueOf($event))"
    /></label>
    <div v-for="one in shape.asked" :key="one.key" :class="{ 'sm:col-span-2': one.what === 'equation' || one.wide }">
      <label v-if="one.what === 'choice'"
        ><span class="label">{{ one.label }}</span
        ><select class="field" :value="sheet.given[one.key] ?? ''" @change="emit('give', one.key, valueOf($event))">
          <option value="" :disabled="!one.optional">{{ one.optional ? one.options![0] : 'Choose' }}</option>
          <option v-for="option in one.optional ? one.options!.slice(1) : one.options" :key="option" :value="option">
            {{ nameOf(one, option) }}
          </option>
        </select></label
      >
      <QuantityField
        v-else
        wide
        :label="one.label"
        :placeholder="one.example"
        :model-value="sheet.given[one.key] ?? ''"
        :problem="problems.find(({ key }) => key === one.key)"
        @update:model-value="emit('give', one.key, $event)"
      />
    </div>
  </div>
</template>
