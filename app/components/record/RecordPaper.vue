<script setup lang="ts">
import { dayText, remarksBy, type Act, type RecordPage, type Section } from '#core/record'
import { reader } from '~/utils/reader'

/** The record as a page that is read: its sections one below the other, days between them, the seal at its foot. */
const { page, acts, mayRemark } = defineProps<{ page: RecordPage; acts: readonly Act[]; mayRemark: boolean }>()
const emit = defineEmits<{ remark: [place: string] }>()
const byPlace = computed(() => remarksBy(acts))
const span = computed(() => {
  const { begun, ended } = page
  if (begun === undefined || ended === undefined) return 'nothing recorded yet'
  const [from, to] = [dayText(begun, reader()), dayText(ended, reader())]
  return from === to ? from : `${from} to ${to}`
})
/** Sections with the day of each timed block, where it is another than that of the one before; once, since a long record has hundreds of them. */
const sections = computed(() => page.sections.map(section => ({ ...section, days: daysOf(section) })))
function daysOf({ blocks }: Section): (string | undefined)[] {
  let last = ''
  return blocks.map(block => {
    if (block.is !== 'words' || block.at === undefined) return undefined
    const day = dayText(block.at, reader())
    if (day === last) return undefined
    last = day
    return day
  })
}
</script>

<template>
  <article class="paper" :aria-label="`Record of ${page.code}`">
    <h1 class="text-[23px]">{{ page.code }} · <RichText :text="page.title" /></h1>
    <p class="small mb-3">
      {{ [page.lab, page.by.join(', '), span, `times in ${reader().zone}`].filter(Boolean).join(' · ') }}
    </p>
    <section v-for="section in sections" :key="section.id" class="part" :aria-label="section.title">
      <h2 class="mb-1 mt-4 text-[16px] text-ink">{{ section.title }}</h2>
      <template v-for="(block, i) in section.blocks" :key="block.id">
        <p v-if="section.days[i]" class="mt-2 text-[13px] font-semibold">{{ section.days[i] }}</p>
        <RecordBlock
          :block="block"
          :code="page.code"
          :remarks="byPlace.get(block.id) ?? []"
          :may-remark="mayRemark"
          @remark="emit('remark', $event)"
        />
      </template>
    </section>
    <slot />
  </article>
</template>

<style scoped>
.paper {
  max-width: 800px;
  margin: 18px auto;
  padding: 34px 46px 28px;
  background: var(--color-sheet);
  border: 1px solid var(--color-rule);
  overflow-wrap: anywhere;
}
/* What lies far below is laid out when it is come to. */
.part {
  content-visibility: auto;
  contain-intrinsic-size: auto 300px;
}
@media (max-width: 900px) {
  .paper {
    margin: 0;
    padding: 16px 18px;
    border: 0;
  }
}
@media print {
  .paper {
    margin: 0;
    padding: 0;
    border: 0;
    max-width: none;
  }
  .part {
    content-visibility: visible;
  }
}
</style>
