<script setup lang="ts">
import { useNow } from '@vueuse/core'
import type { Level } from '#core/drill'
import { useDrills } from '~/composables/useDrills'
import { useWhoStore } from '~/stores/who'

/** Practice: one question after the other, made by the same core that plans batches, and asked again when it is due. */
const who = useWhoStore()
const route = useRoute()
const drills = useDrills(() => who.me?.person ?? '')
const { stands, question, told, after, state, waiting, only } = drills
const now = useNow({ interval: 30_000 })
useHead({ title: 'Drills · Zip Ledger' })

onMounted(() => {
  const { family, level, seed } = route.query
  const isOne = typeof family === 'string' && /^[123]$/.test(String(level)) && /^\d{1,6}$/.test(String(seed))
  void drills.load(isOne ? { family, level: Number(level) as Level, seed: Number(seed) } : undefined)
})
function keepTo(families: readonly string[]): void {
  only.value = families
  void drills.next()
}
const stand = computed(() => stands.value.find(({ family }) => family.id === question.value?.family))
const dueCount = computed(
  () => stands.value.filter(({ due }) => due !== undefined && due <= now.value.getTime()).length,
)
</script>

<template>
  <main class="grid min-h-0 min-w-0 flex-1 content-start gap-6 bg-stone px-[22px] py-[18px] drills max-sm:px-3">
    <div class="min-w-0">
      <div class="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Drills</h1>
          <p class="mt-0.5 text-[14px] text-soft">
            Questions from the same reckoning that plans a batch. A slip is named, and asked after again.
          </p>
        </div>
        <div class="flex flex-wrap gap-3">
          <NuxtLink v-if="who.may('record')" to="/drills/practice" class="button button-quiet">Practice bench</NuxtLink>
          <NuxtLink to="/drills/sheet" class="button button-quiet">A sheet to print</NuxtLink>
        </div>
      </div>
      <p v-if="state === 'loading'" class="rounded-xl border border-rule bg-sheet p-6 text-soft" aria-busy="true">
        Making a question.
      </p>
      <p v-else-if="state === 'failed'" class="rounded-xl border border-red-edge bg-red-soft p-6">
        No question could be made here.
        <button type="button" class="text-verdigris underline" @click="drills.next()">Try another</button>
      </p>
      <QuestionCard
        v-else-if="question && stand"
        :question="question"
        :told="told"
        :after="after"
        :name="stand.family.name"
        :step="stand.family.steps[question.level - 1]!"
        @check="drills.check"
        @next="drills.next"
      />
      <p v-if="waiting" class="small mt-2" role="status">
        The server does not answer. Your answers are kept on this device and sent when it does.
      </p>
    </div>
    <aside class="min-w-0 self-start rounded-xl border border-rule bg-sheet px-4 py-3">
      <p v-if="dueCount > 0" class="mb-1 text-[13.5px]">
        <b class="figure">{{ dueCount }}</b> {{ dueCount === 1 ? 'kind is' : 'kinds are' }} due today.
      </p>
      <StandingTable
        v-if="stands.length > 0"
        :stands="stands"
        :now="now.getTime()"
        :at="question?.family"
        :only="only"
        @only="keepTo"
      />
    </aside>
  </main>
</template>

<style scoped>
.drills {
  grid-template-columns: minmax(0, 1fr) 380px;
}
@media (max-width: 1000px) {
  .drills {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
