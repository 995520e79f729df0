<script setup lang="ts">
import { explainFormula, molarMass, parseFormula } from '#core/formula'
import { explainQuantity, formatValue, parseQuantity, type Kind, toSignificant } from '#core/quantity'
import { hydroxideRange, ionsOfSparing, precipitationTable, washLoss } from '#core/solution'

/** A sparingly soluble salt thrown down: how completely with which excess, and what washing it costs. */
const props = defineProps<{ salt: string; grams: number; millilitres: number }>()
const draft = reactive({
  salt: props.salt,
  grams: `${toSignificant(props.grams, 4)} g`,
  volume: props.millilitres > 0.5 ? `${toSignificant(props.millilitres, 3)} mL` : '',
  wash: '100 mL',
  precipitant: 1 as 0 | 1,
})
const read = (text: string, kind: Kind) => parseQuantity(text, { kinds: [kind], name: '', source: '' })
const parts = computed(() => ({
  grams: read(draft.grams, 'mass'),
  volume: read(draft.volume, 'volume'),
  wash: read(draft.wash, 'volume'),
}))
const problemOf = (key: keyof typeof parts.value) => {
  const part = parts.value[key]
  return part.ok ? undefined : { span: part.problem.span, ...explainQuantity(part.problem) }
}
const typed = computed(() => parseFormula(draft.salt))
const formula = computed(() => (typed.value.ok ? typed.value.value : undefined))
const ions = computed(() => (formula.value ? ionsOfSparing(formula.value) : undefined))
const saltProblem = computed(() => {
  if (draft.salt.trim() === '') return undefined
  if (!typed.value.ok) return { span: typed.value.problem.span, ...explainFormula(typed.value.problem) }
  if (ions.value) return undefined
  return {
    why: `The table has no solubility product of two ions for ${draft.salt.trim()}.`,
    fix: 'Tables, Solubility products lists what is known; a soluble salt is crystallised instead.',
  }
})
const rows = computed(() => {
  const { grams, volume } = parts.value
  if (!formula.value || !grams.ok || !volume.ok) return undefined
  return precipitationTable({
    salt: formula.value,
    grams: grams.value.value,
    millilitres: volume.value.value,
    precipitant: draft.precipitant,
  })
})
const washed = computed(() => {
  const { wash } = parts.value
  return formula.value && wash.ok ? washLoss(formula.value, molarMass(formula.value), wash.value.value) : undefined
})
const hydroxide = computed(() => {
  const { grams, volume } = parts.value
  if (!formula.value || !grams.ok || !volume.ok || volume.value.value <= 0) return undefined
  return hydroxideRange(formula.value, grams.value.value / molarMass(formula.value) / (volume.value.value / 1000))
})
const beyond = computed(() => rows.value?.some(row => !row.withActivities) ?? false)
const percent = (share: number): string =>
  1 - share < 5e-6 ? 'over 99.999 %' : `${(share * 100).toFixed(share > 0.999 ? 3 : share > 0.99 ? 2 : 1)} %`
</script>

<template>
  <div>
    <div class="grid grid-cols-4 gap-3 max-md:grid-cols-2">
      <QuantityField v-model="draft.salt" wide label="Salt" placeholder="such as BaSO4" :problem="saltProblem" />
      <QuantityField v-model="draft.grams" wide label="So much of it, at most" :problem="problemOf('grams')" />
      <QuantityField v-model="draft.volume" wide label="Liquor, all together" :problem="problemOf('volume')" />
      <QuantityField v-model="draft.wash" wide label="Water to wash with" :problem="problemOf('wash')" />
    </div>
    <template v-if="rows && ions">
      <fieldset class="mt-3 flex flex-wrap items-center gap-4 text-[14px]">
        <legend class="sr-only">Which ion is the precipitant</legend>
        <span class="text-soft">In excess</span>
        <label v-for="(ion, i) in ions" :key="ion" class="flex min-h-8 items-center gap-1.5">
          <input v-model="draft.precipitant" type="radio" name="precipitant" :value="i" />
          <FormulaText :text="ion" />
        </label>
      </fieldset>
      <table class="mt-1 w-full max-w-[560px] text-[14px]">
        <thead>
          <tr class="text-right text-[13px] text-soft">
            <th class="text-left font-normal">Excess</th>
            <th class="font-normal">comes down</th>
            <th class="font-normal">stays dissolved</th>
            <th class="font-normal">ionic strength</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.excess" class="border-t border-rule text-right">
            <td class="figure py-1.5 text-left">{{ (row.excess * 100).toFixed(0) }} %</td>
            <td class="figure py-1.5">{{ percent(row.complete) }}</td>
            <td class="figure py-1.5">{{ formatValue(row.lost, 'mass', 2) }}</td>
            <td class="figure py-1.5" :class="row.withActivities ? '' : 'text-amber'">
              {{ formatValue(row.ionicStrength, 'concentration', 2) }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="washed !== undefined" class="mt-2 text-[14px]">
        The wash water takes at most <b class="figure">{{ formatValue(washed, 'mass', 2) }}</b> with it, once saturated;
        a little of the precipitant in it takes less.
      </p>
      <p v-if="hydroxide" class="mt-1 text-[14px]">
        It begins at pH <b class="figure">{{ hydroxide.begins.toFixed(1) }}</b> and a thousandth is left at pH
        <b class="figure">{{ hydroxide.done.toFixed(1) }}</b>, no activities counted.
      </p>
      <p class="small mt-2 max-w-[60em]">
        <span class="tag mr-1 bg-amber-soft text-amber">estimate</span>From the solubility product at 25 °C; the ions
        that come in with the two are taken as singly charged.
        <template v-if="beyond">
          Where the ionic strength is past 0.5 mol/L, activities are left out and more stays dissolved than told.
        </template>
        Complexes with the excess, hydrolysis and what the precipitate carries down are not in it.
      </p>
    </template>
  </div>
</template>
