<script setup lang="ts">
import { useNow } from '@vueuse/core'
import type { ClassSpread } from '#core/classroom'
import type { WholeClass } from '~/components/class/ClassSetUp.vue'
import type { LiveRow } from '~/components/class/LiveTable.vue'
import { send } from '~/composables/useAsked'
import { useBenchStore } from '~/stores/bench'

interface Table {
  readonly name: string
  readonly code: string
  readonly isPending: boolean
  readonly releasedAt?: string
  readonly rows: readonly LiveRow[]
  readonly yields?: ClassSpread
  readonly assays?: ClassSpread
  readonly recovered?: ClassSpread
}
/** A class from the instructor's bench: the live table, the marks, and what it needs. */
const route = useRoute()
const bench = useBenchStore()
const id = computed(() => String(route.params.id))
const tabs = [
  { key: 'live', name: 'Live' },
  { key: 'marks', name: 'Marks' },
  { key: 'set-up', name: 'People, jars, solutions' },
] as const
const tab = computed(() => tabs.find(({ key }) => key === route.query.show)?.key ?? 'live')
const table = shallowRef<Table>()
const whole = shallowRef<WholeClass>()
const failure = ref('')
const now = useNow({ interval: 20_000 })
useHead({ title: () => `${table.value?.name ?? 'Class'} · Zip Ledger` })

let asked = 0
async function load(): Promise<void> {
  const mine = (asked += 1)
  try {
    const read = await send<Table>(`/api/classes/${id.value}/table`)
    if (mine !== asked) return
    table.value = read
    failure.value = ''
    if (read.isPending) soon(AGAIN)
  } catch (error) {
    if (mine !== asked) return
    failure.value = (error as { data?: { detail?: string } }).data?.detail ?? 'The server does not answer.'
    soon(RETRY)
  }
}
const AGAIN = 700
const RETRY = 5000
const SETTLE = 150
let timer: ReturnType<typeof setTimeout> | undefined
function soon(wait: number): void {
  clearTimeout(timer)
  timer = setTimeout(load, wait)
}
onScopeDispose(() => clearTimeout(timer))
async function loadWhole(): Promise<void> {
  whole.value = await send<WholeClass>(`/api/classes/${id.value}`).catch(() => undefined)
}
onMounted(() => {
  void load()
  void loadWhole()
})
// The bench hears of every change; what it hears may be of this class.
watch(
  () => bench.bench,
  () => soon(SETTLE),
)
watch(now, () => soon(SETTLE))
function changed(): void {
  void load()
  void loadWhole()
}
const points = (value: (row: LiveRow) => number | undefined) =>
  (table.value?.rows ?? []).flatMap(row => {
    const found = value(row)
    return found === undefined ? [] : [{ group: row.group.number, section: row.group.section, value: found }]
  })
const yields = computed(() => points(({ state }) => state?.percent))
const assays = computed(() => points(({ state }) => state?.assay?.mean))
const recovered = computed(() =>
  points(({ state, key }) => (state?.assay && key !== undefined ? (state.assay.mean / key) * 100 : undefined)),
)
const unit = computed(() => table.value?.rows.find(({ state }) => state?.assay)?.state?.assay?.unit ?? '')
const wanting = computed(() => table.value?.rows.filter(({ group }) => group.helpAt).length ?? 0)
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <div class="flex flex-wrap items-end justify-between gap-3">
      <div>
        <p class="small"><NuxtLink to="/class" class="text-verdigris underline">Classes</NuxtLink></p>
        <h1>{{ table?.name ?? 'Class' }}</h1>
        <p v-if="table" class="mt-0.5 text-[14px] text-soft">
          Code <span class="figure text-ink">{{ table.code }}</span> · {{ table.rows.length }} groups ·
          {{ table.releasedAt ? 'key released' : 'key sealed' }}
          <b v-if="wanting > 0" class="text-amber"> · {{ wanting }} {{ wanting === 1 ? 'asks' : 'ask' }} for help</b>
        </p>
      </div>
      <a :href="`/api/classes/${id}/grades.csv`" class="button button-quiet" download>Grades as CSV</a>
    </div>
    <p v-if="failure" class="mt-3 text-amber" role="status">{{ failure }}</p>
    <nav class="mt-3 flex flex-wrap gap-1 border-b border-rule" aria-label="Parts of the class">
      <NuxtLink
        v-for="one in tabs"
        :key="one.key"
        :to="{ query: { show: one.key } }"
        class="rounded-t-md px-3 py-1.5 text-[14px]"
        :class="one.key === tab ? 'border border-b-0 border-rule bg-paper font-semibold' : 'text-soft hover:bg-paper'"
        :aria-current="one.key === tab ? 'page' : undefined"
        >{{ one.name }}</NuxtLink
      >
    </nav>
    <div class="mt-4">
      <template v-if="tab === 'live'">
        <p v-if="!table && !failure" class="text-soft" aria-busy="true">Reading the class.</p>
        <template v-if="table">
          <div v-if="table.yields || table.assays" class="mb-4 grid gap-4 lg:grid-cols-2">
            <LazyResultStrip v-if="table.yields" title="Yield" unit="%" :points="yields" :spread="table.yields" />
            <LazyResultStrip
              v-if="table.recovered"
              title="Found, of the key"
              unit="%"
              :points="recovered"
              :spread="table.recovered"
              :key-at="100"
            />
            <LazyResultStrip
              v-else-if="table.assays"
              title="Assay"
              :unit="unit"
              :points="assays"
              :spread="table.assays"
            />
          </div>
          <LiveTable
            :rows="table.rows"
            :now="now.getTime()"
            :is-released="table.releasedAt !== undefined"
            :outliers="{
              yields: table.yields?.outliers ?? [],
              assays: (table.recovered ?? table.assays)?.outliers ?? [],
            }"
          />
        </template>
      </template>
      <LazyMarksTable v-else-if="tab === 'marks'" :id="id" />
      <template v-else>
        <LazyClassSetUp v-if="whole" :whole="whole" @changed="changed" />
        <p v-else class="text-soft">
          Reading the class.
          <button type="button" class="text-verdigris underline" @click="loadWhole">Try again</button>
        </p>
      </template>
    </div>
  </main>
</template>
