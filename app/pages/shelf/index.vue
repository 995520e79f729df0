<script setup lang="ts">
import { useWindowVirtualizer } from '@tanstack/vue-virtual'
import { refDebounced } from '@vueuse/core'
import type { Bottle } from '~/components/shelf/bottle'
import { send } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'

interface Found {
  readonly bottles: readonly Bottle[]
  readonly total: number
  readonly next?: number
}
/** The lab's bottles as rows that read like labels; as many are drawn as are seen, and as many are asked for as were come to. */
useHead({ title: 'Shelf · Zip Ledger' })
const who = useWhoStore()
const route = useRoute()
const router = useRouter()
const query = ref(typeof route.query.q === 'string' ? route.query.q : '')
const wanted = refDebounced(query, 150)
const withEmpty = ref(false)
const bottles = shallowRef<readonly Bottle[]>([])
const total = ref<number>()
const next = ref<number>()
const failure = ref('')
let asked = 0

async function load(more = false): Promise<void> {
  const mine = more ? asked : (asked += 1)
  const after = more ? next.value : undefined
  next.value = undefined
  try {
    const query = new URLSearchParams({
      ...(wanted.value.trim() !== '' && { q: wanted.value }),
      ...(withEmpty.value && { empty: '1' }),
      ...(after !== undefined && { after: String(after) }),
    })
    const found = await send<Found>(`/api/bottles?${query}`)
    if (mine !== asked) return
    bottles.value = more ? [...bottles.value, ...found.bottles] : found.bottles
    total.value = found.total
    next.value = found.next
    failure.value = ''
  } catch {
    if (mine === asked) failure.value = 'The shelf cannot be read just now.'
  }
}
watch([wanted, withEmpty], () => {
  void router.replace({ query: { ...(wanted.value && { q: wanted.value }) } })
  void load()
})
onMounted(() => load())

/** Ten sheets of labels are made at once. */
const MOST_LABELS = 210
const ROW = 76
const frame = useTemplateRef<HTMLElement>('frame')
/** The page scrolls, not the list: where it begins on the page is where its first row stands. */
const top = ref(0)
const rows = useWindowVirtualizer(
  computed(() => ({
    count: bottles.value.length,
    estimateSize: () => ROW,
    overscan: 8,
    scrollMargin: top.value,
  })),
)
watch(
  () => bottles.value.length > 0,
  async isThere => {
    if (!isThere) return
    await nextTick()
    top.value = (frame.value?.getBoundingClientRect().top ?? 0) + window.scrollY
  },
)
const seen = computed(() => rows.value.getVirtualItems())
watch(seen, items => {
  if (next.value !== undefined && (items.at(-1)?.index ?? 0) > bottles.value.length - 60) void load(true)
})
const focusAt = (at: number): boolean => {
  const link = frame.value?.querySelector<HTMLElement>(`[data-at="${at}"] a`)
  link?.focus()
  return link != null
}
/** Where the keys have led to, while its row is not drawn yet. */
let goal: number | undefined
/** Up and down go from bottle to bottle, Home and End to the ends of what was read. */
async function step(event: KeyboardEvent): Promise<void> {
  const on = (event.target as HTMLElement).closest('[data-at]')?.getAttribute('data-at')
  const moves: Record<string, number> = { ArrowDown: 1, ArrowUp: -1, Home: -Infinity, End: Infinity }
  const move = moves[event.key]
  if (move === undefined || on == null) return
  event.preventDefault()
  const to = Math.min(bottles.value.length - 1, Math.max(0, (goal ?? Number(on)) + move))
  rows.value.scrollToIndex(to)
  if (focusAt(to)) {
    goal = undefined
    return
  }
  goal = to
  await nextTick()
  requestAnimationFrame(() => {
    if (goal === to) focusAt(to)
    goal = undefined
  })
}
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <div class="flex flex-wrap items-end justify-between gap-4">
      <div>
        <h1>Shelf</h1>
        <p class="small mt-0.5" role="status">
          {{
            total === undefined
              ? 'Reading the shelf.'
              : `${total} ${total === 1 ? 'bottle' : 'bottles'}${wanted.trim() ? ` with “${wanted.trim()}”` : ''}`
          }}
        </p>
      </div>
      <div class="flex min-w-0 flex-wrap items-center gap-3 max-sm:w-full">
        <label class="flex min-w-0 flex-1 items-center max-sm:basis-full"
          ><span class="sr-only">Search the shelf</span
          ><input
            v-model="query"
            type="search"
            class="field w-[280px] max-sm:w-full"
            placeholder="Formula, name, place, lot"
        /></label>
        <label class="flex min-h-11 items-center gap-2 text-[14px]"
          ><input v-model="withEmpty" type="checkbox" class="size-5 accent-verdigris" /> Empty ones too</label
        >
        <a
          v-if="total"
          class="alone text-verdigris underline"
          :href="`/api/labels?from=1${wanted.trim() ? `&q=${encodeURIComponent(wanted)}` : ''}`"
          target="_blank"
          >{{
            total > MOST_LABELS ? `The first ${MOST_LABELS} labels` : `Labels of ${wanted.trim() ? 'these' : 'all'}`
          }}</a
        >
        <NuxtLink to="/shelf/look" class="alone text-verdigris underline">Worth a look</NuxtLink>
        <NuxtLink v-if="who.may('record')" to="/shelf/stock" class="alone text-verdigris underline"
          >Stocktaking</NuxtLink
        >
        <NuxtLink to="/shelf/shopping" class="alone text-verdigris underline">Shopping list</NuxtLink>
        <NuxtLink v-if="who.may('keep')" to="/shelf/new" class="button shrink-0 whitespace-nowrap"
          >Put a bottle up</NuxtLink
        >
      </div>
    </div>
    <p v-if="failure" class="mt-4 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
      {{ failure }} <button type="button" class="underline" @click="load()">Try again</button>
    </p>
    <p v-if="total === 0" class="mt-4 text-soft">
      {{
        wanted.trim()
          ? `No bottle has “${wanted.trim()}” as its formula or on its label.`
          : 'No bottle stands here yet. Put one up, or bring them all in from a table.'
      }}
    </p>
    <div
      v-show="bottles.length > 0"
      ref="frame"
      class="mt-3 border-t-2 border-ink"
      role="list"
      aria-label="Bottles"
      @keydown="step"
    >
      <div class="relative w-full" :style="{ height: `${rows.getTotalSize()}px` }" role="presentation">
        <div
          v-for="item in seen"
          :key="bottles[item.index]?.code"
          class="absolute inset-x-0 top-0"
          :style="{ transform: `translateY(${item.start - top}px)` }"
          :data-at="item.index"
          role="listitem"
          :aria-setsize="total"
          :aria-posinset="item.index + 1"
        >
          <BottleRow v-if="bottles[item.index]" :bottle="bottles[item.index]!" />
        </div>
      </div>
    </div>
  </main>
</template>
