<script setup lang="ts">
import { nearClockText } from '~/utils/dates'
import { judgeDryness, toleranceOf } from '#core/journal'

/** Weighings of a drying crop: how far they agree, and when it is likely to be constant. */
const { weighings, resolution } = defineProps<{
  weighings: readonly { at: string; grams: number }[]
  /** Last digit of the balance, g. */
  resolution: number
}>()
const tolerance = computed(() => toleranceOf(resolution))
const start = computed(() => Date.parse(weighings[0]?.at ?? ''))
const points = computed(() =>
  weighings.map(({ at, grams }) => ({ hours: (Date.parse(at) - start.value) / 3_600_000, mass: grams })),
)
const dryness = computed(() => judgeDryness(points.value, tolerance.value))
const clock = (hours: number): string => nearClockText(start.value + hours * 3_600_000)
const grams = (mass: number): string => mass.toFixed(Math.round(-Math.log10(resolution)))
</script>

<template>
  <section class="card" aria-label="To constant mass">
    <h2>To constant mass</h2>
    <p class="mt-1 text-[16px]" role="status">
      <template v-if="points.length < 2">Weigh again after more drying: two weighings have to agree.</template>
      <b v-else-if="dryness.isConstant" class="text-verdigris"
        >Constant: the last two agree within {{ grams(tolerance) }} g.</b
      >
      <span v-else-if="dryness.isRising" class="font-semibold text-amber"
        >It rose by {{ grams(dryness.difference!) }} g: it takes something up, or the vessel was not cold.</span
      >
      <template v-else
        >Not yet: it lost {{ grams(-dryness.difference!) }} g; {{ grams(tolerance) }} g is what the balance allows.
        <template v-if="dryness.expected"
          ><b>Look again at about {{ clock(dryness.expected.hours) }}</b>
          <span class="small">
            (estimate: between {{ clock(dryness.expected.from) }} and {{ clock(dryness.expected.to) }}; it would end at
            {{ grams(dryness.expected.end) }} g)</span
          ></template
        >
        <span v-else class="small">{{
          points.length < 3 ? 'From the third weighing on, the time is predicted.' : 'The series gives no time yet.'
        }}</span></template
      >
    </p>
    <LazyDryingPlot v-if="points.length > 1" :points="points" :expected="dryness.expected" />
    <table class="mt-1 w-full text-[13.5px]">
      <caption class="sr-only">
        The weighings
      </caption>
      <tbody>
        <tr v-for="(point, i) in points" :key="i" class="border-t border-rule">
          <td class="figure text-soft">{{ clock(point.hours) }}</td>
          <td class="figure text-right">{{ grams(point.mass) }} g</td>
          <td class="figure text-right text-soft">
            <template v-if="i > 0">{{ grams(point.mass - points[i - 1]!.mass).replace('-', '−') }}</template>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
