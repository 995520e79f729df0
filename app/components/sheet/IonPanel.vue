<script setup lang="ts">
import { netIonic, type Reaction } from '#core/equation'
import { changedStates, describeComplex, nameOf, roman } from '#core/species'
import type { SubstanceRow } from '#core/reference'

/** What happens in the water: the net ionic equation, the oxidation states that change, complexes, and the names. */
const { reaction, own } = defineProps<{ reaction: Reaction; own: readonly SubstanceRow[] }>()
const emit = defineEmits<{ close: [] }>()

const net = computed(() => netIonic(reaction))
const formulas = computed(() => [...reaction.reactants, ...reaction.products].map(({ species }) => species.formula))
const changed = computed(() =>
  changedStates(
    reaction.reactants.map(({ species }) => species.formula),
    reaction.products.map(({ species }) => species.formula),
  ),
)
const complexes = computed(() => formulas.value.flatMap(describeComplex))
const signed = (state: number): string =>
  Number.isInteger(state) ? (state > 0 ? `+${state}` : String(state).replace('-', '−')) : state.toFixed(2)
</script>

<template>
  <PanelFrame name="Ions and names" @close="emit('close')">
    <dl class="rows text-[14px]">
      <dt>Net ionic</dt>
      <dd class="text-[16px]">
        <template v-for="(side, s) in [net.reactants, net.products]" :key="s">
          <span v-if="s === 1" class="mx-2" aria-label="gives">→</span>
          <template v-for="(term, i) in side" :key="term.text"
            ><span v-if="i > 0" class="mx-1">+</span
            ><b v-if="term.coefficient !== 1" class="figure mr-1 text-verdigris">{{
              Number(term.coefficient.toPrecision(3))
            }}</b
            ><FormulaText :text="term.text"
          /></template>
        </template>
        <span v-if="net.reactants.length === 0" class="text-soft">nothing: all ions stay as they are</span>
      </dd>
      <template v-if="net.spectators.length > 0">
        <dt>Look on</dt>
        <dd>
          <template v-for="(ion, i) in net.spectators" :key="ion"
            ><template v-if="i > 0">, </template><FormulaText :text="ion"
          /></template>
        </dd>
      </template>
      <template v-if="net.unknown.length > 0">
        <dt>Not known</dt>
        <dd class="text-amber">
          Whether
          <template v-for="(text, i) in net.unknown" :key="text"
            ><template v-if="i > 0">, </template><FormulaText :text="text"
          /></template>
          dissolves: write (aq) or (s) after it in the equation.
        </dd>
      </template>
      <dt>Electrons</dt>
      <dd v-if="changed === undefined">The rules do not reach all species here.</dd>
      <dd v-else-if="changed.length === 0">No oxidation state changes.</dd>
      <dd v-else>
        <span v-for="one in changed" :key="one.element" class="mr-4"
          ><b>{{ one.element }}</b> {{ one.from.map(signed).join(', ') }} → {{ one.to.map(signed).join(', ') }}</span
        >
      </dd>
      <template v-for="complex in complexes" :key="complex.text">
        <dt><FormulaText :text="complex.text" /></dt>
        <dd>
          {{ complex.metal }}({{ roman(complex.oxidationState) }}), coordination number
          {{ complex.coordinationNumber }}, by
          {{ complex.ligands.map(({ name, count }) => (count > 1 ? `${count} ${name}` : name)).join(', ') }}
        </dd>
      </template>
      <dt>Names</dt>
      <dd>
        <span v-for="formula in formulas" :key="formula.text" class="mr-4 inline-block"
          ><FormulaText :text="formula.text" class="mr-1.5" />
          <span class="text-soft">{{ nameOf(formula, own) ?? 'no name known' }}</span></span
        >
      </dd>
    </dl>
  </PanelFrame>
</template>

<style scoped>
.rows {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
  row-gap: 6px;
}
.rows dt {
  color: var(--color-soft);
}
</style>
