<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { ArrowDown, ArrowUp, Copy, Trash2 } from '@lucide/vue'
import { formatFigure, type Figure } from '#core/quantity'
import {
  duplicateStage,
  fedBy,
  moveStage,
  removeStage,
  withBench,
  withInPot,
  withYield,
  type Plan,
  type StagePlan,
  type StageSheet,
} from '#core/sheet'
import type { Span } from '#core/problem'

/** The stages one under the other, each with what feeds it; a line at the left leads from what makes to what takes. */
const { plan, sheets, weighed, code, problemStages, problemAt } = defineProps<{
  plan: Plan
  sheets: readonly StageSheet[]
  /** What earlier stages really gave. */
  weighed: ReadonlyMap<string, Figure>
  code: string
  problemStages: readonly number[]
  problemAt: (...path: (string | number)[]) => { span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{
  change: [make: (plan: Plan) => Plan, key: string]
  before: [id: string, species: string]
}>()

const numberOf = (id: string): number => plan.stages.findIndex(stage => stage.id === id) + 1
const rows = computed(() =>
  plan.stages.map((stage, i) => ({
    stage,
    sheet: sheets.find(({ id }) => id === stage.id),
    isLast: i === plan.stages.length - 1,
    feeds: fedBy(plan, stage.id),
    bottles: stage.reagents.filter(({ supply }) => supply.kind !== 'stage'),
    sources: stage.reagents.flatMap(({ supply, species }) =>
      supply.kind === 'stage' ? [{ from: supply.from, species }] : [],
    ),
    up: moveStage(plan, stage.id, -1),
    down: moveStage(plan, stage.id, 1),
  })),
)
const editStage = (id: string, make: (stage: StagePlan) => StagePlan, key: string): void =>
  emit(
    'change',
    plan => ({ ...plan, stages: plan.stages.map(one => (one.id === id ? make(one) : one)) }),
    `${key} ${id}`,
  )

/** Where each stage begins and how high it is, so that the lines meet it. */
const list = useTemplateRef('list')
const places = ref<{ top: number; height: number }[]>([])
function measure(): void {
  places.value = [...(list.value?.children ?? [])].map(item => ({
    top: (item as HTMLElement).offsetTop,
    height: (item.firstElementChild as HTMLElement).offsetHeight,
  }))
}
useResizeObserver(list, measure)
watch(
  () => plan.stages.length,
  () => void nextTick(measure),
)

/** Lines from a stage to the one it feeds, drawn in lanes so that branches do not lie on each other. */
const lines = computed(() =>
  rows.value.flatMap(({ feeds }, from) =>
    feeds.flatMap(id => {
      const start = places.value[from]
      const end = places.value[numberOf(id) - 1]
      if (!start || !end) return []
      return [
        { key: `${from}-${id}`, out: start.top + start.height - 22, into: end.top + 26, lane: 46 - (from % 3) * 14 },
      ]
    }),
  ),
)
const height = computed(() => {
  const last = places.value.at(-1)
  return last ? last.top + last.height : 0
})
</script>

<template>
  <div class="relative pl-[64px]">
    <svg class="absolute left-0 top-0" width="64" :height="height" aria-hidden="true">
      <g fill="none" stroke="var(--color-verdigris)" stroke-width="2" stroke-linejoin="round">
        <template v-for="line in lines" :key="line.key">
          <path :d="`M 64 ${line.out} H ${line.lane} V ${line.into} H 60`" />
          <path :d="`M 54 ${line.into - 5} l 7 5 l -7 5`" />
        </template>
      </g>
    </svg>
    <ol ref="list">
      <li v-for="(row, i) in rows" :key="row.stage.id" class="pb-3">
        <article
          class="grid grid-cols-[minmax(0,1fr)_310px_auto] gap-4 rounded-lg border px-4 py-2.5 max-md:grid-cols-1"
          :class="problemStages.includes(i) ? 'border-red-edge' : 'border-rule'"
          :aria-label="`Stage ${i + 1}`"
        >
          <div class="min-w-0">
            <p class="flex items-baseline gap-2">
              <span class="figure text-[17px] font-semibold text-verdigris">{{ i + 1 }}</span>
              <input
                :value="row.stage.name ?? ''"
                class="min-w-0 flex-1 rounded px-1 font-semibold hover:bg-paper"
                :aria-label="`Name of stage ${i + 1}`"
                :placeholder="row.stage.product.form ?? row.stage.product.species"
                maxlength="80"
                @input="
                  editStage(
                    row.stage.id,
                    stage => withBench(stage, 'name', ($event.target as HTMLInputElement).value),
                    'name',
                  )
                "
              />
            </p>
            <p class="mt-0.5 text-[14px]"><StageEquation :stage="row.stage" /></p>
            <p class="mt-1 text-[13.5px] text-soft">
              <template v-for="(source, o) in row.sources" :key="source.species"
                ><template v-if="o > 0">, </template><FormulaText :text="source.species" /> from stage
                {{ numberOf(source.from) }}</template
              ><template v-if="row.sources.length > 0 && row.bottles.length > 0">; </template>
              <template v-for="(bottle, b) in row.bottles" :key="bottle.species"
                ><template v-if="b > 0">, </template><FormulaText :text="bottle.species" class="mr-1.5" /><button
                  type="button"
                  class="rounded text-verdigris underline"
                  :aria-label="`Make ${bottle.species} in a stage of its own`"
                  @click="emit('before', row.stage.id, bottle.species)"
                >
                  make it
                </button></template
              >
            </p>
          </div>
          <div class="text-[14px]">
            <p v-if="row.sheet">
              <b class="figure">{{ formatFigure(row.sheet.products[0]!.theoretical, 4) }}</b> at most of
              <FormulaText :text="row.sheet.products[0]!.form" />
            </p>
            <p v-if="weighed.has(row.stage.id)" class="font-semibold text-verdigris">
              {{ formatFigure(weighed.get(row.stage.id)!) }} weighed; what follows uses that
            </p>
            <div class="mt-1 flex items-center gap-3">
              <template v-if="!row.stage.target?.yield">
                <QuantityField
                  hidden
                  class="w-[86px]"
                  :label="`Expected yield of stage ${i + 1}`"
                  unit="%"
                  placeholder="100 %"
                  :model-value="row.stage.yield ?? ''"
                  :problem="problemAt('stages', i, 'yield')"
                  @update:model-value="editStage(row.stage.id, stage => withYield(stage, $event), 'yield')"
                />
                <span class="text-soft">expected</span>
              </template>
              <label v-if="!row.isLast" class="flex items-center gap-2 whitespace-nowrap"
                ><input
                  type="checkbox"
                  class="size-4 accent-verdigris"
                  :checked="row.stage.inPot === true"
                  @change="
                    editStage(
                      row.stage.id,
                      stage => withInPot(stage, ($event.target as HTMLInputElement).checked),
                      'pot',
                    )
                  "
                />
                stays in the pot</label
              >
            </div>
          </div>
          <div class="flex flex-wrap content-start items-start gap-1">
            <NuxtLink
              :to="{ path: `/batches/${code}/sheet`, query: { stage: row.stage.id } }"
              class="button button-quiet min-h-8 px-3"
              :aria-label="`Sheet of stage ${i + 1}`"
              >Sheet</NuxtLink
            >
            <button
              type="button"
              class="tool"
              :disabled="!row.up"
              :aria-label="`Move stage ${i + 1} up`"
              @click="emit('change', plan => moveStage(plan, row.stage.id, -1) ?? plan, `move ${i}`)"
            >
              <ArrowUp :size="16" />
            </button>
            <button
              type="button"
              class="tool"
              :disabled="!row.down"
              :aria-label="`Move stage ${i + 1} down`"
              @click="emit('change', plan => moveStage(plan, row.stage.id, 1) ?? plan, `move ${i}`)"
            >
              <ArrowDown :size="16" />
            </button>
            <button
              type="button"
              class="tool"
              :aria-label="`Copy stage ${i + 1}`"
              @click="emit('change', plan => duplicateStage(plan, row.stage.id), `copy ${i}`)"
            >
              <Copy :size="16" />
            </button>
            <button
              type="button"
              class="tool"
              :disabled="rows.length < 2"
              :aria-label="`Take stage ${i + 1} out`"
              @click="emit('change', plan => removeStage(plan, row.stage.id), `remove ${i}`)"
            >
              <Trash2 :size="16" />
            </button>
          </div>
        </article>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.tool {
  display: grid;
  place-items: center;
  width: 32px;
  height: 32px;
  border: 1px solid var(--color-edge);
  border-radius: 6px;
  background: var(--color-card);
}
.tool:disabled {
  border-color: var(--color-rule);
  color: var(--color-rule);
}
</style>
