<script setup lang="ts">
import type { Operation } from '#core/journal'

/** What is seen, pressed with a gloved finger or in words; the product's colour beside it. */
const { operation, colour } = defineProps<{
  operation: Operation | undefined
  colour: { word: string; swatch: string } | undefined
}>()
const emit = defineEmits<{ seen: [text: string]; note: [text: string] }>()

/** What there is to see at each kind of step, most telling first. */
const gas = ['fizzing', 'fizzing stopped', 'foam', 'brown gas']
const solid = ['all dissolved', 'solid left at the bottom', 'cloudy', 'clear']
const crystals = ['crystals: needles', 'crystals: plates', 'crystals: blocks', 'fine powder', 'an oil', 'nothing yet']
const groups: readonly [readonly Operation[], readonly string[]][] = [
  [
    ['add', 'stir', 'dissolve', 'heat', 'hold', 'reflux', 'quench'],
    [...gas, ...solid],
  ],
  [
    ['observe', 'test'],
    [...solid, 'fizzing stopped', 'no smell of ammonia', 'smells of ammonia'],
  ],
  [
    ['cool', 'ice', 'freeze', 'stand', 'seed'],
    ['crystals', ...crystals, 'clear'],
  ],
  [
    ['evaporate', 'evaporate to dryness'],
    ['crust at the edge', 'a drop on a cold rod skins over', 'crystals', 'clear', 'spits'],
  ],
  [
    ['filter', 'filter hot', 'refilter', 'decant'],
    ['filtrate clear', 'filtrate cloudy', 'runs well', 'runs slowly', 'cake sucked dry'],
  ],
  [
    ['wash', 'flush'],
    ['wash pale', 'wash colourless', 'wash still coloured', 'wash neutral to litmus'],
  ],
  [
    ['dry', 'desiccate', 'ignite', 'cool in desiccator', 'weigh'],
    ['loose and glittering', 'still sticks', 'turned to powder', 'damp'],
  ],
]
const chips = computed(() => [
  ...(groups.find(([operations]) => operation && operations.includes(operation))?.[1] ?? [
    'clear',
    'cloudy',
    'crystals',
  ]),
])
const colours = [
  'colourless',
  'white',
  'blue',
  'green',
  'blue-green',
  'violet',
  'pink',
  'red',
  'orange',
  'yellow',
  'brown',
  'black',
]
/** What is said in words and not kept yet; it belongs to its step. */
const words = defineModel<string>('words', { required: true })
const isColour = ref(false)
function keep(kind: 'seen' | 'note'): void {
  const text = words.value.trim()
  if (text === '') return
  if (kind === 'seen') emit('seen', text)
  else emit('note', text)
  words.value = ''
}
/** Keeps what is typed as seen. */
const settle = (): void => keep('seen')
defineExpose({ settle })
function seeColour(one: string): void {
  emit('seen', `colour: ${one}`)
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
        :key="chip"
        type="button"
        class="button button-quiet glove px-4"
        @click="emit('seen', chip)"
      >
        {{ chip }}
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
        :key="one"
        type="button"
        class="button button-quiet glove px-3"
        :class="{ 'border-verdigris bg-verdigris-soft': colour?.word.includes(one) }"
        @click="seeColour(one)"
      >
        {{ one }}
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
  </section>
</template>
