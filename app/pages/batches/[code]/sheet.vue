<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { Redo2, Undo2 } from '@lucide/vue'
import type { Figure } from '#core/quantity'
import { sheetNotes, type MarginNote } from '#core/result'
import {
  explainPlan,
  findReagent,
  readReaction,
  withEquation,
  withForm,
  withSupply,
  withYield,
  type SupplyPlan,
} from '#core/sheet'
import { useBatchStore } from '~/stores/batch'

const batch = useBatchStore()
const stage = computed(() => batch.stage!)
const stageAt = computed(() => batch.document!.plan.stages.length - 1)
const reaction = computed(() => readReaction(stage.value.equation))
const sheet = computed(() => batch.sheet?.stages.at(-1))

/** The theoretical yield's working stands open until something else is asked for. */
const theoretical = computed(() => sheet.value?.products[0]?.theoretical)
const open = ref<{ panel: 'working'; figure: Figure } | { panel: 'supply'; species: string } | { panel: 'product' }>()
const workingOf = ref('')
const editsEquation = ref(false)
const equation = computed({
  get: () => stage.value.equation,
  set: text => batch.change(stage => withEquation(stage, text), 'equation'),
})

const problemAt = (...path: (string | number)[]) => batch.problemAt('stages', stageAt.value, ...path)
const supplyIndex = (species: string): number => stage.value.reagents.indexOf(findReagent(stage.value, species)!)

/** An open working follows its figure as the sheet changes. */
watch(sheet, now => {
  if (open.value?.panel !== 'working' || !now) return
  const fresh = figuresOf(now).find(figure => figure.name === workingOf.value)
  if (fresh) open.value = { panel: 'working', figure: fresh }
})
const figuresOf = (now: NonNullable<typeof sheet.value>): Figure[] => [
  ...now.reagents.flatMap(({ amount, equivalents, leftover }) => [amount, equivalents, leftover.mass]),
  ...now.products.flatMap(({ amount, theoretical }) => [amount, theoretical]),
  ...now.gases.map(({ volume }) => volume),
  now.water.total,
  now.water.fromReagents,
  now.water.fromReaction,
  now.water.intoProduct,
]
function showWorking(figure: Figure): void {
  workingOf.value = figure.name
  open.value = { panel: 'working', figure }
}

const notes = computed((): MarginNote[] => {
  if (sheet.value) return sheetNotes(sheet.value)
  const found = batch.problem
  if (!found || scaleProblem.value) return []
  return [
    { tone: 'caution', tag: 'Does not read', text: 'Something typed on this sheet does not read, marked in red where it stands. No figure is shown until it does.' },
  ]
})
const scaleProblem = computed(() => {
  const found = batch.problem
  return found && ['sheet.no-scale', 'sheet.two-scales'].includes(found.problem.code) ? explainPlan(found) : undefined
})
const expected = computed(() => batch.sheet?.overall.expected)

onKeyStroke(['z', 'Z'], event => {
  if (!(event.ctrlKey || event.metaKey)) return
  event.preventDefault()
  if (event.shiftKey) batch.redo()
  else batch.undo()
})
onKeyStroke('Escape', () => {
  open.value = undefined
})
</script>

