<script setup lang="ts">
import {
  densityTables,
  elements,
  enthalpies,
  enthalpySources,
  exposureLimits,
  ligands,
  ligandSource,
  solubilityProducts,
  solubilityProductSource,
  type ElementRow,
} from '#core/reference'
import { searchRows } from '~/composables/useTableSearch'
import { useLibraryStore } from '~/stores/library'

/** A table that is read row by row: the first column a formula, the last its source. */
const { table, query, meant } = defineProps<{
  table: 'products' | 'enthalpies' | 'limits' | 'densities' | 'ligands' | 'elements'
  query: string
  meant: string | undefined
}>()
const library = useLibraryStore()

interface Shown {
  readonly heads: readonly string[]
  readonly rows: readonly { formula: string; cells: readonly string[]; source: string; own?: boolean }[]
}
const power = (value: number): string => {
  const exponent = Math.floor(Math.log10(value))
  return `${(value / 10 ** exponent).toFixed(2)} × 10^${exponent}`.replace('-', '−')
}
const shown = computed((): Shown => {
  switch (table) {
    case 'products':
      return {
        heads: ['Salt', 'Solubility product, 25 °C'],
        rows: solubilityProducts.map(([salt, product]) => ({
          formula: salt,
          cells: [power(product)],
          source: solubilityProductSource,
        })),
      }
    case 'enthalpies':
      return {
        heads: ['Formula', 'State', 'Formation enthalpy, kJ/mol, 25 °C'],
        rows: enthalpies.map(([formula, phase, value, source]) => ({
          formula,
          cells: [phase, value.toFixed(2)],
          source: enthalpySources[source],
        })),
      }
    case 'limits':
      return {
        heads: ['Formula', '8 hours, ppm', 'short term, ppm', 'can be lit from, % by volume', 'trap'],
        rows: exposureLimits.map(row => ({
          formula: row.formula,
          cells: [
            row.eightHours?.toString() ?? '',
            row.short?.toString() ?? '',
            row.explosive?.toString() ?? '',
            row.trap?.map(({ reagent }) => reagent).join(' or ') ?? '',
          ],
          source: row.source,
        })),
      }
    case 'densities':
      return {
        heads: ['Reagent', 'Mass percent', 'Density, g/mL', 'at °C'],
        rows: densityTables.flatMap(one =>
          one.rows.map(([percent, density]) => ({
            formula: one.reagent as string,
            cells: [String(percent), density.toFixed(4), String(one.temperature)],
            source: one.source as string,
          })),
        ),
      }
    case 'ligands':
      return {
        heads: ['As bound', 'Written', 'Name in a complex', 'Charge', 'Sites'],
        rows: [
          ...library.ligands.map(row => ({
            formula: row.formula,
            cells: [`(${row.abbreviation})`, row.name, String(row.charge), String(row.sites)],
            source: 'your lab; written out as you type it',
            own: true,
          })),
          ...ligands.map(row => ({
            formula: row.formula as string,
            cells: [
              `(${row.abbreviation})`,
              row.name as string,
              String(row.charge).replace('-', '−'),
              String(row.sites),
            ],
            source: 'note' in row ? `${ligandSource}. ${row.note}` : ligandSource,
          })),
        ],
      }
    case 'elements':
      return {
        heads: ['Symbol', 'Name', 'Number', 'Standard atomic weight', '±'],
        rows: (elements as readonly ElementRow[]).map(row => ({
          formula: row.symbol,
          cells: [row.name, String(row.number), row.weight?.toString() ?? 'none', row.bound?.toString() ?? ''],
          source: 'IUPAC/CIAAW 2021, Pure Appl. Chem. 94 (2022) 573 (from memory, checked against two packages)',
        })),
      }
  }
})
const found = computed(() =>
  searchRows(
    shown.value.rows,
    query,
    meant,
    row => [row.formula, ...row.cells],
    row => row.formula,
  ),
)
</script>

<template>
  <div class="mt-3 min-h-0">
    <OwnLigandForm v-if="table === 'ligands'" class="mb-3" />
    <p class="small mb-1">{{ found.length }} of {{ shown.rows.length }} rows.</p>
    <div class="max-h-[66vh] overflow-y-auto" tabindex="0" aria-label="Rows of the table">
      <table class="w-full text-[14px]">
        <thead class="sticky top-0 bg-sheet">
          <tr class="text-left text-[13px] text-soft">
            <th v-for="head in shown.heads" :key="head" class="pr-4 font-normal">{{ head }}</th>
            <th class="font-normal">Source</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in found" :key="i" class="border-t border-rule">
            <td class="py-1 pr-4"><FormulaText :text="row.formula" /></td>
            <td v-for="(cell, c) in row.cells" :key="c" class="pr-4" :class="{ figure: /^[\d−-]/.test(cell) }">
              <template v-if="cell.includes('^')"
                >{{ cell.split('^')[0] }}<sup>{{ cell.split('^')[1] }}</sup></template
              ><template v-else>{{ cell }}</template>
            </td>
            <td class="small">
              {{ row.source }}<span v-if="row.own" class="tag ml-1 bg-blue-soft text-blue">your lab’s</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="found.length === 0" class="py-3">No row holds that.</p>
    </div>
  </div>
</template>
