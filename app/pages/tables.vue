<script setup lang="ts">
import { findByWords } from '#core/species'
import { useLibraryStore } from '~/stores/library'

useHead({ title: 'Tables · Zip Ledger' })
const route = useRoute()
const router = useRouter()
const library = useLibraryStore()

const tabs = [
  { key: 'substances', name: 'Substances' },
  { key: 'solubility', name: 'Solubility' },
  { key: 'products', name: 'Solubility products' },
  { key: 'enthalpies', name: 'Formation enthalpies' },
  { key: 'limits', name: 'Exposure limits' },
  { key: 'densities', name: 'Densities' },
  { key: 'ligands', name: 'Ligands' },
  { key: 'elements', name: 'Elements' },
] as const
type Tab = (typeof tabs)[number]['key']
const tab = computed((): Tab => tabs.find(({ key }) => key === route.query.table)?.key ?? 'substances')
const query = ref(typeof route.query.q === 'string' ? route.query.q : '')
/** The table that was pressed last: what is typed a moment later goes with it, though its address is not there yet. */
const pressed = ref<Tab>()
watch(tab, () => (pressed.value = undefined))
const meant = computed(() => (query.value.trim() === '' ? undefined : findByWords(query.value)))
watch(
  query,
  q => void router.replace({ query: { ...route.query, table: pressed.value ?? tab.value, q: q || undefined } }),
)
</script>

<template>
  <main class="flex min-h-0 min-w-0 flex-1 flex-col bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <div class="flex flex-wrap items-end justify-between gap-4">
      <div>
        <h1>Tables</h1>
        <p class="mt-0.5 text-[14px] text-soft">
          What the figures stand on, each with its source. Values recalled from memory say so: check them before you
          rely on them. Your lab’s own rows come first.
        </p>
      </div>
      <label class="w-[320px] max-sm:w-full"
        ><span class="sr-only">Search</span
        ><input v-model="query" type="search" class="field" placeholder="Formula, name, or part of one"
      /></label>
    </div>
    <p v-if="meant" class="mt-2 text-[14px]" role="status">
      “{{ query }}” reads as <FormulaText :text="meant.formula" /><template v-if="meant.name"
        >, {{ meant.name }}</template
      >.
    </p>
    <nav class="mt-3 flex flex-wrap gap-1 border-b border-rule" aria-label="Tables">
      <NuxtLink
        v-for="one in tabs"
        :key="one.key"
        :to="{ query: { ...route.query, table: one.key } }"
        @click="pressed = one.key"
        class="rounded-t-md px-3 py-1.5 text-[14px]"
        :class="one.key === tab ? 'border border-b-0 border-rule bg-paper font-semibold' : 'text-soft hover:bg-paper'"
        :aria-current="one.key === tab ? 'page' : undefined"
        >{{ one.name }}</NuxtLink
      >
    </nav>
    <p class="small mt-2 min-h-[18px]">{{ library.isLoaded ? '' : 'Your lab’s own rows are not read yet.' }}</p>
    <SubstanceTable v-if="tab === 'substances'" :query="query" :meant="meant?.formula" />
    <SolubilityTable v-else-if="tab === 'solubility'" :query="query" :meant="meant?.formula" />
    <PlainTable v-else :table="tab" :query="query" :meant="meant?.formula" />
  </main>
</template>
