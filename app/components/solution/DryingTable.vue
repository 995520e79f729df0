<script setup lang="ts">
import { dryingTimeWords, type DryingAdvice } from '#core/procedure'

/** How to dry this one, and how not to. */
const { advice } = defineProps<{ advice: DryingAdvice }>()
const looks = {
  good: { word: 'good', look: 'text-verdigris' },
  possible: { word: 'possible', look: 'text-ink' },
  not: { word: 'not at all', look: 'text-red' },
} as const
</script>

<template>
  <p v-if="advice.never" class="text-[14px] font-semibold text-red">
    <FormulaText :text="advice.form" /> is not dried here: {{ advice.never }}. Ask a competent person.
  </p>
  <p v-else-if="!advice.known" class="text-[14px]">
    The table does not know <FormulaText :text="advice.form" />, so it gives no advice: dry a little first, and weigh
    until constant.
  </p>
  <div v-else class="text-[14px]">
    <p class="small mb-1">For <FormulaText :text="advice.form" />. Times are common practice for a thin layer.</p>
    <table class="w-full">
      <tbody>
        <tr v-for="option in advice.options" :key="option.way" class="border-t border-rule align-top">
          <th scope="row" class="w-[270px] py-1.5 text-left font-normal">
            {{ option.way
            }}<template v-if="option.most !== undefined && option.verdict !== 'not'"
              >, at most <b class="figure">{{ option.most }} °C</b></template
            >
          </th>
          <td class="w-24 py-1.5 font-semibold" :class="looks[option.verdict].look">
            {{ looks[option.verdict].word }}
          </td>
          <td class="py-1.5"><RichText :text="option.reason" /></td>
          <td class="small py-1.5 pl-3 text-right">
            {{ option.takes && option.verdict !== 'not' ? dryingTimeWords(option.takes) : '' }}
          </td>
        </tr>
      </tbody>
    </table>
    <ul class="mt-2 text-[13.5px] text-soft">
      <li v-for="school in advice.schools" :key="school">{{ school }}</li>
    </ul>
  </div>
</template>
