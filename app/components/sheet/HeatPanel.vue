<script setup lang="ts">
import { formatValue, type Figure } from '#core/quantity'
import { hasUnread, heatOf, withBench, type StagePlan, type StageSheet } from '#core/sheet'
import type { Setting } from '#core/remarks'
import type { Span } from '#core/problem'

/** Heat of the stage, how far it would warm, and how long a bath needs to carry it off. */
const { stage, sheet, setting, problemAt } = defineProps<{
  stage: StagePlan
  /** Undefined while something on the sheet does not read; the fields stay. */
  sheet: StageSheet | undefined
  setting: Setting | undefined
  problemAt: (key: string) => { span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{
  change: [make: (stage: StagePlan) => StagePlan, key: string]
  working: [figure: Figure]
  close: []
}>()
/** Shown only where everything it hangs on reads. */
const heat = computed(() =>
  sheet && setting && !hasUnread(setting.stage, setting.room, 'solvent', 'at', 'bath', 'addition')
    ? heatOf(setting.stage, sheet)
    : undefined,
)
</script>

<template>
  <PanelFrame name="Heat" @close="emit('close')">
    <p v-if="heat && !heat.known" class="text-[14px]">
      Not known: the table has no formation enthalpy for
      <template v-for="(text, i) in heat.missing" :key="text"
        ><template v-if="i > 0">, </template><FormulaText :text="text" /></template
      >. Nothing is guessed; add slowly and feel the vessel.
    </p>
    <template v-else-if="heat">
      <p class="text-[14px]">
        The heat of the stage is
        <FigureButton :most="3" :figure="heat.enthalpy" of="Heat of the stage" @working="emit('working', $event)" />,
        {{ heat.enthalpy.value < 0 ? 'given off' : 'taken up'
        }}<template v-if="!heat.rise">. There is no water in the pot, so no rise of a liquid can be told.</template
        ><template v-else
          >. Were all of it to stay in the pot, its temperature would change by about
          <FigureButton :most="2" :figure="heat.rise" of="Temperature rise" @working="emit('working', $event)" />, from
          {{ formatValue(heat.start, 'temperature', 3) }}
          <b v-if="heat.boils" class="text-red">past boiling</b>
          <template v-else> to about {{ formatValue(heat.start + heat.rise.value, 'temperature', 2) }}</template>
          <span class="tag ml-1 bg-amber-soft text-amber">estimate</span>.
        </template>
      </p>
      <p v-if="heat.asDilute.length > 0" class="small mt-1">
        Taken as dilute for want of a heat of dilution: {{ heat.asDilute.join(', ') }}.
      </p>
    </template>
    <div class="mt-3 grid grid-cols-3 items-end gap-4">
      <QuantityField
        wide
        label="The bath takes away"
        unit="W"
        placeholder="such as 50 W"
        :model-value="stage.bath ?? ''"
        :problem="problemAt('bath')"
        @update:model-value="emit('change', stage => withBench(stage, 'bath', $event), 'bath')"
      />
      <p v-if="heat?.known && heat.coolingTime" class="col-span-2 text-[14px]">
        It needs <b class="figure">{{ formatValue(heat.coolingTime.value * 60, 'number', 2) }} min</b>: add over at
        least that. A stirred ice bath takes some 50 to 100 W from a beaker, a cold water bath about half that (common
        practice).
      </p>
    </div>
  </PanelFrame>
</template>
