<script setup lang="ts">
import { formatDistanceStrict } from 'date-fns'
import type { RunState } from '#core/classroom'

export interface LiveRow {
  readonly group: {
    readonly number: number
    readonly section: string
    readonly batch: string
    readonly helpAt?: string
  }
  readonly members: readonly { readonly name: string; readonly isIn: boolean }[]
  readonly state?: RunState
  readonly answered: number
  readonly key?: number
}
/** A row a bench: who, at which step, since when nothing came, what came out, and a mark where help is wanted. */
const { rows, now, isReleased, outliers } = defineProps<{
  rows: readonly LiveRow[]
  now: number
  isReleased: boolean
  outliers: { readonly yields: readonly number[]; readonly assays: readonly number[] }
}>()

/** Nothing recorded for so long, ms, while the run goes on: somebody looks. A judgement. */
const QUIET = 20 * 60_000
/** Those who want somebody first, then as they stand on the benches. */
const ordered = computed(() =>
  rows.toSorted(
    (a, b) =>
      Number(b.group.helpAt !== undefined) - Number(a.group.helpAt !== undefined) || a.group.number - b.group.number,
  ),
)
const isQuiet = ({ state }: LiveRow): boolean =>
  state?.lastAt !== undefined && !state.isDone && now - Date.parse(state.lastAt) > QUIET
/** Names, and of each whether they have come; once where nobody has. */
function whoOf({ members }: LiveRow): string {
  const names = members.map(({ name }) => name).join(', ')
  if (members.length > 0 && members.every(({ isIn }) => !isIn)) return `${names} (not in yet)`
  return members.map(({ name, isIn }) => (isIn ? name : `${name} (not in yet)`)).join(', ')
}
const sinceOf = ({ state }: LiveRow): string =>
  state?.lastAt === undefined ? '' : `${formatDistanceStrict(Date.parse(state.lastAt), now)} ago`
const offOf = ({ state, key }: LiveRow): string =>
  state?.assay && key !== undefined ? `${(((state.assay.mean - key) / key) * 100).toFixed(1)}\u202f%` : ''
</script>

<template>
  <div class="overflow-x-auto" tabindex="0" role="region" aria-label="The benches">
    <table class="w-full min-w-[760px] text-[14px]">
      <thead>
        <tr class="small text-left">
          <th scope="col" class="py-1 pr-3 font-normal">Group</th>
          <th scope="col" class="py-1 pr-3 font-normal">Who</th>
          <th scope="col" class="py-1 pr-3 font-normal">Step</th>
          <th scope="col" class="py-1 pr-3 font-normal">Last entry</th>
          <th scope="col" class="py-1 pr-3 text-right font-normal">Yield</th>
          <th scope="col" class="py-1 pr-3 text-right font-normal">Assay</th>
          <th v-if="isReleased" scope="col" class="py-1 pr-3 text-right font-normal">Off the key</th>
          <th scope="col" class="py-1 font-normal">Wanted</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="row in ordered"
          :key="row.group.number"
          class="border-t border-rule align-top"
          :class="{ 'bg-amber-soft': row.group.helpAt }"
        >
          <td class="py-1.5 pr-3">
            <NuxtLink
              :to="`/batches/${row.group.batch}/run`"
              class="figure font-semibold text-verdigris underline"
              :aria-label="`Group ${row.group.number}, to its run`"
              >{{ row.group.number }}</NuxtLink
            >
            <span v-if="row.group.section" class="small ml-1.5">{{ row.group.section }}</span>
          </td>
          <td class="py-1.5 pr-3">
            <span :class="{ 'text-soft': row.members.every(({ isIn }) => !isIn) }">{{ whoOf(row) }}</span>
          </td>
          <td class="py-1.5 pr-3">
            <template v-if="row.state"
              ><span v-if="row.state.done > 0" class="figure mr-1.5 text-soft"
                >{{ row.state.done }}/{{ row.state.steps }}</span
              ><RichText :text="row.state.step"
            /></template>
            <span v-else class="text-soft">not worked out yet</span>
          </td>
          <td class="whitespace-nowrap py-1.5 pr-3" :class="isQuiet(row) ? 'text-amber' : 'text-soft'">
            {{ sinceOf(row) }}
          </td>
          <td
            class="figure whitespace-nowrap py-1.5 pr-3 text-right"
            :class="{ 'text-red': outliers.yields.includes(row.group.number) }"
          >
            {{ row.state?.percent === undefined ? '' : `${row.state.percent.toFixed(1)}\u202f%` }}
            <span v-if="outliers.yields.includes(row.group.number)" class="small text-red">suspected</span>
          </td>
          <td
            class="figure whitespace-nowrap py-1.5 pr-3 text-right"
            :class="{ 'text-red': outliers.assays.includes(row.group.number) }"
          >
            {{ row.state?.assay ? `${row.state.assay.mean.toPrecision(4)}\u202f${row.state.assay.unit}` : '' }}
            <span v-if="row.state?.assay" class="small">of {{ row.state.assay.values.length }}</span>
          </td>
          <td v-if="isReleased" class="figure whitespace-nowrap py-1.5 pr-3 text-right">{{ offOf(row) }}</td>
          <td class="py-1.5 text-amber">
            <b v-if="row.group.helpAt">asks for help</b>
            <span v-if="row.state?.rang"> clock has rung</span>
            <span v-if="isQuiet(row)"> quiet</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
