<script setup lang="ts">
import { aboutWords, entryText, type Correction, type Entry } from '#core/journal'
import { DISH, planned } from '#core/practice'
import { readingAsked } from '#core/procedure'
import { explainQuantity, parseQuantity } from '#core/quantity'
import { usePractice } from '~/composables/usePractice'
import { dayClockText } from '~/utils/dates'

/** The practice bench: a step after the other, what goes wrong, the balance, the journal that comes of it; and at the end what it was worth. */
const { code } = defineProps<{ code: string }>()
const {
  run,
  practice,
  failure,
  isAway,
  open,
  entries,
  state,
  holds,
  start,
  clock,
  doIt,
  weigh,
  choose,
  see,
  leaveOut,
  marks,
  expert,
} = usePractice()
watch(
  () => code,
  wanted => void open(wanted),
  { immediate: true },
)

const value = ref('')
const seen = ref('')
const step = computed(() => state.value?.next)
const charge = computed(() => {
  const about = step.value?.about
  return practice.value && about?.what === 'charge' ? planned(practice.value, about.species) : undefined
})
const asked = computed(() => {
  if (!step.value || step.value.about?.what === 'charge') return undefined
  const measure = readingAsked(step.value)
  return (measure === 'temperature' || measure === 'volume') && step.value.target !== undefined ? measure : undefined
})
const isCrop = computed(() => step.value?.about?.what === 'product' && !step.value.about.empty)
watch(
  () => step.value?.id,
  () => {
    value.value = charge.value?.value ?? (asked.value ? (step.value?.target ?? '') : '')
  },
  { immediate: true },
)
/** In an order of the seed's own, so that the right way does not always stand in one place. */
const choices = computed(() => {
  const { trouble } = state.value ?? {}
  if (!trouble || !practice.value) return []
  const turn = (practice.value.seed + practice.value.steps.findIndex(({ id }) => id === trouble.step)) % 3
  return [0, 1, 2].map(i => trouble.row.choices[(i + turn) % 3]!)
})
const valueWhy = computed(() => {
  if (!charge.value && !asked.value) return ''
  const kind = charge.value ? (charge.value.measure === 'volume' ? 'volume' : 'mass') : asked.value!
  const read = parseQuantity(value.value, { kinds: [kind], name: 'reading', source: 'reading' })
  if (read.ok) return ''
  const { why, fix } = explainQuantity(read.problem)
  return `${why} ${fix}`
})
function act(): void {
  if (valueWhy.value) return
  doIt(charge.value || asked.value ? value.value.trim() : undefined)
}
function takeNote(): void {
  if (seen.value.trim() === '') return
  see(seen.value.trim())
  seen.value = ''
}
const statusOf = (id: string): string => {
  if (!practice.value) return ''
  const at = practice.value.steps.findIndex(one => one.id === id)
  const now = practice.value.steps.findIndex(one => one.id === step.value?.id)
  return now < 0 || at < now ? 'done' : at === now ? 'now' : ''
}
const told = computed(() => entries.value.flatMap(entry => (entry.kind === 'correction' ? [] : [entry])))
const weighed = computed(() =>
  told.value.flatMap(entry =>
    entry.kind === 'reading' && entry.about.what === 'product' && entry.measure === 'gross' ? [entry.value] : [],
  ),
)
/** An entry in words, a reading with what it is of. */
const wordsOf = (entry: Entry): string =>
  entry.kind === 'correction'
    ? ''
    : entry.kind === 'reading'
      ? `${aboutWords(entry.about)}: ${entryText(entry)}`
      : entryText(entry as Exclude<Entry, Correction>)
const total = computed(() => marks.value?.reduce((sum, { points }) => sum + points, 0) ?? 0)

const minute = ref(0)
const longest = computed(() =>
  Math.ceil(Math.max(0, ...[...told.value, ...expert.value].map(({ at }) => (Date.parse(at) - start.value) / 60_000))),
)
watch(longest, value => (minute.value = value), { immediate: true })
const upTo = (list: typeof expert.value) =>
  list.filter(entry => entry.kind !== 'correction' && (Date.parse(entry.at) - start.value) / 60_000 <= minute.value)
