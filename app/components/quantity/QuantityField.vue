<script setup lang="ts">
import type { Span } from '#core/problem'

/** A measured value as it is typed, with its problem at the place where it was typed. Enter keeps it and moves down. */
const text = defineModel<string>({ required: true })
const {
  label,
  problem,
  placeholder = '',
  hidden = false,
  wide = false,
  inline = false,
} = defineProps<{
  label: string
  problem?: { span?: Span | undefined; why: string; fix: string } | undefined
  placeholder?: string
  hidden?: boolean
  wide?: boolean
  /** Its problem stands under it and takes room, where a panel over its neighbours would be cut off. */
  inline?: boolean
}>()
const emit = defineEmits<{ enter: [] }>()
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
      v-model="text"
      class="field figure"
      :class="wide ? 'text-left' : 'text-right'"
      autocomplete="off"
      spellcheck="false"
      :placeholder="placeholder"
      :aria-invalid="!!problem"
      :aria-describedby="problem ? `${id}-problem` : undefined"
      @keydown.enter.prevent="emit('enter')"
      @keydown.esc="field?.blur()"
    />
    <p
      v-if="problem"
      :id="`${id}-problem`"
      role="status"
      class="z-20 mt-1 rounded-md border border-red-edge bg-white p-2 text-left shadow-md"
      :class="wide || inline ? 'relative' : 'absolute right-0 w-64'"
    >
      <ProblemText :text="text" :span="problem.span" :why="problem.why" :fix="problem.fix" />
    </p>
  </div>
</template>
