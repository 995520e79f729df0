<script setup lang="ts">
import { parseQuantity } from '#core/quantity'
import type { BottleFact } from '#core/shelf'
import { amountText, codeIn, type Bottle } from '~/components/shelf/bottle'
import { send, useAsked } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'

/** Stocktaking, place by place, with a phone: each bottle is scanned, or ticked; what stands elsewhere is moved, what is not there is said. */
useHead({ title: 'Stocktaking · Zip Ledger' })
const who = useWhoStore()
const { isBusy, failure, ask } = useAsked()
const places = shallowRef<readonly { place: string; bottles: number }[]>()
const place = ref<string>()
const bottles = shallowRef<readonly Bottle[]>([])
const seen = ref<ReadonlySet<string>>(new Set())
const typed = ref('')
const said = ref('')
const open = ref<string>()
const amount = ref('')

const load = (): Promise<boolean> =>
  ask(async () => {
    places.value = (await send<{ places: { place: string; bottles: number }[] }>('/api/shelf')).places
  })
onMounted(load)
const read = async (of: string): Promise<void> => {
  bottles.value = (await send<{ bottles: Bottle[] }>(`/api/shelf?place=${encodeURIComponent(of)}`)).bottles
}
const begin = (of: string): Promise<boolean> =>
  ask(async () => {
    await read(of)
    place.value = of
    seen.value = new Set()
    said.value = ''
  })
const left = computed(() => bottles.value.filter(({ code }) => !seen.value.has(code)))

async function say(code: string, rest: object): Promise<void> {
  const fact = {
    id: crypto.randomUUID(),
    at: new Date().toISOString(),
    by: who.me?.person ?? '',
    ...rest,
  } as BottleFact
  await send(`/api/bottles/${encodeURIComponent(code)}/facts`, { method: 'POST', body: { fact } })
}
const mark = (code: string): void => {
  seen.value = new Set([...seen.value, code])
  open.value = undefined
  amount.value = ''
}
const tick = (code: string): Promise<boolean> =>
  inTurn(async () => {
    await say(code, { kind: 'seen' })
    mark(code)
    said.value = `${code} is here.`
  })
