<script setup lang="ts">
/** Recovery codes, shown this once. */
const { codes } = defineProps<{ codes: readonly string[] }>()
const emit = defineEmits<{ kept: [] }>()
</script>

<template>
  <section aria-label="Recovery codes">
    <p>
      <b>Recovery codes.</b> Each lets you in once without your second factor. They are shown this once: write them
      down, and keep them away from the device.
    </p>
    <ol class="figure mt-3 grid grid-cols-2 gap-x-6 gap-y-1 text-[16px]">
      <li v-for="code in codes" :key="code" class="select-all">{{ code }}</li>
    </ol>
    <button type="button" class="button glove mt-4" @click="emit('kept')">I have written them down</button>
  </section>
</template>
