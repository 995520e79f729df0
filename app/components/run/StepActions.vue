<script setup lang="ts">
import { durationWords } from '#core/journal'
import { waitEach, type Press, type StepState } from '#core/procedure'

/** What can be done with the step at hand: one large key, and the ways out. */
const { state, press, resting } = defineProps<{ state: StepState; press: Press; resting: boolean }>()
const emit = defineEmits<{ primary: []; done: []; trouble: []; skip: [why: string]; again: []; add: [] }>()

const skipping = ref(false)
const why = ref('')
const asked = ref(false)
watch(
  () => state.step.id,
  () => {
    skipping.value = false
    why.value = ''
    asked.value = false
  },
)
const times = computed(() => state.step.repeat?.times ?? 1)
const isPortion = computed(() => state.step.does !== undefined && 'charge' in state.step.does)
const primary = computed(() => {
  const nth = `${state.times + 1} of ${times.value}`
  switch (press) {
    case 'next':
      return 'On to the next'
    case 'wait':
      return `${times.value > 1 ? `Begin ${nth}` : 'Begin'}, then wait ${durationWords(waitEach(state.step))}`
    default:
      if (times.value === 1) return 'Done, next step'
      return isPortion.value ? `Portion ${nth} is in` : `${nth} is done`
  }
})
function skip(): void {
  asked.value = true
  if (why.value.trim() !== '') emit('skip', why.value.trim())
}
</script>

<template>
  <div>
    <div class="flex flex-wrap gap-2">
      <button
        type="button"
        class="button glove min-h-[56px] px-6 text-[18px] max-sm:flex-1 max-sm:justify-center max-sm:px-3"
        data-testid="primary"
        :disabled="resting"
        @click="emit('primary')"
      >
        {{ primary }}
      </button>
      <button
        v-if="state.status !== 'done' && state.status !== 'skipped' && (times > 1 || press === 'wait')"
        type="button"
        class="button button-quiet glove min-h-[56px] px-4"
        @click="emit('done')"
      >
        Done already
      </button>
      <button type="button" class="button button-quiet glove min-h-[56px] px-4 max-sm:hidden" @click="emit('trouble')">
        Something went wrong
      </button>
    </div>
    <div
      class="mt-2 flex flex-wrap gap-2 text-[14px] max-sm:mt-1 max-sm:flex-nowrap max-sm:justify-between max-sm:gap-0"
    >
      <button
        v-if="state.status === 'open' || state.status === 'begun'"
        type="button"
        class="min-h-12 rounded px-3 text-verdigris underline hover:bg-paper max-sm:px-1.5"
        :aria-expanded="skipping"
        @click="skipping = !skipping"
      >
        Skip it
      </button>
      <button
        v-else
        type="button"
        class="min-h-12 rounded px-3 text-verdigris underline hover:bg-paper max-sm:px-1.5"
        @click="emit('again')"
      >
        Do it again
      </button>
      <button
        type="button"
        class="min-h-12 rounded px-3 text-verdigris underline hover:bg-paper max-sm:px-1.5"
        @click="emit('add')"
      >
        Add a step<span class="max-sm:hidden">&nbsp;here</span>
      </button>
      <button
        type="button"
        class="min-h-12 rounded px-3 font-semibold text-verdigris max-sm:px-1.5 underline sm:hidden"
        @click="emit('trouble')"
      >
        Something went wrong
      </button>
    </div>
    <form v-if="skipping" class="mt-1 flex flex-wrap items-start gap-2" @submit.prevent="skip">
      <span class="min-w-0 flex-1">
        <input
          v-model="why"
          class="field min-h-12"
          aria-label="Why it is skipped"
          placeholder="Why, such as: there was no residue"
          :aria-invalid="asked && why.trim() === ''"
          maxlength="400"
        />
        <span v-if="asked && why.trim() === ''" class="text-[13.5px] text-red" role="status"
          >A step that is skipped says why. <span class="text-ink">Give the reason in a few words.</span></span
        >
      </span>
      <button type="submit" class="button glove">Skip with this reason</button>
    </form>
  </div>
</template>
