<script setup lang="ts">
import { formatValue, shares, standardUncertainty, workingOf, type Figure } from '#core/quantity'
import { X } from '@lucide/vue'
import { usePanelFocus } from '~/composables/usePanelFocus'

/** The arithmetic of one figure, written out as on paper, and what its uncertainty is made of. */
const { figure, closes = false } = defineProps<{ figure: Figure; closes?: boolean }>()
const emit = defineEmits<{ close: [] }>()

const lines = computed(() => workingOf(figure))
const spread = computed(() => standardUncertainty(figure))
const sources = computed(() =>
  shares(figure)
    .slice(0, 3)
    .filter(share => (share.uncertainty / spread.value) ** 2 > 0.005)
    .map(
      share =>
        `${share.source.replace(/, reading \w+$/, '')} (${Math.round((share.uncertainty / spread.value) ** 2 * 100)} %)`,
    ),
)
const panel = useTemplateRef<HTMLElement>('panel')
if (closes) usePanelFocus(panel)
watch(
  () => [figure.name, closes],
  async () => {
    await nextTick()
    if (closes) panel.value?.scrollIntoView({ block: 'nearest' })
  },
  { immediate: true },
)
</script>

<template>
  <section
    ref="panel"
    class="mt-4 rounded-lg border border-rule bg-paper px-3.5 py-3"
    aria-label="Working"
    @keydown.esc.stop="emit('close')"
  >
    <div class="flex items-start justify-between">
      <h2 class="mb-1 text-[13px] text-ink font-semibold">Working: <RichText :text="figure.name" /></h2>
      <button
        v-if="closes"
        type="button"
        class="grid size-6 place-items-center rounded hover:bg-rule"
        aria-label="Close the working"
        @click="emit('close')"
      >
        <X :size="16" />
      </button>
    </div>
    <ol class="text-[14px] leading-[1.65]">
      <li v-for="(line, i) in lines" :key="i">
        <RichText :text="line.name" class="text-soft" />
        <span class="figure ml-1.5"
          >= {{ line.relation }} =
          <b :class="{ 'font-bold': i === lines.length - 1, 'font-normal': i < lines.length - 1 }">{{
            line.result
          }}</b></span
        >
      </li>
    </ol>
    <p v-if="spread > 0" class="small mt-1.5">
      {{ lines.at(-1)?.result }} has a standard uncertainty of {{ formatValue(spread, figure.kind, 2) }}; mostly
      <RichText :text="sources.join(', ')" />.
    </p>
    <p v-else class="small mt-1.5">No input of this figure carries an uncertainty.</p>
    <LazySpreadCheck v-if="spread > 0 && closes" :figure="figure" />
  </section>
</template>
