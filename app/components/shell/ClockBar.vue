<script setup lang="ts">
import { clockWords, elapsed, isPaused, remaining } from '#core/journal'
import { useBenchStore, type Clock } from '~/stores/bench'
import { useRinging } from '~/composables/useRinging'
import { useTimers } from '~/composables/useTimers'

/** Clocks that run, on every page: the nearest in the bar, what rings in a banner that is hard to miss. */
const bench = useBenchStore()
const { ringing, hear, now, isMute, turnOn } = useRinging()
const timers = useTimers()

const shown = computed(() =>
  bench.clocks
    .map(clock => ({ ...clock, left: remaining(clock.timer, now.value.getTime()) }))
    .sort((a, b) => (a.left ?? Infinity) - (b.left ?? Infinity)),
)
const text = ({ timer }: Clock): string => {
  const left = remaining(timer, now.value.getTime())
  if (timer.every && timer.seconds === undefined && left !== undefined) return `again in ${clockWords(left)}`
  if (left === undefined) return `${clockWords(elapsed(timer, now.value.getTime()))} gone`
  return left < 0 ? `over by ${clockWords(-left)}` : `${clockWords(left)} left`
}
function stop(clock: Clock): void {
  hear(clock)
  timers.stop(clock.code, clock.timer)
}
</script>

<template>
  <aside
    v-if="ringing.length > 0"
    class="fixed right-3 top-14 z-40 grid max-w-[min(680px,calc(100vw-24px))] gap-2"
    aria-label="Due"
  >
    <div
      v-for="clock in ringing"
      :key="clock.timer.id"
      role="alert"
      class="flex flex-wrap items-center gap-3 rounded-xl border border-amber-edge bg-amber-soft px-5 py-2 text-amber shadow-lg"
    >
      <b class="text-[17px]">Due: {{ clock.timer.name }}</b>
      <NuxtLink :to="`/batches/${clock.code}/run`" class="flex min-h-12 items-center underline">{{
        clock.code
      }}</NuxtLink>
      <span class="figure" aria-hidden="true">{{ text(clock) }}</span>
      <span class="ml-auto flex gap-2">
        <button
          v-if="clock.timer.seconds !== undefined"
          type="button"
          class="button button-quiet glove"
          @click="timers.add(clock.code, clock.timer, 300)"
        >
          + 5 min
        </button>
        <button v-if="clock.timer.every" type="button" class="button glove" @click="hear(clock)">Heard</button>
        <button type="button" class="button glove" :class="{ 'button-quiet': clock.timer.every }" @click="stop(clock)">
          Stop it
        </button>
      </span>
    </div>
  </aside>
  <aside
    v-if="shown.length > 0"
    data-chrome
    class="sticky bottom-0 z-10 flex flex-wrap items-center gap-2 border-t border-rule bg-paper px-5 py-1 text-[13.5px]"
    aria-label="Clocks"
  >
    <NuxtLink
      v-for="clock in shown.slice(0, 6)"
      :key="clock.timer.id"
      :to="`/batches/${clock.code}/run`"
      class="flex min-h-12 items-center gap-1 rounded-full border border-edge bg-card px-3 py-0.5 text-[16px] hover:border-ink"
      >{{ clock.code }} {{ clock.timer.name }} ·
      <span class="figure font-semibold">{{ isPaused(clock.timer) ? 'paused' : text(clock) }}</span></NuxtLink
    >
    <button v-if="isMute" type="button" class="button button-quiet glove ml-auto px-4" @click="turnOn">
      Clocks may not sound yet: turn the sound on
    </button>
    <span v-if="shown.length > 6" class="small">and {{ shown.length - 6 }} more</span>
  </aside>
</template>
