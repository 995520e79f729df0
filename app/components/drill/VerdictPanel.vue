<script setup lang="ts">
import type { Question } from '#core/drill'
import type { Told } from '~/workers/drills'

/** What is said of an answer: right, or which slip it was on these numbers; then how it is done, as elsewhere in the app. */
const { told, question, isShown } = defineProps<{ told: Told | undefined; question: Question; isShown: boolean }>()

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
    <WorkedAnswer :question="question" />
  </section>
</template>