<template>
  <div class="sheet-page grid min-h-0 flex-1">
    <main class="min-w-0 bg-sheet px-[22px] py-[18px]">
      <div class="flex items-start gap-3">
        <div class="min-w-0 flex-1">
          <h1>
            <input
              :value="batch.document!.title"
              class="-ml-1.5 w-full rounded px-1.5 font-semibold hover:bg-paper"
              aria-label="Title"
              maxlength="120"
              @input="batch.rename(($event.target as HTMLInputElement).value)"
            />
          </h1>
          <p class="mt-0.5 flex items-center gap-2 text-[14px] text-soft">
            <EquationText v-if="reaction.ok" :reaction="reaction.value" />
            <button type="button" class="rounded px-1 text-verdigris underline" @click="editsEquation = !editsEquation">
              {{ editsEquation ? 'Done' : 'Change the equation' }}
            </button>
          </p>
        </div>
        <div class="flex items-center gap-2 pt-1">
          <SaveSign :saving="batch.saving" />
          <button
            type="button"
            class="grid size-8 place-items-center rounded border border-edge disabled:border-rule disabled:text-rule"
            :disabled="!batch.canUndo"
            aria-label="Undo"
            title="Undo (Ctrl Z)"
            @click="batch.undo()"
          >
            <Undo2 :size="16" />
          </button>
          <button
            type="button"
            class="grid size-8 place-items-center rounded border border-edge disabled:border-rule disabled:text-rule"
            :disabled="!batch.canRedo"
            aria-label="Redo"
            title="Redo (Ctrl Shift Z)"
            @click="batch.redo()"
          >
            <Redo2 :size="16" />
          </button>
        </div>
      </div>
      <ConflictBanner
        v-if="batch.conflict"
        class="mt-3"
        :changes="batch.conflict.changes"
        @theirs="batch.takeTheirs()"
        @mine="batch.keepMine()"
      />
      <EquationField v-if="editsEquation || !reaction.ok" v-model="equation" class="mt-3" label="Equation" />

      <template v-if="reaction.ok">
        <SheetTable
          class="mt-4"
          :stage="stage"
          :reaction="reaction.value"
          :sheet="sheet"
          :problem-at="problemAt"
          @change="batch.change"
          @working="showWorking"
          @supply="open = { panel: 'supply', species: $event }"
          @product="open = { panel: 'product' }"
        />
        <p v-if="scaleProblem" class="mt-3 rounded-lg border border-blue-edge bg-blue-soft px-3 py-2" role="status">
          {{ scaleProblem.why }} {{ scaleProblem.fix }}
        </p>
        <dl v-if="sheet" class="facts mt-4">
          <div>
            <dt>Water in the pot</dt>
            <dd>
              <FigureButton :most="4" :figure="sheet.water.total" of="Water in the pot" @working="showWorking" /><span
                v-if="sheet.water.estimated"
                class="tag ml-1 bg-amber-soft text-amber"
                >estimate</span
              >
            </dd>
          </div>
          <div>
            <dt>with the reagents</dt>
            <dd>
              <FigureButton
                :most="4"
                :figure="sheet.water.fromReagents"
                of="Water with the reagents"
                @working="showWorking"
              />
            </dd>
          </div>
          <div>
            <dt>made, or eaten</dt>
            <dd>
              <FigureButton
                :most="4"
                :figure="sheet.water.fromReaction"
                of="Water from the reaction"
                @working="showWorking"
              />
            </dd>
          </div>
          <div>
            <dt>into the crystals</dt>
            <dd>
              <FigureButton
                :most="4"
                :figure="sheet.water.intoProduct"
                of="Water into the product"
                @working="showWorking"
              />
            </dd>
          </div>
          <div>
            <dt>Expected{{ stage.yield ? `, at ${stage.yield}` : '' }}</dt>
            <dd>
              <FigureButton :most="4" v-if="expected" :figure="expected" of="Expected product" @working="showWorking" />
            </dd>
          </div>
        </dl>
        <WorkingPanel v-if="open?.panel === 'working'" closes :figure="open.figure" @close="open = undefined" />
        <SupplyPanel
          v-else-if="open?.panel === 'supply'"
          :species="open.species"
          :supply="findReagent(stage, open.species)?.supply ?? { kind: 'solid' }"
          :problem-at="key => problemAt('reagents', supplyIndex((open as { species: string }).species), 'supply', key)"
          @change="
            (supply: SupplyPlan) =>
              batch.change(stage => withSupply(stage, (open as { species: string }).species, supply), 'supply')
          "
          @close="open = undefined"
        />
        <ProductPanel
          v-else-if="open?.panel === 'product'"
          :species="stage.product.species"
          :form="stage.product.form ?? stage.product.species"
          :expected="stage.yield ?? ''"
          :problem-at="problemAt"
          @form="text => batch.change(stage => withForm(stage, text), 'form')"
          @expected="text => batch.change(stage => withYield(stage, text), 'yield')"
          @close="open = undefined"
        />
        <WorkingPanel v-else-if="theoretical" :figure="theoretical" />
        <p v-if="sheet && !open" class="small mt-3">
          Press a figure to see its working, what a reagent comes as to change its bottle, or a pin to say what sets the
          scale.
        </p>
      </template>
    </main>
    <MarginColumn :notes="notes" />
  </div>
</template>

<style scoped>
.sheet-page {
  grid-template-columns: minmax(0, 1fr) 280px;
}
@media (max-width: 900px) {
  .sheet-page {
    grid-template-columns: 1fr;
  }
}
.facts {
  display: flex;
  flex-wrap: wrap;
  border: 1px solid var(--color-rule);
  border-radius: 8px;
}
.facts div {
  flex: 1 1 110px;
  padding: 8px 12px;
  border-right: 1px solid var(--color-rule);
}
.facts div:last-child {
  border: 0;
}
.facts dt {
  font-size: 12.5px;
  color: var(--color-soft);
}
.facts dd {
  font-size: 17px;
  font-weight: 600;
}
</style>
