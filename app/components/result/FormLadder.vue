<script setup lang="ts">
import { colourOf, parseFormula } from '#core/formula'
import { formatFigure } from '#core/quantity'
import type { Rung } from '#core/cause'

/** The yield that the same mass would be as each form, against the 100 % line, and whether this batch could have made it. */
const { rungs } = defineProps<{ rungs: readonly Rung[] }>()
const emit = defineEmits<{ working: [rung: Rung] }>()

/** Where 100 % stands, of the track's width; forms far beyond it stand at its end. */
const FULL = 72
const place = (fraction: number): number => Math.min(97, fraction * FULL)
const colour = (form: string) => {
  const read = parseFormula(form)
  return read.ok ? colourOf(read.value) : undefined
}
const kinds = {
  isolated: 'isolated',
  hydrate: '',
  basic: 'basic',
  acid: 'acid salt',
  double: 'double salt',
  other: 'another salt',
} as const
const looks = {
  likely: 'text-verdigris font-semibold',
  possible: 'text-ink',
  unlikely: 'text-soft',
  impossible: 'text-red',
} as const
</script>

<template>
  <table class="w-full border-collapse">
    <caption class="sr-only">
      Yield as each form
    </caption>
    <tbody>
      <tr v-for="one in rungs" :key="one.form" class="border-b border-rule">
        <th scope="row" class="w-[236px] max-sm:w-auto py-1.5 pr-2 text-left font-normal">
          <ColourSwatch :colour="colour(one.form)" class="mr-2" /><FormulaText :text="one.form" /><span
            v-if="kinds[one.kind]"
            class="tag ml-2"
            :class="one.kind === 'isolated' ? 'bg-verdigris-soft text-verdigris' : 'bg-paper text-soft'"
            >{{ kinds[one.kind] }}</span
          >
        </th>
        <td class="w-[84px] text-right">
          <button
            type="button"
            class="figure min-h-6 rounded px-1 hover:bg-verdigris-soft"
            :aria-label="`Yield as ${one.form}: ${formatFigure(one.percent)}. Show the working`"
            @click="emit('working', one)"
          >
            {{ formatFigure(one.percent) }}
          </button>
        </td>
        <td class="pl-4 max-sm:hidden">
          <span class="track" aria-hidden="true"
            ><u /><i :class="{ over: one.verdict === 'impossible' }" :style="{ left: `${place(one.percent.value)}%` }"
          /></span>
        </td>
        <td class="w-[236px] pl-3 text-[13px] leading-[1.25]">
          <b class="font-normal" :class="looks[one.verdict]">{{ one.verdict }}</b><span class="text-soft"
            >: {{ one.why }}</span
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.track {
  position: relative;
  display: block;
  height: 18px;
  border-radius: 4px;
  background: linear-gradient(90deg, var(--color-in) 0 72%, var(--color-red-soft) 72%);
}
.track u {
  position: absolute;
  left: 72%;
  top: -4px;
  bottom: -4px;
  width: 2px;
  background: var(--color-ink);
}
.track i {
  position: absolute;
  top: 2px;
  width: 14px;
  height: 14px;
  margin-left: -7px;
  border-radius: 50%;
  background: var(--color-verdigris);
}
.track i.over {
  background: var(--color-red-edge);
  border-radius: 2px;
  transform: rotate(45deg);
}
</style>
