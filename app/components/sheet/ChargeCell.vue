<script setup lang="ts">
import { Pin } from '@lucide/vue'
import type { Span } from '#core/problem'

/** What to put on the balance or in the cylinder: typed where it is held, worked out where it follows. */
const { species, typed, follows, held, canRelease, unit, problem } = defineProps<{
  species: string
  /** The text of a held charge. */
  typed: string
  /** What it comes to where it follows the others. */
  follows: string
  held: boolean
  canRelease: boolean
  /** The one unit it can be typed in without saying so; undefined where a mass and a volume would do. */
  unit: string | undefined
  problem?: { span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{ type: [text: string]; toggle: []; enter: [] }>()

const isEditing = ref(false)
const draft = ref('')
/** Plain spaces, so that nothing in the field changes when it is entered. */
const shown = computed(() => (isEditing.value ? draft.value : held ? typed : follows.replaceAll('\u202f', ' ')))

function begin(): void {
  draft.value = shown.value
  isEditing.value = true
}
function type(text: string): void {
  draft.value = text
  emit('type', text)
}
</script>

<template>
  <div class="flex items-center justify-end gap-1">
    <button
      type="button"
      class="grid size-7 shrink-0 place-items-center rounded border"
      :class="
        held ? 'border-verdigris bg-verdigris text-on' : 'border-transparent text-soft hover:border-edge hover:bg-card'
      "
      :aria-pressed="held"
      :disabled="held && !canRelease"
      :aria-label="
        held ? `${species} sets the scale${canRelease ? ': let it follow' : ''}` : `Let ${species} set the scale`
      "
      :title="
        held
          ? canRelease
            ? 'Sets the scale. Press to let it follow.'
            : 'Sets the scale. Pin another first.'
          : 'Follows. Press to hold this charge.'
      "
      @click="emit('toggle')"
    >
      <Pin :size="14" aria-hidden="true" />
    </button>
    <QuantityField
      :model-value="shown"
      hidden
      :label="`Charge of ${species}`"
      :problem="problem"
      class="measure w-[104px] text-[16px] font-semibold"
      :class="{ follows: !held, 'sets-scale': held }"
      :unit="unit"
      :placeholder="unit ?? 'g or mL'"
      @focusin="begin"
      @focusout="isEditing = false"
      @update:model-value="type"
      @enter="emit('enter')"
    />
  </div>
</template>

<style scoped>
.sets-scale :deep(input:not([aria-invalid='true'])) {
  background: var(--color-verdigris-soft);
  border-color: var(--color-verdigris);
}
.follows :deep(input:not(:focus)) {
  border-style: dashed;
  background: transparent;
  font-weight: 500;
}
</style>
