<script setup lang="ts">
import { formatDistanceToNow } from 'date-fns'
import { useWhoStore } from '~/stores/who'
import { useBatchList, type BatchSummary } from '~/composables/useBatchList'

const who = useWhoStore()
const query = ref('')
const { batches, failed, hasMore, load, more } = useBatchList(query)
onMounted(load)
useHead({ title: 'Batches · Zip Ledger' })
const touched = ({ touchedAt }: BatchSummary): string => formatDistanceToNow(new Date(touchedAt), { addSuffix: true })
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <div class="flex flex-wrap items-end justify-between gap-4">
      <h1>Batches</h1>
      <div class="flex min-w-0 flex-wrap items-center gap-3 max-sm:w-full">
        <label class="flex min-w-0 flex-1 items-center gap-2"
          ><span class="sr-only">Search</span
          ><input
            v-model="query"
            type="search"
            class="field w-[280px] max-sm:w-full"
            placeholder="Code, title or product"
        /></label>
        <NuxtLink v-if="who.may('move')" to="/batches/bring" class="button button-quiet shrink-0 whitespace-nowrap"
          >Take out, bring in</NuxtLink
        >
        <NuxtLink to="/batches/new" class="button shrink-0 whitespace-nowrap">Plan a batch</NuxtLink>
      </div>
    </div>
    <p v-if="failed" class="mt-4 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
      The batches cannot be read just now. <button type="button" class="underline" @click="load">Try again</button>
    </p>
    <ul v-if="batches" class="mt-4 grid gap-2 sm:hidden" aria-label="Batches">
      <li v-for="batch in batches" :key="batch.code">
        <NuxtLink :to="`/batches/${batch.code}/${batch.page}`" class="card block p-3 text-ink no-underline">
          <span class="flex items-baseline justify-between gap-3">
            <span class="font-semibold text-verdigris underline underline-offset-4">{{ batch.code }}</span>
            <span class="text-[13.5px] text-soft">{{ touched(batch) }}</span>
          </span>
          <span class="mt-1 block text-[16px]"
            ><ColourSwatch :colour="batch.colour" class="mr-2" /><FormulaText :text="batch.product"
          /></span>
          <span class="block text-[15px]">{{ batch.title }}</span>
          <StandingZip class="mt-1" :standing="batch.standing" />
        </NuxtLink>
      </li>
    </ul>
    <table v-if="batches" class="mt-4 w-full border-collapse max-sm:hidden">
      <thead>
        <tr class="border-b-2 border-ink text-left text-[13.5px] text-soft">
          <th class="py-2 font-normal">Code</th>
          <th class="font-normal">Product</th>
          <th class="font-normal">Title</th>
          <th class="font-normal">Stands at</th>
          <th class="text-right font-normal">Last touched</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="batch in batches" :key="batch.code" class="border-b border-rule hover:bg-paper">
          <td class="h-12 font-semibold">
            <NuxtLink
              :to="`/batches/${batch.code}/${batch.page}`"
              class="text-verdigris underline underline-offset-4"
              >{{ batch.code }}</NuxtLink
            >
          </td>
          <td>
            <ColourSwatch :colour="batch.colour" class="mr-2.5" /><FormulaText
              :text="batch.product"
              class="text-[16px]"
            />
          </td>
          <td>{{ batch.title }}</td>
          <td><StandingZip :standing="batch.standing" /></td>
          <td class="text-right text-[13.5px] text-soft">
            {{ touched(batch) }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="batches && batches.length === 0" class="mt-4 text-soft">
      {{
        query.trim() === ''
          ? 'No batch yet. Plan one from a product and its equation.'
          : `No batch has “${query}” in its code, title or product.`
      }}
    </p>
    <p v-if="hasMore" class="mt-4">
      <button type="button" class="button button-quiet" @click="more">Show more</button>
    </p>
    <p v-if="!batches && !failed" class="mt-4 text-soft" aria-busy="true">Reading the batches.</p>
  </main>
</template>
