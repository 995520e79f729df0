<script setup lang="ts">
import { hazardStatements } from '#core/reference'
import { pictogramsOf } from '#core/remarks'
import { hazardsIn, knownBy, strengthText, sumReserved, warningsOf, type Label, type LedgerLine } from '#core/shelf'
import { amountText, heldWords, today, type BottlePage } from '~/components/shelf/bottle'
import { send, useAsked } from '~/composables/useAsked'
import { useLibraryStore } from '~/stores/library'
import { useWhoStore } from '~/stores/who'

/** A bottle: its label, what it is worth today, and its ledger. */
const route = useRoute()
const who = useWhoStore()
const library = useLibraryStore()
const code = computed(() => String(route.params.code))
const bottle = shallowRef<BottlePage>()
const isMissing = ref(false)
const failure = ref('')
useHead({ title: () => `${code.value} · Shelf · Zip Ledger` })
async function load(): Promise<void> {
  failure.value = ''
  try {
    bottle.value = await send<BottlePage>(`/api/bottles/${encodeURIComponent(code.value)}`)
  } catch (error) {
    isMissing.value = (error as { statusCode?: number }).statusCode === 404
    if (!isMissing.value) failure.value = 'The bottle cannot be read just now.'
  }
}
watch(code, load, { immediate: true })
const warnings = computed(() => bottle.value && warningsOf(bottle.value, today()))
const isShort = computed(
  () => bottle.value?.amount !== undefined && sumReserved(bottle.value.reserved) > bottle.value.amount,
)
const told = computed(
  () => bottle.value && hazardsIn(bottle.value.label.formula, bottle.value.comes, library.substances),
)
const hazards = computed(() =>
  (told.value?.codes ?? []).flatMap(one => hazardStatements.find(({ code: of }) => of === one) ?? []),
)
const pictures = computed(() => pictogramsOf(told.value?.codes ?? []))
const facts = computed(() => {
  if (!bottle.value) return []
  const { label, place, opened, comes, known, strengthAt } = bottle.value
  const strength = strengthText(comes)
  return [
    ['Strength', strength ? `${strength}, ${knownBy[known]}${strengthAt ? ` on ${strengthAt}` : ''}` : 'not said'],
    ['Density', 'density' in comes ? (comes.density ?? '') : ''],
    ['Its maker calls it', label.words ?? ''],
    ['Lot', label.lot ?? ''],
    ['Place', place || 'not said'],
    ['Not found', bottle.value.missing ? `on ${bottle.value.missing}` : ''],
    ['Last seen', bottle.value.seen ?? ''],
    ['Received', label.received ?? ''],
    ['Opened', opened ?? ''],
    ['Expires', label.expires ?? ''],
    ['Empty it weighs', label.empty ?? ''],
    ['Low below', label.low ?? ''],
  ].filter(([, text]) => text !== '')
})

const isWriting = ref(false)
const { isBusy, failure: refused, ask } = useAsked()
const relabel = (label: Label): Promise<boolean> =>
  ask(async () => {
    await send(`/api/bottles/${code.value}`, { method: 'PUT', body: { version: bottle.value?.version, label } })
    isWriting.value = false
    await load()
  })

