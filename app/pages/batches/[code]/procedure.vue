<script setup lang="ts">
import { ArrowDown, ArrowUp, Copy, GripVertical, Pencil, Trash2 } from '@lucide/vue'
import Sortable from 'sortablejs'
import type { Template } from '#core/document'
import { parseFormula } from '#core/formula'
import { durationWords, type Step } from '#core/journal'
import { timesOf } from '#core/procedure'
import { tellVessel, vesselWords, type Event } from '#core/procedure'
import { formatValue } from '#core/quantity'
import type { MarginNote } from '#core/remarks'
import { useStageRun } from '~/composables/useStageRun'
import { useShows } from '~/composables/useShows'
import { useBatchStore } from '~/stores/batch'

/** The procedure of the stage at hand: proposed from the plan until the chemist makes it their own. */
const batch = useBatchStore()
/** A class may leave the app's own judgement out for its students. */
const shows = useShows()
const { stageId, saved, isTaken, moved, procedure, proposal, run, account } = useStageRun()
const product = computed(() => {
  const read = parseFormula(batch.stage?.product.form ?? batch.stage?.product.species ?? '')
  return read.ok ? read.value : undefined
})
const notes = shallowRef<readonly MarginNote[]>([])
watch(
  () => account.value === undefined,
  isGone => isGone && (notes.value = []),
)
const isIsolated = computed(() => account.value !== undefined && account.value.way.way !== 'leave in the pot')
/** What the vessel holds after each step, and what left it there. */
const holds = computed(() => {
  const all = new Map<string, { words: string; leaves: string }>()
  const { events = [], named = [] } = account.value ?? {}
  for (const event of events) {
    if (['weigh', 'measure', 'observe', 'weigh crop'].includes(event.operation.do)) continue
    all.set(event.step, {
      words: event.isKnown ? vesselWords(tellVessel(event.after, named)) : 'not told from here on',
      leaves: leavesOf(events.filter(({ step }) => step === event.step)),
    })
  }
  return all
})
function leavesOf(events: readonly Event[]): string {
  const places = new Map<string, Map<string, number>>()
  for (const { to, matter } of events.flatMap(({ out }) => out)) {
    if (to === 'kept liquor') continue
    const sums = places.get(to) ?? new Map<string, number>()
    for (const { form, mass } of matter) sums.set(form, (sums.get(form) ?? 0) + mass)
    places.set(to, sums)
  }
  return [...places]
    .map(([to, sums]) => {
      const seen = [...sums].filter(([, mass]) => mass > 5e-3)
      return seen.length === 0
        ? ''
        : `as ${to} ${seen.map(([form, mass]) => `${formatValue(mass, 'mass', 3)} {${form}}`).join(', ')}`
    })
    .filter(Boolean)
    .join('; ')
}

const statusOf = (id: string) => run.value.steps.find(({ step }) => step.id === id)?.status ?? 'open'

const change = (steps: readonly Step[], key: string): void => batch.changeProcedure(stageId.value, steps, key)
const freshId = (): string => crypto.randomUUID().slice(0, 8)

const editing = ref<Step>()
const insertAt = ref<number>()
const isOpen = computed(() => editing.value !== undefined || insertAt.value !== undefined)
function close(): void {
  editing.value = undefined
  insertAt.value = undefined
}
function keep(draft: Omit<Step, 'id'>): void {
  const old = editing.value
  if (old)
    change(
      procedure.value.map(step => (step.id === old.id ? { ...draft, id: old.id } : step)),
      `edit ${old.id}`,
    )
  else
    change(
      procedure.value.toSpliced(insertAt.value ?? procedure.value.length, 0, { ...draft, id: freshId() }),
      'insert',
    )
  close()
}
const remove = (i: number): void => change(procedure.value.toSpliced(i, 1), 'remove')
const copy = (i: number): void =>
  change(procedure.value.toSpliced(i + 1, 0, { ...procedure.value[i]!, id: freshId() }), 'copy')
function move(from: number, to: number): void {
  const step = procedure.value[from]
  if (!step || to < 0 || to >= procedure.value.length) return
  change(procedure.value.toSpliced(from, 1).toSpliced(to, 0, step), 'order')
}

const list = useTemplateRef<HTMLElement>('list')
const order = ref(0)
let sortable: Sortable | undefined
onMounted(() => {
  if (!list.value) return
  sortable = Sortable.create(list.value, {
    handle: '.grip',
    animation: 120,
    onEnd({ oldIndex, newIndex }) {
      if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return
      // The list is drawn anew from the procedure: what was dragged in the page is only how it was asked for.
      order.value += 1
      move(oldIndex, newIndex)
    },
  })
})
onBeforeUnmount(() => sortable?.destroy())

