<script setup lang="ts">
import { parseFormula, withWaters } from '#core/formula'
import { formatValue } from '#core/quantity'
import { molarMass } from '#core/formula'
import { hazardStatements, substanceBlocks, type SubstanceRow } from '#core/reference'
import { searchRows } from '~/composables/useTableSearch'
import type { OwnRow } from '#core/document'
import { useLibraryStore } from '~/stores/library'

/** All substances, the lab's own first, and one of them in full with its forms beside each other. */
const { query, meant } = defineProps<{ query: string; meant: string | undefined }>()
const library = useLibraryStore()

interface Listed extends SubstanceRow {
  readonly source: string
  readonly ownId?: string
  readonly ownKey?: string
}
const rows = computed((): Listed[] => [
  ...library.rows.flatMap(row =>
    row.kind === 'substance'
      ? [{ ...(row.body as SubstanceRow), source: 'your lab', ownId: row.id, ownKey: row.key }]
      : [],
  ),
  ...substanceBlocks.flatMap(block => block.rows.map(row => ({ ...row, source: block.source }))),
])
const found = computed(() =>
  searchRows(
    rows.value,
    query,
    meant,
    row => [row.formula, row.name, ...(row.also ?? [])],
    row => row.formula,
  ),
)
const MOST = 120
const chosenKey = ref<string>()
const keyOf = (row: Listed): string => row.ownId ?? row.formula
const chosen = computed(() => found.value.find(row => keyOf(row) === chosenKey.value) ?? found.value[0])
const adds = ref(false)

const massOf = (text: string): string => {
  const read = parseFormula(text)
  return read.ok ? formatValue(molarMass(read.value), 'molar mass', 6) : ''
}
const hazards = computed(() =>
  (chosen.value?.hazards ?? []).map(code => hazardStatements.find(statement => statement.code === code)!),
)
const signal = computed(() =>
  hazards.value.length === 0 ? undefined : hazards.value.some(one => one.signal === 'Danger') ? 'Danger' : 'Warning',
)
const history = ref<{ key: string; name: string }>()
const failed = ref('')
async function bringBack(saved: unknown): Promise<void> {
  failed.value = ''
  try {
    await library.add({ kind: 'substance', body: saved as SubstanceRow } as OwnRow)
  } catch {
    failed.value =
      'It could not be brought back just now: the server did not answer, or your role does not let you. Try again.'
  }
}
async function remove(id: string): Promise<void> {
  failed.value = ''
  try {
    await library.remove(id)
  } catch {
    failed.value = 'It could not be taken out just now: the server did not answer. Try again.'
  }
}
</script>

