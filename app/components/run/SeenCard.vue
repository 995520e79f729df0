<script setup lang="ts">
import { chipsFor, colourSeen, type Operation, type Seen } from '#core/journal'
import type { StageColour } from '#core/outcome'

/** What is seen, pressed with a gloved finger or in words; colours with what of this stage has them, or what they would mean. */
const { operation, colour, colours } = defineProps<{
  operation: Operation | undefined
  colour: { word: string; swatch: string } | undefined
  colours: readonly StageColour[]
}>()
const emit = defineEmits<{ seen: [text: string, seen: Seen | undefined]; note: [text: string] }>()

const chips = computed(() => chipsFor(operation))
/** What is said in words and not kept yet; it belongs to its step. */
const words = defineModel<string>('words', { required: true })
const isColour = ref(false)
/** What the words count as, where the chemist says so: words alone are for people. */
const tag = ref('')
function keep(kind: 'seen' | 'note'): void {
  const text = words.value.trim()
  if (text === '') return
  if (kind === 'seen') emit('seen', text, chips.value.find(({ label }) => label === tag.value)?.seen)
  else emit('note', text)
  words.value = ''
  tag.value = ''
}
/** Keeps what is typed as seen. */
const settle = (): void => keep('seen')
defineExpose({ settle })
/** The first compounds that have a colour. */
const few = (all: readonly string[]): string =>
  all.length > 2 ? `${all.slice(0, 2).join(', ')} and ${all.length - 2} more` : all.join(', ')
function seeColour(one: string): void {
  emit('seen', `colour: ${one}`, colourSeen(one, operation))
  isColour.value = false
}
</script>

<template>
  <section class="card" aria-label="Observations">
    <div class="flex items-baseline justify-between gap-2">
      <h2>What do you see?</h2>
      <span v-if="colour" class="small">the product should be {{ colour.word }} <ColourSwatch :colour="colour" /></span>
    </div>
    <div class="mt-2 flex flex-wrap gap-2">
      <button
        v-for="chip in chips"
        :key="chip.label"
        type="button"
        class="button button-quiet glove px-4"
        @click="emit('seen', chip.label, chip.seen)"
      >
        {{ chip.label }}
      </button>
      <button
        type="button"
        class="button button-quiet glove px-4"
        :aria-expanded="isColour"
        @click="isColour = !isColour"
      >
        colour…
      </button>
      <slot />
    </div>
    <div v-if="isColour" class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Colour seen">
      <button
        v-for="one in colours"
        :key="one.word"
        type="button"
        class="button button-quiet glove flex-col items-start justify-center px-3 text-left"
        :class="{
          'border-verdigris bg-verdigris-soft': one.of.length > 0,
          'border-amber bg-amber-soft': one.means.length > 0,
        }"
        @click="seeColour(one.word)"
      >
        {{ one.word }}
        <span v-if="one.of.length > 0" class="small"><RichText :text="few(one.of)" /></span>
        <span v-else-if="one.means.length > 0" class="small">would mean {{ one.means.join('; ') }}</span>
      </button>
    </div>
    <form class="mt-3 flex gap-2" @submit.prevent="keep('seen')">
      <input
        v-model="words"
        class="field min-h-12"
        aria-label="In words"
        placeholder="In words, such as: filtrate clear, rose red"
        maxlength="4000"
      />
      <button type="submit" class="button glove">Seen</button
      ><button type="button" class="button button-quiet glove" @click="keep('note')">Note</button>
    </form>
    <label v-if="words.trim() !== ''" class="mt-2 flex min-h-12 flex-wrap items-center gap-2 text-[14px]">
      <span class="text-soft">counts as</span>
      <select v-model="tag" class="field min-h-12 w-[260px]">
        <option value="">words only: no judgement hears them</option>
        <option v-for="chip in chips" :key="chip.label" :value="chip.label">{{ chip.label }}</option>
      </select>
    </label>
  </section>
</template>
