<script setup lang="ts">
import { Trash2 } from '@lucide/vue'
import { columnsOf, type Column, type Shape, type Worksheet, type WorksheetResult } from '#core/assay'
import { unitsOf, type Figure } from '#core/quantity'

/** The rows of a worksheet: replicates with their result, or the points of a series. */
const { sheet, shape, result, show } = defineProps<{
  sheet: Worksheet
  shape: Shape
  result: WorksheetResult
  show: (value: number) => string
}>()
const emit = defineEmits<{
  enter: [row: number, key: string, text: string]
  remove: [row: number]
  working: [figure: Figure]
}>()
const columns = computed(() => columnsOf(sheet))
const isRepeated = computed(() => shape.rows === 'replicates')
const word = computed(() => (isRepeated.value ? 'replicate' : 'row'))
/** A column that takes plain numbers too prints no unit: a bare number means what it says. */
const unitPrinted = ({ kinds }: Column): string | undefined =>
  kinds.includes('number') ? undefined : unitsOf(kinds)[0]
const table = useTemplateRef('table')

/** Enter moves to the same column of the next row. */
function down(row: number, column: number): void {
  const inputs = table.value?.querySelectorAll<HTMLInputElement>(`tbody tr:nth-child(${row + 2}) input`)
  inputs?.[column]?.focus()
}
</script>

<template>
  <div class="relative mt-3 overflow-x-auto" tabindex="0">
    <table ref="table" class="rows w-full text-[14px] sm:min-w-[560px]">
      <thead>
        <tr class="text-right align-bottom text-soft">
          <th class="w-8 font-normal"><span class="sr-only">Number</span></th>
          <th v-for="column in columns" :key="column.key" class="px-1 pb-1 font-normal">{{ column.label }}</th>
          <th v-if="isRepeated" class="pb-1 pl-4 font-normal">{{ shape.result }}</th>
          <th class="w-10"><span class="sr-only">Delete</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in sheet.rows" :key="i" class="border-t border-rule align-top">
          <td class="figure pt-3 text-right text-soft">
            <span class="capitalize sm:hidden">{{ word }}&nbsp;</span>{{ i + 1 }}
          </td>
          <td v-for="(column, j) in columns" :key="column.key" class="min-w-[112px] p-1">
            <QuantityField
              :wide="column.kinds.length === 0"
              hidden
              inline
              :label="`${column.label}, ${word} ${i + 1}`"
              :model-value="row[column.key] ?? ''"
              :placeholder="unitPrinted(column) ?? ''"
              :unit="unitPrinted(column)"
              :problem="result.rows[i]?.problems.find(({ key }) => key === column.key)"
              @update:model-value="emit('enter', i, column.key, $event)"
              @enter="down(i, j)"
            />
          </td>
          <td v-if="isRepeated" class="pt-2 text-right">
            <button
              v-if="result.rows[i]?.figure"
              type="button"
              class="figure whitespace-nowrap text-[16px] font-semibold underline decoration-dotted"
              :aria-label="`${shape.result}, replicate ${i + 1}: ${show(result.rows[i]!.figure!.value * shape.unit.scale)}`"
              @click="emit('working', result.rows[i]!.figure!)"
            >
              <span class="mr-2 font-sans text-[13.5px] font-normal text-soft sm:hidden">{{ shape.result }}</span>
              {{ show(result.rows[i]!.figure!.value * shape.unit.scale) }}
            </button>
          </td>
          <td class="pt-1">
            <button
              type="button"
              class="grid size-9 place-items-center rounded hover:bg-paper"
              :aria-label="`Delete ${word} ${i + 1}`"
              @click="emit('remove', i)"
            >
              <Trash2 :size="15" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
/* On a phone each row is a card, its fields named one under the other. */
@media (max-width: 640px) {
  .rows,
  .rows tbody {
    display: block;
  }
  .rows thead {
    display: none;
  }
  .rows tr {
    position: relative;
    display: grid;
    gap: 2px;
    margin-bottom: 10px;
    padding: 8px 12px 12px;
    border: 1px solid var(--color-rule);
    border-radius: 10px;
    background: var(--color-card);
  }
  .rows td {
    padding: 0;
    text-align: left;
  }
  .rows td:last-child {
    position: absolute;
    top: 4px;
    right: 6px;
  }
  .rows :deep(.label) {
    position: static;
    width: auto;
    height: auto;
    margin: 6px 0 2px;
    overflow: visible;
    clip-path: none;
    white-space: normal;
  }
  .rows :deep(input) {
    min-height: 48px;
    text-align: left;
    font-size: 17px;
  }
  .rows td > button {
    min-width: 48px;
    min-height: 48px;
  }
}
</style>
