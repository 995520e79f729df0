<script setup lang="ts">
import { formatFigure } from '#core/quantity'
import { addStageAfter, addStageFor, elementUse, portionsFor, type Plan } from '#core/sheet'
import { useBatchStore } from '~/stores/batch'
import { useLibraryStore } from '~/stores/library'

const batch = useBatchStore()
const library = useLibraryStore()
const plan = computed(() => batch.document!.plan)
const overall = computed(() => batch.sheet?.overall)
const uses = computed(() =>
  batch.read?.ok && batch.sheet && overall.value
    ? elementUse(batch.read.value, batch.sheet, overall.value.expected)
    : [],
)
const problemStages = computed(() =>
  batch.problems.flatMap(({ path }) => (typeof path[1] === 'number' ? [path[1]] : [])),
)
const share = computed(() =>
  overall.value && overall.value.theoretical.value > 0
    ? (overall.value.expected.value / overall.value.theoretical.value) * 100
    : undefined,
)

/** Adding a stage: after the last, or before the one whose reagent it makes. */
const adding = ref<{ before?: { id: string; species: string } }>()
const draft = reactive({ product: '', equation: '' })
const failed = ref(false)
function add(): void {
  const before = adding.value?.before
  const equation = library.writtenOut(draft.equation)
  const make = (current: Plan): Plan | undefined =>
    before
      ? addStageFor(current, before.id, before.species, equation)
      : addStageAfter(current, library.writtenOut(draft.product), equation)
  failed.value = make(plan.value) === undefined
  if (failed.value) return
  batch.changePlan(current => make(current) ?? current, `add ${Date.now()}`)
  adding.value = undefined
  Object.assign(draft, { product: '', equation: '' })
}

const factor = ref('2')
const students = ref('24')
const group = ref('2')
const isNumber = (text: string): boolean => /^\s*\d+(\.\d+)?\s*$/.test(text) && Number(text) > 0
const portions = computed(() =>
  isNumber(students.value) && isNumber(group.value)
    ? portionsFor(Number(students.value), Number(group.value))
    : undefined,
)
function scale(by: number): void {
  batch.scale(by)
}
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px]">
    <div class="flex items-start gap-3">
      <div class="min-w-0 flex-1">
        <h1>Route of {{ batch.document!.title }}</h1>
        <p class="mt-0.5 text-[14px] text-soft">
          <template v-if="overall && share !== undefined">
            <b class="figure text-ink">{{ formatFigure(overall.expected, 4) }}</b> of
            <FormulaText :text="overall.form" /> expected, {{ share.toFixed(0) }} % of the
            <span class="figure">{{ formatFigure(overall.theoretical, 4) }}</span> that all stages at 100 % would give.
            <template v-for="(use, i) in uses" :key="use.element"
              ><template v-if="i > 0">, </template><b class="figure text-ink">{{ formatFigure(use.share, 3) }}</b> of
              the {{ use.element }}<template v-if="i === 0"> (it limits)</template></template
            ><template v-if="uses.length > 0"> ends in the product.</template>
          </template>
          <template v-else>Something on the sheets is open yet; the figures follow once they read.</template>
        </p>
      </div>
      <UndoButtons :of="batch" />
    </div>
    <ConflictBanner v-if="batch.clashes.length > 0" class="mt-3" :clashes="batch.clashes" @settle="batch.settle" />
    <PanelGuard name="The route"
      ><RouteMap
        class="mt-4"
        :plan="plan"
        :sheets="batch.sheets"
        :weighed="batch.weighed"
        :code="batch.code"
        :problem-stages="problemStages"
        :problem-at="batch.problemAt"
        @change="batch.changePlan"
        @before="(id, species) => (adding = { before: { id, species } })"
    /></PanelGuard>
    <form v-if="adding" class="mt-4 rounded-lg border border-rule bg-paper px-4 py-3" @submit.prevent="add">
      <h2 class="text-[15px] font-semibold text-ink">
        <template v-if="adding.before">A stage that makes <FormulaText :text="adding.before.species" /></template>
        <template v-else>A stage that goes on from the last</template>
      </h2>
      <div class="mt-2 grid gap-4 md:grid-cols-2">
        <FormulaField v-if="!adding.before" v-model="draft.product" label="Its product, in the form isolated" />
        <EquationField v-model="draft.equation" label="Its equation" />
      </div>
      <p v-if="failed" class="text-[14px] text-red" role="alert">
        {{
          adding.before
            ? 'This equation does not make what the stage is for: check its products.'
            : 'The equation and the product must both read, and the one make the other.'
        }}
      </p>
      <div class="mt-2 flex gap-3">
        <button type="submit" class="button">Add the stage</button>
        <button type="button" class="button button-quiet" @click="adding = undefined">Cancel</button>
      </div>
    </form>
    <button v-else type="button" class="button button-quiet mt-4" @click="adding = {}">
      Add a stage after the last
    </button>

    <section class="mt-6 grid gap-6 border-t border-rule pt-4 md:grid-cols-2" aria-label="Scale">
      <div>
        <h2 class="text-[15px] font-semibold text-ink">Scale the whole batch</h2>
        <p class="small mb-2">Charges, targets, solvent, vessel and trap grow; shares, strengths and times do not.</p>
        <div class="flex items-end gap-2">
          <button type="button" class="button button-quiet" @click="scale(2)">Double it</button>
          <button type="button" class="button button-quiet" @click="scale(0.5)">Halve it</button>
          <label class="ml-2"
            ><span class="label">times</span
            ><input v-model="factor" class="field figure w-20 text-right" inputmode="decimal"
          /></label>
          <button
            type="button"
            class="button button-quiet"
            :disabled="!isNumber(factor)"
            @click="scale(Number(factor))"
          >
            Scale
          </button>
        </div>
      </div>
      <div>
        <h2 class="text-[15px] font-semibold text-ink">For a class</h2>
        <p class="small mb-2">The batch as it stands is one portion; this makes it the stock for them all.</p>
        <div class="flex items-end gap-2">
          <label
            ><span class="label">students</span
            ><input v-model="students" class="field figure w-20 text-right" inputmode="numeric"
          /></label>
          <label
            ><span class="label">in groups of</span
            ><input v-model="group" class="field figure w-20 text-right" inputmode="numeric"
          /></label>
          <button type="button" class="button button-quiet" :disabled="!portions" @click="scale(portions!)">
            {{ portions ? `For ${portions} portions` : 'For so many' }}
          </button>
        </div>
      </div>
    </section>
  </main>
</template>
