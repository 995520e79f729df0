<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { useTinted } from '~/composables/useLook'
import { saturationAt, type Curve } from '#core/solution'
import { lowered } from '~/composables/useLowered'
import { chartFont, solubilityAxes } from '~/composables/useSolubilityAxes'

export interface PathPoint {
  readonly celsius: number
  readonly grams: number
  readonly label: string
  /** The move whose temperature this point sets, where dragging it makes sense. */
  readonly move?: number
}

/** Solubility of the product against temperature, by solid, with the way this pot takes; a point is dragged to another temperature. */
const { curve, others, path, real } = defineProps<{
  curve: Curve
  others: readonly Curve[]
  path: readonly PathPoint[]
  /** Where the run really was. */
  real: readonly PathPoint[]
}>()
const emit = defineEmits<{ drag: [move: number, celsius: number] }>()
use([LineChart, GridComponent, LegendComponent, TooltipComponent, CanvasRenderer])

const between = ({ points, at }: Curve['phases'][number]): [number, number][] => {
  const from = points[0]![0]
  const to = points.at(-1)![0]
  const steps = Math.max(2, Math.round(to - from))
  return Array.from({ length: steps + 1 }, (_, i) => {
    const celsius = from + ((to - from) * i) / steps
    return [celsius, at(celsius)!]
  })
}
const SHADES = ['#17695c', '#5fb6a4', '#0f4f45'] as const
const top = computed(() => {
  const most = Math.max(...path.map(({ grams }) => grams), ...real.map(({ grams }) => grams), 1)
  return Math.ceil((most * 1.35) / 10) * 10
})
const option = computed(() => ({
  animation: false,
  textStyle: chartFont,
  grid: { left: 46, right: 16, top: 58, bottom: 40 },
  legend: { top: 0, left: 0, itemWidth: 18, textStyle: chartFont },
  tooltip: { trigger: 'item', valueFormatter: (value: number) => `${Number(value).toFixed(1)} g` },
  ...solubilityAxes(top.value),
  series: [
    ...curve.phases.map((phase, i) => ({
      type: 'line',
      name: lowered(phase.form.text),
      data: between(phase),
      symbol: 'none',
      lineStyle: { width: 3, color: SHADES[i % SHADES.length] },
      itemStyle: { color: SHADES[i % SHADES.length] },
    })),
    ...others.map((other, i) => ({
      type: 'line',
      name: lowered(other.salt.text),
      data: other.phases.flatMap((phase, p) => [...(p > 0 ? [[phase.from, null]] : []), ...between(phase)]),
      symbol: 'none',
      lineStyle: { width: 1.5, type: 'dashed', color: ['#8d8776', '#b9b3a2'][i % 2] },
      itemStyle: { color: ['#8d8776', '#b9b3a2'][i % 2] },
    })),
    {
      type: 'line',
      name: 'the plan',
      data: path.map(({ celsius, grams, label }) => ({ value: [celsius, grams], name: label })),
      symbolSize: 7,
      lineStyle: { color: '#1d2529', width: 1.5 },
      itemStyle: { color: '#1d2529' },
    },
    ...(real.length > 0
      ? [
          {
            type: 'line',
            name: 'the run',
            data: real.map(({ celsius, grams, label }) => ({ value: [celsius, grams], name: label })),
            symbol: 'diamond',
            symbolSize: 11,
            lineStyle: { color: '#d18a17', width: 2 },
            itemStyle: { color: '#d18a17' },
          },
        ]
      : []),
  ],
}))

/** Handles over the points that set a temperature; each a slider for the keyboard too. */
const chart = useTemplateRef('chart')
const handles = ref<{ x: number; y: number; point: PathPoint }[]>([])
function place(): void {
  const now = chart.value
  if (!now) return
  handles.value = path.flatMap(point => {
    if (point.move === undefined) return []
    const at = now.convertToPixel({ gridIndex: 0 }, [point.celsius, point.grams]) as unknown as
      [number, number] | undefined
    return at ? [{ x: at[0], y: at[1], point }] : []
  })
}
watch(
  () => [path, top.value],
  () => void nextTick(place),
)

const room = useTemplateRef('room')
function begin(event: PointerEvent, move: number): void {
  const handle = event.currentTarget as HTMLElement
  handle.setPointerCapture(event.pointerId)
  const box = room.value!.getBoundingClientRect()
  const follow = (moving: PointerEvent): void => {
    const value = chart.value?.convertFromPixel({ gridIndex: 0 }, [
      moving.clientX - box.left,
      moving.clientY - box.top,
    ]) as unknown as [number, number] | undefined
    if (value) emit('drag', move, Math.round(Math.min(100, Math.max(0, value[0]))))
  }
  handle.onpointermove = follow
  handle.onpointerup = () => {
    handle.onpointermove = null
  }
}
function key(event: KeyboardEvent, { move, celsius }: PathPoint): void {
  const step = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -10, PageUp: 10 }[event.key]
  if (step === undefined) return
  event.preventDefault()
  emit('drag', move!, Math.round(celsius) + step)
}
const drawn = useTinted(() => option.value)
/** Point by point, with what the water holds there. */
const rows = computed(() =>
  [...path, ...real.map(point => ({ ...point, label: `the run: ${point.label}` }))].map(({ celsius, grams, label }) => {
    const most = saturationAt(curve, celsius)
    return [
      label,
      `${celsius.toFixed(0)} °C`,
      `${grams.toFixed(1)} g`,
      most.ok ? `${most.value.grams.toFixed(1)} g` : 'not known',
    ]
  }),
)
</script>

<template>
  <div>
    <div ref="room" class="relative h-[330px]">
      <VChart
        ref="chart"
        :option="drawn"
        autoresize
        class="size-full"
        role="img"
        aria-label="Solubility against temperature, with the way this pot takes; the same numbers stand in the table below"
        @finished="place"
      />
      <button
        v-for="handle in handles"
        :key="handle.point.move"
        type="button"
        class="absolute size-7 -translate-x-1/2 -translate-y-1/2 cursor-ew-resize touch-none rounded-full border-2 border-ink bg-card/70 hover:bg-verdigris-soft"
        role="slider"
        :aria-label="handle.point.label"
        aria-valuemin="0"
        aria-valuemax="100"
        :aria-valuenow="Math.round(handle.point.celsius)"
        :aria-valuetext="`${Math.round(handle.point.celsius)} °C`"
        :style="{ left: `${handle.x}px`, top: `${handle.y}px` }"
        @pointerdown="begin($event, handle.point.move!)"
        @keydown="key($event, handle.point)"
      />
    </div>
    <ChartTable
      caption="The way of this pot, point by point"
      :head="['Where', 'Temperature', 'In 100 g of water', 'It holds at most']"
      :rows="rows"
    />
  </div>
</template>
