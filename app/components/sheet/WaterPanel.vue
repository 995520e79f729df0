<script setup lang="ts">
import { formatFigure, type Figure } from '#core/quantity'
import { explainSolubility } from '#core/solution'
import { solvents as known } from '#core/reference'
import { hasUnread, potOf, solventWith, withBench, withSolvents, type StagePlan, type StageSheet } from '#core/sheet'
import type { Setting } from '#core/remarks'
import type { Span } from '#core/problem'

/** The water of the stage: where it comes from and goes, what it must hold, and the vessel it stands in. */
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
const pot = computed(() =>
  sheet && setting && !hasUnread(setting.stage, setting.room, 'solvent', 'evaporate', 'at', 'vessel')
    ? potOf(setting.stage, sheet, setting.curves)
    : undefined,
)
const fields = [
  { key: 'solvent', label: 'Water as solvent', placeholder: 'g or mL' },
  { key: 'at', label: 'Kept at', placeholder: '25 °C', unit: '°C' },
  { key: 'evaporate', label: 'Boiled off', placeholder: 'g or mL' },
  { key: 'vessel', label: 'Vessel', placeholder: 'such as 250 mL', unit: 'mL' },
] as const
/** Solvents beside water, by name. */
const named = computed(() => stage.solvents ?? [])
const names = known.map(({ name }) => name).filter(name => name !== 'water')
function setSolvent(
  i: number,
  make: (one: NonNullable<StagePlan['solvents']>[number]) => NonNullable<StagePlan['solvents']>[number],
): void {
  emit(
    'change',
    of =>
      withSolvents(
        of,
        (of.solvents ?? []).map((one, j) => (j === i ? make(one) : one)),
      ),
    `solvent ${i}`,
  )
}
const addSolvent = (): void =>
  emit('change', of => withSolvents(of, [...(of.solvents ?? []), { name: 'ethanol', volume: '20 mL' }]), 'add solvent')
const dropSolvent = (i: number): void =>
  emit('change', of => withSolvents(of, (of.solvents ?? []).toSpliced(i, 1)), 'drop solvent')
const rows = computed((): { name: string; sign: string; figure: Figure }[] => {
  if (!sheet) return []
  const { fromReagents, fromReaction, intoProduct, solvent, carried, evaporated } = sheet.water
  return [
    { name: 'with the reagents', sign: '+', figure: fromReagents },
    ...(solvent ? [{ name: 'as solvent', sign: '+', figure: solvent }] : []),
    ...(carried ? [{ name: 'carried along in the pot', sign: '+', figure: carried }] : []),
    {
      name: fromReaction.value < 0 ? 'eaten by the reaction' : 'made by the reaction',
      sign: '+',
      figure: fromReaction,
    },
    { name: 'into the crystals', sign: '−', figure: intoProduct },
    ...(evaporated ? [{ name: 'boiled off', sign: '−', figure: evaporated }] : []),
  ]
})
</script>

