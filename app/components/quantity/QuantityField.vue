<script setup lang="ts">
import { completed, partsOfMeasured, withComma, withPoint } from '#core/quantity'
import type { Span } from '#core/problem'
import { useNumbers } from '~/composables/useNumbers'

/** A measured value as it is typed, with its problem at the place where it was typed. Enter keeps it and moves down. */
const text = defineModel<string>({ required: true })
const {
  label,
  problem,
  placeholder = '',
  hidden = false,
  wide = false,
  inline = false,
  unit,
} = defineProps<{
  label: string
  problem?: { span?: Span | undefined; why: string; fix: string } | undefined
  placeholder?: string
  hidden?: boolean
  wide?: boolean
  /** Its problem stands under it and takes room, where a panel over its neighbours would be cut off. */
  inline?: boolean
  /** The unit the field prints: a bare number takes it. */
  unit?: string | undefined
}>()
const emit = defineEmits<{ enter: [] }>()

const { isComma } = useNumbers()
/** What is kept has a point; where commas were chosen it is shown with one. */
const shown = (kept: string): string => (isComma.value && partsOfMeasured(kept) ? withComma(kept) : kept)
const kept = (written: string): string => completed(withPoint(written, isComma.value), unit)
/** As it is typed; a bare number keeps standing bare while it is, and says its unit once the field is left. */
const typed = ref(shown(text.value))
watch(text, now => {
  if (now !== kept(typed.value)) typed.value = shown(now)
})
watch(isComma, () => (typed.value = shown(text.value)))
function type(event: Event): void {
  typed.value = (event.target as HTMLInputElement).value
  text.value = kept(typed.value)
}

/** A field that is entered is replaced by what is typed; a second press sets the cursor. */
let isFresh = false
function whole(): void {
  field.value?.select()
  isFresh = true
}
function keepWhole(event: MouseEvent): void {
  if (isFresh && field.value?.selectionStart !== field.value?.selectionEnd) event.preventDefault()
  isFresh = false
}

const id = useId()
const field = useTemplateRef('field')
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <div class="relative">
    <label class="label" :class="{ 'sr-only': hidden }" :for="id"><RichText :text="label" /></label>
    <input
      :id="id"
      ref="field"
      :value="typed"
      class="field figure"
      :class="wide ? 'text-left' : 'text-right'"
      autocomplete="off"
      spellcheck="false"
      :placeholder="shown(placeholder)"
      :aria-invalid="!!problem"
      :aria-describedby="problem ? `${id}-problem` : undefined"
      @input="type"
      @focus="whole"
      @mouseup="keepWhole"
      @blur="typed = shown(text)"
      @keydown.enter.prevent="emit('enter')"
      @keydown.esc="field?.blur()"
    />
    <p
      v-if="problem"
      :id="`${id}-problem`"
      role="status"
      class="z-20 mt-1 rounded-md border border-red-edge bg-card p-2 text-left shadow-md"
      :class="wide || inline ? 'relative' : 'absolute right-0 w-64'"
    >
      <ProblemText :text="text" :span="problem.span" :why="problem.why" :fix="problem.fix" />
    </p>
  </div>
</template>
