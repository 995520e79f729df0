<script setup lang="ts">
import { useBatchList } from '~/composables/useBatchList'
import { send, useAsked } from '~/composables/useAsked'
import type { PracticeRun } from '~/composables/usePractice'

/** The practice bench: a procedure is carried out with a clock that runs fast, and with things that go wrong. */
useHead({ title: 'Practice bench · Zip Ledger' })
const route = useRoute()
const code = computed(() => (typeof route.query.run === 'string' ? route.query.run : undefined))
const { batches, load } = useBatchList()
const runs = shallowRef<readonly PracticeRun[]>()
const from = ref('')
const seed = ref(String(Math.floor(Math.random() * 10_000)))
const { isBusy, failure, problems, ask } = useAsked()
async function loadRuns(): Promise<void> {
  runs.value = await send<PracticeRun[]>('/api/practice').catch(() => undefined)
}
watch(
  code,
  () => {
    void load()
    void loadRuns()
  },
  { immediate: true },
)
const seedWhy = computed(() => (/^\d{1,6}$/.test(seed.value.trim()) ? '' : 'Give a number of up to six digits.'))
const begin = (): Promise<boolean> =>
  ask(async () => {
    const run = await send<PracticeRun>('/api/practice', {
      method: 'POST',
      body: { from: from.value.trim(), seed: Number(seed.value) },
    })
    await navigateTo(`/drills/practice?run=${run.code}`)
  })
</script>

<template>
  <main class="min-w-0 flex-1 bg-stone px-[22px] py-[18px] max-sm:px-3">
    <p class="small">
      <NuxtLink :to="code ? '/drills/practice' : '/drills'" class="text-verdigris underline">{{
        code ? 'The practice bench' : 'Drills'
      }}</NuxtLink>
    </p>
    <h1 class="mb-3">{{ code ? `Practice run ${code}` : 'Practice bench' }}</h1>
    <LazyPracticeBench v-if="code" :code="code" />
    <div v-else class="max-w-[760px]">
      <p class="text-[14px] text-soft">
        A procedure of the lab, carried out at a simulated bench: its clock runs fast, the vessel answers as the model
        reckons, and something goes wrong. The same number plants the same troubles. Nothing of it enters the lab’s own
        batches.
      </p>
      <form class="mt-4 flex flex-wrap items-start gap-4" @submit.prevent="begin">
        <label class="min-w-64 flex-1"
          ><span class="label">The procedure of the batch</span
          ><select v-model="from" class="field" :aria-invalid="problems.from !== undefined">
            <option value="" disabled>Choose one</option>
            <option v-for="one in batches ?? []" :key="one.code" :value="one.code">
              {{ one.code }}, {{ one.title }}
            </option>
          </select>
          <span class="block text-[13.5px] text-red" role="alert">{{ problems.from }}</span></label
        >
        <label class="w-36"
          ><span class="label">Number</span
          ><input v-model="seed" class="field figure" inputmode="numeric" :aria-invalid="seedWhy !== ''" /><span
            class="block text-[13.5px] text-red"
            >{{ seedWhy }}</span
          ></label
        >
        <button class="button mt-6" :disabled="isBusy || from === '' || seedWhy !== ''">Begin</button>
      </form>
      <p v-if="failure" class="text-red" role="alert">{{ failure }}</p>
      <h2 class="mt-6 text-[15px] text-ink">Your runs</h2>
      <p v-if="!runs" class="text-soft">They are not read yet.</p>
      <p v-else-if="runs.length === 0" class="text-soft">None yet.</p>
      <ul v-else class="text-[14.5px]">
        <li v-for="one in runs" :key="one.code" class="border-t border-rule py-1">
          <NuxtLink :to="`/drills/practice?run=${one.code}`" class="figure text-verdigris underline">{{
            one.code
          }}</NuxtLink>
          of {{ one.from }}, number {{ one.seed }}
        </li>
      </ul>
    </div>
  </main>
</template>
