<script setup lang="ts">
import type { RecordNotes } from '#core/document'
import { openIn, type RecordPage } from '#core/record'

/** What only the chemist can say of a batch: what it is for, why the plan was changed, what they think of the yield, how residues were treated. */
const { notes, stages, page } = defineProps<{
  notes: RecordNotes
  stages: readonly { readonly id: string; readonly name: string }[]
  page: RecordPage
}>()
const emit = defineEmits<{ change: [make: (notes: RecordNotes) => RecordNotes, key: string] }>()

/** Changes of the plan that the record tells, by their revision. */
const changes = computed(() =>
  page.sections.flatMap(({ blocks }) =>
    blocks.flatMap(block => (block.is === 'words' && block.revision !== undefined ? [String(block.revision)] : [])),
  ),
)
const isOpen = (section: string): boolean => openIn(page).some(one => one.section === section)
const whyOf = (id: string): string => notes.changes?.find(one => one.id === id)?.why ?? ''
const ofStage = (stage: string, key: 'conclusion' | 'treated'): string =>
  notes.stages?.find(one => one.stage === stage)?.[key] ?? ''

const sayPurpose = (text: string): void => {
  emit('change', ({ purpose: _, ...rest }) => (text.trim() ? { ...rest, purpose: text } : rest), 'purpose')
}
const sayWhy = (id: string, text: string): void =>
  emit(
    'change',
    ({ changes: before = [], ...rest }) => {
      const others = before.filter(one => one.id !== id)
      const all = text.trim() ? [...others, { id, why: text }] : others
      return all.length > 0 ? { ...rest, changes: all } : rest
    },
    `why ${id}`,
  )
const sayOf = (stage: string, key: 'conclusion' | 'treated', text: string): void =>
  emit(
    'change',
    ({ stages: before = [], ...rest }) => {
      const { [key]: _, ...mine } = before.find(one => one.stage === stage) ?? { stage }
      const next = text.trim() ? { ...mine, [key]: text } : mine
      const all = [...before.filter(one => one.stage !== stage), ...(Object.keys(next).length > 1 ? [next] : [])]
      return all.length > 0 ? { ...rest, stages: all } : rest
    },
    `${stage} ${key}`,
  )
</script>

<template>
  <section aria-label="In your words" class="text-[13.5px]">
    <h2 class="mb-1.5">In your words</h2>
    <label class="mb-2 block"
      ><span class="label">What it is for</span>
      <SaidText :rows="2" :most="2000" :value="notes.purpose ?? ''" @say="sayPurpose($event)" />
    </label>
    <label v-for="id in changes" :key="id" class="mb-2 block"
      ><span class="label">Why revision {{ id }} changed the plan</span>
      <SaidText :rows="2" :most="400" :value="whyOf(id)" @say="sayWhy(id, $event)" />
    </label>
    <template v-for="stage in stages" :key="stage.id">
      <label v-if="isOpen('result') || ofStage(stage.id, 'conclusion')" class="mb-2 block"
        ><span class="label"
          >What you think of the yield<template v-if="stages.length > 1"> of <RichText :text="stage.name" /></template
        ></span>
        <SaidText
          :rows="3"
          :most="4000"
          :value="ofStage(stage.id, 'conclusion')"
          @say="sayOf(stage.id, 'conclusion', $event)"
        />
      </label>
      <label v-if="isOpen('residues') || ofStage(stage.id, 'treated')" class="mb-2 block"
        ><span class="label"
          >How its residues were treated<template v-if="stages.length > 1">
            (<RichText :text="stage.name" />)</template
          ></span
        >
        <SaidText
          :rows="2"
          :most="4000"
          :value="ofStage(stage.id, 'treated')"
          @say="sayOf(stage.id, 'treated', $event)"
        />
      </label>
    </template>
  </section>
</template>
