<script setup lang="ts">
import Papa from 'papaparse'
import type { Vial } from '#core/record'
import { bottlesFromTable, readMakerCode, type BottleFact, type FromRow, type Label } from '#core/shelf'
import { send, useAsked } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'

/** Bottles come onto the shelf: one from a form, or many from a table. */
useHead({ title: 'Bottles for the shelf · Zip Ledger' })
const who = useWhoStore()
const { isBusy, failure, ask } = useAsked()
const route = useRoute()
/** The batch of which a vial is put up. */
const batch = computed(() => (typeof route.query.of === 'string' ? route.query.of : undefined))
const vial = shallowRef<Vial>()
const form = useTemplateRef('form')
const readOff = ref('')
/** What a maker's code says is shown, and written where nothing stands; the bottle's own label comes first. */
function scanned(text: string): void {
  const found = readMakerCode(text)
  if (found) form.value?.fill(found)
  const told = found
    ? [
        found.article && `article ${found.article}`,
        found.lot && `lot ${found.lot}`,
        found.expires && `expires ${found.expires}`,
        found.amount && `holds ${found.amount}`,
        found.serial && `serial ${found.serial}`,
      ].filter(Boolean)
    : []
  readOff.value = found
    ? `The code says: ${told.join(', ')}. Look whether its label says the same; what is in it and how strong has to be typed.`
    : `The code says “${text.slice(0, 120)}”, which tells nothing of a lot or a date.`
}
const table = ref('')
const read = computed(() =>
  table.value.trim() === ''
    ? undefined
    : bottlesFromTable(Papa.parse<string[]>(table.value.trim(), { skipEmptyLines: 'greedy' }).data),
)
const came = (amount: string): BottleFact[] =>
  amount === ''
    ? []
    : [{ id: crypto.randomUUID(), at: new Date().toISOString(), by: who.me?.person ?? '', kind: 'came', amount }]
async function put(bottles: readonly FromRow[]): Promise<void> {
  let codes: readonly string[] = []
  const isDone = await ask(async () => {
    const body = { bottles: bottles.map(({ label, amount = '' }) => ({ label, facts: came(amount) })) }
    ;({ codes } = await send<{ codes: string[] }>('/api/bottles', { method: 'POST', body }))
  })
  if (isDone) await navigateTo(codes.length === 1 ? `/shelf/${codes[0]}` : '/shelf')
}
const putOne = (label: Label, amount: string): Promise<void> => put([{ label, amount }])
async function choose(event: Event): Promise<void> {
  table.value = (await (event.target as HTMLInputElement).files?.[0]?.text()) ?? ''
}
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <h1>{{ batch ? 'A vial for the shelf' : 'Bottles for the shelf' }}</h1>
    <p v-if="failure" class="mt-3 rounded-lg bg-amber-soft p-3 text-amber" role="alert">{{ failure }}</p>
    <div class="mt-4 grid gap-x-12 gap-y-8 xl:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
      <section aria-label="One bottle">
        <h2 class="mb-3 text-[16px] text-ink">One bottle</h2>
        <VialPanel v-if="batch" v-model="vial" :batch="batch" />
        <div v-else class="mb-3 flex flex-wrap items-center gap-3">
          <span class="text-[14.5px]">Its maker’s code tells lot and date:</span><CodeScanner @read="scanned" />
        </div>
        <p v-if="readOff" class="mb-3 border-l-[3px] border-rule pl-2.5 text-[14.5px]" role="status">{{ readOff }}</p>
        <BottleLabelForm
          :key="vial?.stage ?? ''"
          ref="form"
          action="Put it up"
          :label="vial?.label"
          :came="vial?.amount ?? ''"
          :is-busy="isBusy"
          has-amount
          @write="putOne"
        />
      </section>
      <section v-if="!batch" aria-label="From a table">
        <h2 class="text-[16px] text-ink">Many, from a table</h2>
        <p class="mt-1 mb-2 max-w-[36em] text-[14.5px]">
          A row each: formula or name, amount, strength, lot, place, its maker’s words. Another order is taken where the
          first row names its columns. Paste it from a spreadsheet, or choose a CSV file.
        </p>
        <label class="block"
          ><span class="label">The table</span>
          <textarea v-model="table" class="field figure" rows="7" spellcheck="false" />
        </label>
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          class="field mt-2 max-w-[320px]"
          aria-label="CSV file"
          @change="choose"
        />
        <div v-if="read && !read.ok" class="mt-3 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
          <p>Nothing of it is taken as long as a cell does not read.</p>
          <ul class="mt-1 list-disc pl-5 text-[14px]">
            <li v-for="(one, i) in read.problems.slice(0, 8)" :key="i">
              Line {{ one.line }}, column {{ one.column }}: <RichText :text="one.why" /> {{ one.fix }}
            </li>
            <li v-if="read.problems.length > 8">and {{ read.problems.length - 8 }} more</li>
          </ul>
        </div>
        <template v-else-if="read">
          <p class="mt-3 text-[14px]" role="status">
            <template v-for="(one, i) in read.bottles.slice(0, 12)" :key="i"
              ><template v-if="i > 0">, </template><FormulaText :text="one.label.formula" /></template
            ><template v-if="read.bottles.length > 12"> and {{ read.bottles.length - 12 }} more</template>
          </p>
          <button type="button" class="button mt-2" :disabled="isBusy" @click="put(read.bottles)">
            Put {{ read.bottles.length === 1 ? 'it' : `all ${read.bottles.length}` }} up
          </button>
        </template>
      </section>
    </div>
  </main>
</template>
