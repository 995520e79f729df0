<script setup lang="ts">
import type { Attempt } from '~/composables/useAttempt'

/** What of a page could not be worked out, each with a way to try again; nothing where all of it was. */
const { of } = defineProps<{ of: readonly Attempt<unknown>[] }>()
const failed = computed(() => of.filter(one => one.failed.value !== undefined))
</script>

<template>
  <PartFailed
    v-for="one in failed"
    :key="one.name"
    :name="one.name"
    :why="one.failed.value ?? ''"
    @retry="one.retry()"
  />
</template>
