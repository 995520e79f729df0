<script setup lang="ts">
import { ChevronDown } from '@lucide/vue'
import { clockText, isToday, weekdayText } from '~/utils/dates'
import type { LaneSpan, StepState } from '#core/procedure'

/** The steps with their times: those done as they were, those to come as they are planned. */
const { steps, spans, chosen } = defineProps<{
  steps: readonly StepState[]
  spans: readonly LaneSpan[]
  chosen: string | undefined
}>()
const emit = defineEmits<{ choose: [id: string] }>()

interface When {
  readonly day: string
  readonly clock: string
}
const when = (ms: number, mark = ''): When => ({
  day: isToday(ms) ? '' : weekdayText(ms),
  clock: mark + clockText(ms),
})
function timeOf({ step, doneAt, begunAt, status }: StepState): When | undefined {
  if (status === 'done' || status === 'skipped') return doneAt ? when(Date.parse(doneAt)) : undefined
  if (begunAt) return when(Date.parse(begunAt))
  const planned = spans.find(span => span.step.id === step.id)
  return planned && when(planned.from, '~')
}
const timed = computed(() => steps.map(state => ({ state, time: timeOf(state) })))
/** The step at hand stays in sight as the run goes on. */
const list = useTemplateRef<HTMLElement>('list')
watch(
  () => chosen,
  () => void nextTick(() => list.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' })),
  { immediate: true },
)
/** On a phone the tape is folded away until it is asked for. */
const isOpen = ref(false)
function choose(id: string): void {
  isOpen.value = false
  emit('choose', id)
}
const marks = { done: '✓', skipped: '–', begun: '▸', open: '' } as const
</script>

<template>
  <nav
    ref="list"
    aria-label="Steps"
    class="tape border-r border-rule bg-stone py-3 max-sm:py-0"
    :class="{ 'is-folded': !isOpen }"
  >
    <div class="bar flex items-center text-[15px]">
      <slot name="beside" />
      <button
        type="button"
        class="order-first flex min-h-12 flex-1 items-center gap-2 px-4 sm:hidden"
        :aria-expanded="isOpen"
        @click="isOpen = !isOpen"
      >
        All {{ steps.length }} steps <ChevronDown :size="18" aria-hidden="true" :class="{ 'rotate-180': isOpen }" />
      </button>
    </div>
    <ol>
      <li v-for="{ state, time } in timed" :key="state.step.id">
        <button
          type="button"
          class="grid min-h-12 w-full grid-cols-[60px_14px_1fr] items-center gap-1 px-2 py-1 text-left text-[13.5px] leading-tight"
          :class="[
            state.step.id === chosen ? 'bg-sheet font-semibold' : 'hover:bg-paper',
            state.status === 'open' ? 'text-ink' : state.status === 'begun' ? 'text-verdigris' : 'text-soft',
          ]"
          :aria-current="state.step.id === chosen ? 'step' : undefined"
          @click="choose(state.step.id)"
        >
          <span class="text-soft"
            ><span v-if="time?.day" class="block text-[12.5px]">{{ time.day }}</span
            ><span class="figure text-[16px]">{{ time?.clock }}</span></span
          >
          <span aria-hidden="true">{{ marks[state.status] }}</span>
          <span
            ><RichText :text="state.step.words" /><span v-if="state.inserted" class="small"> (put in)</span
            ><span class="sr-only">, {{ state.status }}</span></span
          >
        </button>
      </li>
    </ol>
    <slot />
  </nav>
</template>

<style scoped>
.bar {
  position: sticky;
  top: -12px;
  z-index: 1;
  flex-wrap: wrap;
  background: var(--color-stone);
}
.tape {
  position: sticky;
  top: 0;
  max-height: 100vh;
  overflow-y: auto;
}
@media (max-width: 640px) {
  .tape {
    position: static;
    max-height: 60vh;
  }
  .tape.is-folded > :not(.bar) {
    display: none;
  }
}
</style>
