<script setup lang="ts">
import { formatFigure } from '#core/quantity'
import { strengthText, supplyFrom, toTake } from '#core/shelf'
import { compareSupply, type Plan, type SupplyPlan } from '#core/sheet'
import { amountText, heldWords, today, type Bottle } from '~/components/shelf/bottle'
import { send } from '~/composables/useAsked'

/** The bottles of the shelf that can be this reagent: what each holds, and what would be weighed out of it. */
const { species, supply, plan, stageId } = defineProps<{
  species: string
  supply: SupplyPlan
  plan: Plan
  stageId: string
}>()
const emit = defineEmits<{ take: [supply: SupplyPlan] }>()
const found = shallowRef<readonly Bottle[]>()
const failed = ref(false)
async function look(): Promise<void> {
  failed.value = false
  try {
    found.value = (await send<{ bottles: readonly Bottle[] }>(`/api/bottles?q=${encodeURIComponent(species)}`)).bottles
  } catch {
    failed.value = true
  }
}
watch(() => species, look, { immediate: true })

const own = computed(() => ('bottle' in supply ? supply.bottle : undefined))
const offers = computed(() =>
  (found.value ?? []).flatMap(bottle => {
    const picked = supplyFrom(bottle, species, today())
    if (!picked) return []
    const after = compareSupply(plan, stageId, species, picked.supply)?.after
    const need = bottle.unit === 'g' ? (after?.mass ?? after?.volume) : (after?.volume ?? after?.mass)
    const sameUnit = need !== undefined && need.kind === (bottle.unit === 'g' ? 'mass' : 'volume')
    // What others have reserved is not for this batch; what it reserved itself is.
    const others = Math.max(0, (bottle.held ?? 0) - (bottle.code === own.value && sameUnit ? need.value : 0))
    const free = bottle.amount === undefined ? undefined : Math.max(0, bottle.amount - others)
    const times = sameUnit && free !== undefined && need.value > 0 ? Math.floor(free / need.value) : undefined
    return [{ bottle, picked, others, need: need && formatFigure(need, 4), times }]
  }),
)
/** Where the plan counts on a solution: what of the shelf it can be made from, and how much of that. */
const makeable = computed(() => {
  if (supply.kind !== 'solution') return []
  const { concentration } = supply
  const need = compareSupply(plan, stageId, species, supply)?.after
  const volume = need?.volume && formatFigure(need.volume, 3)
  if (volume === undefined) return []
  return (found.value ?? []).flatMap(bottle => {
    const of = { formula: bottle.label.formula, comes: bottle.comes }
    const take = bottle.code === own.value ? undefined : toTake(of, species, concentration, volume)
    if (!take?.ok || (bottle.comes.kind === 'solution' && bottle.comes.concentration === concentration)) return []
    const amount = bottle.unit === 'g' ? (take.value.mass ?? take.value.volume) : (take.value.volume ?? take.value.mass)
    return amount ? [{ bottle, amount: formatFigure(amount, 3), volume, concentration }] : []
  })
})
function leave(): void {
  const rest = Object.fromEntries(Object.entries(supply).filter(([key]) => key !== 'bottle' && key !== 'lot'))
  emit('take', rest as unknown as SupplyPlan)
}
</script>

<template>
  <section class="mt-3 border-t border-rule pt-2" aria-label="From the shelf">
    <p v-if="own" class="mb-1 text-[14px]">
      Comes from <NuxtLink :to="`/shelf/${own}`" class="text-verdigris underline">{{ own }}</NuxtLink>: what is known of
      it is one source of error wherever it is used.
      <button type="button" class="ml-2 min-h-6 underline" @click="leave">Not from this bottle</button>
    </p>
    <h3 class="text-[14px] font-semibold">From the shelf</h3>
    <p v-if="failed" class="small">
      The shelf cannot be read just now. <button type="button" class="underline" @click="look">Try again</button>
    </p>
    <p v-else-if="found && offers.length === 0" class="small">No bottle on the shelf can be this reagent.</p>
    <ul class="text-[14px]">
      <li
        v-for="{ bottle, picked, others, need, times } in offers"
        :key="bottle.code"
        class="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-1"
      >
        <b class="w-14">{{ bottle.code }}</b>
        <span class="min-w-0 flex-1">
          <FormulaText :text="bottle.label.formula" /> {{ strengthText(picked.supply as never) }}
          <span v-if="picked.isEstimate" class="text-amber">estimated for today</span>
          <span class="small">
            {{
              [bottle.label.words, bottle.label.lot && `lot ${bottle.label.lot}`, bottle.place]
                .filter(Boolean)
                .join(', ')
            }}
          </span>
        </span>
        <span class="figure"
          >{{ amountText(bottle)
          }}<span v-if="others > 0" class="small block"
            >{{ heldWords(others, bottle.unit) }} for other batches</span
          ></span
        >
        <span class="small w-52" :class="{ 'text-amber': times === 0 }">
          <template v-if="need">needs {{ need }}</template
          ><template v-if="times !== undefined"
            >,
            {{
              times === 0
                ? others > 0
                  ? 'not enough left in it'
                  : 'not enough in it'
                : `enough for ${times} ${times === 1 ? 'batch' : 'batches'}`
            }}</template
          >
        </span>
        <button
          type="button"
          class="min-h-6 text-verdigris underline disabled:no-underline disabled:opacity-60"
          :disabled="bottle.code === own"
          :aria-label="`Take it from ${bottle.code}`"
          @click="emit('take', picked.supply)"
        >
          {{ bottle.code === own ? 'taken' : 'Take it' }}
        </button>
      </li>
    </ul>
    <template v-if="makeable.length > 0">
      <h3 class="mt-2 text-[14px] font-semibold">Or make the solution first</h3>
      <ul class="text-[14px]">
        <li v-for="one in makeable" :key="one.bottle.code" class="border-b border-rule py-1">
          {{ one.amount }} of <b>{{ one.bottle.code }}</b>, <FormulaText :text="one.bottle.label.formula" />
          {{ strengthText(one.bottle.comes) }}, made up to {{ one.volume }}:
          <NuxtLink
            class="text-verdigris underline"
            :to="{
              path: '/shelf/make',
              query: { from: one.bottle.code, of: species, strength: one.concentration, volume: one.volume },
            }"
            >{{ one.concentration }}</NuxtLink
          >
        </li>
      </ul>
    </template>
  </section>
</template>
