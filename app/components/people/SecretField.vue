<script setup lang="ts">
import { Eye, EyeOff } from '@lucide/vue'

/** A field for something that nobody should read over a shoulder, and that its owner may look at. */
const { label, problem, hint, autocomplete } = defineProps<{
  label: string
  problem?: string | undefined
  hint?: string | undefined
  autocomplete: string
}>()
const text = defineModel<string>({ required: true })
const isShown = ref(false)
const id = useId()
</script>

<template>
  <div>
    <label :for="id" class="label">{{ label }}</label>
    <span class="relative block">
      <input
        :id="id"
        v-model="text"
        :type="isShown ? 'text' : 'password'"
        class="field pr-12"
        :autocomplete="autocomplete"
        :aria-invalid="problem ? 'true' : undefined"
        :aria-describedby="problem || hint ? `${id}-said` : undefined"
        autocapitalize="none"
        spellcheck="false"
      />
      <button
        type="button"
        class="absolute inset-y-0 right-0 grid w-11 place-items-center"
        :aria-label="isShown ? 'Hide it' : 'Show it'"
        :aria-pressed="isShown"
        @click="isShown = !isShown"
      >
        <component :is="isShown ? EyeOff : Eye" :size="18" aria-hidden="true" />
      </button>
    </span>
    <p v-if="problem" :id="`${id}-said`" class="mt-1 text-[13.5px] text-red" role="alert">{{ problem }}</p>
    <p v-else-if="hint" :id="`${id}-said`" class="small mt-1">{{ hint }}</p>
  </div>
</template>
