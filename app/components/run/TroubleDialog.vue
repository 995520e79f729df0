<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { rescuesFor, type Rescue, type Step } from '#core/journal'

/** What went wrong at this step, the usual rescue, and the steps it puts in. */
const { step, open } = defineProps<{ step: Step | undefined; open: boolean }>()
const emit = defineEmits<{ close: []; record: [text: string, steps: readonly Omit<Step, 'id'>[]] }>()

const rescues = computed(() => (step ? rescuesFor(step.do) : []))
const chosen = ref<Rescue>()
const words = ref('')
watch(
  () => open,
  () => {
    chosen.value = undefined
    words.value = ''
  },
)
const needsWords = computed(() => chosen.value?.trouble === 'Something else' && words.value.trim() === '')
function record(withSteps: boolean): void {
  if (!chosen.value || needsWords.value) return
  const text = words.value.trim()
  const said =
    chosen.value.trouble === 'Something else' ? text : text ? `${chosen.value.trouble}: ${text}` : chosen.value.trouble
  emit('record', said, withSteps ? chosen.value.steps : [])
}
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-14">
      <DialogPanel class="w-[620px] max-w-full rounded-xl bg-sheet p-5 shadow-xl">
        <DialogTitle class="text-[19px] font-semibold">Something went wrong</DialogTitle>
        <p v-if="step" class="mt-0.5 text-soft">at: <RichText :text="step.words" /></p>
        <div class="mt-3 flex flex-wrap gap-2" role="group" aria-label="What happened">
          <button
            v-for="rescue in rescues"
            :key="rescue.trouble"
            type="button"
            class="button button-quiet glove px-4"
            :class="{ 'border-verdigris bg-verdigris-soft': rescue === chosen }"
            :aria-pressed="rescue === chosen"
            @click="chosen = rescue"
          >
            {{ rescue.trouble }}
          </button>
        </div>
        <template v-if="chosen">
          <p class="mt-3 text-[16px]">{{ chosen.advice }}</p>
          <ol v-if="chosen.steps.length > 0" class="mt-2 list-decimal pl-6 text-[14.5px]">
            <li v-for="(one, i) in chosen.steps" :key="i">
              {{ one.words }}<span v-if="one.until" class="text-soft">, until {{ one.until }}</span>
            </li>
          </ol>
          <label class="mt-3 block"
            ><span class="label">{{
              chosen.trouble === 'Something else' ? 'What happened' : 'More about it, if you like'
            }}</span>
            <textarea v-model="words" class="field" rows="2" maxlength="3000" />
          </label>
          <div class="mt-3 flex flex-wrap gap-2">
            <button
              v-if="chosen.steps.length > 0"
              type="button"
              class="button glove"
              :disabled="needsWords"
              @click="record(true)"
            >
              Record it and put these steps in
            </button>
            <button
              type="button"
              class="button glove"
              :class="{ 'button-quiet': chosen.steps.length > 0 }"
              :disabled="needsWords"
              @click="record(false)"
            >
              Only record it
            </button>
          </div>
        </template>
        <button type="button" class="button button-quiet glove mt-3" @click="emit('close')">Back to the step</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
