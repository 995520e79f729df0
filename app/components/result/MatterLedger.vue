<script setup lang="ts">
import type { Figure } from '#core/quantity'
import type { LedgerRow } from '#core/outcome'
import { placeColours } from './place-colours'

/** The ledger of matter: for each element in on the left, out on the right, and the zip between them closed or open by how much; or as a flow. */
const { rows } = defineProps<{ rows: readonly LedgerRow[] }>()
const emit = defineEmits<{ working: [figure: Figure] }>()
const isFlow = ref(false)
const opened = ref<string>()
const row = computed(() => rows.find(({ element }) => element === opened.value))
const flowing = computed(() => row.value ?? rows[0])
const places = computed(() => [...new Set(rows.flatMap(({ out }) => out.map(({ place }) => place)))])
const outOf = ({ out }: LedgerRow): number => out.reduce((sum, { moles }) => sum + moles.value, 0)
const widthOf = (one: LedgerRow, moles: number): string =>
  `${(moles / Math.max(one.into.value, outOf(one), 1e-12)) * 100}%`
const mmol = (moles: number): string => `${Number((moles * 1000).toPrecision(3))}`
const words = ({ open, closes }: LedgerRow): string =>
  closes ? 'closed' : open.value < 0 ? `${mmol(-open.value)} too many` : `${mmol(open.value)} missing`
</script>

<template>
  <section aria-label="Ledger of matter">
    <div class="mb-1 mt-5 flex flex-wrap items-center justify-between gap-2">
      <h2 class="text-[15px] text-ink">Where every mole went</h2>
      <div class="flex gap-1" role="group" aria-label="Drawn as">
        <button
          v-for="[value, word] in [
            [false, 'Zip'],
            [true, 'Flow'],
          ] as const"
          :key="word"
          type="button"
          class="min-h-8 rounded-md border px-3 text-[13.5px]"
          :class="isFlow === value ? 'border-verdigris bg-verdigris-soft font-semibold' : 'border-edge bg-card'"
          :aria-pressed="isFlow === value"
          @click="isFlow = value"
        >
          {{ word }}
        </button>
      </div>
    </div>
    <table class="w-full text-[14px]">
      <thead>
        <tr class="text-soft">
          <th class="w-[52px] text-left font-normal">Element</th>
          <th class="w-[36%] text-right font-normal">In, mmol</th>
          <th class="w-[34px]"><span class="sr-only">Zip</span></th>
          <th class="text-left font-normal">Out</th>
          <th class="w-[150px] text-right font-normal">Open, mmol</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in rows" :key="one.element" class="border-t border-rule">
          <td class="py-1.5">
            <button
              type="button"
              class="min-h-7 min-w-10 rounded px-1 text-left font-semibold underline decoration-dotted"
              :aria-expanded="opened === one.element"
              :aria-label="`${one.element}: every figure`"
              @click="opened = opened === one.element ? undefined : one.element"
            >
              {{ one.element }}
            </button>
          </td>
          <td>
            <span class="flex h-7 items-center justify-end gap-2">
              <button
                type="button"
                class="figure w-[48px] shrink-0 text-right underline decoration-dotted"
                :aria-label="`${one.element} in: ${mmol(one.into.value)} mmol. Show the working`"
                @click="emit('working', one.into)"
              >
                {{ mmol(one.into.value) }}
              </button>
              <span class="in-bar flex h-6 flex-1 justify-end overflow-hidden rounded-l">
                <span
                  v-if="!one.closes && one.open.value < 0"
                  class="gap-bar"
                  :style="{ width: widthOf(one, -one.open.value) }"
                />
                <span class="bg-edge" :style="{ width: widthOf(one, one.into.value) }" />
              </span>
            </span>
          </td>
          <td class="text-center"><ZipSeam :closed="one.closes" class="h-7" /></td>
          <td>
            <span class="flex h-6 overflow-hidden rounded-r">
              <span
                v-for="{ place, moles } in one.out"
                :key="place"
                :style="{ width: widthOf(one, moles.value), background: placeColours[place] }"
                :title="`${place}: ${mmol(moles.value)} mmol`"
              />
              <span
                v-if="!one.closes && one.open.value > 0"
                class="gap-bar"
                :style="{ width: widthOf(one, one.open.value) }"
              />
            </span>
          </td>
          <td class="figure whitespace-nowrap text-right">
            <button
              type="button"
              class="underline decoration-dotted"
              :class="one.closes ? 'text-verdigris' : one.open.value < 0 ? 'text-red' : 'text-amber'"
              :aria-label="`${one.element}: ${words(one)}. Show the working`"
              @click="emit('working', one.open)"
            >
              {{ words(one) }}
            </button>
            <span class="small block leading-[1.1]">± {{ mmol(2 * one.spread) }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="mt-1.5 flex flex-wrap gap-x-3 gap-y-1 text-[12.5px] text-soft">
      <span v-for="place in places" :key="place" class="flex items-center gap-1"
        ><i class="inline-block h-2.5 w-4 rounded-sm" :style="{ background: placeColours[place] }" />{{ place }}</span
      >
      <span class="flex items-center gap-1"><i class="gap-bar inline-block h-2.5 w-4 rounded-sm" />unaccounted</span>
    </p>
    <div v-if="row" class="mt-2 rounded-lg border border-rule px-3 py-2 text-[14px]" aria-live="polite">
      <p class="flex flex-wrap gap-x-4 gap-y-1">
        <b>{{ row.element }}, in mmol</b>
        <button
          v-for="{ place, moles } in row.from"
          :key="place"
          type="button"
          class="underline decoration-dotted"
          @click="emit('working', moles)"
        >
          from <FormulaText :text="place" /> <span class="figure">{{ mmol(moles.value) }}</span>
        </button>
        <button
          v-for="{ place, moles } in row.out"
          :key="place"
          type="button"
          class="underline decoration-dotted"
          @click="emit('working', moles)"
        >
          {{ place }} <span class="figure">{{ mmol(moles.value) }}</span>
        </button>
      </p>
    </div>
    <template v-if="isFlow && flowing">
      <div v-if="rows.length > 1" class="mt-2 flex gap-1" role="group" aria-label="Element of the flow">
        <button
          v-for="one in rows"
          :key="one.element"
          type="button"
          class="min-h-8 min-w-9 rounded-md border px-2 text-[13.5px]"
          :class="one === flowing ? 'border-verdigris bg-verdigris-soft font-semibold' : 'border-edge bg-card'"
          :aria-pressed="one === flowing"
          @click="opened = one.element"
        >
          {{ one.element }}
        </button>
      </div>
      <LazyMatterFlow :row="flowing" />
    </template>
    <p class="small mt-1">
      Crystals count as the named form; gas, excess and by-products as the sheet has them, unless they were weighed;
      what the model leaves in liquor and wash is an estimate, taken as good to 10 %. Hydrogen and oxygen are left out:
      their water comes and goes unweighed.
    </p>
  </section>
</template>

<style scoped>
.gap-bar {
  background: repeating-linear-gradient(135deg, var(--color-red-soft) 0 5px, var(--color-card) 5px 10px);
}
</style>
