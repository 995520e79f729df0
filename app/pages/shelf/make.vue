<script setup lang="ts">
import { parseFormula } from '#core/formula'
import { standardUncertainty, statedWords, toSignificant } from '#core/quantity'
import { dilute, makeUpFromSolid } from '#core/sheet'
import { agedOf, madeStrength, strengthText, toTake } from '#core/shelf'
import { dryOf } from '#core/vessel'
import { amountText, codeIn, today, type Bottle } from '~/components/shelf/bottle'
import { send, useAsked } from '~/composables/useAsked'

/** A solution is made up from a bottle: what to take for it, what was taken, and the bottle that comes of it. */
useHead({ title: 'Make a solution · Zip Ledger' })
const route = useRoute()
const asked = (key: string): string => (typeof route.query[key] === 'string' ? route.query[key] : '')
const from = ref(asked('from'))
const strength = ref(asked('strength'))
const volume = ref(asked('volume'))
const solute = ref(asked('of'))
const source = shallowRef<Bottle>()
const missing = ref('')
const { isBusy, failure, ask } = useAsked()

async function find(): Promise<void> {
  const code = codeIn(from.value)
  source.value = undefined
  missing.value = ''
  if (code === '') return
  try {
    const found = await send<Bottle>(`/api/bottles/${encodeURIComponent(code)}`)
    if (codeIn(from.value) !== code) return
    source.value = found
    from.value = code
    if (solute.value === '') solute.value = drySalt(found.label.formula)
  } catch (error) {
    missing.value =
      (error as { statusCode?: number }).statusCode === 404
        ? `There is no bottle ${code}.`
        : 'The shelf cannot be read just now.'
  }
}
/** What of a hydrate goes into a solution: the salt without its waters; a basic salt stays what it is. */
function drySalt(formula: string): string {
  const read = parseFormula(formula)
  return read.ok ? dryOf(read.value).dry.text : formula
}
onMounted(find)
function scanned(text: string): void {
  from.value = codeIn(text)
  void find()
}
/** What is in the bottle, as strong as it is thought to be today. */
const comes = computed(() => {
  const bottle = source.value
  if (!bottle) return undefined
  const dates = { since: bottle.strengthAt ?? bottle.label.received, opened: bottle.opened }
  return agedOf(bottle.label.formula, bottle.comes, dates, today())?.comes ?? bottle.comes
})
const stuff = computed(() => source.value && comes.value && { formula: source.value.label.formula, comes: comes.value })
const plan = computed(() =>
  stuff.value && strength.value.trim() && volume.value.trim()
    ? toTake(stuff.value, solute.value, strength.value.trim(), volume.value.trim())
    : undefined,
)
/** What to aim at, to the places of a balance: how sure the strength will be is told of what was taken. */
const aimed = (value: number, unit: string): string => `${toSignificant(value, 4)}\u202f${unit}`
/** In which order, and with how much water, where the tables know the densities. */
const order = computed(() => {
  const to = { concentration: strength.value.trim(), volume: volume.value.trim() }
  if (!stuff.value || !plan.value?.ok) return undefined
  const strong = comes.value
  const made =
    strong?.kind === 'solution'
      ? dilute({
          from: {
            reagent: solute.value,
            concentration: strong.concentration,
            ...(strong.density !== undefined && { density: strong.density }),
          },
          to,
        })
      : makeUpFromSolid({ form: stuff.value.formula, solute: solute.value, ...to })
  return made.ok ? made.value.order : undefined
})

