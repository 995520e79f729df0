<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { GridComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { useTinted } from '~/composables/useLook'
import type { Block } from '#core/record'

/** A curve of the record, as vectors, so that a print of it is sharp. */
const { chart } = defineProps<{ chart: Extract<Block, { is: 'chart' }> }>()
use([LineChart, GridComponent, SVGRenderer])
const label = (value: number): string => String(Number(value.toPrecision(4)))
const option = computed(() => ({
  animation: false,
  textStyle: { fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif', color: '#566063' },
  grid: { left: 58, right: 18, top: 24, bottom: 38 },
  xAxis: {
    type: 'value',
    scale: true,
    min: 'dataMin',
    max: 'dataMax',
    name: chart.x,
    nameLocation: 'middle',
    nameGap: 24,
    splitLine: { show: false },
    axisLabel: { formatter: label },
  },
  yAxis: {
    type: 'value',
    scale: true,
    name: chart.y,
    splitLine: { lineStyle: { color: '#eceadf' } },
    axisLabel: { formatter: label },
  },
  series: [
    {
      type: 'line',
      showSymbol: chart.isDotted === true,
      symbolSize: 7,
      color: '#17695c',
      lineStyle: { width: 2 },
      data: chart.points,
    },
  ],
}))
const drawn = useTinted(() => option.value)
</script>

<template>
  <figure class="my-2">
    <div class="h-[200px] w-full max-w-[560px]" role="img" :aria-label="`${chart.caption}: ${chart.y} over ${chart.x}`">
      <VChart :option="drawn" :init-options="{ renderer: 'svg' }" :update-options="{ notMerge: true }" autoresize />
    </div>
    <figcaption class="small">{{ chart.caption }}</figcaption>
  </figure>
</template>
