<script setup lang="ts">
/** Says that one part of a page could not be worked out, by our mistake, and offers to try again. */
const { name, why } = defineProps<{ name: string; why: string }>()
const emit = defineEmits<{ retry: [] }>()
</script>

<template>
  <p
    role="alert"
    class="mt-3 flex flex-wrap items-center gap-3 rounded-lg border border-amber-edge bg-amber-soft px-3 py-2 text-[14px] text-amber"
  >
    <span class="min-w-0 flex-1">
      <b>{{ name }} could not be worked out.</b> That is a mistake in this program, not in what you entered; the rest of
      the page works. <span class="small">({{ why.slice(0, 160) }})</span>
    </span>
    <button type="button" class="button button-quiet shrink-0" @click="emit('retry')">Try again</button>
  </p>
</template>
