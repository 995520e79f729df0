<script setup lang="ts">
import type { CurvePoints } from '#core/assay'
import { useCurveFile } from '~/composables/useCurveFile'

/** Takes a file of two columns, or a JCAMP-DX spectrum, by choosing or dropping it. */
const { has } = defineProps<{ has: boolean }>()
const emit = defineEmits<{ read: [curve: CurvePoints] }>()
const { problem, isReading, read } = useCurveFile(curve => emit('read', curve))
const isOver = ref(false)
const first = (files: FileList | null | undefined): File | undefined => files?.[0]
function choose(event: Event): void {
  const input = event.target as HTMLInputElement
  void read(first(input.files))
  input.value = ''
}
function drop(event: DragEvent): void {
  isOver.value = false
  void read(first(event.dataTransfer?.files))
}
</script>

<template>
  <div
    class="mt-3 rounded-lg border border-dashed px-3 py-2"
    :class="isOver ? 'border-verdigris bg-verdigris-soft' : 'border-edge'"
    @dragover.prevent="isOver = true"
    @dragleave="isOver = false"
    @drop.prevent="drop"
  >
    <label class="flex flex-wrap items-center gap-3 text-[14px]"
      ><span>{{ has ? 'Another file instead' : 'A file of two columns (CSV), or JCAMP-DX' }}</span
      ><input type="file" accept=".csv,.txt,.tsv,.dx,.jdx,.jcamp,text/*" class="text-[14px]" @change="choose"
    /></label>
    <p v-if="isReading" class="small mt-1" role="status">Reading the file.</p>
    <p v-if="problem" class="mt-1 text-[14px] text-red" role="alert">{{ problem.why }} {{ problem.fix }}</p>
  </div>
</template>