const taken = ref('')
const upTo = ref('')
const words = ref('')
const place = ref('')
const empty = ref('')
const isTried = ref(false)
const made = computed(() =>
  stuff.value && taken.value.trim() && upTo.value.trim()
    ? madeStrength(stuff.value, solute.value, taken.value.trim(), upTo.value.trim())
    : undefined,
)
const problem = (at: string): string | undefined => {
  if (made.value && !made.value.ok && made.value.problem.at === at) return made.value.problem.why
  return isTried.value && (at === 'taken' ? taken.value : upTo.value).trim() === '' ? 'Say how much.' : undefined
}
async function put(): Promise<void> {
  isTried.value = true
  if (!made.value?.ok || !source.value) return
  const has = (key: string, text: string): object => (text.trim() === '' ? {} : { [key]: text.trim() })
  let code = ''
  const isDone = await ask(async () => {
    const body = {
      from: source.value?.code,
      solute: solute.value,
      taken: taken.value.trim(),
      volume: upTo.value.trim(),
      label: { ...has('words', words.value), ...has('place', place.value), ...has('empty', empty.value) },
      ids: [crypto.randomUUID(), crypto.randomUUID()],
    }
    ;({ code } = await send<{ code: string }>('/api/bottles/made', { method: 'POST', body }))
  })
  if (isDone) await navigateTo(`/shelf/${code}`)
}
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <p class="small"><NuxtLink to="/shelf" class="underline">Shelf</NuxtLink></p>
    <h1>Make a solution</h1>
    <div class="mt-4 grid max-w-[1100px] gap-x-12 gap-y-8 lg:grid-cols-2">
      <section aria-label="What to take">
        <h2 class="mb-2 text-[16px] text-ink">What to take</h2>
        <form class="flex flex-wrap items-end gap-3" @submit.prevent="find">
          <LineField v-model="from" class="w-[180px]" label="From the bottle" :problem="missing || undefined" />
          <button type="submit" class="button button-quiet">Find it</button>
          <CodeScanner @read="scanned" />
        </form>
        <p v-if="source && comes" class="mt-2 text-[14.5px]" role="status">
          {{ source.code }} holds <FormulaText :text="source.label.formula" /> {{ strengthText(comes)
          }}<template v-if="comes !== source.comes"> (estimated for today)</template>,
          <span class="figure">{{ amountText(source) }}</span>.
        </p>
        <div class="mt-3 grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <LineField v-model="solute" label="What is dissolved" />
          <LineField v-model="strength" label="Strength wanted" hint="such as 2.00 mol/L" />
          <LineField v-model="volume" label="Volume wanted" hint="such as 100 mL" />
        </div>
        <div v-if="plan" class="card mt-3 p-3 text-[15px]" role="status">
          <p v-if="!plan.ok" class="text-amber"><RichText :text="plan.problem.why" /></p>
          <template v-else>
            <p>
              Take
              <b v-if="plan.value.mass" class="figure">{{ aimed(plan.value.mass.value, 'g') }}</b><template
                v-if="plan.value.mass && plan.value.volume"
              >
                or </template
              ><b v-if="plan.value.volume" class="figure">{{ aimed(plan.value.volume.value, 'mL') }}</b> of it, and make
              it up to {{ volume }}.
            </p>
            <p v-if="order" class="mt-1">{{ order }}</p>
            <p class="small mt-1">Goggles and gloves as its label says; your site’s rules come first.</p>
          </template>
        </div>
      </section>
      <section aria-label="What was taken">
        <h2 class="mb-2 text-[16px] text-ink">What was taken</h2>
        <form class="grid grid-cols-2 gap-3 max-sm:grid-cols-1" @submit.prevent="put">
          <LineField
            v-model="taken"
            label="Taken"
            :problem="problem('taken')"
            hint="as it was weighed or measured: 8.163 g"
          />
          <LineField
            v-model="upTo"
            label="Made up to"
            :problem="problem('volume')"
            hint="with the flask’s tolerance: 100.0 ± 0.1 mL"
          />
          <LineField v-model="words" label="Words on its label (may be empty)" />
          <LineField v-model="place" label="Place" />
          <LineField v-model="empty" label="What its bottle weighs empty" />
          <div class="col-span-full">
            <p v-if="made?.ok" class="text-[15px]" role="status">
              It is
              <b class="figure">{{ statedWords(made.value.value, standardUncertainty(made.value), 'mol/L') }}</b>, as it
              was made. Titrate it where that is not sure enough, and write that down on its page.
            </p>
            <p v-else-if="made && made.problem.at === 'from'" class="text-amber" role="alert">
              <RichText :text="made.problem.why" />
            </p>
            <p v-if="failure" class="text-amber" role="alert">{{ failure }}</p>
            <button type="submit" class="button mt-2" :disabled="isBusy || !source">Put it up</button>
          </div>
        </form>
      </section>
    </div>
  </main>
</template>
