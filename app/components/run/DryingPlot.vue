<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { GridComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { useTinted } from '~/composables/useLook'
import type { Dryness, DryPoint } from '#core/journal'

/** Mass against time, with where it is expected to end; the numbers stand in the table below. */
const { points, expected } = defineProps<{ points: readonly DryPoint[]; expected: Dryness['expected'] }>()
use([LineChart, GridComponent, TooltipComponent, CanvasRenderer])
const font = { fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif', color: '#566063' }
const option = computed(() => ({
  animation: false,
  textStyle: font,
  grid: { left: 58, right: 14, top: 12, bottom: 34 },
  tooltip: { trigger: 'item' },
  xAxis: { type: 'value', name: 'h', nameLocation: 'middle', nameGap: 20, splitLine: { show: false }, min: 0 },
  yAxis: { type: 'value', scale: true, name: '', splitLine: { lineStyle: { color: '#eceadf' } } },
  series: [
    {
      type: 'line',
      name: 'weighed, g',
      data: points.map(({ hours, mass }) => [hours, mass]),
      symbolSize: 9,
      lineStyle: { color: '#17695c', width: 2 },
      itemStyle: { color: '#17695c' },
    },
    ...(expected
      ? [
          {
            type: 'line',
            name: 'expected, g',
            data: [
              [points.at(-1)!.hours, points.at(-1)!.mass],
              [expected.hours, expected.end],
            ],
            symbol: 'emptyCircle',
            symbolSize: 9,
            lineStyle: { color: '#8a5300', type: 'dashed', width: 1.5 },
            itemStyle: { color: '#8a5300' },
          },
        ]
      : []),
  ],
}))
const drawn = useTinted(() => option.value)
</script>

<template>
  <div class="h-[170px]">
    <VChart
      :option="drawn"
      autoresize
      class="size-full"
      role="img"
      aria-label="Mass against time; the same numbers stand in the table below"
    />
  </div>
</template>
