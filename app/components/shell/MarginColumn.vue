<script setup lang="ts">
import type { MarginNote } from '#core/remarks'

/** What the software judged, beside what it concerns. */
const { notes } = defineProps<{ notes: readonly MarginNote[] }>()
const looks = {
  hazard: { edge: 'border-red-edge', tag: 'bg-red-soft text-red' },
  caution: { edge: 'border-amber-edge', tag: 'bg-amber-soft text-amber' },
  info: { edge: 'border-blue-edge', tag: 'bg-blue-soft text-blue' },
} as const
</script>

<template>
  <aside class="border-l border-rule px-4 py-[18px] text-[13.5px] leading-[1.42]" aria-label="Remarks">
    <h2 class="mb-2">Remarks</h2>
    <ul>
      <li v-for="(note, i) in notes" :key="i" class="mb-3 border-l-[3px] py-0.5 pl-2.5" :class="looks[note.tone].edge">
        <span class="tag mr-1" :class="looks[note.tone].tag">{{ note.tag }}</span> <RichText :text="note.text" />
      </li>
    </ul>
    <p v-if="notes.length === 0" class="small">Nothing to say yet.</p>
    <slot />
  </aside>
</template>
