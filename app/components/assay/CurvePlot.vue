<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { useTinted } from '~/composables/useLook'
import type { Band, CurvePoints, Plateau } from '#core/assay'

/** A thermogram with its levels shaded, or a spectrum with its bands marked. */
const { curve, plateaus, bands } = defineProps<{
  curve: CurvePoints
  plateaus: readonly Plateau[]
  bands: readonly Band[]
}>()
use([LineChart, ScatterChart, GridComponent, MarkAreaComponent, TooltipComponent, CanvasRenderer])
const font = { fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif', color: '#566063' }
const label = (value: number): string => String(Number(value.toPrecision(4)))
const option = computed(() => ({
  animation: false,
  textStyle: font,
  grid: { left: 56, right: 18, top: 26, bottom: 42 },
  tooltip: { trigger: 'axis', valueFormatter: (value: number) => label(Number(value)) },
  xAxis: {
    type: 'value',
    scale: true,
    min: 'dataMin',
    max: 'dataMax',
    name: curve.x,
    nameLocation: 'middle',
    nameGap: 26,
    splitLine: { show: false },
    axisLabel: { formatter: label },
  },
  yAxis: { type: 'value', scale: true, name: curve.y, splitLine: { lineStyle: { color: '#eceadf' } } },
  series: [
    {
      type: 'line',
      name: curve.y,
      showSymbol: false,
      color: '#17695c',
      lineStyle: { width: 2 },
      data: curve.points,
      markArea: {
        silent: true,
        itemStyle: { color: 'rgba(23,105,92,.09)' },
        data: plateaus.map(({ from, to }) => [{ xAxis: from }, { xAxis: to }]),
      },
    },
    {
      type: 'scatter',
      color: '#8a5300',
      symbolSize: 8,
      data: bands.map(({ x, y }) => [x, y]),
      label: { show: true, position: 'top', formatter: ({ value }: { value: number[] }) => label(value[0]!) },
    },
  ],
}))
const drawn = useTinted(() => option.value)
</script>

<template>
  <div
    class="mt-3 h-[320px] w-full max-w-[760px]"
    role="img"
    aria-label="The curve; its figures stand in the table below"
  >
    <VChart :option="drawn" :update-options="{ notMerge: true }" autoresize />
  </div>
</template>
