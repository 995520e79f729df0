<script setup lang="ts">
/** A part of a page that stands alone: what fails in it is said in its place, and the rest of the page goes on. */
const { name } = defineProps<{ name: string }>()
</script>

<template>
  <NuxtErrorBoundary>
    <slot />
    <template #error="{ error, clearError }">
      <PartFailed :name="name" :why="String(error?.message ?? error)" @retry="clearError" />
    </template>
  </NuxtErrorBoundary>
</template>
