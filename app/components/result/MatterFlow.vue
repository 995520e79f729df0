<script setup lang="ts">
import { SankeyChart } from 'echarts/charts'
import { TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { useTinted } from '~/composables/useLook'
import type { LedgerRow } from '#core/outcome'
import { placeColours } from './place-colours'

/** One element as a flow: from its bottles through the pot to the places where it went. */
const { row } = defineProps<{ row: LedgerRow }>()
use([SankeyChart, TooltipComponent, CanvasRenderer])
const OPEN = '#f3d9d2'
const mmol = (moles: number): number => Number((moles * 1000).toPrecision(3))
const option = computed(() => {
  const pot = `${row.element} in the pot`
  const isShort = !row.closes && row.open.value < 0
  const isLost = !row.closes && row.open.value > 0
  const bottles = row.from.map(({ place, moles }) => ({ name: place, value: mmol(moles.value), colour: '#b7c9d3' }))
  const places = row.out.map(({ place, moles }) => ({
    name: `${place} `,
    value: mmol(moles.value),
    colour: placeColours[place],
  }))
  const sources = isShort ? [...bottles, { name: 'from nowhere', value: mmol(-row.open.value), colour: OPEN }] : bottles
  const ends = isLost ? [...places, { name: 'unaccounted', value: mmol(row.open.value), colour: OPEN }] : places
  return {
    animation: false,
    textStyle: { fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif', color: '#1d2529' },
    tooltip: { trigger: 'item', valueFormatter: (value: number) => `${value} mmol` },
    series: [
      {
        type: 'sankey',
        left: 8,
        right: 170,
        top: 12,
        bottom: 12,
        nodeWidth: 14,
        nodeGap: 12,
        draggable: false,
        label: {
          fontSize: 13,
          formatter: ({ name, value }: { name: string; value: number }) => `${name.trim()}  ${value}`,
        },
        lineStyle: { color: 'target', opacity: 0.5 },
        data: [
          ...sources.map(({ name, colour }) => ({ name, itemStyle: { color: colour } })),
          { name: pot, itemStyle: { color: '#5d6f7a' } },
          ...ends.map(({ name, colour }) => ({ name, itemStyle: { color: colour } })),
        ],
        links: [
          ...sources.map(({ name, value }) => ({ source: name, target: pot, value })),
          ...ends.map(({ name, value }) => ({ source: pot, target: name, value })),
        ],
      },
    ],
  }
})
const drawn = useTinted(() => option.value)
</script>

<template>
  <div
    class="mt-2 h-[260px] w-full"
    role="img"
    :aria-label="`Flow of ${row.element}; the same numbers stand in the table`"
  >
    <VChart :option="drawn" :update-options="{ notMerge: true }" autoresize />
  </div>
</template>
