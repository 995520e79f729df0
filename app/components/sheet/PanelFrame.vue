<script setup lang="ts">
import { X } from '@lucide/vue'
import { usePanelFocus } from '~/composables/usePanelFocus'

/** A panel that opens under the sheet's table. */
const { name } = defineProps<{ name: string }>()
const emit = defineEmits<{ close: [] }>()
const panel = useTemplateRef<HTMLElement>('panel')
usePanelFocus(panel)
onMounted(() => panel.value?.scrollIntoView({ block: 'nearest' }))
</script>

<template>
  <section
    ref="panel"
    class="mt-4 rounded-lg border border-rule bg-paper px-3.5 py-3"
    :aria-label="name"
    @keydown.esc.stop="emit('close')"
  >
    <div class="mb-2 flex items-start justify-between">
      <h2 class="text-[15px] font-semibold text-ink">
        <slot name="title">{{ name }}</slot>
      </h2>
      <button
        type="button"
        class="grid size-6 place-items-center rounded hover:bg-rule"
        :aria-label="`Close ${name}`"
        @click="emit('close')"
      >
        <X :size="16" />
      </button>
    </div>
    <slot />
  </section>
</template>