const wrong = shallowRef<LedgerLine>()
const instead = ref('')
const why = ref('')
const hasAmount = computed(() => {
  const of = wrong.value?.of
  return of !== undefined && 'fact' in of && ['came', 'drawn', 'counted', 'weighed'].includes(of.fact.kind)
})
function begin(line: LedgerLine): void {
  wrong.value = line
  instead.value = ''
  why.value = ''
}
const correct = (): Promise<boolean> =>
  ask(async () => {
    const of = wrong.value?.of
    if (!of || !('fact' in of)) return
    const fact = {
      id: crypto.randomUUID(),
      at: new Date().toISOString(),
      by: who.me?.person ?? '',
      kind: 'correction',
      corrects: of.fact.id,
      why: why.value.trim(),
      ...(instead.value.trim() && { instead: instead.value.trim() }),
    }
    await send(`/api/bottles/${code.value}/facts`, { method: 'POST', body: { fact } })
    wrong.value = undefined
    await load()
  })
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <p v-if="isMissing">
      There is no bottle {{ code }}. <NuxtLink to="/shelf" class="text-verdigris underline">The shelf</NuxtLink>
    </p>
    <p v-if="failure" class="rounded-lg bg-amber-soft p-3 text-amber" role="alert">
      {{ failure }} <button type="button" class="underline" @click="load">Try again</button>
    </p>
    <h1 v-if="!bottle">Bottle {{ code }}</h1>
    <div v-else class="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_300px]">
      <div class="min-w-0">
        <p class="small"><NuxtLink to="/shelf" class="underline">Shelf</NuxtLink> · {{ bottle.code }}</p>
        <h1 class="mt-1 text-[26px]">{{ bottle.code }} · <FormulaText :text="bottle.label.formula" /></h1>
        <p class="text-[15px] text-soft">{{ bottle.name }}</p>
        <p v-if="bottle.label.made" class="mt-1 text-[14.5px]">
          What
          <NuxtLink :to="`/batches/${bottle.label.made.batch}/record`" class="text-verdigris underline">{{
            bottle.label.made.batch
          }}</NuxtLink>
          gave: its record tells how it was made.
        </p>
        <p v-if="bottle.label.from" class="mt-1 text-[14.5px]">
          Made from
          <NuxtLink :to="`/shelf/${bottle.label.from.bottle}`" class="text-verdigris underline">{{
            bottle.label.from.bottle
          }}</NuxtLink>: {{ bottle.label.from.taken }} made up to {{ bottle.label.from.volume }}.
        </p>
        <p class="mt-3 text-[22px]">
          <span class="figure">{{ amountText(bottle) }}</span>
          <span v-if="warnings?.isLow" class="tag ml-3 bg-amber-soft text-amber">low</span>
          <span v-if="warnings?.isExpired" class="tag ml-3 bg-amber-soft text-amber">expired</span>
          <span v-else-if="warnings?.expiresIn !== undefined" class="tag ml-3 bg-amber-soft text-amber"
            >expires in {{ warnings.expiresIn }} {{ warnings.expiresIn === 1 ? 'day' : 'days' }}</span
          >
        </p>
        <p v-if="bottle.reserved.length > 0" class="mt-1 text-[14.5px]">
          Reserved:
          <template v-for="(one, i) in bottle.reserved" :key="i"
            >{{ i > 0 ? ', ' : ''
            }}<span class="figure">{{
              one.amount === undefined ? 'an amount that needs its density' : heldWords(one.amount, bottle.unit)
            }}</span>
            for
            <NuxtLink :to="`/batches/${one.batch}/sheet`" class="text-verdigris underline">{{
              one.batch
            }}</NuxtLink></template
          >.
          <b v-if="isShort" class="text-amber">That is more than it holds.</b>
        </p>
        <p v-if="warnings?.aged" class="mt-2 border-l-[3px] border-amber-edge pl-2.5 text-[14.5px]">
          <b class="text-amber">Ages</b> {{ warnings.aged.how }}. By common practice it is about
          <span class="figure">{{ strengthText(warnings.aged.comes) }}</span> today, an estimate. Where that matters
          more than the balance, find its strength by a titration and write it down.
        </p>
        <p
          v-for="one in bottle.neighbours"
          :key="one.code"
          class="mt-2 border-l-[3px] border-amber-edge pl-2.5 text-[14.5px]"
        >
          <b class="text-amber">Keep apart</b>
          <NuxtLink :to="`/shelf/${one.code}`" class="underline">{{ one.code }}</NuxtLink>,
          <FormulaText :text="one.formula" />, stands in the same place: together they make {{ one.makes }}. Your site’s
          rules come first.
        </p>
        <div v-if="hazards.length > 0" class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
          <span class="flex gap-1">
            <HazardPicture v-for="one in pictures" :key="one.code" :pictogram="one" />
          </span>
          <p class="min-w-[16em] flex-1 text-[13.5px] text-soft">
            {{ hazards.map(({ code: of, text }) => `${of} ${text}`).join('; ') }}.
            {{ told?.isAsPure ? 'As the pure substance; its' : 'Its' }} own label and sheet come first.
          </p>
        </div>
        <section class="mt-5" aria-label="Ledger">
          <h2 class="mb-1.5 text-[16px] text-ink">Ledger</h2>
          <div class="overflow-x-auto">
            <BottleLedger :bottle="bottle" :may-correct="who.may('record')" @correct="begin" />
          </div>
          <form v-if="wrong" class="card mt-3 grid max-w-[520px] gap-3 p-4" @submit.prevent="correct">
            <h3 class="font-semibold">Correct it</h3>
            <LineField
              v-if="hasAmount"
              v-model="instead"
              label="What counts instead"
              hint="leave it empty to strike it out"
            />
            <p v-else class="small">It is struck out; it stays to be read.</p>
            <LineField v-model="why" label="Why" />
            <p v-if="refused" class="text-amber" role="alert">{{ refused }}</p>
            <div class="flex gap-3">
              <button type="submit" class="button" :disabled="isBusy || why.trim() === ''">Correct</button>
              <button type="button" class="button button-quiet" @click="wrong = undefined">Leave it</button>
            </div>
          </form>
        </section>
      </div>
      <aside aria-label="This bottle">
        <h2 class="mb-2">On its label</h2>
        <dl class="grid grid-cols-[110px_minmax(0,1fr)] gap-y-1 text-[14px]">
          <template v-for="[name, text] in facts" :key="name">
            <dt class="text-soft">{{ name }}</dt>
            <dd>{{ text }}</dd>
          </template>
        </dl>
        <button
          v-if="who.may('keep')"
          type="button"
          class="mt-2 min-h-6 text-verdigris underline"
          @click="isWriting = !isWriting"
        >
          {{ isWriting ? 'Leave the label as it is' : 'Write another label' }}
        </button>
        <p class="mt-2">
          <a class="alone text-verdigris underline" :href="`/api/bottles/${bottle.code}/label`" target="_blank"
            >A label to print, with a code to scan</a
          >
        </p>
        <p class="text-[14px]">
          For a label printer:
          <a
            v-for="dots in [203, 300]"
            :key="dots"
            class="mr-2 inline-block min-h-6 text-verdigris underline"
            :href="`/api/bottles/${bottle.code}/label?as=png&dots=${dots}`"
            download
            >{{ dots }} dots to the inch</a
          >
        </p>
        <p v-if="who.may('keep') && !bottle.isEmpty" class="mt-1">
          <NuxtLink class="alone text-verdigris underline" :to="`/shelf/make?from=${bottle.code}`"
            >Make a solution of it</NuxtLink
          >
        </p>
        <template v-if="who.may('record')">
          <h2 class="mt-6 mb-2">Write down</h2>
          <BottleFactForm :bottle="bottle" @done="load" />
        </template>
      </aside>
      <section v-if="isWriting" class="col-span-full" aria-label="Another label">
        <h2 class="mb-3 text-[16px] text-ink">Another label</h2>
        <BottleLabelForm :label="bottle.label" action="Write it" :is-busy="isBusy" @write="relabel">
          <p v-if="refused" class="text-amber" role="alert">{{ refused }}</p>
        </BottleLabelForm>
      </section>
    </div>
  </main>
</template>
