<script setup lang="ts">
import type { Question } from '#core/drill'
import { toSignificant } from '#core/quantity'
import type { Told } from '~/workers/drills'

/** What is said of an answer: right, or which slip it was on these numbers; then how it is done, as elsewhere in the app. */
const { told, question, isShown } = defineProps<{ told: Told | undefined; question: Question; isShown: boolean }>()

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
const slips = computed(() =>
  told?.is === 'slip' ? told.slips.map((slip, i) => ({ ...slip, ...told.named![i]! })) : [],
)
</script>

<template>
  <div role="status">
    <p v-if="told?.is === 'unread'" class="rounded-lg border border-amber-edge bg-amber-soft px-3 py-2 text-amber">
      <b>Not read yet.</b> {{ told.why }} {{ told.fix }}
    </p>
    <p
      v-else-if="told?.is === 'right'"
      class="rounded-lg border border-verdigris bg-verdigris-soft px-3 py-2 text-[17px]"
    >
      <b class="text-verdigris">Right.</b> <span v-if="told.note">{{ told.note }}</span>
    </p>
    <p
      v-else-if="told?.is === 'too short'"
      class="rounded-lg border border-amber-edge bg-amber-soft px-3 py-2 text-amber"
    >
      <b>Too short.</b> {{ told.says }}
    </p>
    <div v-else-if="told?.is === 'slip'" class="rounded-lg border border-amber-edge bg-amber-soft px-3 py-2">
      <p v-if="slips.length > 1" class="mb-1 text-amber"><b>Two slips together.</b></p>
      <div v-for="slip in slips" :key="slip.id" class="mb-1 last:mb-0">
        <p class="text-[17px] font-semibold text-amber">{{ slip.name }}</p>
        <p><RichText :text="slip.says" /></p>
        <p class="text-soft">{{ slip.keep }}</p>
      </div>
    </div>
    <p v-else-if="told?.is === 'wrong'" class="rounded-lg border border-red-edge bg-red-soft px-3 py-2">
      <b class="text-red">Not right.</b> <RichText :text="told.says" />
    </p>
  </div>
  <section v-if="isShown" class="mt-3 rounded-lg border border-rule bg-paper px-3.5 py-3" aria-label="Working">
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
  </section>
</template>
