<script setup lang="ts">
/** A field of one line, with what is wrong in it under it. */
const {
  label,
  problem,
  hint,
  autocomplete = 'off',
  mode,
} = defineProps<{
  label: string
  problem?: string | undefined
  hint?: string | undefined
  autocomplete?: string
  mode?: 'text' | 'numeric' | 'email'
}>()
const text = defineModel<string>({ required: true })
const id = useId()
const field = useTemplateRef('field')
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <div>
    <label :for="id" class="label">{{ label }}</label>
    <input
      :id="id"
      ref="field"
      v-model="text"
      class="field"
      :autocomplete="autocomplete"
      :inputmode="mode ?? 'text'"
      :aria-invalid="problem ? 'true' : undefined"
      :aria-describedby="problem || hint ? `${id}-said` : undefined"
      autocapitalize="none"
      spellcheck="false"
    />
    <p v-if="problem" :id="`${id}-said`" class="mt-1 text-[13.5px] text-red" role="alert">{{ problem }}</p>
    <p v-else-if="hint" :id="`${id}-said`" class="small mt-1">{{ hint }}</p>
  </div>
</template>
