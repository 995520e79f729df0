<script setup lang="ts">
import { ScatterChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import type { ClassSpread } from '#core/classroom'
import { useTinted } from '~/composables/useLook'

/** The results of a class over one another: a point a group, a line of points a section, the mean, and the key once it is released. */
const { title, unit, points, spread, keyAt } = defineProps<{
  title: string
  unit: string
  points: readonly { readonly group: number; readonly section: string; readonly value: number }[]
  spread: ClassSpread
  /** Where the key stands on this axis. */
  keyAt?: number
}>()
use([ScatterChart, GridComponent, MarkLineComponent, TooltipComponent, CanvasRenderer])
const font = { fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif', color: '#566063' }
const sections = computed(() => [...new Set(points.map(({ section }) => section || 'all'))])
const line = (value: number, name: string, color: string) => ({
  xAxis: value,
  name,
  lineStyle: { color, width: 1.5, type: name === 'key' ? 'solid' : 'dashed' },
  label: { formatter: name, color },
})
const tinted = useTinted(() => ({
  animation: false,
  textStyle: font,
  grid: { left: 96, right: 22, top: 22, bottom: 40 },
  tooltip: { formatter: ({ data }: { data: { name: string } }) => data.name },
  xAxis: {
    type: 'value',
    scale: true,
    name: unit,
    nameLocation: 'middle',
    nameGap: 26,
    axisLabel: font,
    splitLine: { lineStyle: { color: '#eceadf' } },
  },
  yAxis: { type: 'category', data: sections.value, axisLabel: font },
  series: [
    {
      type: 'scatter',
      symbolSize: 13,
      data: points.map(({ group, section, value }) => ({
        value: [value, section || 'all'],
        name: `group ${group}: ${value.toPrecision(4)} ${unit}`,
        symbol: spread.outliers.includes(group) ? 'emptyDiamond' : 'circle',
        itemStyle: { color: spread.outliers.includes(group) ? '#9c2c1b' : '#17695c', opacity: 0.85 },
      })),
      markLine: {
        symbol: 'none',
        silent: true,
        data: [line(spread.mean, 'mean', '#566063'), ...(keyAt === undefined ? [] : [line(keyAt, 'key', '#8a5300')])],
      },
    },
  ],
}))
const digits = (value: number | undefined): string =>
  value === undefined ? '–' : Number(value.toPrecision(4)).toString()
</script>

<template>
  <figure class="min-w-0 rounded-lg border border-rule bg-paper px-3 py-2">
    <figcaption class="text-[14px]">
      <b>{{ title }}</b>
      <span class="figure ml-3">{{ digits(spread.mean) }}</span> {{ unit }} mean of {{ spread.n
      }}<template v-if="spread.standardDeviation !== undefined"
        >, s = <span class="figure">{{ digits(spread.standardDeviation) }}</span></template
      ><template v-if="spread.outliers.length > 0">
        · <span class="text-red">suspected: group {{ spread.outliers.join(', ') }}</span></template
      >
    </figcaption>
    <div class="h-[150px]" role="img" :aria-label="`${title}: a point for each group; its numbers stand in the table`">
      <VChart :option="tinted" autoresize />
    </div>
    <ul v-if="spread.sections.length > 1" class="text-[13.5px]">
      <li v-for="section in spread.sections" :key="section.section">
        {{ section.section }}: <span class="figure">{{ digits(section.mean) }}</span> {{ unit }} of {{ section.n
        }}<template v-if="section.standardDeviation !== undefined"
          >, s = {{ digits(section.standardDeviation) }}</template
        >
      </li>
      <li v-for="finding in spread.findings" :key="finding.text" class="text-soft">
        <RichText :text="finding.text" />
      </li>
    </ul>
  </figure>
</template>
