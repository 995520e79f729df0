<script setup lang="ts">
import { explainFormula, parseFormula, type Formula } from '#core/formula'
import { explainQuantity, parseQuantity, type Kind, toSignificant } from '#core/quantity'
import { explainSolubility, recrystallise, type Curve } from '#core/solution'

/** A recrystallisation planned from the crude mass and what is suspected in it. */
const { product, crude, curves } = defineProps<{ product: Formula; crude: number; curves: readonly Curve[] }>()
const draft = reactive({
  crude: `${toSignificant(crude, 4)} g`,
  impurity: '',
  share: '3 %',
  hot: '80 °C',
  cold: '5 °C',
})
const read = (text: string, kind: Kind) => parseQuantity(text, { kinds: [kind], name: '', source: '' })
const parts = computed(() => ({
  crude: read(draft.crude, 'mass'),
  share: read(draft.share, 'mass fraction'),
  hot: read(draft.hot, 'temperature'),
  cold: read(draft.cold, 'temperature'),
}))
const problemOf = (key: keyof typeof parts.value) => {
  const part = parts.value[key]
  return part.ok ? undefined : { span: part.problem.span, ...explainQuantity(part.problem) }
}
const impurity = computed(() => (draft.impurity.trim() === '' ? undefined : parseFormula(draft.impurity)))
const planned = computed(() => {
  const { crude: mass, share, hot, cold } = parts.value
  if (!mass.ok || !share.ok || !hot.ok || !cold.ok || (impurity.value && !impurity.value.ok)) return undefined
  return recrystallise(
    product,
    mass.value.value,
    impurity.value?.ok ? { form: impurity.value.value, share: share.value.value } : undefined,
    hot.value.value,
    cold.value.value,
    0.2,
    curves,
  )
})
const percent = (share: number): string => `${(share * 100).toFixed(1)} %`
</script>

<template>
  <div>
    <div class="grid grid-cols-5 gap-3 max-md:grid-cols-2">
      <QuantityField v-model="draft.crude" wide label="Crude" :problem="problemOf('crude')" />
      <div>
        <QuantityField
          v-model="draft.impurity"
          wide
          label="Suspected in it"
          placeholder="such as NaCl"
          :problem="
            impurity && !impurity.ok ? { span: impurity.problem.span, ...explainFormula(impurity.problem) } : undefined
          "
        />
      </div>
      <QuantityField v-model="draft.share" wide label="so much of it" :problem="problemOf('share')" />
      <QuantityField v-model="draft.hot" wide label="Dissolve at" :problem="problemOf('hot')" />
      <QuantityField v-model="draft.cold" wide label="Cool to" :problem="problemOf('cold')" />
    </div>
    <p v-if="planned?.ok" class="mt-3 text-[15px]" role="status">
      <b class="figure">{{ toSignificant(planned.value.water, 3) }} g</b> of water at {{ planned.value.hot }} °C, a
      tenth more than just dissolves it. At {{ planned.value.cold }} °C
      <b class="figure">{{ toSignificant(planned.value.crop.mass, 3) }} g</b> of
      <FormulaText :text="planned.value.crop.form" /> come down, {{ percent(planned.value.recovery) }} of what is in
      it<template v-if="impurity"
        >; dried with a fifth of its mass of liquor in it, {{ percent(planned.value.purity) }} pure against
        {{ percent(planned.value.purityBefore) }} before</template
      >.
      <b v-if="planned.value.impurityComes" class="text-red"
        >The impurity comes down with it: cool less far, or use more water.</b
      >
      <span v-if="planned.value.estimated" class="tag ml-1 bg-amber-soft text-amber">estimate</span>
    </p>
    <p v-else-if="planned" class="mt-3 text-amber" role="status">
      {{ explainSolubility(planned.problem).why }} {{ explainSolubility(planned.problem).fix }}
    </p>
  </div>
</template>
