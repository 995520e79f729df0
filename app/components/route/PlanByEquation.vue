<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { parseFormula } from '#core/formula'
import { draftStage, explainPlan } from '#core/sheet'
import { findByName } from '#core/species'
import { useLibraryStore } from '~/stores/library'
import { ofLab } from '~/utils/whose'

/** The expert's way: a product and its equation, as they are written. */
const { equation = '' } = defineProps<{ equation?: string }>()
const draft = useLocalStorage(ofLab('new-batch'), { product: '', equation: '', title: '', table: '' })
if (equation !== '') draft.value.equation = equation
const library = useLibraryStore()
/** A name that means one formula counts as that. */
const namedOr = (text: string): string => (parseFormula(text).ok ? text : (findByName(text)?.formula.text ?? text))
const typed = computed(() => ({
  product: library.writtenOut(namedOr(draft.value.product)),
  equation: library.writtenOut(draft.value.equation),
}))
const drafted = computed(() => draftStage(typed.value.product, typed.value.equation))
const productProblem = computed(() =>
  !drafted.value.ok && drafted.value.problem.problem.code === 'sheet.unknown-species'
    ? explainPlan(drafted.value.problem)
    : undefined,
)
const failure = ref('')
interface Refusal {
  readonly detail?: string
  readonly problems?: readonly { readonly at?: string; readonly why: string; readonly fix?: string }[]
}
/** What of the table cannot be used, cell by cell. */
const inTable = ref<NonNullable<Refusal['problems']>>([])
const isSending = ref(false)

async function begin(): Promise<void> {
  if (!drafted.value.ok || isSending.value) return
  isSending.value = true
  failure.value = ''
  inTable.value = []
  try {
    const { title, table = '' } = draft.value
    const { product, equation } = typed.value
    const { code } = await $fetch<{ code: string }>('/api/batches', {
      method: 'POST',
      body: { product, equation, ...(title.trim() && { title }), ...(table.trim() && { table }) },
    })
    draft.value = { product: '', equation: '', title: '', table: '' }
    await navigateTo(`/batches/${code}/sheet`)
  } catch (error) {
    const { data, statusCode } = error as { data?: Refusal; statusCode?: number }
    inTable.value = (data?.problems ?? []).filter(({ at }) => at?.startsWith('table.'))
    failure.value =
      data?.detail ??
      (statusCode
        ? 'The server refused it.'
        : 'The server does not answer. What you typed is kept here; try again in a moment.')
  } finally {
    isSending.value = false
  }
}
</script>

<template>
  <section aria-label="The expert’s way">
    <p class="text-[14px] text-soft">Type both as you would write them; the equation balances itself.</p>
    <div class="mt-4 grid grid-cols-[minmax(0,1fr)] items-start gap-8 lg:grid-cols-[minmax(0,720px)_minmax(0,400px)]">
      <form @submit.prevent="begin">
        <FormulaField
          v-model="draft.product"
          label="Product, in the form you will isolate"
          hint="such as ZnSO4.7H2O, or zinc sulfate heptahydrate"
          :outside="productProblem"
        />
        <EquationField v-model="draft.equation" class="mt-3" label="Equation" hint="such as Zn + H2SO4 -> ZnSO4 + H2" />
        <label class="mt-3 block"
          ><span class="label">Title, if you want one</span
          ><input
            v-model="draft.title"
            class="field"
            maxlength="120"
            placeholder="such as Zinc sulfate from granulated zinc"
        /></label>
        <details class="mt-3" :open="!!draft.table || undefined">
          <summary class="min-h-6 cursor-pointer text-verdigris underline">Amounts from a table</summary>
          <label class="mt-2 block"
            ><span class="label">Reagent, amount, strength: a line each, pasted from a spreadsheet or as CSV</span>
            <textarea
              v-model="draft.table"
              class="field figure"
              rows="4"
              maxlength="20000"
              placeholder="Zn&#9;9.11 g&#9;99.5 %"
              :aria-invalid="inTable.length > 0"
            />
          </label>
          <ul v-if="inTable.length > 0" class="mt-1 text-[14px] text-red" role="alert">
            <li v-for="one in inTable" :key="one.at"><RichText :text="`${one.why} ${one.fix ?? ''}`" /></li>
          </ul>
        </details>
        <p v-if="failure" class="mt-3 rounded-md bg-amber-soft p-2 text-amber" role="alert">{{ failure }}</p>
        <div class="mt-5 flex items-center gap-3">
          <button type="submit" class="button" :disabled="!drafted.ok || isSending">
            {{ isSending ? 'Beginning' : 'Begin the batch' }}
          </button>
          <span v-if="!drafted.ok" class="small"
            >It begins once both can be understood, and the equation makes the product.</span
          >
        </div>
      </form>
      <NotationGuide />
    </div>
  </section>
</template>