const sides = computed(() => [
  { name: 'You', list: upTo(told.value) },
  { name: 'Good hands', list: upTo(expert.value) },
])
const minutesOf = (at: string): string => {
  const minutes = Math.round((Date.parse(at) - start.value) / 60_000)
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`
}
</script>

<template>
  <p v-if="failure" class="text-red" role="alert">
    {{ failure }} <button type="button" class="text-verdigris underline" @click="open(code)">Try again</button>
  </p>
  <p v-else-if="!practice || !state" class="text-soft" aria-busy="true">
    Setting the bench up.{{ isAway ? ' Its journal could not be read: it is asked for again.' : '' }}
  </p>
  <div v-else class="bench grid gap-5">
    <ol
      class="self-start rounded-xl border border-rule bg-sheet px-3 py-2 text-[13.5px] max-lg:order-3"
      aria-label="Steps"
    >
      <li
        v-for="one in practice.steps"
        :key="one.id"
        class="border-t border-rule py-1 first:border-0"
        :class="{
          'font-semibold text-verdigris': statusOf(one.id) === 'now',
          'text-soft': statusOf(one.id) === 'done',
        }"
        :aria-current="statusOf(one.id) === 'now' ? 'step' : undefined"
      >
        <span v-if="statusOf(one.id) === 'done'" aria-label="done">✓</span> <RichText :text="one.words" />
      </li>
    </ol>
    <div class="min-w-0">
      <section v-if="marks" class="rounded-xl border border-rule bg-sheet p-6" aria-label="What it was worth">
        <h2 class="text-[21px] font-normal text-ink">
          <b class="figure">{{ total }}</b> of 100
        </h2>
        <table class="mt-2 w-full text-[14.5px]">
          <tbody>
            <tr v-for="mark in marks" :key="mark.name" class="border-t border-rule align-top">
              <th scope="row" class="py-1.5 pr-4 text-left">{{ mark.name }}</th>
              <td class="figure whitespace-nowrap py-1.5 pr-4">{{ mark.points }} of {{ mark.of }}</td>
              <td class="py-1.5">
                <p v-for="line in mark.why" :key="line">{{ line }}</p>
              </td>
            </tr>
          </tbody>
        </table>
        <p class="mt-3 text-[14px]">
          It is an ordinary journal:
          <NuxtLink :to="`/batches/${code}/record`" class="text-verdigris underline">its record</NuxtLink>,
          <NuxtLink :to="`/batches/${code}/yield`" class="text-verdigris underline">its yield</NuxtLink>.
        </p>
        <h2 class="mt-4">The same run beside good hands</h2>
        <label class="mt-1 flex items-center gap-3 text-[14px]"
          >Up to
          <input
            v-model.number="minute"
            type="range"
            class="flex-1 accent-verdigris"
            min="0"
            :max="longest"
            step="5"
          /><span class="figure w-16 text-right"
            >{{ Math.floor(minute / 60) }}:{{ String(Math.round(minute) % 60).padStart(2, '0') }}</span
          ></label
        >
        <div class="mt-2 grid grid-cols-2 gap-4 text-[13.5px]">
          <div v-for="side in sides" :key="side.name">
            <h3 class="font-semibold">{{ side.name }}</h3>
            <ol class="max-h-80 overflow-y-auto" tabindex="0" :aria-label="`Journal: ${side.name}`">
              <li v-for="entry in side.list" :key="entry.id" class="border-t border-rule py-0.5">
                <span class="figure mr-2 text-soft">{{ minutesOf(entry.at) }}</span><RichText
                  :text="entry.kind === 'correction' ? '' : entryText(entry)"
                />
              </li>
            </ol>
          </div>
        </div>
      </section>
      <section
        v-else-if="state.trouble"
        class="rounded-xl border border-amber-edge bg-amber-soft p-6"
        aria-label="Trouble"
      >
        <p class="small">at: <RichText :text="step!.words" /></p>
        <h2 class="mt-1 text-[21px] font-normal text-amber">{{ state.trouble.row.seen }}</h2>
        <p class="mt-1">What do you do?</p>
        <div class="mt-3 grid gap-2">
          <button
            v-for="choice in choices"
            :key="choice.words"
            type="button"
            class="min-h-12 rounded-lg border border-edge bg-card px-4 py-2 text-left text-[16px] hover:border-ink"
            @click="choose(choice)"
          >
            {{ choice.words }}
          </button>
        </div>
      </section>
      <form v-else-if="step" class="rounded-xl border border-rule bg-sheet p-6" @submit.prevent="act">
        <p class="small flex justify-between">
          <span>practice {{ run?.seed }}</span
          ><span class="figure">{{ dayClockText(clock) }}</span>
        </p>
        <h2 class="mt-1 text-[21px] font-normal leading-snug text-ink"><RichText :text="step.words" /></h2>
        <p v-if="step.why" class="mt-1 text-soft"><RichText :text="step.why" /></p>
        <p v-if="step.until" class="mt-1">Until: <RichText :text="step.until" /></p>
        <template v-if="isCrop">
          <p class="mt-3">
            The dish weighs <span class="figure">{{ DISH.toFixed(2) }} g</span> empty.
            <template v-if="weighed.length > 0"
              >With the crop: <span class="figure">{{ weighed.join(', ') }}</span></template
            >
          </p>
          <div class="mt-3 flex flex-wrap gap-3">
            <button type="button" class="button button-quiet" @click="weigh">
              {{ weighed.length === 0 ? 'Weigh it' : 'Dry another hour, and weigh again' }}
            </button>
            <button type="submit" class="button" :disabled="weighed.length === 0">It is dry: finish</button>
          </div>
        </template>
        <template v-else>
          <label v-if="charge || asked" class="mt-3 block max-w-[320px]"
            ><span class="label">{{
              charge
                ? 'What you take'
                : asked === 'volume'
                  ? 'The volume you bring it to'
                  : 'The temperature you bring it to'
            }}</span
            ><input
              v-model="value"
              class="field figure text-[20px]"
              autocomplete="off"
              :aria-invalid="valueWhy !== ''"
            /><span class="block min-h-5 text-[13.5px] text-red">{{ valueWhy }}</span></label
          >
          <BalancePanel
            v-if="charge?.measure === 'net'"
            class="mt-2 max-w-[420px]"
            bare
            wants="gross"
            :hands="Number.parseFloat(charge.value)"
            @take="(measure, shown) => measure === 'net' && (value = shown)"
          />
          <div class="mt-3 flex flex-wrap gap-3">
            <button type="submit" class="button">Do it</button>
            <button type="button" class="min-h-9 text-verdigris underline" @click="leaveOut">Leave it out</button>
          </div>
        </template>
      </form>
      <p v-if="!marks && holds" class="mt-3 rounded-lg border border-rule bg-paper px-3 py-2 text-[14px]">
        <b>In the vessel</b>, as the model reckons: <RichText :text="holds" />
      </p>
      <form v-if="!marks" class="mt-3 flex gap-3" @submit.prevent="takeNote">
        <label class="flex-1"
          ><span class="sr-only">What you see</span
          ><input v-model="seen" class="field" maxlength="200" placeholder="What you see"
        /></label>
        <button class="button button-quiet" :disabled="seen.trim() === ''">Write it down</button>
      </form>
    </div>
    <section v-if="!marks" class="self-start rounded-xl border border-rule bg-sheet px-3 py-2" aria-label="Journal">
      <h2>Journal</h2>
      <ol class="max-h-[520px] overflow-y-auto text-[13.5px]" tabindex="0" aria-label="Entries">
        <li v-for="entry in told.toReversed()" :key="entry.id" class="border-t border-rule py-0.5">
          <span class="figure mr-2 text-soft">{{ minutesOf(entry.at) }}</span><RichText :text="wordsOf(entry)" />
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.bench {
  grid-template-columns: 250px minmax(0, 1fr) 290px;
}
@media (max-width: 1000px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
