<script setup lang="ts">
/** How formulas and equations may be typed, each read by the same core that reads the fields. */
const formulas = [
  'CuSO4.5H2O',
  'CaSO4.1/2H2O',
  '[Cu(NH3)4]SO4.H2O',
  'K2SO4*Al2(SO4)3*24H2O',
  'SO4^2-',
  'MnO4-',
] as const
</script>

<template>
  <aside class="card min-w-0 bg-paper" aria-label="How to type">
    <h2 class="mb-2">How to type</h2>
    <dl
      class="grid grid-cols-[minmax(0,auto)_minmax(0,1fr)] max-sm:grid-cols-1 items-baseline gap-x-5 gap-y-1.5 max-sm:[&_dd]:mb-2"
    >
      <template v-for="typed in formulas" :key="typed"
        ><dt class="figure text-[14px] break-all">{{ typed }}</dt>
        <dd class="text-[16px]"><TypedFormula :text="typed" /></dd
      ></template>
    </dl>
    <p class="small mt-3">
      Capitals count: Co is cobalt, CO is carbon and oxygen. In an equation put -&gt; or = between the sides;
      coefficients are worked out, so you need not type them. (s) (l) (g) (aq) may follow a species.
    </p>
  </aside>
</template>
