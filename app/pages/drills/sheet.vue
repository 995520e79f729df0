<script setup lang="ts">
import type { Level, Question } from '#core/drill'
import { useDrillWorker } from '~/composables/useDrillWorker'
import type { Stand } from '~/workers/drills'

/** Questions on paper, the same for everybody who has the number, and their key on a page of its own. */
const { ask } = useDrillWorker()
useHead({ title: 'A sheet of drills · Zip Ledger' })

const MOST = 30
const MOST_SEED = 1_000_000
const stands = shallowRef<readonly Stand[]>([])
const chosen = ref<readonly string[]>(['weigh', 'limiting', 'yield', 'water'])
const level = ref<Level>(1)
const count = ref('8')
const seed = ref(String(Math.floor(Math.random() * 10_000)))
const withKey = ref(true)
const questions = shallowRef<readonly Question[]>([])
const failure = ref('')

const countWhy = computed(() =>
  /^\d{1,2}$/.test(count.value) && Number(count.value) >= 1 && Number(count.value) <= MOST
    ? ''
    : `Give a whole number from 1 to ${MOST}.`,
)
const seedWhy = computed(() => (/^\d{1,6}$/.test(seed.value) ? '' : 'Give a number of up to six digits.'))
const familyWhy = computed(() => (chosen.value.length > 0 ? '' : 'Choose one kind of question at least.'))

onMounted(async () => {
  stands.value = (await ask<'stand'>({ is: 'stand', answers: [] })).stands
})
const inOrder = (): string[] => stands.value.map(({ family }) => family.id).filter(id => chosen.value.includes(id))
let asked = 0
watch(
  [stands, chosen, level, count, seed],
  async () => {
    // In the order of the work, whatever order they were chosen in: the same choice is the same sheet.
    const families = inOrder()
    if (families.length === 0 || countWhy.value || seedWhy.value || familyWhy.value) return
    const mine = (asked += 1)
    const of = Array.from({ length: Number(count.value) }, (_, i) => ({
      family: families[i % families.length]!,
      level: level.value,
      seed: (Number(seed.value) + i) % MOST_SEED,
    }))
    try {
      const made = (await ask<'make'>({ is: 'make', of })).questions
      if (mine !== asked) return
      questions.value = made
      failure.value = ''
    } catch {
      failure.value = 'The questions could not be made. Try another number.'
    }
  },
  { immediate: true },
)
function choose(id: string, isOn: boolean): void {
  chosen.value = isOn ? [...chosen.value, id] : chosen.value.filter(one => one !== id)
}
const print = (): void => window.print()
</script>

<template>
  <main class="min-w-0 flex-1 bg-stone px-[22px] py-[18px] max-sm:px-3">
    <div data-chrome class="mb-4">
      <h1>A sheet of drills</h1>
      <p class="mt-0.5 text-[14px] text-soft">
        The same number gives everybody the same questions; another number gives the neighbour others.
        <NuxtLink to="/drills" class="text-verdigris underline">Back to the drills</NuxtLink>
      </p>
      <fieldset class="mt-3">
        <legend class="label">Kinds of question</legend>
        <div class="flex flex-wrap gap-x-4 gap-y-1 text-[14px]">
          <label v-for="{ family } in stands" :key="family.id" class="flex min-h-7 items-center gap-1.5">
            <input
              type="checkbox"
              class="accent-verdigris"
              :checked="chosen.includes(family.id)"
              @change="choose(family.id, ($event.target as HTMLInputElement).checked)"
            />{{ family.name }}
          </label>
        </div>
        <p v-if="familyWhy" class="text-[13.5px] text-red" role="alert">{{ familyWhy }}</p>
      </fieldset>
      <div class="mt-2 flex flex-wrap items-start gap-4">
        <label class="w-28"
          ><span class="label">Step</span
          ><select v-model="level" class="field">
            <option :value="1">1</option>
            <option :value="2">2</option>
            <option :value="3">3</option>
          </select></label
        >
        <label class="w-36"
          ><span class="label">How many</span
          ><input v-model="count" class="field figure" inputmode="numeric" :aria-invalid="!!countWhy" /><span
            v-if="countWhy"
            class="block text-[13px] text-red"
            >{{ countWhy }}</span
          ></label
        >
        <label class="w-36"
          ><span class="label">Number</span
          ><input v-model="seed" class="field figure" inputmode="numeric" :aria-invalid="!!seedWhy" /><span
            v-if="seedWhy"
            class="block text-[13px] text-red"
            >{{ seedWhy }}</span
          ></label
        >
        <label class="mt-6 flex min-h-9 items-center gap-2"
          ><input v-model="withKey" type="checkbox" class="accent-verdigris" />with the key, on its own page</label
        >
        <button type="button" class="button mt-6" @click="print">Print</button>
      </div>
      <p v-if="failure" class="mt-2 text-red" role="alert">{{ failure }}</p>
    </div>
    <article class="sheet mx-auto max-w-[760px] bg-sheet p-8" aria-label="Questions">
      <p class="flex justify-between border-b border-rule pb-2 text-[14px]">
        <span
          >Drills no. <span class="figure">{{ seed }}</span>, step {{ level }}</span
        ><span>Name: ______________________</span>
      </p>
      <ol class="mt-3 list-decimal pl-6">
        <li v-for="(question, i) in questions" :key="i" class="mb-5 break-inside-avoid">
          <RichText :text="question.ask" />
          <template v-if="question.answer.is === 'teeth'">
            <span class="mt-1 block text-[16px]"
              ><template v-for="(one, j) in question.answer.species" :key="j"
                ><span v-if="j > 0">{{ question.answer.species[j - 1]!.side === one.side ? ' + ' : ' → ' }}</span
                >____ <FormulaText :text="one.text" /></template
            ></span>
          </template>
          <ul v-if="question.facts.length > 0" class="mt-0.5 text-[14px]">
            <li v-for="fact in question.facts" :key="fact"><RichText :text="fact" /></li>
          </ul>
          <LazyCurvePicture v-if="question.picture" :picture="question.picture" :at="undefined" />
          <ol v-if="question.answer.is === 'choice'" class="mt-0.5 list-[upper-alpha] pl-6 text-[14px]">
            <li v-for="option in question.answer.options" :key="option"><RichText :text="option" /></li>
          </ol>
          <div v-else class="mt-8 border-b border-rule" />
        </li>
      </ol>
    </article>
    <article v-if="withKey" class="key mx-auto mt-6 max-w-[760px] bg-sheet p-8" aria-label="Key">
      <p class="border-b border-rule pb-2 text-[14px]">
        Key to drills no. <span class="figure">{{ seed }}</span>, step {{ level }}
      </p>
      <ol class="mt-3 list-decimal pl-6">
        <li v-for="(question, i) in questions" :key="i" class="mb-3 break-inside-avoid">
          <WorkedAnswer :question="question" />
        </li>
      </ol>
    </article>
  </main>
</template>

<style scoped>
@media print {
  .sheet,
  .key {
    max-width: none;
    padding: 0;
  }
  .key {
    break-before: page;
  }
}
</style>
