<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { useTinted } from '~/composables/useLook'
import { branchesAt, saturationAt, type Curve } from '#core/solution'
import { lowered } from '~/composables/useLowered'
import { chartFont, solubilityAxes } from '~/composables/useSolubilityAxes'

/** A curve with its branches: where each solid is the stable one, drawn on where it is not, the table's points, the lab's own beside them, and where a batch stood. */
const { curve, beside, stood } = defineProps<{
  curve: Curve
  /** Another curve of the same salt: the shipped one where this is the lab's own, or the other way about. */
  beside: Curve | undefined
  stood: readonly (readonly [celsius: number, grams: number])[]
}>()
use([LineChart, ScatterChart, GridComponent, LegendComponent, TooltipComponent, CanvasRenderer])

const SHADES = ['#17695c', '#5fb6a4', '#0f4f45', '#8fc7ba'] as const
const degrees = Array.from({ length: 201 }, (_, i) => i / 2)

/** Where this solid is the stable one, and where it is drawn on beside another: null breaks the line. */
const branches = computed(() =>
  curve.phases.map(phase => {
    const told = degrees.map(celsius => {
      const branch = branchesAt(curve, celsius).find(one => one.phase === phase)
      const isInside = saturationAt(curve, celsius).ok
      return { celsius, grams: branch?.grams, isStable: branch?.isStable === true && isInside }
    })
    return {
      name: lowered(phase.form.text),
      stable: told.map(({ celsius, grams, isStable }) => [celsius, isStable ? (grams ?? null) : null]),
      drawn: told.map(({ celsius, grams, isStable }) => [celsius, isStable ? null : (grams ?? null)]),
      points: phase.points,
    }
  }),
)
const top = computed(() => Math.max(...curve.phases.flatMap(({ points }) => points.map(([, grams]) => grams))) * 1.15)
/** The drawn-on branches are told apart by their dashes. */
const legend = computed(() => [
  ...branches.value.map(({ name }) => name),
  ...(curve.own || beside?.own ? ['points of your lab'] : []),
  ...(curve.own && !beside ? [] : ['points of the table']),
  ...(stood.length > 0 ? ['where the batch stood'] : []),
])
const option = computed(() => ({
  animation: false,
  textStyle: chartFont,
  grid: { left: 52, right: 16, top: 60, bottom: 40 },
  legend: { top: 0, left: 0, itemWidth: 18, textStyle: chartFont, data: legend.value },
  tooltip: { trigger: 'item', valueFormatter: (value: number) => `${Number(value).toPrecision(3)} g` },
  ...solubilityAxes(top.value > 20 ? Math.ceil(top.value / 10) * 10 : Number(top.value.toPrecision(1))),
  series: [
    ...branches.value.flatMap(({ name, stable, drawn, points }, i) => {
      const color = SHADES[i % SHADES.length]
      return [
        { type: 'line', name, data: stable, symbol: 'none', lineStyle: { width: 3, color }, itemStyle: { color } },
        ...(drawn.some(([, grams]) => grams !== null)
          ? [
              {
                type: 'line',
                name: `${name}, drawn on`,
                data: drawn,
                symbol: 'none',
                lineStyle: { width: 1.5, type: 'dashed', color },
                itemStyle: { color },
              },
            ]
          : []),
        {
          type: 'scatter',
          name: curve.own ? 'points of your lab' : 'points of the table',
          data: points,
          symbolSize: 7,
          itemStyle: { color: curve.own ? '#2b64c4' : '#1d2529' },
        },
      ]
    }),
    ...(beside
      ? [
          {
            type: 'scatter',
            name: beside.own ? 'points of your lab' : 'points of the table',
            data: beside.phases.flatMap(({ points }) => points),
            symbol: 'diamond',
            symbolSize: 9,
            itemStyle: { color: beside.own ? '#2b64c4' : '#8d8776' },
          },
        ]
      : []),
    ...(stood.length > 0
      ? [
          {
            type: 'line',
            name: 'where the batch stood',
            data: stood,
            symbol: 'triangle',
            symbolSize: 10,
            lineStyle: { color: '#d18a17', width: 1.5 },
            itemStyle: { color: '#d18a17' },
          },
        ]
      : []),
  ],
}))
const drawn = useTinted(() => option.value)
const rows = computed(() => [
  ...curve.phases.flatMap(({ form, points }) =>
    points.map(([celsius, grams]) => [`{${form.text}}`, `${celsius} °C`, `${grams} g`]),
  ),
  ...stood.map(([celsius, grams]) => ['where the batch stood', `${celsius.toFixed(0)} °C`, `${grams.toFixed(1)} g`]),
])
</script>

<template>
  <div>
    <div class="h-[340px]">
      <VChart
        :option="drawn"
        :update-options="{ notMerge: true }"
        autoresize
        class="size-full"
        role="img"
        aria-label="Solubility against temperature by solid; the points stand in the table below"
      />
    </div>
    <ChartTable caption="Points of the curve" :head="['Solid', 'Temperature', 'In 100 g of water']" :rows="rows" />
  </div>
</template>
