<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { GridComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { useTinted } from '~/composables/useLook'
import { timesOf } from '#core/procedure'
import { effectOf, tellVessel, type ToldStage } from '#core/procedure'

/** What a way that has no solubility curve is seen by: the temperature against time of a dry one, what each wash leaves in the cake of a precipitate. */
const { account } = defineProps<{ account: ToldStage }>()
use([LineChart, GridComponent, TooltipComponent, CanvasRenderer])

const isDry = computed(() => account.way.way === 'heat dry')
const font = { fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif', color: '#566063' }
/** Minutes that a furnace takes to a red heat and back; common practice, no source. */
const RAMP = 30
const programme = computed(() => {
  let minutes = 0
  let celsius = account.folding.room.celsius
  const points: [number, number][] = [[0, celsius]]
  for (const step of account.steps) {
    const plan = effectOf(step)
    const { hands, wait } = timesOf(step)
    const event = account.events.find(one => one.step === step.id)
    if (plan && ('ignite' in plan || 'heatTo' in plan || 'coolTo' in plan) && event) {
      const to = event.operation.do === 'ignite' ? event.operation.celsius : event.after.celsius
      const ramp = Math.min(RAMP, Math.abs(to - celsius) > 50 ? RAMP : 5)
      points.push([(minutes + ramp) / 60, to])
      minutes += ramp
      celsius = to
    }
    minutes += hands + wait
    points.push([minutes / 60, celsius])
  }
  return points
})
/** g of what is not the product in the cake: on the filter, and after each wash. */
const left = computed(() => {
  const filtered = account.events.findIndex(
    ({ operation }) => operation.do === 'filter off' && operation.keep === 'solid',
  )
  if (filtered < 0) return []
  return account.events
    .slice(filtered)
    .filter(({ operation }) => operation.do === 'filter off' || operation.do === 'wash')
    .map(({ after, operation }, i) => ({
      name: operation.do === 'wash' ? `wash ${i}` : 'on the filter',
      mass: tellVessel(after, account.named).dissolved.reduce((sum, one) => sum + one.mass, 0),
    }))
})
const until = computed(() => account.steps.find(step => step.do === 'wash')?.until)
const option = computed(() => ({
  animation: false,
  textStyle: font,
  grid: { left: 62, right: 16, top: 28, bottom: 40 },
  tooltip: {
    trigger: 'axis',
    valueFormatter: (value: number) =>
      isDry.value ? `${Number(value).toFixed(0)} °C` : `${Number(value).toPrecision(2)} g`,
  },
  xAxis: isDry.value
    ? { type: 'value', name: 'h', nameLocation: 'middle', nameGap: 24, splitLine: { show: false } }
    : { type: 'category', data: left.value.map(({ name }) => name) },
  yAxis: isDry.value
    ? { type: 'value', name: '°C', min: 0, splitLine: { lineStyle: { color: '#eceadf' } } }
    : {
        type: 'log',
        name: 'g of the liquor’s salts in the cake',
        nameTextStyle: { align: 'left', padding: [0, 0, 0, -52] },
        splitLine: { lineStyle: { color: '#eceadf' } },
      },
  series: isDry.value
    ? [
        {
          type: 'line',
          data: programme.value,
          lineStyle: { color: '#a8442a', width: 2 },
          symbolSize: 6,
          itemStyle: { color: '#a8442a' },
        },
      ]
    : [
        {
          type: 'line',
          data: left.value.map(({ mass }) => Math.max(mass, 1e-9)),
          itemStyle: { color: '#17695c' },
          lineStyle: { color: '#17695c', width: 2 },
          symbolSize: 9,
        },
      ],
}))
const drawn = useTinted(() => option.value)
const programmed = computed(() =>
  programme.value.map(([hours, celsius]) => [`${hours.toFixed(1)} h`, `${celsius.toFixed(0)} °C`]),
)
</script>

<template>
  <figure
    v-if="isDry || left.length > 1"
    class="m-0 mt-3"
    :class="isDry ? '' : 'grid items-center gap-4 lg:grid-cols-[minmax(0,1fr)_260px]'"
  >
    <div class="h-[220px] w-full" role="img" :aria-label="isDry ? 'Temperature against time' : 'What each wash leaves'">
      <VChart :option="drawn" :update-options="{ notMerge: true }" autoresize />
    </div>
    <figcaption class="small">
      <template v-if="isDry"
        >Usual times: what counts is constant mass, not the clock. The furnace’s own pace is taken as half an hour to
        red heat. <ChartTable caption="Temperature against time" :head="['After', 'Temperature']" :rows="programmed"
      /></template>
      <template v-else>
        <table class="mt-1 text-[13px]">
          <tbody>
            <tr v-for="one in left" :key="one.name">
              <th class="pr-3 text-left font-normal">{{ one.name }}</th>
              <td class="figure text-right">{{ one.mass.toPrecision(2) }} g</td>
            </tr>
          </tbody>
        </table>
        An estimate, with the cake keeping as much liquor as it weighs.
        <template v-if="until">It is washed until <RichText :text="until" />.</template>
      </template>
    </figcaption>
  </figure>
</template>
