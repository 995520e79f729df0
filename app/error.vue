<script setup lang="ts">
import type { NuxtError } from '#app'

/** An address that leads nowhere, or a page that failed as a whole: what happened, and the way back. What was typed and recorded is kept on the device. */
const { error } = defineProps<{ error: NuxtError }>()
const isNowhere = computed(() => error.statusCode === 404)
useHead({ title: () => `${isNowhere.value ? 'No such page' : 'It failed'} · Zip Ledger` })
</script>

<template>
  <main class="mx-auto w-full max-w-[640px] px-5 py-16">
    <h1>{{ isNowhere ? 'There is no page at this address' : 'This page could not be shown' }}</h1>
    <p class="mt-2 text-[16px]">
      {{
        isNowhere
          ? 'Look for a misspelt word in it, or begin at the bench.'
          : 'Load it again. What you typed and recorded is kept on this device and on the server.'
      }}
    </p>
    <p class="mt-5 flex flex-wrap gap-2">
      <a href="/" class="button glove">To the bench</a>
      <a href="/batches" class="button button-quiet glove">All batches</a>
    </p>
  </main>
</template>
