<script setup lang="ts">
import { formatValue } from '#core/quantity'
import { beliefWords, type BatchVerdict, type Heard } from '#core/cause'

/** What would explain this yield, likeliest first: how much is believed of each, what it would take, what was recorded for and against it, and the test that divides the leading two. */
const { verdict } = defineProps<{ verdict: BatchVerdict }>()
const emit = defineEmits<{ working: [] }>()
const gap = computed(() => formatValue(Math.abs(verdict.difference.value), 'mass', 3))
const isAll = ref(false)
const FEW = 4
const shown = computed(() => (isAll.value ? verdict.explanations : verdict.explanations.slice(0, FEW)))
// A yield as expected asks for no explanation, unless something was recorded that makes one likely.
const isTold = computed(
  () =>
    verdict.kind !== 'as expected' ||
    verdict.explanations.some(({ belief, speaksFor }) => belief >= 0.3 && speaksFor.length > 0),
)
const none = computed(() => verdict.none.ordinary + verdict.none.other)
const times = (one: Heard): string => {
  const ratio = one.with / one.without
  return ratio >= 1 ? `${formatTimes(ratio)} times likelier` : `${formatTimes(1 / ratio)} times less likely`
}
const inHundred = (share: number): string => {
  const count = 100 * share
  return count >= 1 ? count.toFixed(0) : count.toPrecision(1)
}
const formatTimes = (ratio: number): string => (ratio >= 10 ? ratio.toFixed(0) : ratio.toFixed(1))
</script>

<template>
  <section v-if="isTold" aria-label="What would explain it">
    <h2 class="mb-1 mt-5 text-[15px] text-ink">
      What would explain it:
      <button
        type="button"
        class="figure font-semibold underline decoration-dotted"
        :aria-label="`${gap}. Show the working`"
        @click="emit('working')"
      >
        {{ gap }}
      </button>
      {{
        verdict.kind === 'too high'
          ? 'more than was possible'
          : verdict.difference.value < 0
            ? 'less than was expected'
            : 'more than was expected'
      }}
    </h2>
    <p v-if="verdict.divide" class="my-2 border-l-2 border-verdigris bg-verdigris-soft px-3 py-2 text-[14.5px]">
      <b>What would divide the leading two:</b> <RichText :text="verdict.divide.words" />; that takes
      {{ verdict.divide.takes }}.
      <span class="block">
        <i><RichText :text="verdict.divide.first" /></i>: {{ verdict.divide.ifFirst }}.
        <i><RichText :text="verdict.divide.second" /></i>: {{ verdict.divide.ifSecond }}.
      </span>
    </p>
    <p v-for="pair in verdict.together" :key="pair.of.join()" class="text-[14px]" data-testid="together">
      <span class="tag bg-amber-soft text-amber">{{ beliefWords(pair.belief) }}</span>
      both at once: <RichText :text="pair.of[0]" />, and <RichText :text="pair.of[1]" />.
    </p>
    <ol>
      <li
        v-for="(one, i) in shown"
        :key="one.cause + one.title"
        class="grid grid-cols-[26px_minmax(0,1fr)] gap-2 border-t border-rule py-2"
      >
        <span class="figure text-[18px] font-semibold text-soft">{{ i + 1 }}</span>
        <div class="min-w-0">
          <p class="flex flex-wrap items-baseline gap-x-2">
            <b class="text-[15.5px]"><RichText :text="one.title" /></b>
            <span
              class="tag"
              :class="one.belief >= 0.5 ? 'bg-verdigris-soft text-verdigris' : 'bg-amber-soft text-amber'"
              :title="`${(one.belief * 100).toFixed(0)} of 100`"
              >{{ beliefWords(one.belief) }}</span
            >
            <span v-if="!one.suffices" class="tag text-soft">cannot explain it alone</span>
          </p>
          <p class="text-[14px]">
            <RichText :text="one.needs" /><template v-if="one.most !== undefined">
              There can be at most <span class="figure">{{ formatValue(one.most, 'mass', 3) }}</span>.</template
            >{{ ' ' }}
            <span class="text-soft"
              >Usual in <span class="figure">{{ inHundred(one.usual) }}</span> of 100 batches:
              <RichText :text="one.usualWhy" />.</span
            >
          </p>
          <p v-for="heard in one.speaksFor" :key="heard.says" class="text-[13.5px]">
            <span class="text-verdigris">For:</span> <RichText :text="heard.says" />{{ ' '
            }}<span class="text-soft">({{ times(heard) }})</span>
          </p>
          <p v-for="heard in one.speaksAgainst" :key="heard.says" class="text-[13.5px]">
            <span class="text-red">Against:</span> <RichText :text="heard.says" />{{ ' '
            }}<span class="text-soft">({{ times(heard) }})</span>
          </p>
          <p v-if="one.tiedWith" class="text-[13.5px]">
            Nothing that was read divides it from “<RichText :text="one.tiedWith" />”: it stands here only by how usual
            it is.
          </p>
          <p class="text-[13.5px] text-soft">To settle it: <RichText :text="one.settle" /></p>
        </div>
      </li>
    </ol>
    <p v-if="verdict.explanations.length === 0" class="text-[14px]">
      Nothing that this batch’s plan, journal and assays leave possible explains it. Look at what was not written down.
    </p>
    <button
      v-if="verdict.explanations.length > FEW"
      type="button"
      class="mt-1 min-h-9 text-[14px] text-verdigris underline"
      @click="isAll = !isAll"
    >
      {{ isAll ? 'Only the likeliest' : `All ${verdict.explanations.length}` }}
    </button>
    <p class="small mt-1">
      None of these: {{ beliefWords(none)
      }}<template v-if="verdict.none.ordinary > verdict.none.other">, a run that is as others are</template>. By Bayes’
      rule: how usual each is, how well every reading fits it in the sizes that this batch allows, and how much likelier
      what was recorded is with it. The usual shares and strengths are common practice and judgements.
    </p>
  </section>
</template>