const templates = ref<readonly (Template & { id: string })[]>([])
const name = ref('')
const said = ref('')
async function load(): Promise<void> {
  templates.value = await $fetch<(Template & { id: string })[]>('/api/templates').catch(() => [])
}
onMounted(load)
async function saveTemplate(): Promise<void> {
  if (name.value.trim() === '') {
    said.value = 'A template needs a name.'
    return
  }
  try {
    await $fetch('/api/templates', {
      method: 'POST',
      body: { template: { name: name.value.trim(), steps: procedure.value } },
    })
    said.value = `Saved as “${name.value.trim()}”.`
    name.value = ''
    await load()
  } catch (error) {
    said.value =
      (error as { data?: { detail?: string } }).data?.detail ?? 'It could not be saved: the server does not answer.'
  }
}
/** A template's versions, and back to one of them, which is a version of its own. */
const looked = ref<string>()
async function bringBack(of: string, steps: unknown): Promise<void> {
  said.value = ''
  try {
    await $fetch('/api/templates', { method: 'POST', body: { template: { name: of, steps } } })
    said.value = `“${of}” is as it was.`
    await load()
  } catch (error) {
    said.value =
      (error as { data?: { detail?: string } }).data?.detail ??
      'It could not be brought back: the server does not answer.'
  }
}
async function forget(id: string): Promise<void> {
  await $fetch(`/api/templates/${id}`, { method: 'DELETE' }).catch(() => {})
  await load()
}
const take = (template: Template): void =>
  change(
    template.steps.map(step => ({ ...step, id: freshId() })),
    `template ${template.name}`,
  )
const begun = computed(() => run.value.steps.some(({ status }) => status !== 'open'))
const total = computed(() =>
  procedure.value.map(timesOf).reduce((sum, { hands, wait }) => ({ hands: sum.hands + hands, wait: sum.wait + wait }), {
    hands: 0,
    wait: 0,
  }),
)
</script>

