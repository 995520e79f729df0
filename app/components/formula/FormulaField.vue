<script setup lang="ts">
import { explainFormula, parseFormula } from '#core/formula'
import { findByName, nameOf } from '#core/species'
import type { Span } from '#core/problem'

/** A formula as it is typed: read and typeset with every key, or its problem under the characters that cause it. */
const text = defineModel<string>({ required: true })
const {
  label,
  hint = '',
  outside,
} = defineProps<{ label: string; hint?: string; outside?: { why: string; fix: string } | undefined }>()

const id = useId()
const touched = ref(false)
const read = computed(() => parseFormula(text.value))
/** A name typed in place of a formula: what it means. It stands as that once the field is left. */
const meant = computed(() => (read.value.ok ? undefined : findByName(text.value)?.formula.text))
function leave(): void {
  touched.value = text.value !== ''
  if (meant.value) text.value = meant.value
}
const name = computed(() => (read.value.ok ? nameOf(read.value.value) : undefined))
const problem = computed((): { span?: Span; why: string; fix: string } | undefined => {
  if (text.value === '' && !touched.value) return undefined
  return read.value.ok ? outside : { ...read.value.problem, ...explainFormula(read.value.problem) }
})
</script>

<template>
  <div>
    <label class="label" :for="id">{{ label }}</label>
    <input
      :id="id"
      v-model="text"
      class="field figure"
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      :aria-invalid="!!problem"
      :aria-describedby="`${id}-note`"
      @blur="leave"
      @keydown.enter="leave"
    />
    <p :id="`${id}-note`" class="mt-1 min-h-[42px] text-[15px]" role="status">
      <template v-if="meant">“{{ text }}” is <FormulaText :text="meant" class="text-[17px]" />.</template>
      <ProblemText v-else-if="problem" :text="text" :span="problem.span" :why="problem.why" :fix="problem.fix" />
      <template v-else-if="read.ok"
        ><FormulaText :text="read.value.text" class="text-[17px]" /><span v-if="name" class="small ml-2">{{
          name
        }}</span></template
      >
      <span v-else class="small">{{ hint }}</span>
    </p>
  </div>
</template>
