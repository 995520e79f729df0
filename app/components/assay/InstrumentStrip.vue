<script setup lang="ts">
import { columnsOf, type Column, type Worksheet } from '#core/assay'

/** Instruments that this worksheet’s columns can be read from: what is taken goes into the first empty cell, row by row. */
const { sheet } = defineProps<{ sheet: Worksheet }>()
const emit = defineEmits<{ take: [row: number, key: string, text: string] }>()
const isOpen = ref(false)
const columns = computed(() =>
  columnsOf(sheet).flatMap(column => (column.instrument ? [{ ...column, instrument: column.instrument }] : [])),
)
const quantities = computed(() => [...new Set(columns.value.map(({ instrument }) => instrument))])

/** The cell that the next reading of an instrument goes into: what must be filled before what may be. */
function nextCell(instrument: Column['instrument']): { readonly row: number; readonly column: Column } | undefined {
  const mine = columns.value
    .filter(column => column.instrument === instrument)
    .toSorted((a, b) => Number(!!a.optional) - Number(!!b.optional))
  for (const [row, cells] of sheet.rows.entries())
    for (const column of mine) if (!column.optional && !cells[column.key]?.trim()) return { row, column }
  const [first] = mine
  return first && { row: sheet.rows.length, column: first }
}
const next = computed(() => quantities.value.map(quantity => ({ quantity, cell: nextCell(quantity) })))
function take(instrument: Column['instrument'], text: string): void {
  const cell = nextCell(instrument)
  if (cell) emit('take', cell.row, cell.column.key, text)
}
</script>

<template>
  <details v-if="quantities.length > 0" class="mt-2" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary class="min-h-9 w-fit cursor-pointer content-center text-[14px] text-soft">Read from an instrument</summary>
    <div v-if="isOpen" class="card mt-1 max-w-[520px]">
      <template v-for="{ quantity, cell } in next" :key="quantity">
        <ProbePanel :quantity="quantity" @take="(_, text) => take(quantity, text)" />
        <p v-if="cell" class="small mt-1">
          The next reading goes to “{{ cell.column.label }}”, row {{ cell.row + 1
          }}{{ cell.row === sheet.rows.length ? ', a new one' : '' }}.
        </p>
      </template>
    </div>
  </details>
</template>
