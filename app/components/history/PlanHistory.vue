<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import type { BatchDocument } from '#core/document'
import { entriesUnder, type SavedPlan } from '#core/journal'
import { send, useAsked } from '~/composables/useAsked'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import { useLabStore } from '~/stores/lab'
import { dayClockText } from '~/utils/dates'

interface Saved extends SavedPlan {
  readonly by?: string
}
interface Shown {
  readonly number: number
  readonly document: BatchDocument
  readonly changes: readonly { path: readonly string[]; before?: string; after?: string }[]
}
/** Every saved plan of the batch: by whom and when, what changed between any two, and back to one of them. */
const emit = defineEmits<{ close: [] }>()
const batch = useBatchStore()
const journal = useJournalStore()
const lab = useLabStore()
const { failure, ask } = useAsked()
const all = ref<readonly Saved[]>()
const shown = ref<Shown>()
const to = ref(0)
const from = ref(0)
/** Saves of one person in a row, each within so many ms of the next, are one sitting. */
const SITTING = 600_000
const isEach = ref(false)
const PAGE = 200
const hasMore = ref(true)
const path = `/api/batches/${encodeURIComponent(batch.code)}/revisions`

const load = (): Promise<boolean> =>
  ask(async () => {
    const before = all.value?.at(-1)?.number
    const next = await send<Saved[]>(`${path}${before ? `?before=${before}` : ''}`)
    hasMore.value = next.length === PAGE
    all.value = [...(all.value ?? []), ...next]
  })
onMounted(async () => {
  await load()
  const [last, before] = lines.value
  if (last) to.value = last.number
  from.value = before?.number ?? last?.number ?? 0
})
const lines = computed(() =>
  (all.value ?? []).filter((one, i, list) => {
    const next = list[i - 1]
    return isEach.value || !next || next.by !== one.by || Date.parse(next.at) - Date.parse(one.at) > SITTING
  }),
)
const under = computed(() => entriesUnder(all.value ?? [], journal.lines.length === 0 ? 0 : journal.entries.length))
watch([from, to], async ([earlier, later]) => {
  if (!earlier || !later) return
  await ask(async () => {
    const answer = await send<Shown>(`${path}/${later}?from=${earlier}`)
    if (answer.number === to.value) shown.value = answer
  })
})
const nameOf = ({ by }: Saved): string => (by ? lab.nameOf(by) : 'before revisions were kept')
function bringBack(): void {
  if (!shown.value) return
  batch.bringBack(shown.value.document, shown.value.number)
  emit('close')
}
</script>

<template>
  <Dialog :open="true" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-3 sm:pt-12">
      <DialogPanel class="w-[980px] max-w-full rounded-xl bg-sheet p-5 shadow-xl">
        <DialogTitle class="text-[19px] font-semibold">The plan of {{ batch.code }}, as it was saved</DialogTitle>
        <p v-if="failure" class="mt-2 rounded-lg bg-amber-soft p-3 text-amber" role="alert">{{ failure }}</p>
        <p v-if="!all && !failure" class="mt-3 text-soft" aria-busy="true">Reading what was saved.</p>
        <div v-if="all" class="mt-3 grid gap-6 md:grid-cols-[minmax(0,360px)_minmax(0,1fr)]">
          <div>
            <label class="flex min-h-6 items-center gap-2 text-[14px]"
              ><input v-model="isEach" type="checkbox" class="size-5 accent-verdigris" />Every single save</label
            >
            <div class="mt-2 max-h-[440px] overflow-y-auto" tabindex="0" role="region" aria-label="Saved plans">
              <table class="w-full border-collapse text-[14px]">
                <thead>
                  <tr class="border-b-2 border-ink text-left text-soft">
                    <th class="font-normal">From</th>
                    <th class="font-normal">To</th>
                    <th class="font-normal">Saved</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="one in lines" :key="one.number" class="border-b border-rule">
                    <td class="w-12">
                      <label class="grid size-9 place-items-center"
                        ><input
                          v-model="from"
                          type="radio"
                          name="from"
                          :value="one.number"
                          class="size-5 accent-verdigris"
                        /><span class="sr-only">from {{ one.number }}</span></label
                      >
                    </td>
                    <td class="w-12">
                      <label class="grid size-9 place-items-center"
                        ><input
                          v-model="to"
                          type="radio"
                          name="to"
                          :value="one.number"
                          class="size-5 accent-verdigris"
                        /><span class="sr-only">to {{ one.number }}</span></label
                      >
                    </td>
                    <td class="py-1">
                      <b class="figure">{{ one.number }}</b> {{ dayClockText(Date.parse(one.at)) }}, {{ nameOf(one) }}
                      <span v-if="under.get(one.number)" class="small block"
                        >entries {{ under.get(one.number)!.from }} to {{ under.get(one.number)!.to }} came under
                        it</span
                      >
                    </td>
                  </tr>
                </tbody>
              </table>
              <button v-if="hasMore" type="button" class="button button-quiet mt-2" @click="load">Further back</button>
            </div>
          </div>
          <div class="min-w-0">
            <template v-if="shown">
              <h2>
                From {{ from }} to {{ to }}:
                {{ shown.changes.length === 1 ? '1 change' : `${shown.changes.length} changes` }}
              </h2>
              <ChangeTable class="mt-2" :changes="shown.changes" />
            </template>
          </div>
        </div>
        <div class="mt-4 flex flex-wrap gap-3">
          <button type="button" class="button button-quiet" @click="emit('close')">Close</button>
          <button
            v-if="shown?.number === to && to !== all?.[0]?.number"
            type="button"
            class="button"
            @click="bringBack"
          >
            Bring {{ to }} back
          </button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
