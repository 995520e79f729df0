<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import type { Picture } from '#core/drill'
import { useTinted } from '~/composables/useLook'

/** A curve to read from. Where the answer stands on one of its axes, a press or a drag on the picture gives it. */
const { picture, at } = defineProps<{ picture: Picture; at: number | undefined }>()
const emit = defineEmits<{ read: [value: number] }>()
use([LineChart, GridComponent, MarkLineComponent, CanvasRenderer])

const font = { fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif', color: '#566063' }
const plain = (text: string): string => text.replace(/[{}]/g, '')
/** Lines to read by: ten across, of a round step. */
function stepOf({ from, to }: Picture['x']): number {
  const rough = (to - from) / 10
  const size = 10 ** Math.floor(Math.log10(rough))
  return size * ([1, 2, 5, 10].find(one => one * size >= rough - 1e-9) ?? 10)
}
const axis = (of: Picture['x'], gap: number) => ({
  type: 'value',
  min: of.from,
  max: of.to,
  interval: stepOf(of),
  name: `${plain(of.name)}, ${of.unit}`,
  nameLocation: 'middle',
  nameGap: gap,
  minorTick: { show: true, splitNumber: 5 },
  minorSplitLine: { show: true, lineStyle: { color: '#eceadf' } },
  splitLine: { lineStyle: { color: '#dcd8cb' } },
  axisLabel: font,
})
const tinted = useTinted(() => ({
  animation: false,
  textStyle: font,
  grid: { left: 58, right: 18, top: 12, bottom: 44 },
  xAxis: axis(picture.x, 28),
  yAxis: axis(picture.y, 42),
  series: [
    {
      type: 'line',
      data: picture.points.map(([x, y]) => [x, y]),
      showSymbol: false,
      silent: true,
      lineStyle: { width: 2.5, color: '#17695c' },
      ...(at !== undefined &&
        picture.answerOn && {
          markLine: {
            symbol: 'none',
            silent: true,
            label: { show: false },
            lineStyle: { color: '#8a5300', width: 1.5, type: 'solid' },
            data: [picture.answerOn === 'x' ? { xAxis: at } : { yAxis: at }],
          },
        }),
    },
  ],
}))
const chart = useTemplateRef<InstanceType<typeof VChart>>('chart')
function read(event: PointerEvent): void {
  if (!picture.answerOn || (event.type === 'pointermove' && event.buttons === 0)) return
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const place = chart.value?.convertFromPixel({ seriesIndex: 0 }, [event.clientX - box.left, event.clientY - box.top])
  if (!Array.isArray(place)) return
  const along = picture.answerOn === 'x' ? picture.x : picture.y
  const value = place[picture.answerOn === 'x' ? 0 : 1]!
  if (value >= along.from && value <= along.to) emit('read', value)
}
const rows = computed(() =>
  picture.points
    .filter((_, i) => i % 10 === 0)
    .map(([x, y]) => [`${x} ${picture.x.unit}`, `${y.toPrecision(3)} ${picture.y.unit}`]),
)
</script>

<template>
  <div>
    <div
      class="h-[300px] touch-none"
      :class="{ 'cursor-crosshair': picture.answerOn }"
      role="img"
      :aria-label="`Solubility of ${plain(`{${picture.of}}`)} against temperature; its numbers stand in the table below`"
      @pointerdown="read"
      @pointermove="read"
    >
      <VChart ref="chart" :option="tinted" autoresize />
    </div>
    <p v-if="picture.answerOn" class="small">Press or drag on the picture to read, or type what you read.</p>
    <ChartTable :caption="`Solubility of ${picture.of}`" :head="['Temperature', 'In 100 g of water']" :rows="rows" />
  </div>
</template>
