<script setup lang="ts">
import { ChevronDown } from '@lucide/vue'
import { clockWords, elapsed, isPaused, remaining, type Timer } from '#core/journal'
import { parseQuantity, explainQuantity } from '#core/quantity'

/** The clocks of this batch, and new ones: a countdown, one that rings again and again, a stopwatch. */
const { timers, now, suggested } = defineProps<{
  timers: readonly Timer[]
  now: number
  /** A name for the next clock. */
  suggested: string
}>()
const emit = defineEmits<{
  start: [name: string, more: { seconds?: number; every?: number }]
  toggle: [timer: Timer]
  add: [timer: Timer, seconds: number]
  stop: [timer: Timer]
}>()

const running = computed(() => timers.filter(({ stoppedAt }) => !stoppedAt))
const shown = (timer: Timer): string => {
  const left = remaining(timer, now)
  return left === undefined ? clockWords(elapsed(timer, now)) : left < 0 ? `−${clockWords(-left)}` : clockWords(left)
}
const time = ref('10 min')
const name = ref('')
const read = computed(() => parseQuantity(time.value, { kinds: ['time'], name: 'time', source: 'time' }))
const problem = computed(() =>
  read.value.ok || time.value === ''
    ? undefined
    : { span: read.value.problem.span, ...explainQuantity(read.value.problem) },
)
function start(kind: 'seconds' | 'every' | 'stopwatch'): void {
  if (kind === 'stopwatch') emit('start', name.value || suggested, {})
  else if (read.value.ok) emit('start', name.value || suggested, { [kind]: Math.max(1, read.value.value.value * 3600) })
  name.value = ''
  isOpen.value = false
}
/** A step that has a wait starts its clock by the large key; clocks of one's own are folded away. */
const isOpen = ref(false)
</script>

<template>
  <section class="card" :class="{ 'py-1': running.length === 0 }" aria-label="Timers">
    <div v-for="timer in running" :key="timer.id" class="mb-2 border-b border-rule pb-2">
      <p class="flex items-baseline justify-between gap-2">
        <span class="text-[14px] text-soft"
          ><RichText :text="timer.name" /><template v-if="timer.every"
            >, every {{ clockWords(timer.every) }}</template
          ></span
        >
        <span
          class="figure text-[34px] font-semibold leading-tight"
          :class="{ 'text-amber': (remaining(timer, now) ?? 1) <= 0, 'opacity-60': isPaused(timer) }"
          role="timer"
          >{{ shown(timer) }}</span
        >
      </p>
      <div class="flex flex-wrap gap-2">
        <button type="button" class="button button-quiet glove px-4" @click="emit('toggle', timer)">
          {{ isPaused(timer) ? 'Go on' : 'Pause' }}
        </button>
        <button
          v-if="timer.seconds !== undefined"
          type="button"
          class="button button-quiet glove px-4"
          @click="emit('add', timer, 300)"
        >
          + 5 min
        </button>
        <button type="button" class="button button-quiet glove px-4" @click="emit('stop', timer)">Stop</button>
      </div>
    </div>
    <button
      type="button"
      class="flex min-h-12 w-full items-center justify-between text-[15px] font-semibold"
      :aria-expanded="isOpen"
      @click="isOpen = !isOpen"
    >
      {{ running.length > 0 ? 'Another clock' : 'A clock' }}
      <ChevronDown :size="18" aria-hidden="true" :class="{ 'rotate-180': isOpen }" />
    </button>
    <template v-if="isOpen">
      <div class="mt-1 grid grid-cols-[1fr_110px] gap-2">
        <input
          v-model="name"
          class="field min-h-12"
          aria-label="Name of the clock"
          :placeholder="suggested.replaceAll(/[{}]/g, '')"
          maxlength="120"
        />
        <QuantityField
          v-model="time"
          wide
          label="Time"
          hidden
          :problem="problem"
          class="tall"
          @enter="start('seconds')"
        />
      </div>
      <div class="mt-2 flex flex-wrap gap-2">
        <button type="button" class="button glove px-4" :disabled="!read.ok" @click="start('seconds')">
          Count down
        </button>
        <button type="button" class="button button-quiet glove px-4" :disabled="!read.ok" @click="start('every')">
          Repeat
        </button>
        <button type="button" class="button button-quiet glove px-4" @click="start('stopwatch')">Stopwatch</button>
      </div>
    </template>
  </section>
</template>

<style scoped>
.tall :deep(input) {
  min-height: 48px;
}
</style>
