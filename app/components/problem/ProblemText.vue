<script setup lang="ts">
import type { Span } from '#core/problem'

/** What was typed with the characters at fault marked, and what would mend it. */
const { text, span, why, fix } = defineProps<{ text?: string; span?: Span | undefined; why: string; fix: string }>()

const WIDEST = 48
const window = computed(() => {
  if (text === undefined || !span) return undefined
  const from = Math.max(0, span[0] - WIDEST / 2)
  const to = Math.min(text.length, Math.max(span[1], span[0] + 1) + WIDEST / 2)
  return {
    before: (from > 0 ? '…' : '') + text.slice(from, span[0]),
    at: text.slice(span[0], Math.min(to, span[1])) || '␣',
    after: text.slice(Math.min(to, span[1]), to) + (to < text.length ? '…' : ''),
  }
})
</script>

<template>
  <span class="block text-[13.5px] leading-snug text-red">
    <span v-if="window" class="figure block break-all text-ink"
      >{{ window.before
      }}<mark class="bg-transparent text-red underline decoration-wavy decoration-red-edge underline-offset-4">{{
        window.at
      }}</mark
      >{{ window.after }}</span
    >
    <RichText :text="why" /> <span class="text-ink"><RichText :text="fix" /></span>
  </span>
</template>
