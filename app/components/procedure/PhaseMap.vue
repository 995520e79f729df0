<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { findCurve, type PhasePicture } from '#core/solution'
import { parseFormula } from '#core/formula'

export interface WayPoint {
  readonly celsius: number
  readonly water: number
  readonly label: string
}

/** Which solids stand at which temperature with how much water, and the way that this pot takes through it. */
const { picture, way, product } = defineProps<{
  picture: PhasePicture
  way: readonly WayPoint[]
  product: string
}>()

/** Drawn as wide as it is shown, so that its letters keep their size. */
const frame = useTemplateRef('frame')
const { width } = useElementSize(frame)
const wide = computed(() => Math.round(Math.min(860, Math.max(300, width.value || 720))))
const HIGH = 330
const [LEFT, RIGHT, TOP, BOTTOM] = [52, 12, 14, 38]
const ends = computed(() => ({
  celsius: [picture.celsius[0]!, picture.celsius.at(-1)!] as const,
  water: [picture.water[0]!, picture.water.at(-1)!] as const,
}))
const across = computed(() => (wide.value - LEFT - RIGHT) / picture.celsius.length)
const up = computed(() => (HIGH - TOP - BOTTOM) / picture.water.length)
const share = (value: number, [from, to]: readonly [number, number]): number => (value - from) / (to - from)
/** The middle of a cell is the place that was worked out: the ends stand half a cell in. */
const xOf = (celsius: number): number =>
  LEFT + across.value / 2 + share(celsius, ends.value.celsius) * (wide.value - LEFT - RIGHT - across.value)
const yOf = (water: number): number =>
  HIGH - BOTTOM - up.value / 2 - share(water, ends.value.water) * (HIGH - TOP - BOTTOM - up.value)

const saltOf = (form: string): string => {
  const read = parseFormula(form)
  return read.ok ? (findCurve(read.value)?.curve.salt.text ?? read.value.text) : form
}
const isProduct = (form: string): boolean => saltOf(form) === saltOf(product)
const OTHERS = ['#ead9b8', '#cdd6e6', '#e6c9bd', '#d9d3e4', '#c6c2b4', '#e3dfa9', '#b9c9cf', '#d4b79a'] as const
const letters = computed(() => picture.fields.map((_, i) => String.fromCharCode(65 + i)))
const colours = computed(() => {
  let next = 0
  return picture.fields.map(({ solids, isDry }) => {
    if (isDry) return 'var(--color-edge)'
    if (solids.length === 0) return 'var(--color-sheet)'
    if (solids.every(isProduct)) return 'var(--color-verdigris-soft)'
    return OTHERS[next++ % OTHERS.length]!
  })
})
/** Neighbouring cells of a row that are alike are one box. */
const boxes = computed(() =>
  picture.cells.flatMap((row, r) => {
    const runs: { field: number; row: number; from: number; count: number }[] = []
    row.forEach((field, column) => {
      const last = runs.at(-1)
      if (last?.field === field) last.count++
      else runs.push({ field, row: r, from: column, count: 1 })
    })
    return runs
  }),
)
/** A letter stands in the longest run of its field. */
const marks = computed(() =>
  picture.fields.flatMap((_, field) => {
    const mine = boxes.value.filter(box => box.field === field)
    const most = Math.max(0, ...mine.map(({ count }) => count))
    const longest = mine.filter(({ count }) => count === most)
    const at = longest[Math.floor(longest.length / 2)]
    return at
      ? [{ field, x: LEFT + (at.from + at.count / 2) * across.value, y: HIGH - BOTTOM - (at.row + 0.5) * up.value }]
      : []
  }),
)
const line = computed(() => way.map(({ celsius, water }) => `${xOf(celsius)},${yOf(water)}`).join(' '))
const ticks = (from: number, to: number, many: number): number[] => {
  const step =
    [1, 2, 5, 10, 20, 25, 50, 100, 200, 500, 1000].find(one => (to - from) / one <= many) ?? (to - from) / many
  return Array.from({ length: many + 1 }, (_, i) => Math.ceil(from / step) * step + i * step).filter(one => one <= to)
}
const hasUnknown = computed(() => picture.cells.some(row => row.includes(-1)))
</script>

