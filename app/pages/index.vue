<script setup lang="ts">
import { format, formatDistanceToNow } from 'date-fns'
import { useBatchList } from '~/composables/useBatchList'

const { batches, failed, load } = useBatchList()
onMounted(load)
useHead({ title: 'Bench · Zip Ledger' })

const order = ['charge', 'react', 'plan', 'weighed']
const underWay = computed(() =>
  [...(batches.value ?? [])].sort((a, b) => order.indexOf(a.standing) - order.indexOf(b.standing)),
)
const busy = computed(() => underWay.value.filter(({ standing }) => standing !== 'weighed').length)
const headline = computed(() => {
  const day = format(new Date(), 'EEEE')
  return busy.value === 0
    ? `${day}, nothing wants your hands`
    : `${day}, ${busy.value} ${busy.value === 1 ? 'batch wants' : 'batches want'} your hands`
})
</script>

<template>
  <main class="flex-1 bg-sheet px-[22px] py-[18px]">
    <div class="flex flex-wrap items-end justify-between gap-3">
      <div>
        <h1>{{ headline }}</h1>
        <p class="mt-0.5 text-[14px] text-soft">The batches under way and the next thing each wants.</p>
      </div>
      <NuxtLink to="/batches/new" class="button shrink-0 whitespace-nowrap">Plan a batch</NuxtLink>
    </div>
    <p v-if="failed" class="mt-4 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
      The batches cannot be read just now. <button type="button" class="underline" @click="load">Try again</button>
    </p>
    <ul v-if="batches" class="mt-4">
      <li v-for="batch in underWay" :key="batch.code" class="border-b border-rule">
        <NuxtLink
          :to="`/batches/${batch.code}/${batch.page}`"
          class="grid min-h-[62px] grid-cols-[minmax(0,330px)_140px_minmax(0,1fr)_minmax(0,330px)] max-md:grid-cols-1 items-center gap-4 max-md:gap-1.5 rounded py-2 hover:bg-paper"
        >
          <span class="min-w-0">
            <span class="flex items-center gap-2.5"
              ><ColourSwatch :colour="batch.colour" /><b>{{ batch.code }}</b
              ><FormulaText :text="batch.product" class="text-[15px] text-soft"
            /></span>
            <span class="small block truncate">{{ batch.title }}</span>
          </span>
          <StandingZip :standing="batch.standing" />
          <span class="text-[16px]"
            ><RichText :text="batch.want" /> <span class="text-verdigris" aria-hidden="true">→</span></span
          >
          <span v-if="batch.last" class="small text-right max-md:text-left"
            ><RichText :text="batch.last.text" /><span class="block">{{
              formatDistanceToNow(new Date(batch.last.at), { addSuffix: true })
            }}</span></span
          >
        </NuxtLink>
      </li>
    </ul>
    <p v-if="batches && batches.length === 0" class="mt-6 text-[16px]">
      No batch yet. Plan one from a product and its equation.
    </p>
    <p v-if="!batches && !failed" class="mt-6 text-soft" aria-busy="true">Reading the bench.</p>
  </main>
</template>
