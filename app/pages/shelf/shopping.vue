<script setup lang="ts">
import type { ToBuy } from '#core/shelf'
import { heldWords } from '~/components/shelf/bottle'
import { send } from '~/composables/useAsked'

/** What the planned batches lack, and what of the shelf is low. */
useHead({ title: 'Shopping list · Zip Ledger' })
const list = shallowRef<readonly ToBuy[]>()
const isPending = ref(false)
const failure = ref('')
async function load(): Promise<void> {
  failure.value = ''
  try {
    const found = await send<{ list: readonly ToBuy[]; isPending: boolean }>('/api/shopping')
    list.value = found.list
    isPending.value = found.isPending
  } catch {
    failure.value = 'The list cannot be worked out just now.'
  }
}
onMounted(load)
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <p class="small"><NuxtLink to="/shelf" class="underline">Shelf</NuxtLink></p>
    <div class="flex flex-wrap items-end justify-between gap-4">
      <h1>Shopping list</h1>
      <a v-if="list && list.length > 0" class="button button-quiet" href="/api/shopping.csv" download>Take it as CSV</a>
    </div>
    <p class="mt-1 max-w-[46em] text-[15px] text-soft">
      What planned batches have yet to weigh, less what the shelf has of just that form and strength; and what is low by
      its own mark. A bottle that is expired is not counted.
    </p>
    <p v-if="failure" class="mt-3 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
      {{ failure }} <button type="button" class="underline" @click="load">Try again</button>
    </p>
    <p v-if="isPending" class="mt-2 text-amber" role="status">Some batches are still being read: more may come.</p>
    <p v-if="list?.length === 0" class="mt-4" role="status">Nothing is missing, and nothing is low.</p>
    <div v-if="list && list.length > 0" class="mt-4 overflow-x-auto">
      <table class="w-full min-w-[680px] text-[14.5px]">
        <thead>
          <tr class="border-b-2 border-ink text-left text-[13px] text-soft">
            <th scope="col" class="py-1.5 pr-3 font-normal">What</th>
            <th scope="col" class="px-3 text-right font-normal">Missing</th>
            <th scope="col" class="px-3 text-right font-normal">Needed</th>
            <th scope="col" class="px-3 text-right font-normal">There</th>
            <th scope="col" class="px-3 font-normal">For</th>
            <th scope="col" class="px-3 font-normal">Low</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(one, i) in list" :key="i" class="border-b border-rule align-baseline">
            <th scope="row" class="py-2 pr-3 text-left font-normal">
              <FormulaText :text="one.formula" class="text-[16px]" />
              <span class="small ml-2">{{ one.concentration ?? one.kind }}</span>
            </th>
            <td class="figure px-3 text-right font-semibold">
              {{ one.missing > 0 ? heldWords(one.missing, one.unit) : '–' }}
            </td>
            <td class="figure px-3 text-right">{{ one.needed > 0 ? heldWords(one.needed, one.unit) : '–' }}</td>
            <td class="figure px-3 text-right">
              {{ one.there > 0 ? heldWords(one.there, one.unit) : '–' }}
              <span v-if="one.isUnsure" class="small block text-amber">and a bottle whose content is not known</span>
            </td>
            <td class="px-3">
              <template v-for="(code, n) in one.batches" :key="code"
                >{{ n > 0 ? ', ' : ''
                }}<NuxtLink :to="`/batches/${code}/sheet`" class="text-verdigris underline">{{
                  code
                }}</NuxtLink></template
              >
            </td>
            <td class="px-3">
              <template v-for="(code, n) in one.low" :key="code"
                >{{ n > 0 ? ', ' : ''
                }}<NuxtLink :to="`/shelf/${code}`" class="text-verdigris underline">{{ code }}</NuxtLink></template
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </main>
</template>