<template>
  <figure ref="frame" class="m-0">
    <svg
      :viewBox="`0 0 ${wide} ${HIGH}`"
      class="block font-sans"
      :width="wide"
      :height="HIGH"
      role="img"
      aria-label="Which solids stand, over temperature and water, with the way of this pot; the fields are listed below"
    >
      <defs>
        <pattern id="not-known" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--color-sheet)" />
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--color-edge)" stroke-width="2" />
        </pattern>
      </defs>
      <rect
        v-for="(box, i) in boxes"
        :key="i"
        :x="LEFT + box.from * across"
        :y="HIGH - BOTTOM - (box.row + 1) * up"
        :width="box.count * across + 0.4"
        :height="up + 0.4"
        shape-rendering="crispEdges"
        :fill="box.field < 0 ? 'url(#not-known)' : colours[box.field]"
      />
      <rect
        :x="LEFT"
        :y="TOP"
        :width="wide - LEFT - RIGHT"
        :height="HIGH - TOP - BOTTOM"
        fill="none"
        stroke="var(--color-edge)"
      />
      <g font-size="12" fill="var(--color-soft)">
        <text v-for="t in ticks(...ends.celsius, 10)" :key="`t${t}`" :x="xOf(t)" :y="HIGH - 20" text-anchor="middle">
          {{ t }}
        </text>
        <text :x="wide - RIGHT" :y="HIGH - 4" text-anchor="end">°C</text>
        <text v-for="w in ticks(...ends.water, 6)" :key="`w${w}`" :x="LEFT - 6" :y="yOf(w) + 4" text-anchor="end">
          {{ w }}
        </text>
        <text :x="0" :y="11">g water</text>
      </g>
      <g font-size="14" font-weight="700" fill="var(--color-ink)">
        <text v-for="mark in marks" :key="mark.field" :x="mark.x" :y="mark.y + 5" text-anchor="middle">
          {{ letters[mark.field] }}
        </text>
      </g>
      <polyline :points="line" fill="none" stroke="var(--color-ink)" stroke-width="1.8" stroke-linejoin="round" />
      <circle
        v-for="(point, i) in way"
        :key="i"
        :cx="xOf(point.celsius)"
        :cy="yOf(point.water)"
        :r="i === way.length - 1 ? 6 : 3.5"
        :fill="i === way.length - 1 ? 'var(--color-amber-edge)' : 'var(--color-ink)'"
        stroke="var(--color-sheet)"
      >
        <title>{{ point.label }}: {{ point.celsius.toFixed(0) }} °C, {{ point.water.toFixed(1) }} g of water</title>
      </circle>
    </svg>
    <figcaption class="mt-1 text-[14px]">
      <ul class="flex flex-wrap gap-x-5 gap-y-1">
        <li v-for="(field, i) in picture.fields" :key="i">
          <span
            class="mr-1 inline-block w-6 rounded border border-rule text-center font-semibold"
            :style="{ background: colours[i] }"
            >{{ letters[i] }}</span
          >
          <template v-if="field.solids.length === 0">all dissolved</template>
          <template v-for="(form, s) in field.solids" :key="form"
            ><template v-if="s > 0"> + </template><FormulaText :text="form"
          /></template>
          <template v-if="field.isDry">, no liquor left</template>
        </li>
      </ul>
      <p class="small mt-1">
        Water counts that of crystals. The line is the way of this pot, up to the filter, where the large point stands.
        Edges are told to half a square; where salts share ions they are the model’s.<template v-if="hasUnknown">
          Hatched: not known.</template
        >
      </p>
    </figcaption>
  </figure>
</template>
