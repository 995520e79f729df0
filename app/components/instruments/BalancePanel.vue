<script setup lang="ts">
import { useBalance } from '~/composables/useBalance'
import type { Measure } from '#core/journal'

/** The simulated balance: put a vessel on, tare, add, let it settle, take the reading. */
const {
  hands,
  wants,
  bare = false,
} = defineProps<{
  /** What a pedal takes as, where nothing was tared: the empty vessel before the full one. */
  wants: 'tare' | 'gross'
  /** Without a card round it. */
  bare?: boolean
  /** The mass still wanted, g, so that the large portion is a useful one. */
  hands: number
}>()
const emit = defineEmits<{ take: [measure: Measure, value: string, instrument: string] }>()
const {
  shown,
  isEmpty,
  isTared,
  name,
  on,
  beside,
  resolution,
  putNewOn,
  putBack,
  add,
  tipOut,
  pressTare,
  takeOff,
  choose,
} = useBalance()

const portions = computed(() => [Math.max(1, Math.round(hands * 0.9)), 1, 0.1, 0.01])
const takes = computed((): { measure: Measure; label: string }[] =>
  isTared.value
    ? [{ measure: 'net', label: 'Take as net' }]
    : [
        { measure: 'tare', label: 'Take as tare' },
        { measure: 'gross', label: 'Take as gross' },
      ],
)
/** Takes what it shows; false while it settles, or where nothing is on it. */
function take(): boolean {
  const isReady = !isEmpty.value && shown.value.steady
  if (isReady) emit('take', isTared.value ? 'net' : wants, shown.value.text, name.value)
  return isReady
}
defineExpose({ take })
</script>

<template>
  <section :class="{ card: !bare }" aria-label="Balance">
    <div class="flex items-baseline justify-between">
      <h2>Simulated balance</h2>
      <label class="small flex items-center gap-2"
        >shows
        <select
          :value="resolution"
          class="min-h-12 rounded border border-edge bg-card px-1 text-ink"
          aria-label="Resolution of the balance"
          @change="choose(Number(($event.target as HTMLSelectElement).value))"
        >
          <option :value="0.01">0.01 g</option>
          <option :value="0.001">1 mg</option>
          <option :value="0.0001">0.1 mg</option>
        </select>
      </label>
    </div>
    <p class="my-1 flex items-baseline justify-between">
      <span class="figure text-[40px] font-semibold leading-tight" data-testid="display">{{
        shown.text.replace(' ', '\u202f')
      }}</span>
      <span v-if="on" class="small">{{ on }}</span>
      <span class="tag" :class="shown.steady ? 'bg-verdigris-soft text-verdigris' : 'bg-amber-soft text-amber'">{{
        shown.steady ? 'steady' : 'settling'
      }}</span>
    </p>
    <div class="flex flex-wrap gap-2">
      <button type="button" class="button button-quiet glove" @click="putNewOn">
        {{ isEmpty && beside.length === 0 ? 'Put a vessel on' : 'Another vessel' }}
      </button>
      <button type="button" class="button button-quiet glove" :disabled="isEmpty || !shown.steady" @click="pressTare">
        Tare
      </button>
      <button type="button" class="button button-quiet glove" :disabled="isEmpty" @click="takeOff">Take off</button>
    </div>
    <div v-if="beside.length > 0" class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Put a vessel back on">
      <button
        v-for="vessel in beside"
        :key="vessel.name"
        type="button"
        class="button button-quiet glove px-3"
        @click="putBack(vessel.name)"
      >
        {{ vessel.name }} back on
      </button>
    </div>
    <div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Add about">
      <button
        v-for="(portion, i) in portions"
        :key="i"
        type="button"
        class="button button-quiet glove figure px-3"
        :disabled="isEmpty"
        @click="add(portion)"
      >
        + {{ portion }} g
      </button>
      <button type="button" class="button button-quiet glove px-3" :disabled="isEmpty" @click="tipOut">
        Tip it out
      </button>
    </div>
    <div class="mt-3 flex flex-wrap gap-2">
      <button
        v-for="one in takes"
        :key="one.measure"
        type="button"
        class="button glove"
        :disabled="isEmpty || !shown.steady"
        @click="emit('take', one.measure, shown.text, name)"
      >
        {{ one.label }}
      </button>
    </div>
  </section>
</template>
