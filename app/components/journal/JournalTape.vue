<script setup lang="ts">
import { nearClockText } from '~/utils/dates'
import { aboutWords, entryText, type Entry, type JournalLine } from '#core/journal'

/** The journal as a tape: what was read and seen, with what was corrected struck through. */
const { lines, waiting, nameOf, code } = defineProps<{
  lines: readonly JournalLine[]
  waiting: readonly Entry[]
  nameOf: (id: string) => string
  code: string
}>()
const emit = defineEmits<{ correct: [line: JournalLine] }>()

const newestFirst = computed(() => [...lines].reverse())
const clock = (at: string): string => nearClockText(Date.parse(at))
const isWaiting = (id: string): boolean => waiting.some(entry => entry.id === id)

const kinds = {
  observation: 'Seen',
  note: 'Note',
  step: 'Step',
  deviation: 'Not as planned',
  timer: 'Clock',
  test: 'Test',
  shift: 'Moved',
  photo: 'Photo',
} as const
function about(entry: JournalLine['entry']): string {
  if (entry.kind !== 'reading') return kinds[entry.kind]
  const what = aboutWords(entry.about)
  return `${entry.measure.charAt(0).toUpperCase()}${entry.measure.slice(1)} of ${what}`
}

/** What stood there before each correction, oldest first. */
function struck({ entry, corrections }: JournalLine): { text: string; why: string; by: string }[] {
  const first = entryText(entry)
  return corrections.map((correction, i) => ({
    text: i === 0 ? first : (corrections[i - 1]!.instead ?? 'struck out'),
    why: correction.why,
    by: correction.by,
  }))
}
</script>

<template>
  <section aria-label="Journal">
    <h2 class="mb-1.5">Journal</h2>
    <ol class="text-[14px]">
      <li v-for="line in newestFirst" :key="line.entry.id" class="border-b border-rule py-1.5">
        <div class="grid grid-cols-[74px_1fr_auto] items-start gap-2">
          <span class="figure text-[16px] leading-5 text-soft">{{ clock(line.entry.at) }}</span>
          <span class="min-w-0">
            <span class="text-soft"><RichText :text="about(line.entry)" /></span>
            <span v-for="(old, i) in struck(line)" :key="i" class="block"
              ><s class="figure text-soft">{{ old.text }}</s
              >&nbsp;<span class="small">{{ old.why }} ({{ nameOf(old.by) }})</span></span
            >
            <span class="block break-words" :class="{ 'figure font-semibold': line.entry.kind === 'reading' }"
              ><RichText :text="line.current ?? 'struck out'"
            /></span>
            <a
              v-if="line.entry.kind === 'photo' && line.current !== undefined"
              :href="`/api/batches/${code}/photos/${line.entry.photo}`"
              target="_blank"
              ><img
                :src="`/api/batches/${code}/photos/${line.entry.photo}`"
                :alt="line.entry.text"
                loading="lazy"
                class="my-1 max-h-32 rounded border border-rule"
            /></a>
            <span class="small"
              >{{ nameOf(line.entry.by)
              }}<template v-if="line.entry.kind === 'reading'"> · {{ line.entry.instrument ?? 'typed' }}</template
              ><b v-if="isWaiting(line.entry.id)" class="text-amber"> · not saved yet</b></span
            >
          </span>
          <button
            type="button"
            class="grid size-12 place-items-center rounded text-[12.5px] text-verdigris underline hover:bg-rule"
            :aria-label="`Correct ${about(line.entry).replace(/[{}]/g, '')}`"
            @click="emit('correct', line)"
          >
            Correct
          </button>
        </div>
      </li>
    </ol>
    <p v-if="lines.length === 0" class="small">
      Nothing recorded yet. Each reading and observation stays here with its time.
    </p>
  </section>
</template>
