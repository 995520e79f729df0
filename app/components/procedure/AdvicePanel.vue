<script setup lang="ts">
import type { Formula } from '#core/formula'
import { toSignificant } from '#core/quantity'
import { dryingAdvice, operationsIn, usualAir, withLiquors, withWinning, type ToldStage } from '#core/procedure'
import { forecastOf, whenReacted } from '#core/outcome'
import { winningNotes, type MarginNote } from '#core/remarks'
import { comesDownAt, findCurve, ionsOfSparing, spanOf, washOptions, type WashOption } from '#core/solution'
import { withOperations } from '#core/sheet'
import { dissolvedOf, potOf, WATER, type OperationPlan } from '#core/vessel'
import type { WayPoint } from '~/components/procedure/PhaseMap.vue'
import { useAttempt } from '~/composables/useAttempt'
import { useBatchStore } from '~/stores/batch'
import { useLabStore } from '~/stores/lab'
import { useLibraryStore } from '~/stores/library'

/** What the tables advise for winning this product: how to wash and dry it, which salt comes first, recrystallising, precipitating. */
const { account, product } = defineProps<{ account: ToldStage; product: Formula }>()
const emit = defineEmits<{ notes: [notes: readonly MarginNote[]] }>()
const batch = useBatchStore()
const library = useLibraryStore()
const lab = useLabStore()
const stage = computed(() => batch.stage!)
const sheet = computed(() => batch.stageSheet)
const kept = computed(() => batch.document?.procedures?.find(one => one.stage === stage.value.id)?.steps)
const curve = computed(() => findCurve(product, library.curves)?.curve)
const hasProduct = computed(() => ionsOfSparing(product) !== undefined)
const sparing = computed(() => hasProduct.value && !curve.value)

