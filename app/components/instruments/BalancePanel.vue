<script setup lang="ts">
import { useBalance } from '~/composables/useBalance'
import type { Measure } from '#core/journal'

/** The simulated balance: put a vessel on, tare, add, let it settle, take the reading. */
const { hands, bare = false } = defineProps<{
  /** Without a card round it. */
  bare?: boolean
  /** The mass still wanted, g, so that the large portion is a useful one. */
  hands: number
}>()
const emit = defineEmits<{ take: [measure: Measure, value: string, instrument: string] }>()
const { shown, isEmpty, isTared, name, resolution, putVesselOn, add, pressTare, takeOff, choose } = useBalance()

const portions = computed(() => [Math.max(1, Math.round(hands * 0.9)), 1, 0.1, 0.01])
const takes = computed((): { measure: Measure; label: string }[] =>
  isTared.value
    ? [{ measure: 'net', label: 'Take as net' }]
    : [
        { measure: 'tare', label: 'Take as tare' },
        { measure: 'gross', label: 'Take as gross' },
      ],
)
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
      <span class="tag" :class="shown.steady ? 'bg-verdigris-soft text-verdigris' : 'bg-amber-soft text-amber'">{{
        shown.steady ? 'steady' : 'settling'
      }}</span>
    </p>
    <div class="flex flex-wrap gap-2">
      <button type="button" class="button button-quiet glove" @click="putVesselOn">
        {{ isEmpty ? 'Put a vessel on' : 'Change vessel' }}
      </button>
      <button type="button" class="button button-quiet glove" :disabled="isEmpty || !shown.steady" @click="pressTare">
        Tare
      </button>
      <button type="button" class="button button-quiet glove" :disabled="isEmpty" @click="takeOff">Clear</button>
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
