<script setup lang="ts">
import { formatFigure, formatValue, type Figure } from '#core/quantity'
import {
  gasFacts,
  hasUnread,
  withBench,
  withRoom,
  withTrap,
  type Plan,
  type StagePlan,
  type StageSheet,
} from '#core/sheet'
import type { Setting } from '#core/remarks'
import type { Span } from '#core/problem'

/** Each gas of the stage: how fast it comes, what holds it, and what it would come to in the room. */
const { plan, stage, sheet, setting, problemAt, roomProblemAt } = defineProps<{
  plan: Plan
  stage: StagePlan
  /** Undefined while something on the sheet does not read; the fields stay. */
  sheet: StageSheet | undefined
  setting: Setting | undefined
  problemAt: (...path: string[]) => { span?: Span | undefined; why: string; fix: string } | undefined
  roomProblemAt: (...path: string[]) => { span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{
  change: [make: (stage: StagePlan) => StagePlan, key: string]
  changePlan: [make: (plan: Plan) => Plan, key: string]
  working: [figure: Figure]
  close: []
}>()
/** Shown only where everything they hang on reads. */
const gases = computed(() =>
  sheet &&
  setting &&
  setting.room.unread.length === 0 &&
  !hasUnread(setting.stage, setting.room, 'addition', 'trap', 'solvent')
    ? gasFacts(setting.stage, sheet, setting.room)
    : [],
)
const verdicts = {
  harmless: { words: 'no trap needed', look: 'text-verdigris' },
  hood: { words: 'in the hood', look: 'font-semibold text-amber' },
  'trap missing': { words: 'hood and trap: none is set up', look: 'font-semibold text-red' },
  'trap wrong': { words: 'this trap does not hold it', look: 'font-semibold text-red' },
  'trap small': { words: 'trap too small', look: 'font-semibold text-red' },
  'trap holds': { words: 'the trap holds it', look: 'text-verdigris' },
} as const
const trapFields = [
  { key: 'reagent', label: 'Trap of', placeholder: 'such as NaOH', unit: undefined },
  { key: 'volume', label: 'its volume', placeholder: 'such as 100 mL', unit: 'mL' },
  { key: 'concentration', label: 'its strength', placeholder: 'such as 2 mol/L', unit: 'mol/L' },
] as const
const roomFields = [
  { key: 'temperature', part: 'ambient', label: 'Room at', placeholder: '25 °C', unit: '°C' },
  { key: 'pressure', part: 'ambient', label: 'and', placeholder: '101.325 kPa', unit: 'kPa' },
  { key: 'volume', part: 'room', label: 'Room of', placeholder: 'such as 60 m3', unit: 'm3' },
] as const
const roomText = (part: 'ambient' | 'room', key: string): string =>
  (plan[part] as Record<string, string> | undefined)?.[key] ?? ''
</script>

<template>
  <PanelFrame name="Gas" @close="emit('close')">
    <div class="grid grid-cols-4 gap-3 max-md:grid-cols-2">
      <QuantityField
        wide
        label="Added over"
        unit="min"
        placeholder="such as 20 min"
        :model-value="stage.addition ?? ''"
        :problem="problemAt('addition')"
        @update:model-value="emit('change', stage => withBench(stage, 'addition', $event), 'addition')"
      />
      <QuantityField
        v-for="field in trapFields"
        :key="field.key"
        wide
        :label="field.label"
        :placeholder="field.placeholder"
        :unit="field.unit"
        :model-value="stage.trap?.[field.key] ?? ''"
        :problem="problemAt('trap', field.key)"
        @update:model-value="emit('change', stage => withTrap(stage, field.key, $event), `trap ${field.key}`)"
      />
      <QuantityField
        v-for="field in roomFields"
        :key="field.key"
        wide
        :label="field.label"
        :placeholder="field.placeholder"
        :unit="field.unit"
        :model-value="roomText(field.part, field.key)"
        :problem="roomProblemAt(field.part, field.key)"
        @update:model-value="emit('changePlan', plan => withRoom(plan, field.key, $event), `room ${field.key}`)"
      />
    </div>
    <p v-if="sheet && gases.length === 0" class="mt-3">No gas comes from this stage, as far as the table knows.</p>
    <article v-for="gas in gases" :key="gas.formula" class="mt-3 border-t border-rule pt-2 text-[14px]">
      <h3 class="flex items-baseline gap-3 text-[15px] font-semibold">
        <FormulaText :text="gas.formula" /> <span class="font-normal text-soft">{{ gas.name }}</span>
        <span :class="verdicts[gas.verdict].look">{{ verdicts[gas.verdict].words }}</span>
      </h3>
      <p class="mt-1">
        <FigureButton
          :most="3"
          :figure="gas.volume"
          :of="`Volume of ${gas.formula}`"
          @working="emit('working', $event)"
        />
        <template v-if="gas.rate"
          >, at
          <FigureButton
            :most="3"
            :figure="gas.rate"
            :of="`Rate of ${gas.formula}`"
            @working="emit('working', $event)"
          />
          while it is added evenly</template
        >.
        <template v-if="gas.trap?.holds && gas.trap.margin">
          The trap takes
          <FigureButton
            :most="3"
            :figure="gas.trap.holds"
            :of="`What the trap takes`"
            @working="emit('working', $event)"
          />, <b class="figure">{{ gas.trap.margin.value.toFixed(1) }}</b> times what comes.</template
        >{{ ' '
        }}<template v-if="gas.trap">
          <FigureButton :most="2" :figure="gas.trap.wants" of="Trap wanted" @working="emit('working', $event)" /> of 2
          mol/L <FormulaText :text="gas.trap.reagent" /> takes twice what comes:
          <span class="small">{{ gas.trap.why }}.</span></template
        >
      </p>
      <p v-if="gas.limit" class="mt-1 small">
        <template v-if="gas.inRoom">
          All of it in the room’s still air:
          <FigureButton
            :most="2"
            :figure="gas.inRoom"
            of="Share of the room’s air"
            @working="emit('working', $event)"
          />.
        </template>
        <template v-if="gas.limit.short">Short-term limit {{ gas.limit.short }} ppm. </template>
        <template v-if="gas.limit.eightHours">Eight-hour limit {{ gas.limit.eightHours }} ppm. </template>
        <template v-if="gas.limit.explosive"
          >Can be lit from {{ gas.limit.explosive }} % by volume<template v-if="gas.inRoom"
            >; this would be {{ formatValue(gas.inRoom.value / 1e4, 'number', 2) }} %</template
          >.
        </template>
        {{ gas.limit.source }}. Your site’s limits and a competent person come first; near the vessel there is always
        more than in the room.
      </p>
      <p v-else class="small mt-1">
        The table has no published limit for {{ gas.name }} ({{ formatFigure(gas.amount, 3) }}).
      </p>
    </article>
  </PanelFrame>
</template>
