<script setup lang="ts">
import { addDays, format, formatDistanceToNow, startOfDay, startOfHour } from 'date-fns'
import { dayClockText, isToday, weekdayDayText, weekdayText } from '~/utils/dates'
import { useBenchLanes, type Wanted } from '~/composables/useBenchLanes'
import { useBenchStore } from '~/stores/bench'
import { useOutboxStore, type NewEntry } from '~/stores/outbox'

/** The lab's present: what wants hands now, what waits, what is due, over all batches. */
const store = useBenchStore()
const outbox = useOutboxStore()
const { now, hours, lanes, wanted, clashes } = useBenchLanes()
onMounted(() => void store.load())
/** An empty lab begins where a batch is planned; whoever comes back to the bench from there stays on it. */
const cameFirst = useState('bench-was-open', () => true)
watch(
  () => store.bench?.counts,
  counts => {
    if (!counts || !cameFirst.value) return
    cameFirst.value = false
    if (counts.underWay + counts.planned + counts.done === 0) void navigateTo('/batches/new', { replace: true })
  },
  { immediate: true },
)
useHead({ title: 'Bench · Zip Ledger' })

const views = [
  { key: 'day', name: 'Today' },
  { key: 'week', name: 'Week' },
  { key: 'month', name: 'Month' },
] as const
const view = ref<(typeof views)[number]['key']>('day')
const HOUR = 3_600_000
const range = computed(() => {
  const day = startOfDay(now.value).getTime()
  if (view.value === 'week') return { from: day, to: addDays(day, 7).getTime() }
  if (view.value === 'month') return { from: day, to: addDays(day, 31).getTime() }
  const first = Math.min(day + Math.max(0, hours.value.from - 1) * HOUR, startOfHour(now.value).getTime() - HOUR)
  const last = Math.max(day + (hours.value.to + 1) * HOUR, startOfHour(now.value).getTime() + 6 * HOUR)
  return { from: first, to: last }
})
const ticks = computed(() => {
  const { from, to } = range.value
  const step = view.value === 'day' ? HOUR * (to - from > 14 * HOUR ? 2 : 1) : 24 * HOUR
  const list: { at: number; text: string }[] = []
  for (let at = view.value === 'day' ? startOfHour(from).getTime() : from; at < to; at += step)
    if (at >= from)
      list.push({
        at,
        text:
          view.value === 'day'
            ? `${format(at, 'HH')}${isToday(at) ? '' : ` ${weekdayText(at)}`}`
            : view.value === 'week'
              ? weekdayDayText(at)
              : format(at, 'd'),
      })
  return list
})
const placeOf = (at: number): string => `${((at - range.value.from) / (range.value.to - range.value.from)) * 100}%`

const NOON = 12
const headline = computed(() => {
  const day = format(now.value, 'EEEE')
  const noon = startOfDay(now.value).getTime() + NOON * HOUR
  const limit = now.value < noon ? noon : startOfDay(now.value).getTime() + 24 * HOUR
  const count = wanted.value.filter(({ span }) => span.from <= limit).length
  const when = now.value < noon ? 'before noon' : 'today'
  return count === 0
    ? `${day}, nothing wants your hands ${when}`
    : `${day}, ${count} ${count === 1 ? 'thing wants' : 'things want'} your hands ${when}`
})
const clock = dayClockText
function whenOf({ span }: Wanted): { text: string; tone: string } {
  if (span.kind === 'late') return { text: `late, was due ${clock(span.from)}`, tone: 'bg-red-soft text-red' }
  if (span.kind === 'due') return { text: `due ${clock(span.from)}`, tone: 'bg-amber-soft text-amber' }
  return span.from <= now.value + 60_000
    ? { text: 'now', tone: 'bg-verdigris-soft text-verdigris' }
    : { text: clock(span.from), tone: 'bg-stone text-soft' }
}
const contested = computed(() => [...new Set(clashes.value.map(one => one.equipment))])
const usesOf = (equipment: string) =>
  lanes.value.flatMap(({ batch, spans }) =>
    spans
      .filter(
        ({ kind, step, from, to }) =>
          kind !== 'done' && step.needs.includes(equipment as never) && to > range.value.from && from < range.value.to,
      )
      .map(({ from, to }) => ({ code: batch.code, from, to })),
  )
