<script setup lang="ts">
import { weekdayClockText } from '~/utils/dates'
import type { LaneSpan } from '#core/procedure'

/** One batch over time. Hands can be dragged to another time, moved by the arrow keys, a quarter of an hour at a time, or by the keys that a press opens. */
const { spans, from, to } = defineProps<{ spans: readonly LaneSpan[]; from: number; to: number }>()
const emit = defineEmits<{ move: [stage: string, step: string, at: number] }>()
const QUARTER = 900_000
const room = useTemplateRef('room')
const dragged = ref<{ key: string; by: number }>()

const keyOf = ({ step, kind }: LaneSpan): string => `${step.stage} ${step.id} ${kind}`
const shown = computed(() =>
  spans
    .filter(span => span.to > from && span.from < to)
    .map(span => {
      const by = dragged.value?.key === keyOf(span) ? dragged.value.by : 0
      const left = ((Math.max(span.from, from) + by - from) / (to - from)) * 100
      const width = ((Math.min(span.to, to) - Math.max(span.from, from)) / (to - from)) * 100
      return { span, left, width, isMovable: span.kind === 'hands' && span.step.status === 'open' }
    }),
)
const titles = { done: 'done', hands: 'hands-on', wait: 'waiting', due: 'due', late: 'late' } as const
const plain = (words: string): string => words.replace(/[{}]/g, '')
const titleOf = ({ kind, step, from: begin, to: end }: LaneSpan): string =>
  `${plain(step.words)}: ${titles[kind]} ${weekdayClockText(begin)} to ${weekdayClockText(end)}`

function begin(event: PointerEvent, span: LaneSpan): void {
  const handle = event.currentTarget as HTMLElement
  handle.setPointerCapture(event.pointerId)
  const scale = (to - from) / room.value!.getBoundingClientRect().width
  const start = event.clientX
  handle.onpointermove = moving => {
    dragged.value = { key: keyOf(span), by: Math.round(((moving.clientX - start) * scale) / QUARTER) * QUARTER }
  }
  handle.onpointerup = () => {
    handle.onpointermove = null
    handle.onpointerup = null
    const by = dragged.value?.by ?? 0
    dragged.value = undefined
    if (by !== 0) move(span, by)
    wasDragged = by !== 0
  }
}
const move = (span: LaneSpan, by: number): void => emit('move', span.step.stage, span.step.id, span.from + by)
/** The press that ends a drag opens nothing. */
let wasDragged = false
const chosenKey = ref<string>()
const chosen = computed(() => spans.find(span => keyOf(span) === chosenKey.value))
function choose(span: LaneSpan): void {
  if (!wasDragged) chosenKey.value = chosenKey.value === keyOf(span) ? undefined : keyOf(span)
  wasDragged = false
}
const HOUR = 4 * QUARTER
const moves = [
  { name: '1 h earlier', by: -HOUR },
  { name: '15 min earlier', by: -QUARTER },
  { name: '15 min later', by: QUARTER },
  { name: '1 h later', by: HOUR },
  { name: '1 day later', by: 24 * HOUR },
] as const
const bar = useTemplateRef<HTMLElement>('bar')
async function close(): Promise<void> {
  const key = chosenKey.value
  chosenKey.value = undefined
  await nextTick()
  room.value?.querySelector<HTMLElement>(`[data-span="${key}"]`)?.focus()
}
watch(chosenKey, async key => {
  await nextTick()
  if (key !== undefined) bar.value?.querySelector('button')?.focus()
})
function key(event: KeyboardEvent, span: LaneSpan): void {
  const by = { ArrowLeft: -QUARTER, ArrowRight: QUARTER }[event.key]
  if (by === undefined) return
  event.preventDefault()
  move(span, by)
}
</script>

<template>
  <div class="min-w-0">
    <div ref="room" class="relative h-9 min-w-0 overflow-hidden">
      <component
        :is="one.isMovable ? 'button' : 'span'"
        v-for="one in shown"
        :key="keyOf(one.span)"
        :type="one.isMovable ? 'button' : undefined"
        class="span absolute inset-y-1 overflow-hidden whitespace-nowrap rounded-[5px] px-1.5 text-left text-[12px] leading-[26px]"
        :class="[one.span.kind, { movable: one.isMovable }]"
        :style="{ left: `${one.left}%`, width: `calc(${one.width}% - 1px)` }"
        :data-span="keyOf(one.span)"
        :aria-expanded="one.isMovable ? chosenKey === keyOf(one.span) : undefined"
        :title="titleOf(one.span)"
        :aria-label="titleOf(one.span) + (one.isMovable ? '; arrow keys move it, a press opens its times' : '')"
        :role="one.isMovable ? undefined : 'img'"
        v-on="
          one.isMovable
            ? {
                pointerdown: (event: PointerEvent) => begin(event, one.span),
                keydown: (event: KeyboardEvent) => key(event, one.span),
                click: () => choose(one.span),
              }
            : {}
        "
        ><template v-if="one.width > 3">{{ plain(one.span.step.words) }}</template></component
      >
    </div>
    <div
      v-if="chosen"
      ref="bar"
      class="flex flex-wrap items-center gap-1.5 py-1 text-[13.5px]"
      role="group"
      :aria-label="`Move ${plain(chosen.step.words)}`"
      @keydown.esc.stop="close"
    >
      <b class="mr-1">{{ plain(chosen.step.words) }}, {{ weekdayClockText(chosen.from) }}</b>
      <button
        v-for="one in moves"
        :key="one.name"
        type="button"
        class="min-h-9 rounded border border-edge bg-card px-2 hover:bg-verdigris-soft"
        @click="move(chosen, one.by)"
      >
        {{ one.name }}
      </button>
      <button type="button" class="min-h-9 px-2 text-verdigris underline" @click="close">Close</button>
    </div>
  </div>
</template>

<style scoped>
.span {
  min-width: 3px;
}
/* What can be moved can be taken hold of, however short it is. */
button.span {
  min-width: 24px;
}
.movable {
  cursor: ew-resize;
  touch-action: none;
}
.done {
  background: light-dark(#c9d8d3, #3a4a47);
  color: light-dark(#33423f, #dfe8e5);
}
.hands {
  background: var(--color-verdigris);
  color: var(--color-on);
}
.wait {
  background: repeating-linear-gradient(
    135deg,
    light-dark(#e6e3d7, #2b3334) 0 6px,
    light-dark(#f3f1e9, #333c3d) 6px 12px
  );
  color: var(--color-soft);
}
.due {
  background: var(--color-amber-soft);
  border: 1px solid var(--color-amber-edge);
  color: var(--color-amber);
  line-height: 24px;
}
.late {
  background: var(--color-red-soft);
  border: 1px solid var(--color-red-edge);
  color: var(--color-red);
  line-height: 24px;
}
</style>
