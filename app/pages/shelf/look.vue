<script setup lang="ts">
import { parseFormula } from '#core/formula'
import { parseQuantity } from '#core/quantity'
import type { LookAt } from '#core/shelf'
import { heldWords } from '~/components/shelf/bottle'
import { send, useAsked } from '~/composables/useAsked'
import { useLabStore } from '~/stores/lab'
import { useWhoStore } from '~/stores/who'

/** What on the shelf is worth a look: what must not meet, what is too much, what is old, low or was not found; and the lab's limits. */
useHead({ title: 'Worth a look · Shelf · Zip Ledger' })
const who = useWhoStore()
const lab = useLabStore()
const look = shallowRef<LookAt>()
const failure = ref('')
async function load(): Promise<void> {
  failure.value = ''
  try {
    look.value = await send<LookAt>('/api/shelf')
  } catch {
    failure.value = 'The shelf cannot be read just now.'
  }
}
onMounted(load)
const lists = computed(() =>
  look.value
    ? ([
        ['Expired', 'Not to be counted on; what becomes of it is your site’s to say.', look.value.expired],
        ['Expires within a month', '', look.value.soon],
        ['Low by its own mark', '', look.value.low],
        ['Not found at the last stocktaking', '', look.value.missing],
      ] as const)
    : [],
)
const dues = computed(() => (look.value?.peroxides ?? []).toSorted((a, b) => (a.by ?? '').localeCompare(b.by ?? '')))
const isClear = computed(
  () =>
    look.value &&
    [look.value.over, look.value.clashes, dues.value, ...lists.value.map(([, , codes]) => codes)].every(
      all => all.length === 0,
    ),
)

const limits = computed(() => lab.lab?.settings.limits ?? [])
const formula = ref('')
const most = ref('')
const isTried = ref(false)
const { isBusy, failure: refused, ask } = useAsked()
const problems = computed(() => ({
  formula: isTried.value && !parseFormula(formula.value.trim()).ok ? 'This is no formula.' : undefined,
  most:
    isTried.value && !parseQuantity(most.value.trim(), { kinds: ['mass', 'volume'], name: '', source: '' }).ok
      ? 'Give a mass or a volume, such as 500 g.'
      : undefined,
}))
const save = (next: readonly { formula: string; most: string }[]): Promise<boolean> =>
  ask(async () => {
    await lab.saveSettings({ limits: next })
    await load()
  })
async function add(): Promise<void> {
  isTried.value = true
  if (problems.value.formula || problems.value.most) return
  const added = { formula: formula.value.trim(), most: most.value.trim() }
  if (await save([...limits.value.filter(one => one.formula !== added.formula), added])) {
    formula.value = ''
    most.value = ''
    isTried.value = false
  }
}
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <p class="small"><NuxtLink to="/shelf" class="underline">Shelf</NuxtLink></p>
    <h1>Worth a look</h1>
    <p class="mt-1 text-[14.5px]">
      <a class="text-verdigris underline" href="/api/shelf.csv" download>The whole shelf as CSV</a>, which a table of
      bottles reads again.
    </p>
    <p v-if="failure" class="mt-3 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
      {{ failure }} <button type="button" class="underline" @click="load">Try again</button>
    </p>
    <p v-if="isClear" class="mt-3" role="status">Nothing on the shelf asks for a look.</p>
    <div class="mt-4 grid gap-x-12 gap-y-7 lg:grid-cols-2">
      <section v-if="look && look.clashes.length > 0" aria-label="Must not meet">
        <h2 class="text-[16px] text-ink">Must not meet, and stand in one place</h2>
        <ul class="mt-1 text-[14.5px]">
          <li v-for="(one, i) in look.clashes" :key="i" class="border-b border-rule py-1.5">
            <BottleCodes :codes="one.one" /> and <BottleCodes :codes="one.other" />, both in <b>{{ one.place }}</b>:
            together they make {{ one.makes }}.
          </li>
        </ul>
        <p class="small mt-1">By kinds of substances; your site’s rules of storage come first.</p>
      </section>
      <section v-if="look && look.over.length > 0" aria-label="More than the limit">
        <h2 class="text-[16px] text-ink">More than the lab’s limit</h2>
        <ul class="mt-1 text-[14.5px]">
          <li v-for="one in look.over" :key="one.formula" class="border-b border-rule py-1.5">
            <FormulaText :text="one.formula" />:
            <b class="figure text-amber">{{ heldWords(one.there, one.unit) }}</b> of
            <span class="figure">{{ heldWords(one.most, one.unit) }}</span> in <BottleCodes :codes="one.bottles" />
          </li>
        </ul>
      </section>
      <section v-if="dues.length > 0" aria-label="Forms peroxides">
        <h2 class="text-[16px] text-ink">Forms peroxides</h2>
        <ul class="mt-1 text-[14.5px]">
          <li v-for="one in dues" :key="one.code" class="border-b border-rule py-1.5">
            <BottleCodes :codes="[one.code]" />, if it is {{ one.name }}:
            <template v-if="one.by"
              ><b v-if="one.isDue" class="text-amber">should have been tested by {{ one.by }}</b
              ><template v-else>test it by {{ one.by }}</template></template
            ><b v-else class="text-amber">nobody said when it came or was opened: test it</b>
          </li>
        </ul>
        <p class="small mt-1">
          By common practice. Test it before it is distilled or taken to dryness; a bottle with crystals in it is not
          touched: ask a competent person.
        </p>
      </section>
      <template v-for="[name, words, codes] in lists" :key="name">
        <section v-if="codes.length > 0" :aria-label="name">
          <h2 class="text-[16px] text-ink">{{ name }}</h2>
          <p class="mt-1 text-[14.5px]"><BottleCodes :codes="codes" /></p>
          <p v-if="words" class="small mt-1">{{ words }}</p>
        </section>
      </template>
      <section aria-label="Limits of the lab">
        <h2 class="text-[16px] text-ink">Limits of the lab</h2>
        <p class="small mt-1">The most of a substance that is to stand on the shelf, all its bottles together.</p>
        <ul class="mt-1 text-[14.5px]">
          <li
            v-for="one in limits"
            :key="one.formula"
            class="flex min-h-9 items-center gap-3 border-b border-rule py-1"
          >
            <span class="flex-1"><FormulaText :text="one.formula" /> at most {{ one.most }}</span>
            <button
              v-if="who.may('settle')"
              type="button"
              class="min-h-6 text-verdigris underline"
              :aria-label="`No limit for ${one.formula}`"
              @click="save(limits.filter(other => other.formula !== one.formula))"
            >
              No limit
            </button>
          </li>
        </ul>
        <form v-if="who.may('settle')" class="mt-3 flex flex-wrap items-start gap-3" @submit.prevent="add">
          <LineField v-model="formula" class="w-[180px]" label="Formula" :problem="problems.formula" />
          <LineField v-model="most" class="w-[180px]" label="At most" :problem="problems.most" />
          <button type="submit" class="button mt-[22px]" :disabled="isBusy">Set the limit</button>
          <p v-if="refused" class="w-full text-amber" role="alert">{{ refused }}</p>
        </form>
      </section>
    </div>
  </main>
</template>
