<script setup lang="ts">
import type { Question } from '#core/drill'
import { toSignificant } from '#core/quantity'

/** The right answer and how it comes out, as the app writes a working elsewhere. */
const { question } = defineProps<{ question: Question }>()

const right = computed(() => {
  const { answer } = question
  if (answer.is === 'number')
    return `${toSignificant(answer.value / answer.size, answer.digits)}${answer.unit === '' ? '' : `\u202f${answer.unit}`}`
  if (answer.is === 'formula') return `{${answer.text}}`
  if (answer.is === 'name') return answer.text
  if (answer.is === 'choice') return answer.right.map(i => answer.options[i]!).join('; ')
  return answer.species
    .map(({ text, side }, i) => ({ side, text: `${answer.right[i] === 1 ? '' : `${answer.right[i]}\u202f`}{${text}}` }))
    .reduce((line, one, i, all) => line + (i === 0 ? '' : one.side === all[i - 1]!.side ? ' + ' : ' → ') + one.text, '')
})
</script>

<template>
  <div>
    <h2 class="mb-1 font-semibold text-ink">The answer: <RichText :text="right" /></h2>
    <ol class="text-[14px] leading-[1.65]">
      <li v-for="(line, i) in question.working" :key="i">
        <RichText :text="line.name" class="text-soft" />
        <span class="figure ml-1.5"
          >= {{ line.relation }} =
          <b :class="i === question.working.length - 1 ? 'font-bold' : 'font-normal'">{{ line.result }}</b></span
        >
      </li>
      <li v-for="line in question.why" :key="line"><RichText :text="line" /></li>
    </ol>
  </div>
</template>
