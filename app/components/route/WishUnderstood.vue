<script setup lang="ts">
import type { Formula } from '#core/formula'
import { nameOf } from '#core/species'
import type { Wish } from '#core/route'

/** What was understood of the line, in type: amount, product in its form, what it starts from; and what was taken for granted. */
const { wish, form, unsaid } = defineProps<{
  wish: Wish | undefined
  form: Formula | undefined
  /** g planned where no amount was said. */
  unsaid: number
}>()
const name = computed(() => (form ? nameOf(form) : undefined))
const notes = computed(() => {
  if (!wish) return []
  const all = [wish.product, ...wish.from]
  return [
    ...(wish.amountProblem ? [wish.amountProblem] : []),
    ...(wish.product.found && wish.amount === undefined
      ? [`No amount is said: ${unsaid} g is planned, and changed on the sheet.`]
      : []),
    ...all.flatMap(({ text, found }) => (found?.corrected ? [`“${text}” is read as ${found.corrected}.`] : [])),
    ...all.flatMap(({ found }) =>
      found?.taken ? [`${found.taken.charAt(0).toUpperCase()}${found.taken.slice(1)}.`] : [],
    ),
    ...all.flatMap(({ text, found }) =>
      found?.percent ? [`“${text}” is usually ${found.percent} %: your bottle’s label comes first.`] : [],
    ),
  ]
})
const unknown = computed(() =>
  wish
    ? [wish.product, ...wish.from].filter(({ text, found }) => text.length > 2 && !found).map(({ text }) => text)
    : [],
)
</script>

<template>
  <div class="min-h-[58px]">
    <p v-if="wish" class="flex flex-wrap items-baseline gap-x-3 gap-y-1 text-[19px]">
      <span v-if="wish.amount" class="figure rounded bg-out px-1.5">{{ wish.amount }}</span>
      <span v-if="form"
        ><FormulaText :text="form.text" /><span v-if="name" class="small ml-2">{{ name }}</span></span
      >
      <template v-if="wish.from.some(one => one.found)">
        <span class="small">from</span>
        <span v-for="one in wish.from.filter(each => each.found)" :key="one.text" class="rounded bg-in px-1.5"
          ><FormulaText :text="one.found!.formula.text" /><span class="small ml-2">{{
            nameOf(one.found!.formula) ?? ''
          }}</span></span
        >
      </template>
    </p>
    <p v-for="text in unknown" :key="text" class="text-[14px] text-red">
      Nothing here is called “{{ text }}”. Give its formula, or its systematic, common or mineral name.
    </p>
    <p v-if="notes.length > 0" class="small">{{ notes.join(' ') }}</p>
  </div>
</template>
