<script setup lang="ts">
import type { LedgerRow, Where } from '#core/result'

/** For each element: in on the left, out on the right, and the seam between them closed or open by how much. */
const { rows } = defineProps<{ rows: readonly LedgerRow[] }>()
const colours: Record<Where, string> = {
  crystals: '#17695c',
  'filtered off': '#8d8776',
  gas: '#b7c9d3',
  precipitate: '#5d6f7a',
  liquor: '#d9b877',
  'liquor, by the model': '#e6cf9f',
  'wash, by the model': '#f0e2c4',
}
const all = computed(() => [...new Set(rows.flatMap(({ out }) => out.map(({ where }) => where)))])
const widthOf = ({ into, out, open }: LedgerRow, moles: number): string => {
  const whole = Math.max(into, out.reduce((sum, one) => sum + one.moles, 0) + Math.max(0, open))
  return `${(moles / whole) * 100}%`
}
const mmol = (moles: number): string => `${Number((moles * 1000).toPrecision(3))}`
</script>

<template>
  <section aria-label="Ledger of matter">
    <h2 class="mb-1 mt-5 text-[15px] text-ink">Where every mole went</h2>
    <div class="overflow-x-auto" tabindex="0">
      <table class="w-full min-w-[520px] text-[14px]">
        <thead>
          <tr class="text-right text-soft">
            <th class="text-left font-normal">Element</th>
            <th class="font-normal">In, mmol</th>
            <th class="w-[56%] px-3 text-left font-normal">Out</th>
            <th class="font-normal">Open, mmol</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.element" class="border-t border-rule text-right">
            <td class="py-1.5 text-left font-semibold">{{ row.element }}</td>
            <td class="figure">{{ mmol(row.into) }}</td>
            <td class="px-3">
              <span class="flex h-6 w-full overflow-hidden rounded border border-rule bg-white">
                <span
                  v-for="one in row.out"
                  :key="one.where"
                  :style="{ width: widthOf(row, one.moles), background: colours[one.where] }"
                  :title="`${one.where}: ${mmol(one.moles)} mmol`"
                />
                <span
                  v-if="row.open > 0"
                  class="open"
                  :style="{ width: widthOf(row, row.open) }"
                  :title="`open: ${mmol(row.open)} mmol`"
                />
              </span>
              <span class="sr-only">{{ row.out.map(one => `${one.where} ${mmol(one.moles)} mmol`).join(', ') }}</span>
            </td>
            <td class="figure whitespace-nowrap">
              <span v-if="row.closes" class="tag bg-verdigris-soft text-verdigris">closed</span>
              <span v-else :class="row.open < 0 ? 'text-red' : 'text-amber'">{{
                row.open < 0 ? `${mmol(-row.open)} too many` : `${mmol(row.open)} missing`
              }}</span>
              <span class="small"> ± {{ mmol(2 * row.spread) }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="mt-1.5 flex flex-wrap gap-x-3 gap-y-1 text-[12.5px] text-soft">
      <span v-for="where in all" :key="where" class="flex items-center gap-1"
        ><i class="inline-block h-2.5 w-4 rounded-sm" :style="{ background: colours[where] }" />{{ where }}</span
      >
      <span class="flex items-center gap-1"><i class="open inline-block h-2.5 w-4 rounded-sm" />unaccounted</span>
    </p>
    <p class="small mt-1">
      Crystals count as the named form; gas, excess and by-products as the sheet has them; what the model leaves in
      liquor and wash is an estimate. Hydrogen and oxygen are left out: their water comes and goes unweighed.
    </p>
  </section>
</template>

<style scoped>
.open {
  background: repeating-linear-gradient(135deg, #f3d9d2 0 5px, #fff 5px 10px);
}
</style>
