<script setup lang="ts">
import { useLocalStorage, useDebounce } from '@vueuse/core'
import { nameOf } from '#core/species'
import { planFor, readWish, stuffOf, wantedForm, type Route } from '#core/route'
import { ofLab } from '~/utils/whose'
import { useProposals } from '~/composables/useProposals'

/** One line to say what is wanted; what was understood of it under it; and routes to it as cards, of which one is taken. */
const { start = '' } = defineProps<{ start?: string }>()
const emit = defineEmits<{ equation: [typed: string] }>()

/** Three of the demo's preparations: a salt of a carbonate, a double salt in two stages, a salt of an acidic oxide. */
const EXAMPLES = [
  '15 g nickel ammonium sulfate from nickel carbonate',
  '20 g copper sulfate pentahydrate from basic copper carbonate',
  '12 g sodium molybdate from molybdenum trioxide',
] as const
/** What is planned where no amount is said, g. */
const UNSAID = 10

const line = useLocalStorage(ofLab('wish'), '')
if (start !== '') line.value = start
const wish = computed(() => readWish(line.value))
/** An arrow or an equals sign is the beginning of an equation. */
watch(line, typed => {
  if (!/->|→|⇌|=/.test(typed)) return
  line.value = ''
  emit('equation', typed)
})

const { data: shelf } = useLazyFetch<{ formulas: { formula: string; bottles: number }[] }>('/api/shelf/formulas')
const has = computed(() => (shelf.value?.formulas ?? []).map(({ formula }) => formula))
const keys = computed(() => new Set(has.value.flatMap(text => stuffOf(text)?.key ?? [])))
const isOnShelf = (text: string): boolean => keys.value.has(stuffOf(text)?.key ?? '')

const asked = computed(() => {
  const { product, from } = wish.value ?? {}
  if (!product?.found || from?.some(one => !one.found)) return undefined
  return {
    product: product.found.formula.text,
    isFormSaid: product.found.isFormSaid,
    from: (from ?? []).map(one => one.found!.formula.text),
    has: has.value,
  }
})
/** Typing rests this long before routes are looked for, ms: a third of the usual time between two words. A judgement. */
const question = useDebounce(asked, 150)
const { proposals, state } = useProposals(question)
const routes = computed(() => proposals.value?.routes ?? [])

const form = computed(() => {
  const found = wish.value?.product.found
  const stuff = found && stuffOf(found.formula.text)
  return found && stuff ? wantedForm(stuff, found.isFormSaid ? found.formula : undefined).form : undefined
})
const picked = ref<number[]>([])
watch(proposals, () => (picked.value = []))
function pick(i: number): void {
  picked.value = picked.value.includes(i) ? picked.value.filter(one => one !== i) : [...picked.value, i].slice(-2)
}
const compared = computed(() => picked.value.flatMap(i => routes.value[i] ?? []))

const failure = ref('')
const isSending = ref(false)
async function take(route: Route): Promise<void> {
  if (isSending.value || !form.value) return
  isSending.value = true
  failure.value = ''
  const { mass = `${UNSAID} g`, grams = UNSAID } = wish.value ?? {}
  try {
    const { code } = await $fetch<{ code: string }>('/api/batches/planned', {
      method: 'POST',
      body: { title: titleOf(route), stages: planFor(route, mass, grams) },
    })
    line.value = ''
    await navigateTo({ path: `/batches/${code}/sheet`, query: route.stages.length > 1 ? { stage: 's1' } : {} })
  } catch (error) {
    const { data, statusCode } = error as { data?: { detail?: string }; statusCode?: number }
    failure.value =
      data?.detail ??
      (statusCode
        ? 'The server refused it.'
        : 'The server does not answer. What you typed is kept here; try again in a moment.')
  } finally {
    isSending.value = false
  }
}
/** `Nickel ammonium sulfate from nickel`: the product by its name, and what it starts from in the words that were typed. */
function titleOf(route: Route): string {
  const name = (form.value && nameOf(form.value)) || wish.value!.product.text
  const from = wish.value!.from.map(one => one.found!.corrected ?? one.text).join(' and ')
  const whole = from === '' ? name : `${name} from ${from}`
  return (whole.charAt(0).toUpperCase() + whole.slice(1)).slice(0, 120) || route.stages.at(-1)!.product.form
}

