<script setup lang="ts">
import { colourOf, parseFormula } from '#core/formula'
import { formatFigure } from '#core/quantity'
import type { FormYield } from '#core/result'

/** The yield that the same mass would be as each form, against the 100 % line. */
const { forms, wanted } = defineProps<{ forms: readonly FormYield[]; wanted: string }>()
const emit = defineEmits<{ working: [form: FormYield] }>()

const FULL = 83.3
const place = (fraction: number): number => Math.min(99, fraction * FULL)
const colour = (form: string) => {
  const read = parseFormula(form)
  return read.ok ? colourOf(read.value) : undefined
}
</script>

<template>
  <table class="w-full border-collapse">
    <caption class="sr-only">
      Yield as each form
    </caption>
    <tbody>
      <tr v-for="one in forms" :key="one.form" class="border-b border-rule">
        <th scope="row" class="w-[210px] py-2 pr-2 text-left font-normal">
          <ColourSwatch :colour="colour(one.form)" class="mr-2" /><FormulaText :text="one.form" /><span
            v-if="one.form === wanted"
            class="tag ml-2 bg-verdigris-soft text-verdigris"
            >isolated</span
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
        <td class="pl-4">
          <span class="track" aria-hidden="true"
            ><u /><i :class="{ over: one.percent.value > 1 }" :style="{ left: `${place(one.percent.value)}%` }"
          /></span>
        </td>
        <td class="small w-[130px] pl-3">{{ one.percent.value > 1 ? 'more than everything' : '' }}</td>
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
  background: linear-gradient(90deg, #edf1ed 0 83.3%, var(--color-red-soft) 83.3%);
}
.track u {
  position: absolute;
  left: 83.3%;
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
