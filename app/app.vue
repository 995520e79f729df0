<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { useLabStore } from '~/stores/lab'

const finding = ref(false)
const keysShown = ref(false)
const lab = useLabStore()
const away = ref(false)

async function load(): Promise<void> {
  try {
    await lab.load()
    away.value = false
  } catch {
    away.value = true
    setTimeout(load, 3000)
  }
}
onMounted(load)

const isTyping = (event: KeyboardEvent): boolean =>
  event.target instanceof HTMLElement && !!event.target.closest('input, textarea, select, [contenteditable]')
onKeyStroke('/', event => {
  if (isTyping(event)) return
  event.preventDefault()
  finding.value = true
})
onKeyStroke('?', event => {
  if (!isTyping(event)) keysShown.value = true
})
</script>

<template>
  <a href="#main" class="sr-only focus:not-sr-only">To the content</a>
  <TopBar @find="finding = true" @keys="keysShown = true" />
  <p v-if="away" class="bg-amber-soft px-5 py-2 text-amber" role="alert">
    <b>The database does not answer.</b> What you type is kept on this device and saved when it is back; trying again
    every 3 seconds.
  </p>
  <div id="main" class="flex min-h-0 flex-1 flex-col"><NuxtPage /></div>
  <FinderDialog v-model:open="finding" />
  <KeysDialog v-model:open="keysShown" />
</template>
