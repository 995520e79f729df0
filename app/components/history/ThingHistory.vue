<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { changesBetween } from '#core/document'
import { send, useAsked } from '~/composables/useAsked'
import { useLabStore } from '~/stores/lab'
import { dayClockText } from '~/utils/dates'

interface Saved {
  readonly number: number
  readonly by?: string
  readonly at: string
  /** Null where it was taken away. */
  readonly body: unknown
}
/** A worksheet, an own row or a template as it was saved, each with what changed since the one before, and back to one of them. */
const { kind, subject, title } = defineProps<{
  kind: 'assay' | 'own-row' | 'template'
  subject: string
  title: string
}>()
const emit = defineEmits<{ close: []; back: [body: unknown] }>()
const lab = useLabStore()
const { failure, ask } = useAsked()
const all = ref<readonly Saved[]>()
const shown = ref(0)
onMounted(() =>
  ask(async () => {
    const query = new URLSearchParams({ kind, subject })
    all.value = await send<Saved[]>(`/api/revisions?${query}`)
    shown.value = all.value[0]?.number ?? 0
  }),
)
const one = computed(() => all.value?.find(({ number }) => number === shown.value))
const before = computed(() => all.value?.find(({ number }) => number === shown.value - 1))
const changes = computed(() => (one.value ? changesBetween(before.value?.body ?? {}, one.value.body ?? {}) : []))
function bringBack(): void {
  emit('back', one.value?.body)
  emit('close')
}
</script>

<template>
  <Dialog :open="true" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-3 sm:pt-12">
      <DialogPanel class="w-[860px] max-w-full rounded-xl bg-sheet p-5 shadow-xl">
        <DialogTitle class="text-[19px] font-semibold">{{ title }}, as it was saved</DialogTitle>
        <p v-if="failure" class="mt-2 rounded-lg bg-amber-soft p-3 text-amber" role="alert">{{ failure }}</p>
        <p v-if="!all && !failure" class="mt-3 text-soft" aria-busy="true">Reading what was saved.</p>
        <p v-if="all?.length === 0" class="mt-3 text-soft">Nothing was saved of it yet.</p>
        <div v-if="all && all.length > 0" class="mt-3 grid gap-6 md:grid-cols-[minmax(0,280px)_minmax(0,1fr)]">
          <ol class="max-h-[440px] overflow-y-auto" aria-label="Saved">
            <li v-for="saved in all" :key="saved.number" class="border-b border-rule">
              <button
                type="button"
                class="w-full rounded px-2 py-1.5 text-left text-[14px]"
                :class="{ 'bg-verdigris-soft': saved.number === shown }"
                :aria-pressed="saved.number === shown"
                @click="shown = saved.number"
              >
                <b class="figure">{{ saved.number }}</b> {{ dayClockText(Date.parse(saved.at)) }},
                {{ saved.by ? lab.nameOf(saved.by) : 'before revisions were kept' }}
                <span v-if="saved.body === null" class="tag">taken away</span>
              </button>
            </li>
          </ol>
          <div class="min-w-0">
            <h2>{{ before ? `From ${before.number} to ${shown}` : `What ${shown} said first` }}</h2>
            <ChangeTable class="mt-2" :changes="changes" />
          </div>
        </div>
        <div class="mt-4 flex flex-wrap gap-3">
          <button type="button" class="button button-quiet" @click="emit('close')">Close</button>
          <button v-if="one && one.body !== null && one !== all?.[0]" type="button" class="button" @click="bringBack">
            Bring {{ shown }} back
          </button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
