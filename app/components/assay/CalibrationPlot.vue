<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { useTinted } from '~/composables/useLook'
import type { Calibration } from '#core/assay'

/** The standards, the line through them with its 95 % band, and where the samples lie on it. */
const { calibrations, unit, y } = defineProps<{ calibrations: readonly Calibration[]; unit: string; y: string }>()
use([LineChart, ScatterChart, GridComponent, LegendComponent, TooltipComponent, CanvasRenderer])
const SHADES = ['#17695c', '#8a5300', '#35566b', '#7a3b5c'] as const
const font = { fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif', color: '#566063' }

const seriesOf = (one: Calibration, i: number) => {
  const { name } = one
  const color = SHADES[i % SHADES.length]!
  const { drawn, points, samples, doubtful } = one
  const edge = { type: 'line', name: `${name}, 95 %`, showSymbol: false, silent: true }
  return [
    {
      type: 'line',
      name,
      color,
      showSymbol: false,
      silent: true,
      data: drawn.map(([x, y]) => [x, y]),
      lineStyle: { width: 2 },
    },
    { ...edge, color, lineStyle: { type: 'dashed', width: 1 }, data: drawn.map(([x, , low]) => [x, low]) },
    { ...edge, color, lineStyle: { type: 'dashed', width: 1 }, data: drawn.map(([x, , , high]) => [x, high]) },
    {
      type: 'scatter',
      name: `${name}, standards`,
      color,
      symbolSize: 10,
      data: points.map(({ x, y, row }) => ({
        value: [x, y],
        ...(doubtful.includes(row) && { symbol: 'emptyCircle', itemStyle: { color: '#9a2b1f', borderWidth: 3 } }),
      })),
    },
    {
      type: 'scatter',
      name: `${name}, samples`,
      color,
      symbol: 'diamond',
      symbolSize: 14,
      itemStyle: { borderColor: '#1d2529', borderWidth: 1.5 },
      data: samples.map(({ x, y, name: label }) => ({ value: [x, y], name: label })),
    },
  ]
}
const option = computed(() => ({
  animation: false,
  textStyle: font,
  grid: { left: 58, right: 18, top: 38, bottom: 42 },
  legend: {
    top: 0,
    left: 0,
    itemWidth: 18,
    textStyle: font,
    data: calibrations.map(({ name }) => name),
  },
  tooltip: { trigger: 'item', valueFormatter: (value: number) => Number(value).toPrecision(4) },
  xAxis: {
    type: 'value',
    scale: true,
    name: unit,
    nameLocation: 'middle',
    nameGap: 26,
    splitLine: { lineStyle: { color: '#eceadf' } },
  },
  yAxis: {
    type: 'value',
    name: y,
    nameLocation: 'middle',
    nameGap: 38,
    splitLine: { lineStyle: { color: '#eceadf' } },
  },
  series: calibrations.flatMap(seriesOf),
}))
const drawn = useTinted(() => option.value)
</script>

<template>
  <div
    class="h-[300px] w-full max-w-[720px]"
    role="img"
    aria-label="Calibration line; the same numbers stand in the tables"
  >
    <VChart :option="drawn" :update-options="{ notMerge: true }" autoresize />
  </div>
</template>
