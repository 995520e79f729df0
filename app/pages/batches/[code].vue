<script setup lang="ts">
import { productMass, weighingOf } from '#core/journal'
import { useAttempt } from '~/composables/useAttempt'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'

const route = useRoute()
const batch = useBatchStore()
const journal = useJournalStore()
const code = computed(() => String(route.params.code))

/** The record asks for what it shows itself, at once: it waits for no plan and no journal. */
const readsItself = computed(() => route.name === 'batches-code-record')
watch(code, wanted => void batch.open(wanted), { immediate: true })
// A long journal would stand in the way of the record, which asks for it once it is shown.
let journalOf = ''
function openJournal(): void {
  if (journalOf === code.value) return
  journalOf = code.value
  void journal.open(code.value)
}
watch(
  [code, readsItself],
  () => {
    if (!readsItself.value) openJournal()
  },
  { immediate: true },
)
watch(
  () => [route.query.stage, batch.document] as const,
  ([wanted]) => {
    batch.stageId = typeof wanted === 'string' ? wanted : undefined
  },
  { immediate: true },
)

/** Worksheets are read by code of their own, that no other page waits for. */
const assayed = ref(false)
watch(
  () => batch.document?.assays ?? [],
  async sheets => {
    assayed.value = sheets.length > 0 && (await import('~/utils/assayed')).anyResult(sheets)
  },
  { immediate: true },
)

const settledAttempt = useAttempt('How far the batch is', (): Record<string, boolean> => {
  const stage = batch.stage
  if (!stage || journal.code !== code.value) return {}
  const charged = batch.stageSheet?.reagents.filter(({ planned }) => planned) ?? []
  const weighed = productMass(journal.lines, stage.id) !== undefined
  return {
    route: !!batch.sheet,
    sheet: !!batch.stageSheet,
    procedure: batch.document?.procedures?.some(({ stage: of }) => of === stage.id) ?? false,
    run:
      weighed &&
      charged.length > 0 &&
      charged.every(
        ({ species }) => weighingOf(journal.lines, { what: 'charge', stage: stage.id, species }).portions.length > 0,
      ),
    yield: weighed && !!batch.sheet,
    assay: assayed.value,
    record: batch.sealedAt !== undefined,
  }
})
const settled = computed(() => settledAttempt.value.value ?? {})
const stageNames = computed(() =>
  batch.stages.map((stage, i) => ({
    id: stage.id,
    name: stage.name ?? `{${stage.product.form ?? stage.product.species}}`,
    number: i + 1,
    isOn: stage === batch.stage,
  })),
)
/** Nothing stands on the page that the journal would push away a moment later. */
const isRead = computed(() => journal.isLoaded || journal.away)
useHead({ title: () => `${code.value} · Zip Ledger` })
</script>

<template>
  <main v-if="batch.missing" class="bg-sheet p-8">
    <h1>There is no batch {{ code }}</h1>
    <p class="mt-2 text-soft">
      It may have been typed wrongly. <NuxtLink to="/batches" class="text-verdigris underline">All batches</NuxtLink>
    </p>
  </main>
  <div v-else-if="readsItself || (batch.document && isRead)" class="batch grid min-h-0 flex-1">
    <BatchRail :code="code" :settled="settled" :stages="stageNames" />
    <div class="flex min-h-0 min-w-0 flex-col">
      <FailedParts :of="[...batch.attempts, settledAttempt]" />
      <LazyClassStrip v-if="batch.classId" :code="code" @shows="batch.shows = $event" />
      <PanelGuard :key="$route.path" name="This page"><NuxtPage @shown="openJournal" /></PanelGuard>
    </div>
  </div>
  <main v-else class="bg-sheet p-8" aria-busy="true">
    <p class="text-soft">
      {{ batch.saving === 'away' ? 'Server not reached. Trying again every 3 seconds.' : 'Reading the batch.' }}
    </p>
  </main>
</template>

<style scoped>
.batch {
  grid-template-columns: 158px minmax(0, 1fr);
}
@media (max-width: 900px) {
  .batch {
    grid-template: auto 1fr / minmax(0, 1fr);
  }
}
</style>
