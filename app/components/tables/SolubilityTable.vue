<script setup lang="ts">
import { shippedCurves, type Curve } from '#core/solution'
import { searchRows } from '~/composables/useTableSearch'
import { useLibraryStore } from '~/stores/library'

/** Solubility in water against temperature, by the solid that is in equilibrium. */
const { query, meant } = defineProps<{ query: string; meant: string | undefined }>()
const library = useLibraryStore()
const curves = computed((): readonly Curve[] => [...library.curves, ...shippedCurves()])
const idOf = (curve: Curve): string | undefined =>
  library.rows.find(row => row.kind === 'curve' && row.body.salt === curve.salt.text)?.id
const found = computed(() =>
  searchRows(
    curves.value,
    query,
    meant,
    ({ salt, phases }) => [salt.text, ...phases.map(({ form }) => form.text)],
    ({ salt }) => salt.text,
  ),
)
const temperatures = [0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 100]
const gradeWords = { A: 'to about 2 %', B: 'to about 5 %', C: 'rough' } as const
const told = (grams: number | undefined): string =>
  grams === undefined ? '' : grams >= 100 ? grams.toFixed(0) : grams >= 10 ? grams.toFixed(1) : grams.toPrecision(3)
</script>

<template>
  <div class="mt-3 min-h-0">
    <OwnCurveForm class="mb-2" />
    <p class="small mb-1">
      {{ found.length }} of {{ curves.length }} salts. g of anhydrous salt in 100 g of water; between the points a
      monotone curve, outside them nothing.
    </p>
    <div class="max-h-[66vh] overflow-auto" tabindex="0" aria-label="Solubilities">
      <table class="w-full text-[14px]">
        <thead class="sticky top-0 bg-sheet">
          <tr class="text-[13px] text-soft">
            <th class="text-left font-normal">Solid</th>
            <th v-for="t in temperatures" :key="t" class="w-14 text-right font-normal">{{ t }} °C</th>
            <th class="pl-4 text-left font-normal">Good</th>
            <th class="text-left font-normal">Source</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="(curve, c) in found" :key="c">
            <tr v-for="(phase, p) in curve.phases" :key="`${c}-${p}`" :class="p === 0 ? 'border-t border-rule' : ''">
              <td class="py-0.5 pr-3"><FormulaText :text="phase.form.text" /></td>
              <td v-for="t in temperatures" :key="t" class="figure text-right">{{ told(phase.at(t)) }}</td>
              <td class="whitespace-nowrap pl-4 small">{{ p === 0 ? gradeWords[curve.grade] : '' }}</td>
              <td class="small">
                {{ p === 0 ? curve.source : ''
                }}<span v-if="curve.own && p === 0" class="tag ml-1 bg-blue-soft text-blue">your lab’s</span
                ><button
                  v-if="curve.own && p === 0 && idOf(curve)"
                  type="button"
                  class="ml-2 rounded text-red underline"
                  :aria-label="`Take the curve of ${curve.salt.text} out`"
                  @click="library.remove(idOf(curve)!)"
                >
                  take out
                </button>
              </td>
            </tr>
          </template>
        </tbody>
      </table>
      <p v-if="found.length === 0" class="py-3">No salt here is called that.</p>
    </div>
  </div>
</template>
