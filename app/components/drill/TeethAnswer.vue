<script setup lang="ts">
import { Minus, Plus } from '@lucide/vue'
import { parseFormula } from '#core/formula'
import type { Side } from '#core/equation'

/** The zip as the answer: a tooth for each species, pulled up or down to as many as are wanted; the seam shows what still gapes. */
const counts = defineModel<readonly number[]>({ required: true })
const { species, isOff = false } = defineProps<{
  species: readonly { readonly text: string; readonly side: Side }[]
  isOff?: boolean
}>()
const MOST = 99
const PIXELS = 14

function set(i: number, value: number): void {
  if (isOff || !Number.isFinite(value)) return
  const whole = Math.min(MOST, Math.max(1, Math.round(value)))
  if (whole !== counts.value[i]) counts.value = counts.value.map((one, j) => (j === i ? whole : one))
}
/** A tooth that is dragged: up is more. */
const drag = ref<{ tooth: number; y: number; from: number }>()
function take(event: PointerEvent, i: number): void {
  if (isOff) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  drag.value = { tooth: i, y: event.clientY, from: counts.value[i]! }
}
function pull(event: PointerEvent): void {
  if (drag.value) set(drag.value.tooth, drag.value.from + (drag.value.y - event.clientY) / PIXELS)
}
const sums = computed(() => {
  const all = new Map<string, { left: number; right: number }>()
  species.forEach(({ text, side }, i) => {
    const read = parseFormula(text)
    if (!read.ok) return
    for (const [symbol, atoms] of read.value.composition) {
      const sum = all.get(symbol) ?? { left: 0, right: 0 }
      sum[side === 'reactant' ? 'left' : 'right'] += atoms * counts.value[i]!
      all.set(symbol, sum)
    }
  })
  return [...all].map(([symbol, sum]) => ({ symbol, ...sum, isOpen: Math.abs(sum.left - sum.right) > 1e-9 }))
})
const isClosed = computed(() => sums.value.every(({ isOpen }) => !isOpen))
const numbered = computed(() => species.map((one, i) => ({ ...one, i })))
const sides = computed(() => [
  numbered.value.filter(({ side }) => side === 'reactant'),
  numbered.value.filter(({ side }) => side === 'product'),
])
</script>

<template>
  <div>
    <div class="flex flex-wrap items-stretch gap-x-3 gap-y-3">
      <template v-for="(side, s) in sides" :key="s">
        <ZipSeam v-if="s === 1" :closed="isClosed" class="min-h-24 shrink-0" />
        <div
          v-for="one in side"
          :key="one.text"
          class="grid w-[92px] justify-items-center gap-1 rounded-lg border border-rule px-2 py-2"
          :class="s === 0 ? 'bg-in' : 'bg-out'"
        >
          <button
            type="button"
            class="grid h-8 w-full place-items-center rounded hover:bg-rule"
            :disabled="isOff"
            :aria-label="`One more ${one.text}`"
            @click="set(one.i, counts[one.i]! + 1)"
          >
            <Plus :size="16" />
          </button>
          <input
            class="figure w-16 cursor-ns-resize touch-none rounded border border-edge bg-card py-1 text-center text-[22px]"
            inputmode="numeric"
            :value="counts[one.i]"
            :disabled="isOff"
            :aria-label="`How many ${one.text}`"
            @change="set(one.i, Number(($event.target as HTMLInputElement).value))"
            @keydown.up.prevent="set(one.i, counts[one.i]! + 1)"
            @keydown.down.prevent="set(one.i, counts[one.i]! - 1)"
            @pointerdown="take($event, one.i)"
            @pointermove="pull"
            @pointerup="drag = undefined"
            @pointercancel="drag = undefined"
          />
          <button
            type="button"
            class="grid h-8 w-full place-items-center rounded hover:bg-rule"
            :disabled="isOff || counts[one.i]! <= 1"
            :aria-label="`One ${one.text} less`"
            @click="set(one.i, counts[one.i]! - 1)"
          >
            <Minus :size="16" />
          </button>
          <FormulaText :text="one.text" class="text-[16px]" />
        </div>
      </template>
    </div>
    <ul class="mt-3 flex flex-wrap gap-x-4 gap-y-1 text-[13.5px]" aria-label="Atoms on the two sides">
      <li v-for="sum in sums" :key="sum.symbol" :class="sum.isOpen ? 'text-red' : 'text-soft'">
        <b>{{ sum.symbol }}</b>
        <span class="figure ml-1">{{ sum.left }} : {{ sum.right }}</span>
        {{ sum.isOpen ? 'open' : 'closed' }}
      </li>
    </ul>
  </div>
</template>
