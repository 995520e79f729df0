<script setup lang="ts">
import { parseFormula } from '#core/formula'
import { solubilityGaps } from '#core/reference'
import { shippedCurves, type Curve } from '#core/solution'
import { nameOf } from '#core/species'
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
    ({ salt, phases }) => [salt.text, nameOf(salt) ?? '', ...phases.map(({ form }) => form.text)],
    ({ salt }) => salt.text,
  ),
)
const nameOfText = (text: string): string => {
  const formula = parseFormula(text)
  return (formula.ok && nameOf(formula.value)) || ''
}
const gaps = computed(() =>
  searchRows(
    solubilityGaps,
    query,
    meant,
    ([formula]) => [formula, nameOfText(formula)],
    ([formula]) => formula,
  ),
)
const keyOf = (curve: Curve): string => `${curve.own ? 'own ' : ''}${curve.salt.text}`
const chosenKey = ref<string>()
/** The one that was pressed, else the only one that is found, or the one that a batch asks for. */
const chosen = computed(
  () =>
    found.value.find(curve => keyOf(curve) === chosenKey.value) ??
    (found.value.length === 1 || stood.value.length > 0 ? found.value[0] : undefined),
)
const beside = computed(() => {
  const one = chosen.value
  return one && curves.value.find(other => other !== one && other.salt.text === one.salt.text)
})
/** Where a batch stood, as its procedure sends it: `80:52.1,5:44`. */
const route = useRoute()
const stood = computed(() => {
  const text = typeof route.query.stood === 'string' ? route.query.stood : ''
  return text.split(',').flatMap((pair): [number, number][] => {
    const [celsius, grams] = pair.split(':').map(Number)
    return celsius !== undefined &&
      grams !== undefined &&
      Number.isFinite(celsius) &&
      Number.isFinite(grams) &&
      pair !== ''
      ? [[celsius, grams]]
      : []
  })
})
/** A batch's points belong to the salt that it asked for. */
const stoodHere = computed(() => {
  const asked = parseFormula(query)
  return chosen.value && asked.ok && asked.value.text === chosen.value.salt.text ? stood.value : []
})
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
    <section v-if="chosen" class="mb-3 max-w-[900px]" aria-label="The curve">
      <h2 class="text-[17px]"><FormulaText :text="chosen.salt.text" /></h2>
      <LazySolubilityChart :curve="chosen" :beside="beside" :stood="stoodHere" />
      <p class="small">
        Dashed where another solid is the stable one, or past the ends of the table: drawn on by its slope, for pots of
        several salts. {{ chosen.source }}, {{ gradeWords[chosen.grade] }}.
      </p>
    </section>
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
            <tr
              v-for="(phase, p) in curve.phases"
              :key="`${c}-${p}`"
              :class="{ 'border-t border-rule': p === 0, 'bg-verdigris-soft': curve === chosen }"
            >
              <td class="py-0.5 pr-3">
                <button
                  v-if="p === 0"
                  type="button"
                  class="min-h-6 rounded text-left underline decoration-rule underline-offset-2"
                  :aria-pressed="curve === chosen"
                  :aria-label="`Draw the curve of ${curve.salt.text}${curve.own ? ', your lab’s' : ''}`"
                  @click="chosenKey = keyOf(curve)"
                >
                  <FormulaText :text="phase.form.text" />
                </button>
                <FormulaText v-else :text="phase.form.text" />
              </td>
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
      <p v-if="found.length === 0 && gaps.length === 0" class="py-3">No salt here is called that.</p>
      <section v-if="gaps.length > 0" class="mt-4" aria-label="Without a curve">
        <h2 class="text-[16px]">Soluble, and without a curve: why</h2>
        <table class="w-full text-[14px]">
          <tbody>
            <tr v-for="[formula, why] in gaps" :key="formula" class="border-t border-rule align-top">
              <th scope="row" class="w-56 py-1 pr-3 text-left font-normal"><FormulaText :text="formula" /></th>
              <td class="py-1">{{ why }}</td>
            </tr>
          </tbody>
        </table>
        <p class="small mt-1">Figures here are from memory and for the eye: nothing is computed from them.</p>
      </section>
    </div>
  </div>
</template>
