<script setup lang="ts">
import { toSignificant } from '#core/quantity'
import type { WashOption } from '#core/solution'

/** Ways to wash the crop, the best first. */
const { options } = defineProps<{ options: readonly WashOption[] }>()
const emit = defineEmits<{ take: [option: WashOption] }>()
const words = { good: 'text-verdigris', possible: 'text-ink', avoid: 'text-red' } as const
const grams = (mass: number): string =>
  mass >= 10 ? `${mass.toFixed(1)} g` : mass >= 0.005 ? `${mass.toFixed(2)} g` : 'a trace'
</script>

<template>
  <div>
    <table class="w-full text-[14px]">
      <thead>
        <tr class="text-left text-[13px] text-soft">
          <th class="font-normal">Wash</th>
          <th class="font-normal">Portions</th>
          <th class="text-right font-normal">product lost</th>
          <th class="text-right font-normal">liquor’s salts left</th>
          <th class="pl-4 font-normal">Caution</th>
          <th class="font-normal"><span class="sr-only">Take it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(option, i) in options" :key="i" class="border-t border-rule align-top">
          <td class="py-1.5">
            <b :class="words[option.verdict]">{{ option.solvent }}, {{ option.celsius }} °C</b>
            <span class="small block">{{ option.verdict }}</span>
          </td>
          <td class="figure py-1.5">{{ option.portions }} × {{ toSignificant(option.portion, 2) }} mL</td>
          <td class="figure py-1.5 text-right">{{ option.lossWord }}</td>
          <td class="figure py-1.5 text-right">
            {{ grams(option.left) }}<span class="small block font-sans">of {{ grams(option.before) }}</span>
          </td>
          <td class="small py-1.5 pl-4"><RichText :text="option.warnings.join(' ')" /></td>
          <td class="py-1.5">
            <button
              type="button"
              class="rounded px-1 text-verdigris underline"
              :aria-label="`Take ${option.portions} portions of ${option.solvent}`"
              @click="emit('take', option)"
            >
              take
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="small mt-2">
      In water the loss comes from the curves; in other solvents the tables have only a word, and what is left is
      reckoned from how far the wash thins the liquor that clings. All of it is an estimate.
    </p>
  </div>
</template>
