<script setup lang="ts">
import { judgeSpots, spotWords, type SpotTest } from '#core/journal'

/** A drop of each reagent in a portion of the clear liquor: which one is still there. And litmus. */
const { reagents, tests } = defineProps<{ reagents: readonly string[]; tests: readonly SpotTest[] }>()
const emit = defineEmits<{ tested: [added: string, result: SpotTest['result']] }>()
const first = ref(reagents[0] ?? '')
const second = ref(reagents[1] ?? '')
watch(
  () => reagents.join(' '),
  () => {
    first.value = reagents[0] ?? ''
    second.value = reagents[1] ?? ''
  },
)
const verdict = computed(() =>
  first.value && second.value && first.value !== second.value && tests.length > 0
    ? judgeSpots(tests, first.value, second.value)
    : undefined,
)
const litmus = computed(() => tests.filter(({ added }) => added === 'litmus'))
const results = ['cloud', 'clear'] as const
const papers = ['acid', 'neutral', 'alkaline'] as const
</script>

<template>
  <section class="card" aria-label="Spot tests">
    <h2>Which reagent is left in the clear liquor?</h2>
    <div v-for="(added, i) in [first, second]" :key="i" class="mt-2 flex flex-wrap items-center gap-2">
      <label class="text-[14px]"
        >to the {{ i === 0 ? 'first' : 'second' }} portion, a drop of
        <select
          v-if="i === 0"
          v-model="first"
          class="min-h-12 rounded border border-edge bg-card px-2"
          aria-label="Added to the first portion"
        >
          <option v-for="one in reagents" :key="one" :value="one">{{ one }}</option></select
        ><select
          v-else
          v-model="second"
          class="min-h-12 rounded border border-edge bg-card px-2"
          aria-label="Added to the second portion"
        >
          <option v-for="one in reagents" :key="one" :value="one">{{ one }}</option>
        </select>
      </label>
      <button
        v-for="result in results"
        :key="result"
        type="button"
        class="button button-quiet glove px-4"
        :aria-label="`${added}: ${result}`"
        @click="emit('tested', added, result)"
      >
        {{ result }}
      </button>
    </div>
    <p
      v-if="verdict"
      class="mt-2 text-[15px]"
      :class="verdict.says === 'contradictory' ? 'font-semibold text-red' : ''"
      role="status"
    >
      <RichText :text="spotWords(verdict)" />
    </p>
    <div class="mt-3 flex flex-wrap items-center gap-2 border-t border-rule pt-2">
      <span class="text-[14px]">Litmus says</span>
      <button
        v-for="paper in papers"
        :key="paper"
        type="button"
        class="button button-quiet glove px-4"
        @click="emit('tested', 'litmus', paper)"
      >
        {{ paper }}
      </button>
      <span v-if="litmus.length > 0" class="small" role="status"
        >{{ litmus.length }} tried, last {{ litmus.at(-1)!.result }}</span
      >
    </div>
  </section>
</template>
