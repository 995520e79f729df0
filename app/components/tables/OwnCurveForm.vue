<script setup lang="ts">
import Papa from 'papaparse'
import { explainFormula, parseFormula, withWaters } from '#core/formula'
import { useLibraryStore } from '~/stores/library'

/** A solubility curve of the lab's own: points typed, pasted from a table, or read from a CSV file. */
const library = useLibraryStore()
const isOpen = ref(false)
const draft = reactive({ salt: '', waters: '0', source: '', points: '' })
const asked = ref(false)
const failure = ref('')
const read = computed(() => parseFormula(draft.salt))

/** Two columns, temperature and grams; anything that separates columns will do, and a heading line is passed over. */
const points = computed(() => {
  const { data } = Papa.parse<string[]>(draft.points.trim(), { skipEmptyLines: 'greedy' })
  const cells = data.map(row => (row.length > 1 ? row : (row[0] ?? '').trim().split(/[\s;]+/)).map(cell => cell.trim()))
  const rows = cells.map(row => [Number(row[0]), Number(row[1])] as const)
  const isHead = (i: number): boolean => i === 0 && Number.isNaN(rows[0]![0])
  const bad = rows.findIndex((row, i) => !isHead(i) && (!row.every(Number.isFinite) || row[1] <= 0))
  return {
    rows: rows.filter((row, i) => !isHead(i) && row.every(Number.isFinite)).sort((a, b) => a[0] - b[0]),
    bad: draft.points.trim() === '' || bad < 0 ? undefined : cells[bad]!.join(' '),
  }
})
const form = computed(() =>
  read.value.ok && Number(draft.waters) >= 0 ? withWaters(read.value.value.text, Number(draft.waters)) : '',
)

async function load(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file && file.size < 200_000) draft.points = await file.text()
}
async function add(): Promise<void> {
  asked.value = true
  failure.value = ''
  if (!read.value.ok || points.value.bad !== undefined || points.value.rows.length < 2 || draft.source.trim() === '')
    return
  try {
    await library.add({
      kind: 'curve',
      body: {
        salt: draft.salt,
        source: draft.source,
        grade: 'B',
        phases: [
          { waters: Number(draft.waters), points: points.value.rows.map(([t, g]) => [t, g] as [number, number]) },
        ],
      },
    })
    isOpen.value = false
    Object.assign(draft, { salt: '', points: '' })
    asked.value = false
  } catch (error) {
    const { data } = error as { data?: { detail?: string; problems?: { why: string; fix?: string }[] } }
    const first = data?.problems?.[0]
    failure.value = first
      ? `${first.why} ${first.fix ?? ''}`
      : (data?.detail ?? 'The server does not answer. What you typed is kept here; try again.')
  }
}
</script>

<template>
  <div>
    <button
      type="button"
      class="rounded px-1 text-[14px] text-verdigris underline"
      :aria-expanded="isOpen"
      @click="isOpen = !isOpen"
    >
      Add a curve of your own
    </button>
    <form
      v-if="isOpen"
      class="mt-2 grid grid-cols-[200px_minmax(0,1fr)] gap-4 rounded-lg border border-rule bg-paper px-4 py-3"
      @submit.prevent="add"
    >
      <div class="flex flex-col gap-2">
        <label
          ><span class="label">Salt, without its waters</span><input v-model="draft.salt" class="field figure" /><span
            v-if="asked && !read.ok"
            class="block text-[13px] text-red"
            >{{ explainFormula(read.problem).why }} {{ explainFormula(read.problem).fix }}</span
          ></label
        >
        <label
          ><span class="label">Waters of the solid</span
          ><input v-model="draft.waters" class="field figure text-right" inputmode="decimal"
        /></label>
        <label
          ><span class="label">Where it comes from</span
          ><input v-model="draft.source" class="field" maxlength="120" placeholder="our own, May" /><span
            v-if="asked && draft.source.trim() === ''"
            class="block text-[13px] text-red"
            >Say where it comes from.</span
          ></label
        >
      </div>
      <div>
        <label
          ><span class="label">°C and g in 100 g water, a point a line; type, paste from a table, or</span
          ><textarea v-model="draft.points" class="field figure h-28" placeholder="20  6.5&#10;40  12.0&#10;60  17.0" />
        </label>
        <label class="mt-1 block text-[13px]"
          >read a CSV file: <input type="file" accept=".csv,.tsv,.txt,text/csv" @change="load"
        /></label>
        <p class="small mt-1" role="status">
          {{ points.rows.length }} points<template v-if="form"> for <FormulaText :text="form" /></template>.
          <span v-if="points.bad !== undefined" class="text-red"
            >“{{ points.bad }}” is no temperature and mass: two numbers a line.</span
          >
          <span v-else-if="asked && points.rows.length < 2" class="text-red">Give at least two points.</span>
        </p>
        <p v-if="failure" class="text-[14px] text-red" role="alert">{{ failure }}</p>
        <button type="submit" class="button mt-2">Add the curve</button>
      </div>
    </form>
  </div>
</template>
