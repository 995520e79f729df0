<script setup lang="ts">
import { format } from 'date-fns'
import type { LaneSpan } from '#core/procedure'

/** One batch over time. Hands can be dragged to another time, or moved by the arrow keys, a quarter of an hour at a time. */
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
  `${plain(step.words)}: ${titles[kind]} ${format(begin, 'EEE HH:mm')} to ${format(end, 'EEE HH:mm')}`

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
    if (by !== 0) emit('move', span.step.stage, span.step.id, span.from + by)
  }
}
function key(event: KeyboardEvent, span: LaneSpan): void {
  const by = { ArrowLeft: -QUARTER, ArrowRight: QUARTER }[event.key]
  if (by === undefined) return
  event.preventDefault()
  emit('move', span.step.stage, span.step.id, span.from + by)
}
</script>

<template>
  <div ref="room" class="relative h-9 min-w-0 overflow-hidden">
    <component
      :is="one.isMovable ? 'button' : 'span'"
      v-for="one in shown"
      :key="keyOf(one.span)"
      :type="one.isMovable ? 'button' : undefined"
      class="span absolute inset-y-1 overflow-hidden whitespace-nowrap rounded-[5px] px-1.5 text-left text-[12px] leading-[26px]"
      :class="[one.span.kind, { movable: one.isMovable }]"
      :style="{ left: `${one.left}%`, width: `calc(${one.width}% - 1px)` }"
      :title="titleOf(one.span)"
      :aria-label="titleOf(one.span) + (one.isMovable ? '; arrow keys move it' : '')"
      :role="one.isMovable ? undefined : 'img'"
      v-on="
        one.isMovable
          ? {
              pointerdown: (event: PointerEvent) => begin(event, one.span),
              keydown: (event: KeyboardEvent) => key(event, one.span),
            }
          : {}
      "
      ><template v-if="one.width > 3">{{ plain(one.span.step.words) }}</template></component
    >
  </div>
</template>

<style scoped>
.span {
  min-width: 3px;
}
.movable {
  cursor: ew-resize;
  touch-action: none;
}
.done {
  background: #c9d8d3;
  color: #33423f;
}
.hands {
  background: var(--color-verdigris);
  color: var(--color-on);
}
.wait {
  background: repeating-linear-gradient(135deg, #e6e3d7 0 6px, #f3f1e9 6px 12px);
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
