<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { explainQuantity } from '#core/quantity'
import { readReading, type JournalLine } from '#core/journal'

/** A correction is a new entry: the old value stays, struck through, with the reason beside it. */
const { line } = defineProps<{ line: JournalLine | undefined }>()
const emit = defineEmits<{ close: []; correct: [why: string, instead: string | undefined] }>()

const instead = ref('')
const why = ref('')
const asked = ref(false)
watch(
  () => line,
  now => {
    instead.value = now?.current ?? ''
    why.value = ''
    asked.value = false
  },
)

const problem = computed(() => {
  if (line?.entry.kind !== 'reading') return undefined
  const read = readReading(line.entry, instead.value)
  return read.ok ? undefined : { span: read.problem.span, ...explainQuantity(read.problem) }
})
const whyMissing = computed(() => asked.value && why.value.trim() === '')

function correct(strikeOut: boolean): void {
  asked.value = true
  if (why.value.trim() === '' || (!strikeOut && problem.value)) return
  emit('correct', why.value.trim(), strikeOut ? undefined : instead.value)
}
</script>

<template>
  <Dialog :open="!!line" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-14">
      <DialogPanel class="w-[460px] max-w-full rounded-xl bg-sheet p-5 shadow-xl">
        <DialogTitle class="text-[17px] font-semibold">Correct an entry</DialogTitle>
        <p class="mb-3 mt-1 text-soft">What was read first stays in the journal, struck through, with your reason.</p>
        <QuantityField
          v-if="line?.entry.kind === 'reading'"
          v-model="instead"
          wide
          label="It should read"
          :problem="problem"
          @enter="correct(false)"
        />
        <label v-else class="block"
          ><span class="label">It should say</span><textarea v-model="instead" class="field" rows="3" />
        </label>
        <label class="mt-3 block"
          ><span class="label">Why</span
          ><input
            v-model="why"
            class="field"
            placeholder="such as: digits swapped"
            :aria-invalid="whyMissing"
            @keydown.enter.prevent="correct(false)"
        /></label>
        <p v-if="whyMissing" class="mt-1 text-[13.5px] text-red" role="status">
          A correction says why. <span class="text-ink">Give the reason in a few words.</span>
        </p>
        <div class="mt-4 flex flex-wrap gap-2">
          <button type="button" class="button glove" @click="correct(false)">Record the correction</button>
          <button type="button" class="button button-quiet glove" @click="correct(true)">Strike it out</button>
          <button type="button" class="button button-quiet glove" @click="emit('close')">Cancel</button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