const field = useTemplateRef('field')
const cards = useTemplateRef<HTMLElement>('cards')
onMounted(() => field.value?.focus())
/** Enter goes on to the first card: once more takes it. */
function goOn(): void {
  cards.value?.querySelector<HTMLButtonElement>('[data-take]')?.focus()
}
const said = computed(() =>
  state.value === 'working'
    ? 'Looking for routes'
    : state.value === 'done'
      ? routes.value.length > 0
        ? `${routes.value.length} ${routes.value.length === 1 ? 'route' : 'routes'}, the best first`
        : 'No route'
      : '',
)
</script>

<template>
  <section aria-label="From a name">
    <label class="label" for="wish">What, how much, from what</label>
    <input
      id="wish"
      ref="field"
      v-model="line"
      class="field text-[19px] max-sm:text-[16px]"
      style="min-height: 48px"
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      maxlength="300"
      placeholder="such as 15 g nickel ammonium sulfate from nickel turnings"
      aria-describedby="understood"
      @keydown.enter.prevent="goOn"
    />
    <WishUnderstood id="understood" class="mt-2" :wish="wish" :form="form" :unsaid="UNSAID" />
    <p class="sr-only" role="status">{{ said }}</p>

    <ul v-if="line.trim() === ''" class="mt-4 grid gap-2" aria-label="Examples">
      <li class="small">Names, formulas, minerals and what the shop calls it are all read. For instance:</li>
      <li v-for="one in EXAMPLES" :key="one">
        <button
          type="button"
          class="min-h-9 rounded text-left text-[16px] text-verdigris underline"
          @click="((line = one), field?.focus())"
        >
          {{ one }}
        </button>
      </li>
    </ul>

    <p v-if="state === 'working' && !proposals" class="small mt-4">Looking for routes.</p>
    <p v-if="failure" class="mt-3 rounded-md bg-amber-soft p-2 text-amber" role="alert">{{ failure }}</p>
    <p v-if="state === 'failed'" class="mt-3 rounded-md bg-amber-soft p-2 text-amber" role="alert">
      Routes cannot be worked out on this device just now. Type the equation instead, or try again.
    </p>
    <div
      v-else-if="proposals && routes.length === 0 && state === 'done'"
      class="mt-4 flex max-w-[900px] gap-3 rounded-lg border border-rule bg-paper p-4"
    >
      <ZipSeam :closed="false" class="h-12 shrink-0" />
      <div class="min-w-0">
        <p class="font-semibold">No route is offered.</p>
        <p class="mt-1 text-[15.5px]"><RichText :text="proposals.why ?? ''" /></p>
        <p class="small mt-2">
          What the tables do not know is not planned here. You can still
          <button type="button" class="text-verdigris underline" @click="emit('equation', '')">type the equation</button
          >.
        </p>
      </div>
    </div>

    <RouteComparison
      v-if="compared.length === 2"
      class="mt-4"
      :routes="compared"
      :is-on-shelf="isOnShelf"
      @take="take"
      @close="picked = []"
    />
    <ol
      v-if="routes.length > 0"
      ref="cards"
      class="mt-4 grid items-start gap-4 xl:grid-cols-2"
      :class="state === 'working' && 'opacity-60'"
      aria-label="Routes, the best first"
    >
      <li v-for="(route, i) in routes" :key="route.stages.map(one => one.equation).join()" class="min-w-0">
        <RouteCard
          :route="route"
          :rank="i + 1"
          :first="routes[0]!"
          :is-on-shelf="isOnShelf"
          :knows-shelf="keys.size > 0"
          :is-picked="picked.includes(i)"
          :is-sending="isSending"
          :is-alone="routes.length === 1"
          @take="take(route)"
          @pick="pick(i)"
        />
      </li>
    </ol>
  </section>
</template>