/** Codes come faster than they are written down: what is done is taken at once, and gone through one after the other. */
let last: Promise<boolean> = Promise.resolve(true)
function inTurn(work: () => Promise<unknown>): Promise<boolean> {
  last = last.then(() => ask(work))
  return last
}
async function look(): Promise<void> {
  const code = codeIn(typed.value)
  const here = place.value
  typed.value = ''
  if (code === '' || here === undefined) return
  if (!(await inTurn(() => foundHere(code, here))) && typed.value === '') typed.value = code
}
/** A bottle that is scanned here and belongs elsewhere stands here now. */
async function foundHere(code: string, here: string): Promise<void> {
  if (bottles.value.some(one => one.code === code)) {
    await say(code, { kind: 'seen' })
    said.value = `${code} is here.`
  } else {
    const found = await send<Bottle>(`/api/bottles/${encodeURIComponent(code)}`).catch((error: unknown) => {
      if ((error as { statusCode?: number }).statusCode === 404) return undefined
      throw error
    })
    if (!found) {
      said.value = `There is no bottle ${code} on the shelf.`
      return
    }
    await say(code, { kind: 'moved', place: here })
    await read(here)
    said.value = `${code} stood in ${found.place || 'no place'}, and stands here now.`
  }
  mark(code)
}
function scanned(text: string): void {
  typed.value = text
  void look()
}
const problem = computed(() =>
  amount.value.trim() === '' ||
  parseQuantity(amount.value.trim(), { kinds: ['mass', 'volume'], name: '', source: '', zero: true }).ok
    ? undefined
    : 'Give it with its unit, such as 12 g.',
)
function count(code: string): Promise<boolean> {
  const counted = amount.value.trim()
  return inTurn(async () => {
    await say(code, { kind: 'counted', amount: counted })
    mark(code)
    said.value = `${code} is counted.`
  })
}
const finish = (): Promise<boolean> =>
  inTurn(async () => {
    for (const { code } of left.value) await say(code, { kind: 'missing' })
    const missing = left.value.length
    said.value = missing === 0 ? '' : `${missing} not found.`
    place.value = undefined
    places.value = (await send<{ places: { place: string; bottles: number }[] }>('/api/shelf')).places
  })
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <p class="small"><NuxtLink to="/shelf" class="underline">Shelf</NuxtLink></p>
    <h1>Stocktaking</h1>
    <p v-if="failure" class="mt-3 rounded-lg bg-amber-soft p-3 text-amber" role="alert">{{ failure }}</p>
    <template v-if="place === undefined">
      <p class="mt-2 min-h-6" role="status">{{ said }}</p>
      <p class="mt-1 text-[15px] text-soft">Choose where you stand. Each bottle there is scanned or ticked.</p>
      <ul class="mt-3 max-w-[560px]">
        <li v-for="one in places" :key="one.place">
          <button
            type="button"
            class="flex min-h-12 w-full items-center justify-between border-b border-rule px-2 text-left hover:bg-paper"
            :disabled="isBusy"
            @click="begin(one.place)"
          >
            <span>{{ one.place || 'no place' }}</span>
            <span class="small">{{ one.bottles }} {{ one.bottles === 1 ? 'bottle' : 'bottles' }}</span>
          </button>
        </li>
      </ul>
      <p v-if="places?.length === 0" class="mt-3">No bottle stands on this shelf yet.</p>
    </template>
    <template v-else>
      <h2 class="mt-2 text-[18px] text-ink">
        {{ place || 'no place' }}: {{ seen.size }} seen, {{ left.length }} still to find
      </h2>
      <form class="mt-2 flex flex-wrap items-center gap-3" @submit.prevent="look">
        <input
          v-model="typed"
          class="field min-h-12 min-w-0 flex-1 max-sm:basis-full sm:max-w-[260px]"
          aria-label="Scan or type a bottle’s code"
          placeholder="scan or type a code"
          autocomplete="off"
          autocapitalize="characters"
          spellcheck="false"
        />
        <button type="submit" class="button min-h-12" :disabled="typed.trim() === ''">It is here</button>
        <CodeScanner is-large @read="scanned" />
      </form>
      <p class="mt-2 min-h-6" role="status">{{ said }}</p>
      <ul class="max-w-[720px]" aria-label="Still to find">
        <li v-for="one in left" :key="one.code" class="border-b border-rule py-1.5">
          <div class="flex flex-wrap items-center gap-x-3">
            <b class="w-16">{{ one.code }}</b>
            <span class="min-w-0 flex-1"
              ><FormulaText :text="one.label.formula" /> <span class="small">{{ one.label.words }}</span></span
            >
            <span class="figure text-[14px]">{{ amountText(one) }}</span>
            <button type="button" class="button button-quiet min-h-12" :disabled="isBusy" @click="tick(one.code)">
              Here
            </button>
            <button
              type="button"
              class="button button-quiet min-h-12"
              :aria-expanded="open === one.code"
              @click="open = open === one.code ? undefined : one.code"
            >
              Count
            </button>
          </div>
          <form
            v-if="open === one.code"
            class="flex flex-wrap items-start gap-3 py-2"
            @submit.prevent="count(one.code)"
          >
            <LineField v-model="amount" class="w-[180px]" :label="`What is in ${one.code}`" :problem="problem" />
            <button
              type="submit"
              class="button mt-[22px] min-h-12"
              :disabled="isBusy || amount.trim() === '' || problem !== undefined"
            >
              Counted
            </button>
          </form>
        </li>
      </ul>
      <div class="mt-4 flex flex-wrap gap-3">
        <button type="button" class="button min-h-12" :disabled="isBusy" @click="finish">
          {{
            left.length === 0
              ? 'This place is done'
              : left.length === 1
                ? 'The other one is not here'
                : `The other ${left.length} are not here`
          }}
        </button>
        <button type="button" class="button button-quiet min-h-12" @click="place = undefined">
          Leave it for later
        </button>
      </div>
    </template>
  </main>
</template>