const pot = computed(() => {
  const reacted = whenReacted(account)
  return reacted && potOf(reacted, account.named, library.curves)
})
/** Where the pot is on its way: all its water, crystals’ included, and its temperature, up to the filter. */
const way = computed(() => {
  const filtered = account.events.findIndex(({ operation }) => operation.do === 'filter off')
  const before = filtered < 0 ? account.events : account.events.slice(0, filtered)
  return before.flatMap(({ after, isKnown, operation }): WayPoint[] => {
    const there = isKnown ? potOf(after, account.named, library.curves) : undefined
    return there && there.solutes.length === pot.value?.solutes.length
      ? [{ celsius: after.celsius, water: there.water, label: operation.do }]
      : []
  })
})
/** The picture reaches from less than half of the driest point of the way to twice the wettest, so that what more or less water would do is seen; judgements. */
const pictureWater = computed((): readonly [number, number] => {
  const waters = way.value.map(({ water }) => water)
  return waters.length === 0 ? [1, 100] : [Math.min(...waters) * 0.4, Math.max(...waters) * 2]
})
const temperatures = computed(() => account.events.map(({ after }) => after.celsius))
const {
  verdict,
  picture,
  state: firstState,
  retry: askFirst,
} = useWhichFirst(
  computed(() => {
    if (!pot.value || !batch.document || pot.value.solutes.length < 2) return undefined
    const span = spanOf(pot.value)
    const from = Math.max(...temperatures.value, 25)
    const to = Math.min(...temperatures.value, 25)
    if (!span || from <= to) return undefined
    const hottest = account.events.findLast(({ after }) => after.celsius === from)
    return {
      plan: batch.document.plan,
      stage: stage.value.id,
      steps: kept.value,
      weighed: [...batch.weighed],
      product: product.text,
      water: hottest?.after.solvents.get(WATER) ?? pot.value.water,
      from: Math.min(from, span.to),
      to: Math.max(to, span.from),
      picture: pictureWater.value,
      substances: library.substances,
      curves: library.curveRows,
    }
  }),
)
const filterAtAttempt = useAttempt('When it comes down in a filter', () => {
  const hot = account.events.find(({ operation }) => operation.do === 'heat to')
  const water = hot?.after.solvents.get(WATER)
  if (!hot || water === undefined || !pot.value) return undefined
  return comesDownAt({ ...pot.value, water }, curve.value?.salt.text ?? '', hot.after.celsius, library.curves)
})
const washesAttempt = useAttempt('How to wash', () => {
  const filtered = account.events.find(({ operation }) => operation.do === 'filter off' && operation.keep === 'solid')
  const cake = filtered?.isKnown ? potOf(filtered.after, account.named, library.curves) : undefined
  if (!filtered || !cake || filtered.operation.do !== 'filter off') return []
  // Free acid clings as the rest of the liquor does.
  const unknown = dissolvedOf(filtered.after, account.named)
    .filter(({ form }) => !account.named.some(({ text }) => text === form))
    .reduce((sum, { mass }) => sum + mass, 0)
  return washOptions(
    { pot: cake, retained: filtered.operation.retained, product, unknown },
    library.curves,
    library.substances,
  )
})
const washes = computed(() => washesAttempt.value.value ?? [])
function takeWash({ solvent, celsius, portions, portion }: WashOption): void {
  const wash: OperationPlan = {
    wash: { with: solvent, volume: `${toSignificant(portion, 2)} mL`, at: `${celsius} °C` },
  }
  const before = operationsIn(account.steps).map(({ operation }) => operation)
  const bare = before.filter(operation => !('wash' in operation))
  const at = bare.findIndex(operation => 'filter' in operation) + 1
  const next = withLiquors(
    bare.toSpliced(at > 0 ? at : bare.length, 0, ...Array.from({ length: portions }, () => wash)),
  )
  if (kept.value) batch.changeProcedure(stage.value.id, withWinning(kept.value, next, product.text), 'wash')
  else batch.change(of => withOperations(of, next), 'wash')
}
const dryingAttempt = useAttempt('How to dry', () =>
  dryingAdvice(product, library.substances, lab.lab?.settings.air ?? usualAir, library.curves),
)
const drying = dryingAttempt.value
const potVolume = computed(() => {
  const { total, intoProduct } = sheet.value?.water ?? {}
  return total && intoProduct ? total.value + intoProduct.value : 0
})

const tab = ref<'first' | 'where' | 'wash' | 'dry' | 'again' | 'throw'>('wash')
watch(
  () => [stage.value.id, sparing.value],
  () => (tab.value = sparing.value ? 'throw' : 'wash'),
  { immediate: true },
)
const tabs = [
  { key: 'wash', name: 'How to wash' },
  { key: 'dry', name: 'How to dry' },
  { key: 'first', name: 'Which salt first' },
  { key: 'where', name: 'Which solid where' },
  { key: 'again', name: 'Recrystallise' },
  { key: 'throw', name: 'Precipitate' },
] as const

const notesAttempt = useAttempt('The remarks', () =>
  winningNotes({
    product,
    curve: curve.value,
    account,
    most: sheet.value?.products[0]?.theoretical.value ?? 0,
    verdict: verdict.value,
    hotFilter: filterAtAttempt.value.value,
    curves: library.curves,
  }),
)
watch(notesAttempt.value, notes => emit('notes', notes ?? []), { immediate: true })
const recovery = computed(
  () => forecastOf(account, product, sheet.value?.products[0]?.theoretical.value ?? 0)?.recovery,
)
</script>