<template>
  <div class="mt-3 grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_minmax(0,440px)] gap-6 max-md:grid-cols-1">
    <div class="min-w-0">
      <p class="small mb-1">
        {{ found.length }} of {{ rows.length }} substances<template v-if="found.length > MOST"
          >, the first {{ MOST }} shown</template
        >.
        <button type="button" class="rounded px-1 text-verdigris underline" @click="adds = !adds">
          {{ adds ? 'Cancel' : 'Add one of your own' }}
        </button>
      </p>
      <OwnSubstanceForm v-if="adds" class="mb-3" @done="adds = false" />
      <div class="max-h-[66vh] overflow-y-auto" tabindex="0" aria-label="Substances">
        <table class="w-full text-[14px]">
          <thead class="sticky top-0 bg-sheet">
            <tr class="text-left text-[13px] text-soft">
              <th class="font-normal">Formula</th>
              <th class="font-normal">Name</th>
              <th class="font-normal">In water</th>
              <th class="font-normal">In air</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="row in found.slice(0, MOST)"
              :key="keyOf(row)"
              class="border-t border-rule"
              :class="{ 'bg-verdigris-soft': row === chosen }"
            >
              <td class="py-1 pr-2">
                <ColourSwatch
                  class="mr-1.5"
                  :colour="row.forms?.[0] && { word: row.forms[0][1], swatch: row.forms[0][2] }"
                /><button type="button" class="rounded text-left" @click="chosenKey = keyOf(row)">
                  <FormulaText :text="row.formula" />
                </button>
              </td>
              <td class="pr-2">
                {{ row.name }}<span v-if="row.ownId" class="tag ml-1 bg-blue-soft text-blue">your lab’s</span>
              </td>
              <td class="pr-2">{{ row.water }}</td>
              <td>{{ row.air ?? '' }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="found.length === 0" class="py-3">Nothing here is called that. Add it as your lab’s own.</p>
      </div>
    </div>
    <article v-if="chosen" class="card self-start" aria-label="Substance">
      <h2 class="text-[17px] text-ink">{{ chosen.name }}</h2>
      <p class="text-[15px]">
        <FormulaText :text="chosen.formula" />, <span class="figure">{{ massOf(chosen.formula) }}</span>
        <span v-if="chosen.also" class="small block">also {{ chosen.also.join(', ') }}</span>
      </p>
      <table v-if="chosen.forms" class="mt-2 w-full text-[14px]">
        <caption class="sr-only">
          Its forms
        </caption>
        <thead>
          <tr class="text-left text-[13px] text-soft">
            <th class="font-normal">Form</th>
            <th class="text-right font-normal">g/mol</th>
            <th class="pl-3 font-normal">Colour</th>
            <th class="text-right font-normal">loses water from</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="[waters, word, swatch, until] in chosen.forms" :key="waters" class="border-t border-rule">
            <td class="py-1"><FormulaText :text="withWaters(chosen.formula, waters)" /></td>
            <td class="figure text-right">{{ massOf(withWaters(chosen.formula, waters)).replace(/\s.*/, '') }}</td>
            <td class="pl-3"><ColourSwatch :colour="{ word, swatch }" /> {{ word }}</td>
            <td class="figure text-right">{{ until === undefined ? '' : `${until} °C` }}</td>
          </tr>
        </tbody>
      </table>
      <dl class="facts mt-2 text-[14px]">
        <dt>State at 25 °C</dt>
        <dd>{{ chosen.state }}{{ chosen.volatile ? ', boils away from its solution' : '' }}</dd>
        <dt>Dissolves</dt>
        <dd>
          water: {{ chosen.water }}; ethanol: {{ chosen.ethanol ?? 'not known' }}; acetone:
          {{ chosen.acetone ?? 'not known' }}
        </dd>
        <dt>In air</dt>
        <dd>{{ chosen.air ?? 'not known' }}</dd>
        <dt>Decomposes</dt>
        <dd>{{ chosen.decomposes === undefined ? 'not known' : `from ${chosen.decomposes} °C` }}</dd>
        <dt>Hazards</dt>
        <dd>
          <template v-if="hazards.length > 0"
            ><b :class="signal === 'Danger' ? 'text-red' : 'text-amber'">{{ signal }}.</b>
            <span v-for="one in hazards" :key="one.code" class="block">{{ one.code }} {{ one.text }}</span></template
          ><template v-else>none listed; that is not the same as none</template>
        </dd>
        <dt>Source</dt>
        <dd class="small">{{ chosen.source }}</dd>
      </dl>
      <p class="small mt-2">The label, your site’s rules and a competent person come first.</p>
      <button
        v-if="chosen.ownId"
        type="button"
        class="mt-2 rounded px-1 text-red underline"
        @click="remove(chosen.ownId)"
      >
        Take this row out
      </button>
      <button
        v-if="chosen.ownKey"
        type="button"
        class="ml-3 mt-2 rounded px-1 text-verdigris underline"
        @click="history = { key: chosen.ownKey, name: chosen.name }"
      >
        As it was saved
      </button>
      <LazyThingHistory
        v-if="history"
        kind="own-row"
        :subject="`substance ${history.key}`"
        :title="history.name"
        @back="bringBack"
        @close="history = undefined"
      />
      <p v-if="failed" class="mt-1 text-amber" role="alert">{{ failed }}</p>
    </article>
  </div>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  row-gap: 3px;
}
.facts dt {
  color: var(--color-soft);
}
</style>