<template>
  <PanelFrame name="Water and vessel" @close="emit('close')">
    <div class="grid grid-cols-4 gap-4 max-md:grid-cols-2">
      <QuantityField
        v-for="field in fields"
        :key="field.key"
        wide
        :label="field.label"
        :placeholder="field.placeholder"
        :unit="'unit' in field ? field.unit : undefined"
        :model-value="stage[field.key] ?? ''"
        :problem="problemAt(field.key)"
        @update:model-value="emit('change', stage => withBench(stage, field.key, $event), field.key)"
      />
    </div>
    <div class="mt-3 flex flex-wrap items-start gap-x-4 gap-y-2">
      <div v-for="(one, i) in named" :key="i" class="flex items-start gap-2">
        <label class="w-[150px]"
          ><span class="label">Solvent {{ i + 1 }}</span>
          <select
            class="field"
            :value="one.name"
            @change="setSolvent(i, old => ({ ...old, name: ($event.target as HTMLSelectElement).value }))"
          >
            <option v-if="!names.includes(one.name)" :value="one.name">{{ one.name }}</option>
            <option v-for="name in names" :key="name" :value="name">{{ name }}</option>
          </select></label
        >
        <QuantityField
          class="w-[120px]"
          wide
          :label="`Amount of solvent ${i + 1}`"
          placeholder="mL or g"
          :model-value="one.volume ?? one.mass ?? ''"
          :problem="
            problemAt(`solvents.${i}.volume`) ??
            problemAt(`solvents.${i}.mass`) ??
            problemAt(`solvents.${i}.name`) ??
            problemAt(`solvents.${i}`)
          "
          @update:model-value="setSolvent(i, old => solventWith(old, $event))"
        />
        <button
          type="button"
          class="button button-quiet mt-[21px]"
          :aria-label="`Take ${one.name} out`"
          @click="dropSolvent(i)"
        >
          take out
        </button>
      </div>
      <button
        v-if="named.length < 6"
        type="button"
        class="button button-quiet"
        :class="{ 'mt-[21px]': named.length > 0 }"
        @click="addSolvent"
      >
        Add another solvent
      </button>
    </div>
    <div v-if="sheet && pot" class="mt-3 grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-6 max-md:grid-cols-1">
      <table class="text-[14px]">
        <caption class="sr-only">
          Where the water comes from and goes
        </caption>
        <tbody>
          <tr v-for="row in rows" :key="row.name" class="border-b border-rule">
            <th scope="row" class="py-1 text-left font-normal text-soft">{{ row.name }}</th>
            <td class="figure py-1 text-right">
              <template v-if="row.figure.value >= 0">{{ row.sign }}</template>
              <FigureButton
                :most="4"
                :figure="row.figure"
                :of="`Water ${row.name}`"
                @working="emit('working', $event)"
              />
            </td>
          </tr>
          <tr>
            <th scope="row" class="py-1 text-left font-semibold">left in the pot</th>
            <td class="py-1 text-right font-semibold">
              <FigureButton
                :most="4"
                :figure="sheet.water.total"
                of="Water in the pot"
                @working="emit('working', $event)"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <div class="text-[14px]">
        <table v-if="pot.needs.length > 0" class="w-full">
          <caption class="mb-1 text-left text-[13px] text-soft">
            What the
            <FigureButton :most="3" :figure="pot.water" of="Water while it reacts" @working="emit('working', $event)" />
            there while it reacts must hold, at
            {{
              pot.celsius
            }}
            °C
          </caption>
          <thead>
            <tr class="text-right text-[13px] text-soft">
              <th class="text-left font-normal">Dissolved</th>
              <th class="font-normal">least water</th>
              <th class="font-normal">a third more</th>
              <th class="font-normal"><span class="sr-only">Enough</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="need in pot.needs" :key="need.formula" class="border-t border-rule text-right">
              <td class="py-1 text-left">
                <FormulaText :text="need.formula" /> <span class="small">{{ need.role }}</span>
              </td>
              <template v-if="need.least && need.advised">
                <td>
                  <FigureButton
                    :most="3"
                    :figure="need.least"
                    :of="`Least water for ${need.formula}`"
                    @working="emit('working', $event)"
                  />
                </td>
                <td class="figure">{{ formatFigure(need.advised, 3) }}</td>
                <td class="w-24" :class="need.enough ? 'text-verdigris' : 'font-semibold text-amber'">
                  {{ need.enough ? 'enough' : need.role === 'product' ? 'crystallises' : 'too little' }}
                </td>
              </template>
              <td v-else colspan="3" class="small py-1 text-left">
                {{ need.problem && explainSolubility(need.problem).why }}
              </td>
            </tr>
          </tbody>
        </table>
        <p class="mt-2">
          About
          <FigureButton :most="2" :figure="pot.liquid" of="Liquid in the pot" @working="emit('working', $event)" /> of
          liquid <span class="tag bg-amber-soft text-amber">estimate</span>; it may fill
          {{ pot.most > 0.6 ? 'two thirds' : pot.most > 0.4 ? 'half, since gas comes' : 'a third, since it foams' }} of
          the vessel: at least <b class="figure">{{ formatFigure(pot.vesselWanted, 2) }}</b>.
          <b v-if="pot.tooSmall" class="text-red">This vessel is too small.</b>
        </p>
      </div>
    </div>
  </PanelFrame>
</template>