<template>
  <section aria-label="Advice" class="mt-6">
    <FailedParts :of="[filterAtAttempt, washesAttempt, dryingAttempt, notesAttempt]" />
    <nav class="flex gap-1 overflow-x-auto border-b border-rule" aria-label="Advice">
      <button
        v-for="one in tabs"
        :key="one.key"
        type="button"
        class="shrink-0 rounded-t-md px-3 py-1.5 text-[14px]"
        :class="one.key === tab ? 'border border-b-0 border-rule bg-paper font-semibold' : 'text-soft hover:bg-paper'"
        :aria-pressed="one.key === tab"
        @click="tab = one.key"
      >
        {{ one.name }}
      </button>
    </nav>
    <div class="pt-3" role="group" :aria-label="tabs.find(({ key }) => key === tab)!.name">
      <template v-if="tab === 'wash'">
        <PanelGuard v-if="washes.length > 0" name="How to wash"
          ><WashTable :options="washes" @take="takeWash"
        /></PanelGuard>
        <p v-else class="text-[14px]">There is no crop that washing could be worked out for.</p>
      </template>
      <PanelGuard v-else-if="tab === 'dry' && drying" name="How to dry"
        ><RoomAirFields /><DryingTable :advice="drying"
      /></PanelGuard>
      <template v-else-if="tab === 'first'">
        <template v-if="verdict">
          <ol class="text-[14px]">
            <li v-for="arrival in verdict.order" :key="arrival.form" class="border-b border-rule py-1.5">
              <FormulaText :text="arrival.form" /> from <b class="figure">{{ arrival.celsius.toFixed(0) }} °C</b>, in
              the end
              <b class="figure">{{ toSignificant(arrival.mass, 3) }} g</b>
            </li>
          </ol>
          <p v-if="verdict.order.length === 0" class="text-[14px]">Nothing comes down on this way.</p>
          <p v-if="verdict.wanted === 'first'" class="mt-2 text-verdigris">The salt you want comes first.</p>
          <p v-else class="mt-2 font-semibold text-red">
            The salt you want {{ verdict.wanted === 'never' ? 'does not come' : 'is not the first to come' }}.
          </p>
          <ul class="mt-1 text-[14px]">
            <li v-for="exchange in verdict.exchanges" :key="exchange.words"><RichText :text="exchange.words" /></li>
          </ul>
        </template>
        <p v-else-if="firstState === 'working'" class="text-[14px]" role="status">Working out what comes first…</p>
        <PartFailed
          v-else-if="firstState === 'failed'"
          name="Which salt comes first"
          why="the worker stopped"
          @retry="askFirst"
        />
        <p v-else-if="firstState === 'gave up'" class="text-[14px]" role="status">
          A minute was not enough on this device, so what comes first is not known. With a substance less that hardly
          matters it is quicker. <button type="button" class="button button-quiet" @click="askFirst">Try again</button>
        </p>
        <p v-else class="text-[14px]">
          Only one salt is in this pot, as far as the table knows: nothing can come before it.
        </p>
      </template>
      <PanelGuard v-else-if="tab === 'where'" name="Which solid where">
        <PhaseMap v-if="picture" :picture="picture" :way="way" :product="product.text" />
        <p v-else-if="firstState === 'working' || firstState === 'done'" class="text-[14px]" role="status">
          Letting the pot come to rest at some eight hundred places…
        </p>
        <p v-else class="text-[14px]">
          {{
            firstState === 'none'
              ? 'Only one salt is in this pot, as far as the table knows: its curve above tells all.'
              : 'This picture could not be worked out; “Which salt first” says more.'
          }}
        </p>
      </PanelGuard>
      <PanelGuard v-else-if="tab === 'throw'" name="Precipitation"
        ><PrecipitatePanel
          :key="stage.id"
          :salt="hasProduct ? (stage.product.form ?? stage.product.species) : ''"
          :grams="sheet?.products[0]?.theoretical.value ?? 1"
          :millilitres="potVolume"
      /></PanelGuard>
      <PanelGuard v-else-if="tab === 'again'" name="Recrystallisation"
        ><RecrystallisePanel
          :key="stage.id"
          :product="product"
          :crude="(recovery ?? 1) * (sheet?.products[0]?.theoretical.value ?? 10)"
          :curves="library.curves"
      /></PanelGuard>
    </div>
  </section>
</template>