function shift(code: string, stage: string, step: string, at: number): void {
  outbox.record(code, { kind: 'shift', stage, step, to: new Date(at).toISOString() } as NewEntry)
}
const settling = ref(false)
const unreadable = computed(() => (store.bench?.batches ?? []).filter(({ brief }) => brief.isUnreadable))
</script>

<template>
  <main class="flex-1 bg-sheet px-[22px] py-[18px]">
    <div class="flex flex-wrap items-end justify-between gap-3">
      <div>
        <h1>{{ headline }}</h1>
        <p v-if="store.bench" class="mt-0.5 text-[14px] text-soft">
          {{ store.bench.counts.underWay }} under way, {{ store.bench.counts.planned }} planned,
          {{ store.bench.counts.done }} done.
          <template v-if="wanted[0]"
            >Next: {{ wanted[0].batch.code }}, <RichText :text="wanted[0].span.step.words" />.</template
          >
        </p>
      </div>
      <NuxtLink to="/batches/new" class="button shrink-0 whitespace-nowrap">Plan a batch</NuxtLink>
    </div>
    <p v-if="store.failed" class="mt-4 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
      The bench cannot be read just now; trying again every 3 seconds.
      <button type="button" class="underline" @click="store.load()">Try now</button>
    </p>
    <section
      v-if="unreadable.length > 0"
      class="mt-3 rounded-lg bg-amber-soft p-3 text-amber"
      aria-label="Not readable"
    >
      <p v-for="{ code, brief } in unreadable" :key="code">
        <NuxtLink :to="`/batches/${code}/sheet`" class="font-semibold underline">{{ code }}</NuxtLink>
        {{ brief.title }} cannot be worked out, so it has no lane and no clocks here. {{ brief.want }}.
      </p>
    </section>
    <template v-if="store.bench">
      <ol v-if="wanted.length > 0" class="mt-3 grid gap-x-6 lg:grid-cols-2" aria-label="What wants hands next">
        <li v-for="one in wanted.slice(0, 6)" :key="one.batch.code" class="border-b border-rule">
          <NuxtLink
            :to="{ path: `/batches/${one.batch.code}/run`, query: { stage: one.span.step.stage } }"
            class="grid min-h-12 grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-3 rounded py-1 hover:bg-paper"
          >
            <span class="flex items-center gap-2"
              ><ColourSwatch :colour="one.batch.brief.colour" /><b>{{ one.batch.code }}</b></span
            >
            <span class="truncate text-[15px]"><RichText :text="one.span.step.words" /></span>
            <span class="tag py-0.5" :class="whenOf(one).tone">{{ whenOf(one).text }}</span>
          </NuxtLink>
        </li>
      </ol>
      <div class="mt-4 flex flex-wrap items-center justify-between gap-2">
        <div class="flex gap-1" role="group" aria-label="How far to look">
          <button
            v-for="one in views"
            :key="one.key"
            type="button"
            class="min-h-9 rounded-md border px-3 text-[14px]"
            :class="one.key === view ? 'border-verdigris bg-verdigris-soft font-semibold' : 'border-edge bg-card'"
            :aria-pressed="one.key === view"
            @click="view = one.key"
          >
            {{ one.name }}
          </button>
        </div>
        <p class="flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px] text-soft">
          <span class="flex items-center gap-1"><i class="key bg-verdigris" />hands-on</span>
          <span class="flex items-center gap-1"><i class="key key-wait" />waits</span>
          <span class="flex items-center gap-1"><i class="key border-amber-edge bg-amber-soft" />due</span>
          <span class="flex items-center gap-1"><i class="key border-red-edge bg-red-soft" />late</span>
          <button type="button" class="min-h-9 text-verdigris underline" @click="settling = true">
            Hours and equipment
          </button>
          <a href="/api/bench.ics" class="min-h-9 content-center text-verdigris underline">Calendar (iCalendar)</a>
        </p>
      </div>
      <section v-if="lanes.length > 0" class="mt-2 overflow-x-auto" aria-label="Lanes" tabindex="0">
        <div class="lanes relative min-w-[760px]">
          <div class="row h-5 text-[12px] text-soft">
            <span />
            <span class="relative">
              <span v-for="tick in ticks" :key="tick.at" class="figure absolute" :style="{ left: placeOf(tick.at) }">{{
                tick.text
              }}</span>
            </span>
          </div>
          <div v-for="{ batch, spans } in lanes" :key="batch.code" class="row border-b border-rule py-1">
            <NuxtLink :to="`/batches/${batch.code}/run`" class="min-w-0 rounded py-0.5 hover:bg-paper">
              <span class="flex items-center gap-2"
                ><ColourSwatch :colour="batch.brief.colour" /><b class="text-[14px]">{{ batch.code }}</b></span
              >
              <span class="small block truncate">{{ batch.brief.title }}</span>
            </NuxtLink>
            <BenchLane
              :spans="spans"
              :from="range.from"
              :to="range.to"
              @move="(stage, step, at) => shift(batch.code, stage, step, at)"
            />
          </div>
          <div v-for="one in contested" :key="one" class="row py-1">
            <span class="text-[13px]"
              >{{ one }}
              <b class="text-red">{{ clashes.find(clash => clash.equipment === one)!.batches.join(' and ') }}</b>
              <span class="small block"
                >want it at once, {{ clock(clashes.find(clash => clash.equipment === one)!.from) }}</span
              ></span
            >
            <span class="relative h-7">
              <i
                v-for="(use, i) in usesOf(one)"
                :key="i"
                class="absolute inset-y-2 rounded bg-blue-soft"
                :style="{
                  left: placeOf(Math.max(use.from, range.from)),
                  width: `calc(${placeOf(Math.min(use.to, range.to))} - ${placeOf(Math.max(use.from, range.from))})`,
                }"
                :title="use.code"
              />
              <i
                v-for="(clash, i) in clashes.filter(two => two.equipment === one && two.from < range.to)"
                :key="`c${i}`"
                class="absolute inset-y-1.5 rounded border border-red-edge bg-red-soft"
                :style="{
                  left: placeOf(Math.max(clash.from, range.from)),
                  width: `calc(${placeOf(Math.min(clash.to, range.to))} - ${placeOf(Math.max(clash.from, range.from))})`,
                }"
                :title="clash.batches.join(' and ')"
              />
            </span>
          </div>
          <div class="pointer-events-none absolute inset-y-0 left-[190px] right-0" aria-hidden="true">
            <i
              v-if="now >= range.from && now <= range.to"
              class="absolute inset-y-0 border-l-2 border-ink/60"
              :style="{ left: placeOf(now) }"
            />
          </div>
        </div>
      </section>
      <p v-if="lanes.length < store.bench.counts.underWay" class="small mt-2">
        The {{ lanes.length }} that are due first, of {{ store.bench.counts.underWay }}. All of them are under
        <NuxtLink to="/batches" class="text-verdigris underline">Batches</NuxtLink>.
      </p>
      <p v-if="lanes.length === 0" class="mt-4 text-[16px]">
        Nothing is under way. Begin a planned batch, or plan one.
      </p>
      <section v-if="store.bench.planned.length > 0" class="mt-5" aria-label="Planned">
        <h2>Planned, not begun</h2>
        <ul class="mt-1 grid gap-x-6 lg:grid-cols-2">
          <li v-for="{ code, brief, touchedAt } in store.bench.planned" :key="code" class="border-b border-rule">
            <NuxtLink
              :to="`/batches/${code}/${brief.page}`"
              class="grid min-h-11 grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-3 rounded py-1 hover:bg-paper"
            >
              <span class="flex items-center gap-2"
                ><ColourSwatch :colour="brief.colour" /><b>{{ code }}</b></span
              >
              <span class="truncate text-[14px] text-soft"><RichText :text="brief.want" /></span>
              <span class="small">{{ formatDistanceToNow(new Date(touchedAt), { addSuffix: true }) }}</span>
            </NuxtLink>
          </li>
        </ul>
      </section>
    </template>
    <p v-else-if="!store.failed" class="mt-6 text-soft" aria-busy="true">Reading the bench.</p>
    <HoursDialog :open="settling" @close="settling = false" />
  </main>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 180px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
}
.key {
  width: 16px;
  height: 11px;
  border-radius: 3px;
  border: 1px solid transparent;
  display: inline-block;
}
.key-wait {
  background: repeating-linear-gradient(135deg, var(--color-rule) 0 4px, var(--color-paper) 4px 8px);
}
</style>
