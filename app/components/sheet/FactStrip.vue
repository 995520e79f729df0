<script setup lang="ts">
import { formatFigure, formatValue } from '#core/quantity'
import { hasUnread, heatOf, type PlanSheet, type StageSheet } from '#core/sheet'
import type { Setting } from '#core/remarks'

export type Fact = 'water' | 'gas' | 'heat' | 'ions' | 'product'
/** The stage in five figures; each opens what it is made of. */
const { sheet, setting, plan, open } = defineProps<{
  sheet: StageSheet
  setting: Setting
  /** Undefined while another stage does not read. */
  plan: PlanSheet | undefined
  open: string | undefined
}>()
const emit = defineEmits<{ open: [fact: Fact] }>()

const UNREAD = 'cannot be understood'
const isUnread = (...fields: Parameters<typeof hasUnread>[2][]): boolean =>
  hasUnread(setting.stage, setting.room, ...fields)
const heat = computed(() => heatOf(setting.stage, sheet))
const isLast = computed(() => plan?.stages.at(-1)?.id === sheet.id)
const facts = computed((): { key: Fact; label: string; value: string; estimate?: boolean }[] => [
  {
    key: 'water',
    label: 'Water in the pot',
    value: isUnread('solvent', 'evaporate') ? UNREAD : formatFigure(sheet.water.total, 4),
    estimate: sheet.water.estimated,
  },
  {
    key: 'gas',
    label: sheet.gases.length > 1 ? 'Gases' : 'Gas',
    value:
      sheet.gases.length === 0
        ? 'none'
        : isUnread()
          ? UNREAD
          : sheet.gases.map(({ volume }) => formatFigure(volume, 3)).join(' + '),
  },
  {
    key: 'heat',
    label: heat.value.known && heat.value.rise ? 'Heat at once, estimate' : 'Heat',
    value: isUnread('solvent', 'at')
      ? UNREAD
      : heat.value.known && !heat.value.rise
        ? formatFigure(heat.value.enthalpy, 3)
        : heat.value.known && heat.value.rise
          ? `${heat.value.rise.value >= 0 ? '+' : '−'} ${formatValue(Math.abs(heat.value.rise.value), 'warming', 2)}`
          : 'not known',
  },
  { key: 'ions', label: 'In the water', value: 'ions, names' },
  {
    key: 'product',
    label: isLast.value ? 'Expected' : 'Goes on',
    value: isUnread('yield')
      ? UNREAD
      : isLast.value && plan
        ? formatFigure(plan.overall.expected, 4)
        : formatValue(sheet.products[0]!.theoretical.value * setting.stage.yield.value, 'mass', 4),
  },
])
</script>

<template>
  <div class="facts mt-4" role="group" aria-label="The stage in figures">
    <button
      v-for="fact in facts"
      :key="fact.key"
      type="button"
      :aria-expanded="open === fact.key"
      :class="{ on: open === fact.key }"
      @click="emit('open', fact.key)"
    >
      <span class="block text-[12.5px] text-soft"
        >{{ fact.label }}<span v-if="fact.estimate" class="tag ml-1 bg-amber-soft text-amber">estimate</span></span
      >
      <span v-if="fact.value === UNREAD" class="text-[14px] text-red">{{ fact.value }}</span>
      <span v-else class="figure text-[17px] font-semibold">{{ fact.value }}</span>
    </button>
  </div>
</template>

<style scoped>
.facts {
  display: flex;
  flex-wrap: wrap;
  border: 1px solid var(--color-rule);
  border-radius: 8px;
}
.facts button {
  flex: 1 1 120px;
  padding: 8px 12px;
  text-align: left;
  border-right: 1px solid var(--color-rule);
}
.facts button:last-child {
  border: 0;
}
.facts button:hover,
.facts button.on {
  background: var(--color-verdigris-soft);
}
</style>
