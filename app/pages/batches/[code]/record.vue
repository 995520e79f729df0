<script setup lang="ts">
import type { RecordNotes } from '#core/document'
import {
  openIn,
  refusedAct,
  type Act,
  type ActKind,
  type ActStamp,
  type Actor,
  type RecordPage,
  type RecordStanding,
  type ReviewRule,
} from '#core/record'
import { send } from '~/composables/useAsked'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import { useWhoStore } from '~/stores/who'
import { reader } from '~/utils/reader'

interface Told {
  readonly page: RecordPage
  readonly version: number
  readonly acts: readonly Act[]
  readonly stamps: readonly ActStamp[]
  readonly canStamp: boolean
  readonly standing: RecordStanding
  readonly rule: ReviewRule
  readonly me: Actor & { readonly via: string }
}
/** The batch as a document, who put their name to it, and what can be done with it. */
const emit = defineEmits<{ shown: [] }>()
const batch = useBatchStore()
const journal = useJournalStore()
const who = useWhoStore()
const failure = ref('')
const told = ref<Told>()
const isWhole = ref(false)
const path = computed(() => `/api/batches/${encodeURIComponent(batch.code)}/record`)

let asked = 0
/** First what is quick; then the explanations, which take longer. The last question wins. */
async function load(): Promise<void> {
  const mine = (asked += 1)
  failure.value = ''
  try {
    if (!told.value || told.value.page.code !== batch.code) {
      isWhole.value = false
      const quick = await send<Told>(`${path.value}?quick=1`)
      if (mine !== asked) return
      told.value = quick
    }
    await nextTick()
    emit('shown')
    const whole = await send<Told>(path.value)
    if (mine !== asked) return
    told.value = whole
    isWhole.value = true
    // Saved meanwhile.
    if (whole.version < batch.version) void load()
  } catch (error) {
    if (mine !== asked) return
    const { data } = error as { data?: { detail?: string } }
    failure.value = data?.detail ?? 'The server does not answer: the record is written there.'
    emit('shown')
  }
}
watch(() => batch.code, load, { immediate: true })
watch(
  () => (batch.saving === 'saved' ? batch.version : 0),
  version => {
    if (told.value?.page.code === batch.code && version > told.value.version) void load()
  },
)
watch(
  () => [batch.code, journal.isLoaded, journal.entries.length] as const,
  ([code, isLoaded, entries], [codeBefore, wasLoaded, before]) => {
    if (code === codeBefore && isLoaded && wasLoaded && entries !== before) void load()
  },
)

const changeNotes = (make: (notes: RecordNotes) => RecordNotes, key: string): void => batch.changeRecord(make, key)
const stages = computed(() =>
  batch.stages.map(({ id, name, product }) => ({ id, name: name ?? `{${product.form ?? product.species}}` })),
)
const open = computed(() => (told.value ? openIn(told.value.page) : []))
const isSealed = computed(() => told.value?.standing.is === 'sealed')
const mayPlan = computed(() => who.may('plan') && !isSealed.value)

const doing = ref<{ kind: ActKind; of?: number; place?: string }>()
const refused = (kind: ActKind, of?: number): string | undefined =>
  told.value && refusedAct(kind, told.value.standing, told.value.acts, told.value.me, told.value.rule, of)
/** What is done as a reviewer goes to the reviewers' route. */
const isReview = (kind: ActKind): boolean =>
  ['returned', 'countersigned', 'addendum-countersigned'].includes(kind) || !told.value?.me.maySign
const names = {
  signed: 'Sign as author',
  countersigned: 'Countersign',
  returned: 'Send back',
  sealed: 'Seal',
  addendum: 'Add an addendum',
} as const
const offered = computed(() =>
  (Object.keys(names) as (keyof typeof names)[]).filter(kind => refused(kind) === undefined),
)
const loneAddenda = computed(() =>
  (told.value?.acts ?? []).filter(
    ({ kind, number }) => kind === 'addendum' && refused('addendum-countersigned', number) === undefined,
  ),
)
const mayRemark = computed(() => told.value !== undefined && refused('remark') === undefined)
const waits = computed(() => {
  if (!told.value) return ''
  const { standing, rule } = told.value
  if (standing.is === 'sealed') return ''
  if (standing.hasChanged) return 'changed since it was signed: it is signed again first'
  if (standing.is === 'open') return 'waits for its author’s signature'
  if (standing.is === 'returned') return 'sent back to its author'
  if (standing.is === 'signed' && rule !== 'none') return 'waits for a countersignature'
  return 'waits for the seal'
})
async function done(): Promise<void> {
  doing.value = undefined
  await Promise.all([load(), batch.refreshSeal()])
}
async function stamp(number: number): Promise<void> {
  failure.value = ''
  try {
    await send(`${path.value}/stamp`, { method: 'POST', body: { number } })
    await load()
  } catch (error) {
    failure.value =
      (error as { data?: { detail?: string } }).data?.detail ?? 'The server does not answer. Try again in a moment.'
  }
}
const zone = computed(() => `zone=${encodeURIComponent(reader().zone)}&locale=${encodeURIComponent(reader().locale)}`)
const print = (): void => window.print()
async function again(as: 'planned' | 'done'): Promise<void> {
  try {
    const { code } = await send<{ code: string }>(`/api/batches/${encodeURIComponent(batch.code)}/again`, {
      method: 'POST',
      body: { as },
    })
    await navigateTo(`/batches/${code}/sheet`)
  } catch (error) {
    failure.value =
      (error as { data?: { detail?: string } }).data?.detail ?? 'The server does not answer. Try again in a moment.'
  }
}
</script>