<template>
  <MarginPage :notes="notes" :attempts="[proposal]">
    <div>
      <div class="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1>Procedure</h1>
          <p class="mt-0.5 text-[14px] text-soft">
            {{
              isTaken
                ? 'Kept as it was proposed when the run began; charges that are still open follow the sheet.'
                : saved
                  ? 'Your own; only the charges that are still open follow the sheet.'
                  : 'Proposed from the sheet and its way; it follows the plan until you change it or begin.'
            }}
            {{ procedure.length }} steps, hands-on {{ durationWords(total.hands) }}, waiting
            {{ durationWords(total.wait) }}.
          </p>
        </div>
        <div class="flex items-center gap-2">
          <UndoButtons :of="batch" />
          <NuxtLink :to="{ path: `/batches/${batch.code}/run`, query: $route.query }" class="button"
            >To the run</NuxtLink
          >
        </div>
      </div>
      <ConflictBanner v-if="batch.clashes.length > 0" class="mt-3" :clashes="batch.clashes" @settle="batch.settle" />
      <PanelGuard name="How it is won"><WayPanel :account="account" /></PanelGuard>
      <PanelGuard v-if="account && isIsolated && product" name="Winning the product">
        <LazyWayPicture v-if="account.way.way === 'heat dry' || account.way.way === 'throw down'" :account="account" />
        <WinningPanel
          v-if="shows.predictions.value && account.way.way !== 'heat dry'"
          :key="stageId"
          :account="account"
          :product="product"
        />
      </PanelGuard>
      <h2 class="mt-6 text-[15px] text-ink">Steps</h2>
      <MovedCharges :moved="moved" />
      <ol :key="order" ref="list" class="mt-1" aria-label="Steps">
        <li
          v-for="(step, i) in procedure"
          :key="step.id"
          class="grid min-h-12 grid-cols-[28px_30px_minmax(0,1fr)_auto] items-center gap-2 border-b border-rule bg-sheet py-1"
        >
          <span class="grip grid size-7 cursor-grab place-items-center text-soft" aria-hidden="true"
            ><GripVertical :size="16"
          /></span>
          <span class="figure text-right text-[13px] text-soft">{{ i + 1 }}</span>
          <span class="min-w-0 text-[15px] leading-tight">
            <RichText :text="step.words" /><template v-if="step.target && !step.words.includes(step.target)"
              >: <span class="figure">{{ step.target }}</span></template
            ><template v-if="step.repeat && !step.words.includes(`${step.repeat.times} `)"
              >, {{ step.repeat.times }} times</template
            ><span v-if="step.until" class="text-soft">, until <RichText :text="step.until" /></span>
            <span class="small block"
              >{{ step.do }} · {{ durationWords(timesOf(step).hands)
              }}<template v-if="timesOf(step).wait > 0"> + {{ durationWords(timesOf(step).wait) }} waiting</template
              ><template v-if="step.needs?.length"> · {{ step.needs.join(', ') }}</template
              ><b v-if="statusOf(step.id) !== 'open'" class="text-verdigris"> · {{ statusOf(step.id) }}</b></span
            >
            <span v-if="holds.get(step.id)" class="small block">
              <span aria-hidden="true">→ </span><RichText :text="holds.get(step.id)!.words" /><template
                v-if="holds.get(step.id)!.leaves"
                >; leaves: <RichText :text="holds.get(step.id)!.leaves"
              /></template>
            </span>
          </span>
          <span class="flex">
            <button
              type="button"
              class="tool"
              :aria-label="`Move step ${i + 1} up`"
              :disabled="i === 0"
              @click="move(i, i - 1)"
            >
              <ArrowUp :size="16" />
            </button>
            <button
              type="button"
              class="tool"
              :aria-label="`Move step ${i + 1} down`"
              :disabled="i === procedure.length - 1"
              @click="move(i, i + 1)"
            >
              <ArrowDown :size="16" />
            </button>
            <button type="button" class="tool" :aria-label="`Change step ${i + 1}`" @click="editing = step">
              <Pencil :size="16" />
            </button>
            <button type="button" class="tool" :aria-label="`Double step ${i + 1}`" @click="copy(i)">
              <Copy :size="16" />
            </button>
            <button
              type="button"
              class="tool"
              :aria-label="`Delete step ${i + 1}`"
              :disabled="statusOf(step.id) !== 'open'"
              :title="statusOf(step.id) === 'open' ? undefined : 'It was taken up, so it stays'"
              @click="remove(i)"
            >
              <Trash2 :size="16" />
            </button>
            <button
              type="button"
              class="min-h-10 rounded px-2 text-[13px] text-verdigris underline hover:bg-paper"
              :aria-label="`Insert after step ${i + 1}`"
              @click="insertAt = i + 1"
            >
              insert
            </button>
          </span>
        </li>
      </ol>
      <div class="mt-3 flex flex-wrap gap-2">
        <button type="button" class="button button-quiet" @click="insertAt = procedure.length">
          Add a step at the end
        </button>
        <button
          v-if="saved"
          type="button"
          class="button button-quiet"
          :disabled="begun"
          :title="begun ? 'The run has begun with these steps' : undefined"
          @click="batch.changeProcedure(stageId, undefined, 'propose')"
        >
          Propose anew from the plan
        </button>
      </div>
      <PanelGuard v-if="account && isIsolated && product" name="Advice">
        <AdvicePanel :key="stageId" :account="account" :product="product" @notes="notes = $event" />
      </PanelGuard>
      <section class="mt-6 max-w-[40em]" aria-label="Templates">
        <h2 class="text-[15px] text-ink">The lab’s templates</h2>
        <ul class="mt-1 text-[14px]">
          <li
            v-for="template in templates"
            :key="template.id"
            class="flex items-center gap-1 border-b border-rule py-1"
          >
            <span class="min-w-0 flex-1"
              >{{ template.name }} <span class="small">{{ template.steps.length }} steps</span></span
            >
            <button
              type="button"
              class="min-h-10 rounded px-2 text-verdigris underline disabled:text-soft disabled:no-underline"
              :disabled="begun"
              @click="take(template)"
            >
              take
            </button>
            <button
              type="button"
              class="min-h-10 rounded px-2 text-verdigris underline"
              :aria-label="`${template.name} as it was saved`"
              @click="looked = template.name"
            >
              versions
            </button>
            <button type="button" class="tool" :aria-label="`Delete ${template.name}`" @click="forget(template.id)">
              <Trash2 :size="15" />
            </button>
          </li>
        </ul>
        <p v-if="templates.length === 0" class="small mt-1">
          None yet. Save this procedure as one and take it in another batch.
        </p>
        <LazyThingHistory
          v-if="looked"
          kind="template"
          :subject="looked"
          :title="looked"
          @close="looked = undefined"
          @back="bringBack(looked, $event)"
        />
        <form class="mt-3" @submit.prevent="saveTemplate">
          <label
            ><span class="label">Save this one as</span>
            <input v-model="name" class="field" maxlength="80" placeholder="Sulfate from metal and acid" />
          </label>
          <button type="submit" class="button button-quiet mt-2">Save as a template</button>
          <p v-if="said" class="small mt-1" role="status">{{ said }}</p>
        </form>
      </section>
    </div>
    <StepDialog
      :open="isOpen"
      :step="editing"
      :species="(batch.stageSheet?.reagents ?? []).filter(({ planned }) => planned).map(({ species }) => species)"
      @close="close"
      @keep="keep"
    />
  </MarginPage>
</template>

<style scoped>
.tool {
  display: grid;
  width: 34px;
  height: 40px;
  place-items: center;
  border-radius: 6px;
}
.tool:hover:not(:disabled) {
  background: var(--color-stone);
}
.tool:disabled {
  color: var(--color-rule);
}
</style>
