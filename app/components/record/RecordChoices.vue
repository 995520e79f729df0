<script setup lang="ts">
import { alwaysIn, partsIn, recordParts, type RecordNotes, type RecordPart } from '#core/document'

/** What goes into the record: short or long, and which parts. */
const { notes } = defineProps<{ notes: RecordNotes }>()
const emit = defineEmits<{ change: [make: (notes: RecordNotes) => RecordNotes, key: string] }>()
const form = computed(() => notes.form ?? 'short')
const choosable = computed(() => partsIn({ form: form.value }).filter(part => !alwaysIn.includes(part)))
const isIn = (part: RecordPart): boolean => !notes.without?.includes(part)
const choose = (to: 'short' | 'long'): void =>
  emit('change', ({ form: _, ...rest }) => (to === 'long' ? { ...rest, form: to } : rest), 'form')
const put = (part: RecordPart, isWanted: boolean): void =>
  emit(
    'change',
    ({ without = [], ...rest }) => {
      const left = without.filter(one => one !== part)
      const all = isWanted ? left : [...left, part]
      return all.length > 0 ? { ...rest, without: all } : rest
    },
    `part ${part}`,
  )
</script>

<template>
  <section aria-label="What goes in">
    <h2 class="mb-1.5">What goes in</h2>
    <div class="mb-2 flex gap-1" role="group" aria-label="Form">
      <button
        v-for="[key, name] in [
          ['short', 'Short'],
          ['long', 'Long'],
        ] as const"
        :key="key"
        type="button"
        class="min-h-8 flex-1 rounded-md border px-3 text-[13.5px]"
        :class="form === key ? 'border-verdigris bg-verdigris-soft font-semibold' : 'border-edge bg-card'"
        :aria-pressed="form === key"
        @click="choose(key)"
      >
        {{ name }}
      </button>
    </div>
    <label v-for="part in choosable" :key="part" class="flex min-h-7 items-center gap-2 text-[13.5px]"
      ><input
        type="checkbox"
        class="size-5 accent-verdigris"
        :checked="isIn(part)"
        @change="put(part, ($event.target as HTMLInputElement).checked)"
      />{{ recordParts[part] }}</label
    >
  </section>
</template>
