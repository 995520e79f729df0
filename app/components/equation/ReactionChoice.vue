<script setup lang="ts">
import { balance, parseEquation, printReaction } from '#core/equation'
import { nameOf } from '#core/species'
import { withMix, withShare, type StagePlan } from '#core/sheet'
import type { Span } from '#core/problem'

/** Several independent reactions share these species: which of them runs, or in what shares. */
const { stage, problemAt } = defineProps<{
  stage: StagePlan
  problemAt: (...path: (string | number)[]) => { span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{ change: [make: (stage: StagePlan) => StagePlan, key: string] }>()

const basis = computed(() => {
  const read = parseEquation(stage.equation)
  const balanced = read.ok ? balance(read.value) : undefined
  return balanced?.ok && !balanced.value.unique ? balanced.value.basis : []
})
const options = computed(() =>
  basis.value.map(reaction => ({
    reaction,
    text: printReaction(reaction),
    words: reaction.products
      .filter(({ species }) => species.formula.text !== stage.product.species && species.formula.text !== 'H2O')
      .map(({ species }) => nameOf(species.formula) ?? species.formula.text)
      .join(' and '),
  })),
)
const shareOf = (text: string): string => stage.mix?.find(({ equation }) => equation === text)?.share ?? ''
const indexOf = (text: string): number => stage.mix?.findIndex(({ equation }) => equation === text) ?? -1

function setShare(text: string, share: string): void {
  const reactions = options.value.map(option => option.text)
  emit('change', stage => withShare(stage, reactions, text, share), `mix ${text}`)
}
const takeAlone = (text: string): void =>
  emit('change', stage => withMix(stage, [{ equation: text, share: '100 %' }]), 'mix')
</script>

<template>
  <section
    v-if="options.length > 0"
    class="mt-3 rounded-lg border border-rule bg-paper px-3.5 py-3"
    aria-label="Which reaction"
  >
    <h2 class="text-[15px] font-semibold text-ink">
      These species allow {{ options.length }} reactions: which one runs?
    </h2>
    <p class="small">Take one, or say what share of the product each makes.</p>
    <ul class="mt-2">
      <li
        v-for="option in options"
        :key="option.text"
        class="flex items-center gap-3 border-t border-rule py-2 max-md:flex-wrap"
      >
        <span class="min-w-0 flex-1"
          ><EquationText :reaction="option.reaction" /><span class="small block">{{
            option.words ? `gives ${option.words}` : 'gives nothing beside'
          }}</span></span
        >
        <QuantityField
          hidden
          class="w-[96px]"
          :label="`Share of ${option.text}`"
          placeholder="share"
          :model-value="shareOf(option.text)"
          :problem="indexOf(option.text) < 0 ? undefined : problemAt('mix', indexOf(option.text), 'share')"
          @update:model-value="setShare(option.text, $event)"
        />
        <button type="button" class="button button-quiet shrink-0" @click="takeAlone(option.text)">Only this</button>
      </li>
    </ul>
  </section>
</template>
