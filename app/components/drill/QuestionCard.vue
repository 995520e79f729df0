<script setup lang="ts">
import type { Question } from '#core/drill'
import type { Told } from '~/workers/drills'

/** One question, large; the answer as typed; then what the slip was. */
const { question, told, after, name, step } = defineProps<{
  question: Question
  told: Told | undefined
  /** The slip that this question is asked after. */
  after: string | undefined
  name: string
  step: string
}>()
const emit = defineEmits<{ check: [typed: string]; next: [] }>()

const text = ref('')
const chosen = ref<readonly number[]>([])
const counts = ref<readonly number[]>([])
const isShown = ref(false)
const read = ref<number>()
const id = useId()
const field = useTemplateRef<HTMLElement>('field')
const head = useTemplateRef<HTMLElement>('head')

watch(
  () => question,
  async ({ answer }, before) => {
    text.value = ''
    chosen.value = []
    counts.value = answer.is === 'teeth' ? answer.species.map(() => 1) : []
    isShown.value = false
    read.value = undefined
    await nextTick()
    if (before) (field.value ?? head.value)?.focus()
  },
  { immediate: true },
)
const typed = computed(() => {
  if (question.answer.is === 'choice') return chosen.value.join(' ')
  return question.answer.is === 'teeth' ? counts.value.join(' ') : text.value
})
const isDone = computed(() => told?.is === 'right' || isShown.value)
watch(
  () => told?.is,
  is => {
    if (is === 'right') isShown.value = true
  },
)
const hint = computed(() => {
  const { answer } = question
  if (answer.is !== 'number') return answer.is === 'formula' ? 'such as CuSO4.5H2O' : ''
  if (answer.within !== undefined) return answer.unit === '' ? 'a number' : `with its unit, in ${answer.unit}`
  const digits = `${answer.digits} digit${answer.digits === 1 ? '' : 's'}`
  return answer.unit === '' ? `a number, to ${digits}` : `with its unit, in ${answer.unit}, to ${digits}`
})
function fromPicture(value: number): void {
  const { answer } = question
  if (answer.is !== 'number' || told?.is === 'right') return
  read.value = value
  text.value = `${value.toPrecision(3)}${answer.unit === '' ? '' : ` ${answer.unit}`}`
}
/** Without an answer first, it counts as one that was not known. */
function show(): void {
  isShown.value = true
  if (!told || told.is === 'unread') emit('check', '?')
}
/** Enter checks; where it is right already, it goes on. */
function enter(): void {
  if (isDone.value) emit('next')
  else emit('check', typed.value)
}
</script>

<template>
  <form class="rounded-xl border border-rule bg-sheet p-6" @submit.prevent="enter">
    <p class="small flex flex-wrap gap-x-3">
      <span>{{ name }}</span><span>step {{ question.level }} of 3: {{ step }}</span>
      <span class="figure ml-auto">No. {{ question.seed }}</span>
    </p>
    <p v-if="after" class="mt-2 text-amber">Asked again in another dress, after: {{ after.toLowerCase() }}.</p>
    <h2 ref="head" tabindex="-1" class="mt-2 text-[21px] font-normal leading-snug text-ink outline-none">
      <RichText :text="question.ask" />
    </h2>
    <ul v-if="question.facts.length > 0" class="mt-2 grid gap-1 border-l-2 border-rule pl-3 text-[16px]">
      <li v-for="fact in question.facts" :key="fact"><RichText :text="fact" /></li>
    </ul>
    <LazyCurvePicture v-if="question.picture" class="mt-3" :picture="question.picture" :at="read" @read="fromPicture" />
    <div class="mt-4">
      <ChoiceAnswer
        v-if="question.answer.is === 'choice'"
        v-model="chosen"
        :options="question.answer.options"
        :several="question.answer.several"
        :is-off="isDone"
      />
      <TeethAnswer
        v-else-if="question.answer.is === 'teeth'"
        v-model="counts"
        :species="question.answer.species"
        :is-off="isDone"
      />
      <div v-else class="max-w-[460px]">
        <label class="label" :for="id">Your answer</label>
        <input
          :id="id"
          ref="field"
          v-model="text"
          class="field figure text-[20px]"
          autocomplete="off"
          autocapitalize="off"
          spellcheck="false"
          :readonly="isDone"
          :aria-describedby="`${id}-hint`"
        />
        <p :id="`${id}-hint`" class="small mt-1 min-h-5">
          <TypedFormula v-if="question.answer.is === 'formula' && text !== ''" :text="text" /><template v-else>{{
            hint
          }}</template>
        </p>
      </div>
    </div>
    <div class="mt-4 flex flex-wrap items-center gap-3">
      <button v-if="!isDone" type="submit" class="button">Check</button>
      <button v-else type="submit" class="button">Next</button>
      <button
        v-if="!isDone && told && told.is !== 'unread'"
        type="button"
        class="button button-quiet"
        @click="emit('next')"
      >
        Another one
      </button>
      <button v-if="!isShown" type="button" class="min-h-9 text-verdigris underline" @click="show">
        {{ told ? 'Show the working' : 'I do not know: show the working' }}
      </button>
      <span class="small max-sm:hidden"><kbd>Enter</kbd> {{ isDone ? 'goes on' : 'checks' }}</span>
    </div>
    <div class="mt-4"><VerdictPanel :told="told" :question="question" :is-shown="isShown" /></div>
  </form>
</template>
