<script setup lang="ts">
import { formatValue, type Figure } from '#core/quantity'
import type { Residues } from '#core/outcome'

/** What this stage leaves, and what treats it: how much, in what order, the sign that it is done. */
const { residues } = defineProps<{ residues: Residues }>()
const emit = defineEmits<{ working: [figure: Figure] }>()
</script>

<template>
  <section v-if="residues.treatments.length + residues.ask.length > 0" aria-label="Residues">
    <h2 class="mb-1 mt-5 text-[15px] text-ink">What is left to treat</h2>
    <p class="mb-1 rounded-md border-l-[3px] border-amber-edge bg-amber-soft px-3 py-1.5 text-[14px]">
      <b>Your site’s rules decide what may be treated and what is collected.</b> These are usual amounts; ask the person
      who answers for waste before you begin. Hood, gloves, goggles; every vessel it touched belongs to it.
    </p>
    <ol>
      <li
        v-for="(one, i) in residues.treatments"
        :key="one.of + one.reagent"
        class="grid grid-cols-[26px_minmax(0,1fr)] gap-2 border-t border-rule py-2 text-[14px]"
      >
        <span class="figure text-[18px] font-semibold text-soft">{{ i + 1 }}</span>
        <div>
          <p>
            <b><FormulaText :text="one.of" /></b>, about {{ formatValue(one.left.value, 'amount', 2) }} left:
            <button
              type="button"
              class="figure font-semibold underline decoration-dotted"
              :aria-label="`${formatValue(one.mass.value, 'mass', 2)} of ${one.reagent}. Show the working`"
              @click="emit('working', one.mass)"
            >
              {{ formatValue(one.mass.value, 'mass', 2) }}
            </button>
            of <FormulaText :text="one.reagent" />, a tenth more than it needs.
          </p>
          <p>{{ one.how }}</p>
          <p><span class="text-verdigris">Done when:</span> {{ one.sign }}</p>
          <p v-for="caution in one.cautions" :key="caution" class="text-amber">Caution: {{ caution }}</p>
        </div>
      </li>
    </ol>
    <p v-for="one in residues.ask" :key="one.of" class="border-t border-rule py-2 text-[14px]">
      <b class="text-red">Not by a rule: <FormulaText :text="one.of" /></b>, {{ one.why }}. Collect it, label it, and
      ask.
    </p>
    <p class="small mt-1">
      From the vessel’s account and the weighings: the product that did not come as crystals counts as left in the
      liquor, an upper bound. Usual practice, no source.
    </p>
  </section>
</template>