<template>
  <div class="page grid min-h-0 flex-1">
    <main class="min-w-0 bg-stone px-4" aria-label="Record" :aria-busy="!isWhole">
      <p v-if="failure" class="m-4 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
        {{ failure }} <button type="button" class="underline" @click="load">Try again</button>
      </p>
      <RecordPaper
        v-if="told"
        :page="told.page"
        :acts="told.acts"
        :may-remark="mayRemark"
        @remark="doing = { kind: 'remark', place: $event }"
      >
        <p v-if="!isWhole" class="small mt-4" role="status" data-chrome>Working out what would explain the yield.</p>
        <RecordSeal
          :acts="told.acts"
          :stamps="told.stamps"
          :standing="told.standing"
          :waits="waits"
          :can-stamp="told.canStamp && who.may('sign')"
          @stamp="stamp"
        />
      </RecordPaper>
      <div v-else class="p-6">
        <h1>Record of {{ batch.code }}</h1>
        <p v-if="!failure" class="mt-2 text-soft">Writing the record.</p>
      </div>
    </main>
    <aside data-chrome class="border-l border-rule px-4 py-[18px] text-[13.5px]" aria-label="This record">
      <h2 class="mb-2">This record</h2>
      <div v-if="told" class="mb-4 grid gap-2">
        <button
          v-for="(kind, i) in offered"
          :key="kind"
          type="button"
          class="button w-full"
          :class="{ 'button-quiet': i > 0 }"
          @click="doing = { kind }"
        >
          {{ names[kind] }}
        </button>
        <button
          v-for="one in loneAddenda"
          :key="one.number"
          type="button"
          class="button button-quiet w-full"
          @click="doing = { kind: 'addendum-countersigned', of: one.number }"
        >
          Countersign addendum {{ one.number }}
        </button>
        <p v-if="offered.length === 0 && !isSealed" class="small">
          {{ refused('signed') ?? refused('countersigned') }}
        </p>
      </div>
      <h2 class="mb-1.5">On paper</h2>
      <ul class="mb-4 grid gap-1">
        <li>
          <a class="alone text-verdigris underline" :href="`${path}/pdf?${zone}`" target="_blank">The record, PDF</a>
        </li>
        <li><button type="button" class="text-verdigris underline" @click="print">Print this page</button></li>
        <li>
          <a class="alone text-verdigris underline" :href="`${path}/bench-sheet`" target="_blank"
            >Bench sheet, to carry and write on</a
          >
        </li>
        <li v-if="told?.page.sections.some(({ id }) => id === 'result')">
          <a class="alone text-verdigris underline" :href="`${path}/label?${zone}`" target="_blank"
            >Label for the vial</a
          >
        </li>
        <li v-if="who.may('keep') && told?.page.sections.some(({ id }) => id === 'result')">
          <NuxtLink class="alone text-verdigris underline" :to="`/shelf/new?of=${batch.code}`"
            >Put the vial onto the shelf</NuxtLink
          >
        </li>
      </ul>
      <h2 class="mb-1.5">Take it out</h2>
      <ul class="mb-4 grid gap-1">
        <li>
          <a class="alone text-verdigris underline" :href="`${path}/out?${zone}`" download
            >Everything, one archive (RO-Crate)</a
          >
        </li>
        <li>
          <a class="alone text-verdigris underline" :href="`${path}/file?path=batch.json`" download>The batch, JSON</a>
        </li>
        <li>
          <a class="alone text-verdigris underline" :href="`${path}/file?path=journal.csv`" download
            >The journal, CSV</a
          >
        </li>
      </ul>
      <h2 class="mb-1.5">Once more</h2>
      <ul class="mb-4 grid gap-1">
        <li v-if="who.may('plan')">
          <button type="button" class="text-verdigris underline" @click="again('planned')">
            A batch as this was planned
          </button>
        </li>
        <li v-if="who.may('plan') && journal.lines.length > 0">
          <button type="button" class="text-verdigris underline" @click="again('done')">
            A batch as this was done
          </button>
        </li>
        <li>
          <NuxtLink class="alone text-verdigris underline" :to="`/batches/compare?a=${batch.code}`"
            >Beside another batch</NuxtLink
          >
        </li>
      </ul>
      <section v-if="open.length > 0" class="mb-4" aria-label="Open">
        <h2 class="mb-1.5">Open</h2>
        <ul>
          <li v-for="(one, i) in open" :key="i" class="mb-2 border-l-[3px] border-amber-edge py-0.5 pl-2.5">
            <span class="tag mr-1 bg-amber-soft text-amber">Open</span> <RichText :text="one.text" />
          </li>
        </ul>
        <p class="small">Say what you know below, or leave it open: it stays in the record as it is.</p>
      </section>
      <template v-if="told && mayPlan && batch.document">
        <OwnWords
          class="mb-4"
          :notes="batch.document.record ?? {}"
          :stages="stages"
          :page="told.page"
          @change="changeNotes"
        />
        <RecordChoices :notes="batch.document.record ?? {}" @change="changeNotes" />
      </template>
    </aside>
    <ActDialog
      v-if="doing && told"
      :kind="doing.kind"
      :of="doing.of"
      :place="doing.place"
      :via="told.me.via"
      :path="`${path}/${isReview(doing.kind) ? 'review' : 'sign'}`"
      @close="doing = undefined"
      @done="done"
    />
  </div>
</template>

<style scoped>
.page {
  grid-template-columns: minmax(0, 1fr) 276px;
}
@media (max-width: 900px) {
  .page {
    grid-template: 1fr auto / minmax(0, 1fr);
  }
}
@media print {
  .page {
    display: block;
  }
}
</style>
