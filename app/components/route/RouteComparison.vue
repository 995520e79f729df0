<script setup lang="ts">
import type { Route } from '#core/route'
import { hoursText, readEquation } from '~/utils/routes'

/** Two routes side by side, each line with the better of the two in bold. */
const { routes, isOnShelf } = defineProps<{ routes: readonly Route[]; isOnShelf: (formula: string) => boolean }>()
const emit = defineEmits<{ take: [route: Route]; close: [] }>()

interface Line {
  readonly name: string
  readonly of: (route: Route) => string
  /** Smaller is better; none where there is no better. */
  readonly by?: (route: Route) => number
}
const missing = (route: Route): string[] => route.needs.filter(text => !isOnShelf(text))
const listed = (texts: readonly string[]): string =>
  texts.length === 0 ? 'none' : texts.map(text => `{${text}}`).join(', ')
const lines: readonly Line[] = [
  { name: 'Stages', of: one => String(one.stages.length), by: one => one.stages.length },
  { name: 'Time', of: one => hoursText(one.minutes), by: one => one.minutes },
  { name: 'Goes in', of: one => listed(one.needs) },
  { name: 'To get', of: one => listed(missing(one)), by: one => missing(one).length },
  { name: 'Gases', of: one => listed(one.gases), by: one => one.gases.length },
  { name: 'Co-products, g to each g', of: one => one.waste.toFixed(2), by: one => Math.round(one.waste * 100) },
  { name: 'To mind', of: one => one.cautions.join(' ') || 'nothing out of the usual' },
]
const isBetter = ({ by }: Line, i: number): boolean => by !== undefined && by(routes[i]!) < by(routes[1 - i]!)
</script>

<template>
  <section class="card" aria-label="Two routes compared">
    <div class="flex items-baseline justify-between gap-4">
      <h2 class="text-[15px] text-ink">Compared</h2>
      <button type="button" class="text-[14px] text-verdigris underline" @click="emit('close')">Close</button>
    </div>
    <div class="mt-2 overflow-x-auto" tabindex="0" role="group" aria-label="The comparison">
      <table class="w-full min-w-[520px] table-fixed text-[14.5px]">
        <thead>
          <tr class="align-top">
            <th class="w-[150px]"><span class="sr-only">What</span></th>
            <th v-for="route in routes" :key="route.score" class="px-2 pb-2 text-left font-normal" scope="col">
              <p v-for="stage in route.stages" :key="stage.equation" class="text-[15.5px]">
                <EquationText v-if="readEquation(stage.equation)" :reaction="readEquation(stage.equation)!" />
              </p>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in lines" :key="one.name" class="border-t border-rule align-top">
            <th class="py-1 pr-2 text-left text-[13.5px] font-normal text-soft" scope="row">{{ one.name }}</th>
            <td
              v-for="(route, i) in routes"
              :key="i"
              class="px-2 py-1"
              :class="isBetter(one, i) && 'font-semibold text-verdigris'"
            >
              <RichText :text="one.of(route)" /><span v-if="isBetter(one, i)" class="sr-only"> (the better)</span>
            </td>
          </tr>
          <tr>
            <td />
            <td v-for="(route, i) in routes" :key="i" class="px-2 pt-2">
              <button type="button" class="button" @click="emit('take', route)">Plan this one</button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
