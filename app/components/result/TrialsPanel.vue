<script setup lang="ts">
import { compareTrials, type Trial } from '#core/outcome'
import type { BatchSummary } from '~/composables/useBatchList'

/** This yield beside those of the lab's other trials of the same product: mean, scatter, whether it differs, and groups against each other. */
const { here, others } = defineProps<{
  here: { code: string; title: string; percent: number; spread: number }
  others: readonly BatchSummary[]
}>()
const groups = ['', 'A', 'B', 'C'] as const
/** Trials that are left out, and the group of each that has one. */
const left = ref<ReadonlySet<string>>(new Set())
const groupOf = ref<Readonly<Record<string, string>>>({})

const trials = computed(() => [
  here,
  ...others.flatMap(({ code, title, result }) => (result ? [{ code, title, ...result }] : [])),
])
const asTrial = ({ code, percent, spread }: (typeof trials.value)[number]): Trial => ({
  code,
  percent,
  spread,
  ...(groupOf.value[code] && { group: `group ${groupOf.value[code]}` }),
})
const judged = computed(() =>
  compareTrials(
    asTrial(here),
    trials.value.slice(1).flatMap(one => (left.value.has(one.code) ? [] : [asTrial(one)])),
  ),
)
const most = computed(() => Math.max(1, ...trials.value.map(({ percent }) => percent)))
function turn(code: string, isIn: boolean): void {
  left.value = new Set(isIn ? [...left.value].filter(one => one !== code) : [...left.value, code])
}
const valueOf = (event: Event): string => (event.target as HTMLSelectElement).value
const isChecked = (event: Event): boolean => (event.target as HTMLInputElement).checked
</script>

<template>
  <section aria-label="Other trials">
    <h2 class="mb-1 mt-5 text-[15px] text-ink">Beside other trials of it</h2>
    <template v-if="judged">
      <p class="text-[14px]" data-testid="trials">
        <span
          class="tag mr-1"
          :class="
            judged.here.differs === undefined
              ? 'text-soft'
              : judged.here.differs
                ? 'bg-amber-soft text-amber'
                : 'bg-verdigris-soft text-verdigris'
          "
          >{{
            judged.here.differs === undefined ? 'not known' : judged.here.differs ? 'differs' : 'does not differ'
          }}</span
        >
        {{ judged.here.words }}
      </p>
      <p class="text-[14px]">
        All {{ judged.count }}: mean <span class="figure font-semibold">{{ judged.mean.toFixed(1) }} %</span
        ><template v-if="judged.deviation !== undefined && judged.expanded !== undefined">
          ± <span class="figure">{{ judged.expanded.toFixed(1) }}</span> (95 %), standard deviation
          <span class="figure">{{ judged.deviation.toFixed(1) }}</span> percentage points</template
        >.
        <template v-if="judged.outlier"
          >{{ judged.outlier }} lies apart from the rest by Grubbs’ test; it is not left out by itself.</template
        >
      </p>
      <p v-for="words in judged.groups" :key="words" class="text-[14px]">{{ words }}</p>
    </template>
    <p v-else class="small">All the others are left out.</p>
    <table class="mt-1 w-full border-collapse text-[14px]">
      <caption class="sr-only">
        Trials
      </caption>
      <thead>
        <tr class="text-left text-soft">
          <th class="py-1 font-normal">In</th>
          <th class="font-normal">Batch</th>
          <th class="text-right font-normal">Yield, %</th>
          <th class="pl-4 font-normal max-sm:hidden"><span class="sr-only">Shown</span></th>
          <th class="pl-3 font-normal">Group</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(one, i) in trials" :key="one.code" class="border-t border-rule">
          <td class="py-1">
            <input
              type="checkbox"
              class="size-5 accent-verdigris"
              :aria-label="`Count ${one.code} in`"
              :checked="!left.has(one.code)"
              :disabled="i === 0"
              @change="turn(one.code, isChecked($event))"
            />
          </td>
          <td>
            <span v-if="i === 0" class="font-semibold">{{ one.code }}, this one</span
            ><NuxtLink v-else :to="`/batches/${one.code}/yield`" class="text-verdigris underline">{{
              one.code
            }}</NuxtLink>
            <span class="ml-2 text-soft max-sm:hidden">{{ one.title }}</span>
          </td>
          <td class="figure text-right">{{ (one.percent * 100).toFixed(1) }}</td>
          <td class="w-[30%] pl-4 max-sm:hidden" aria-hidden="true">
            <span class="block h-2 rounded bg-paper"
              ><span
                class="block h-2 rounded"
                :class="i === 0 ? 'bg-verdigris' : 'bg-soft'"
                :style="{ width: `${(100 * one.percent) / most}%` }"
            /></span>
          </td>
          <td class="pl-3">
            <select
              class="field min-h-9 w-[72px]"
              :aria-label="`Group of ${one.code}`"
              :value="groupOf[one.code] ?? ''"
              @change="groupOf = { ...groupOf, [one.code]: valueOf($event) }"
            >
              <option v-for="group in groups" :key="group" :value="group">{{ group || 'none' }}</option>
            </select>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
