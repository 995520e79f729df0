<script setup lang="ts">
import type { Compared } from '#core/record'
import { send } from '~/composables/useAsked'
import { useBatchList } from '~/composables/useBatchList'

/** Two batches side by side, and what was different. */
useHead({ title: 'Two batches · Zip Ledger' })
const route = useRoute()
const router = useRouter()
const { batches, load: loadList } = useBatchList()
onMounted(loadList)
const chosen = (key: 'a' | 'b'): string => (typeof route.query[key] === 'string' ? route.query[key] : '')
const choose = (key: 'a' | 'b', event: Event): void =>
  void router.replace({ query: { ...route.query, [key]: (event.target as HTMLSelectElement).value } })
const compared = ref<Compared>()
const failure = ref('')
const isAll = ref(false)
watch(
  () => [chosen('a'), chosen('b')] as const,
  async ([a, b]) => {
    compared.value = undefined
    failure.value = ''
    if (!a || !b) return
    try {
      const answer = await send<Compared>(`/api/compare?a=${encodeURIComponent(a)}&b=${encodeURIComponent(b)}`)
      if (a === chosen('a') && b === chosen('b')) compared.value = answer
    } catch (error) {
      failure.value =
        (error as { data?: { detail?: string } }).data?.detail ?? 'The server does not answer. Try again in a moment.'
    }
  },
  { immediate: true },
)
const shown = computed(() => (compared.value?.rows ?? []).filter(({ differs }) => isAll.value || differs))
const groups = computed(() => [...new Set(shown.value.map(({ group }) => group))])
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <h1>Two batches side by side</h1>
    <div class="mt-3 flex flex-wrap items-end gap-4">
      <label v-for="key in ['a', 'b'] as const" :key="key" class="block"
        ><span class="label">{{ key === 'a' ? 'This batch' : 'beside' }}</span>
        <select class="field w-[340px] max-w-full" :value="chosen(key)" @change="choose(key, $event)">
          <option value="">choose a batch</option>
          <option v-for="one in batches ?? []" :key="one.code" :value="one.code">
            {{ one.code }}, {{ one.title }}
          </option>
        </select></label
      >
      <label class="flex min-h-9 items-center gap-2 text-[14px]"
        ><input v-model="isAll" type="checkbox" class="size-5 accent-verdigris" />What is the same as well</label
      >
    </div>
    <p v-if="failure" class="mt-4 rounded-lg bg-amber-soft p-3 text-amber" role="alert">{{ failure }}</p>
    <p v-else-if="chosen('a') && chosen('b') && !compared" class="mt-4 text-soft" aria-busy="true">Comparing.</p>
    <p v-if="compared && shown.length === 0" class="mt-4 text-soft">
      Nothing that was planned, read or weighed differs.
    </p>
    <table v-if="compared && shown.length > 0" class="mt-4 w-full border-collapse text-[14.5px]">
      <thead>
        <tr class="border-b-2 border-ink text-left">
          <th scope="col" class="w-[34%] py-1 pr-3 font-normal text-soft">What</th>
          <th v-for="one in [compared.a, compared.b]" :key="one.code" scope="col" class="py-1 pr-3">
            <NuxtLink class="alone text-verdigris underline" :to="`/batches/${one.code}/record`">{{
              one.code
            }}</NuxtLink>
            <span class="block font-normal text-soft"><RichText :text="one.title" /></span>
          </th>
        </tr>
      </thead>
      <tbody v-for="group in groups" :key="group">
        <tr>
          <th colspan="3" scope="colgroup" class="pb-1 pt-4 text-left"><RichText :text="group" /></th>
        </tr>
        <tr
          v-for="(row, i) in shown.filter(one => one.group === group)"
          :key="i"
          class="border-b border-rule align-top"
        >
          <th scope="row" class="py-1 pr-3 text-left font-normal"><RichText :text="row.what" /></th>
          <td
            v-for="(text, j) in [row.a, row.b]"
            :key="j"
            class="py-1 pr-3"
            :class="{ 'font-semibold': row.differs && isAll }"
          >
            <RichText :text="text" />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="compared" class="small mt-3">
      Figures count as different where they lie further apart than two standard uncertainties of their difference; steps
      are set beside each other by their words.
    </p>
  </main>
</template>
