<script setup lang="ts">
import { formatFigure, type Figure } from '#core/quantity'
import {
  chosenWays,
  excessRange,
  findReagent,
  riskWords,
  withCharge,
  withWayOut,
  type StagePlan,
  type StageSheet,
} from '#core/sheet'
import type { Setting } from '#core/remarks'

/** What a reagent in more or less excess costs and risks, and where it goes. */
const { stage, sheet, setting, species } = defineProps<{
  stage: StagePlan
  sheet: StageSheet
  setting: Setting
  species: string
}>()
const emit = defineEmits<{
  change: [make: (stage: StagePlan) => StagePlan, key: string]
  working: [figure: Figure]
  close: []
}>()
const range = computed(() => excessRange(setting.stage, sheet, species))
const chosen = computed(() => findReagent(stage, species)?.wayOut)
const line = computed(() => sheet.reagents.find(one => one.species === species))
const now = computed(() => (line.value ? (line.value.equivalents.value - 1) * 100 : 0))

function choose(event: Event): void {
  const way = chosenWays.find(one => one === (event.target as HTMLSelectElement).value)
  emit('change', stage => withWayOut(stage, species, way), `way out ${species}`)
}
function take(percent: number): void {
  emit('change', stage => withCharge(stage, species, { excess: `${percent} %` }), `excess ${species}`)
}
</script>

<template>
  <PanelFrame v-if="range" name="Excess" @close="emit('close')">
    <template #title>Excess of <FormulaText :text="species" /></template>
    <div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-6 text-[14px] max-md:grid-cols-1">
      <table>
        <caption class="sr-only">
          What each excess costs
        </caption>
        <thead>
          <tr class="text-right text-[13px] text-soft">
            <th class="text-left font-normal">Excess</th>
            <th class="font-normal">to charge</th>
            <th class="font-normal">left over</th>
            <th class="font-normal"><span class="sr-only">Take it</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in range.cases" :key="one.percent" class="border-t border-rule text-right">
            <td class="figure py-1 text-left">
              {{ one.percent }} %<span
                v-if="Math.abs(now - one.percent) < 0.5"
                class="tag ml-1 bg-verdigris-soft font-sans text-verdigris"
                >now</span
              >
            </td>
            <td class="figure">
              {{ one.volume ? formatFigure(one.volume, 4) : one.mass ? formatFigure(one.mass, 4) : '' }}
            </td>
            <td>
              <FigureButton
                :most="3"
                :figure="one.leftover"
                :of="`Left over at ${one.percent} %`"
                @working="emit('working', $event)"
              />
            </td>
            <td class="w-16">
              <button
                type="button"
                class="rounded px-1 text-verdigris underline"
                :aria-label="`Take ${one.percent} % excess`"
                @click="take(one.percent)"
              >
                take
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <div>
        <label class="block"
          ><span class="label">Where the excess goes</span>
          <select class="field" :value="chosen ?? ''" @change="choose">
            <option value="">as proposed</option>
            <option v-for="way in chosenWays" :key="way" :value="way">{{ way }}</option>
          </select></label
        >
        <p class="mt-1.5">{{ riskWords[range.wayOut] }}</p>
        <ul class="mt-3">
          <li v-for="school in range.schools" :key="school.name" class="mb-2">
            <b>{{ school.name }}.</b>
            <span v-if="school.fits" class="tag bg-verdigris-soft text-verdigris">fits here</span>
            {{ school.reason }}
          </li>
        </ul>
        <p v-if="line?.residue" class="small">
          The rest of this solid stays as residue:
          <FigureButton :most="2" :figure="line.residue" of="Residue" @working="emit('working', $event)" />.
        </p>
      </div>
    </div>
  </PanelFrame>
</template>
