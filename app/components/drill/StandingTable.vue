<script setup lang="ts">
import { formatDistanceStrict } from 'date-fns'
import type { Stand } from '~/workers/drills'

/** How one stands in each family, by skill; a press asks that one. */
const { stands, now, at, only } = defineProps<{
  stands: readonly Stand[]
  now: number
  /** The family that is asked at the moment. */
  at: string | undefined
  only: readonly string[]
}>()
const emit = defineEmits<{ only: [families: readonly string[]] }>()

const skills = computed(() => {
  const names = [...new Set(stands.map(({ family }) => family.skill))]
  return names.map(skill => ({ skill, all: stands.filter(({ family }) => family.skill === skill) }))
})
const whenOf = ({ due, open }: Stand): string => {
  if (due === undefined) return 'new'
  if (open !== undefined || due <= now) return 'now'
  return `in ${formatDistanceStrict(due, now)}`
}
const DOTS = [1, 2, 3] as const
const slips = computed(() => {
  const all = new Map<string, number>()
  for (const { slips: made } of stands) for (const { name, times } of made) all.set(name, (all.get(name) ?? 0) + times)
  return [...all].toSorted((a, b) => b[1] - a[1]).slice(0, 5)
})
</script>

<template>
  <section aria-label="Where you stand">
    <div class="flex items-baseline justify-between gap-3">
      <h2 class="text-[15px] text-ink">Where you stand</h2>
      <button
        v-if="only.length > 0"
        type="button"
        class="min-h-6 text-[13.5px] text-verdigris underline"
        @click="emit('only', [])"
      >
        All of them again
      </button>
    </div>
    <table class="mt-1 w-full text-[13.5px]">
      <thead class="sr-only">
        <tr>
          <th scope="col">Question</th>
          <th scope="col">Step</th>
          <th scope="col">Right, of the last ten</th>
          <th scope="col">Asked again</th>
        </tr>
      </thead>
      <tbody v-for="{ skill, all } in skills" :key="skill">
        <tr>
          <th scope="rowgroup" colspan="4" class="pb-0.5 pt-2 text-left text-[12.5px] font-semibold text-soft">
            {{ skill }}
          </th>
        </tr>
        <tr v-for="one in all" :key="one.family.id" class="border-t border-rule">
          <td class="py-0.5">
            <button
              type="button"
              class="min-h-6 text-left hover:underline"
              :class="{ 'font-semibold text-verdigris': one.family.id === at }"
              :aria-pressed="only.includes(one.family.id)"
              @click="emit('only', [one.family.id])"
            >
              {{ one.family.name }}
            </button>
          </td>
          <td class="w-12 whitespace-nowrap" :aria-label="`step ${one.level} of 3`">
            <span
              v-for="dot in DOTS"
              :key="dot"
              class="mr-0.5 inline-block size-2 rounded-full border border-verdigris"
              :class="{ 'bg-verdigris': one.answers > 0 && dot <= one.level }"
              aria-hidden="true"
            />
          </td>
          <td class="figure w-12 text-right">
            {{ one.right === undefined ? '' : `${Math.round(one.right * 100)}\u202f%` }}
          </td>
          <td class="w-[74px] pl-2 text-right text-soft">{{ whenOf(one) }}</td>
        </tr>
      </tbody>
    </table>
    <div v-if="slips.length > 0" class="mt-3">
      <h2>Your slips, the commonest first</h2>
      <ol class="text-[13.5px]">
        <li v-for="[name, times] in slips" :key="name" class="flex justify-between gap-3 border-t border-rule py-0.5">
          <span>{{ name }}</span><span class="figure text-soft">{{ times }} ×</span>
        </li>
      </ol>
    </div>
  </section>
</template>
