<script setup lang="ts">
import { Check, CircleHelp, TriangleAlert } from '@lucide/vue'
import type { Worksheet } from '#core/assay'
import type { Formula } from '#core/formula'
import { proofOf, type Claim } from '#core/cause'

/** Purity and identity of the product together: what its worksheets prove, where they disagree, and what is still open. */
const { product, assays } = defineProps<{ product: Formula; assays: readonly Worksheet[] }>()
const proof = computed(() => proofOf(product, assays))
const signs = {
  agrees: { icon: Check, colour: 'text-verdigris', word: 'Agrees' },
  differs: { icon: TriangleAlert, colour: 'text-amber', word: 'Differs' },
  unproved: { icon: CircleHelp, colour: 'text-soft', word: 'Open' },
} as const satisfies Record<Claim['says'], { icon: unknown; colour: string; word: string }>
</script>

<template>
  <details class="mt-3 border-y border-rule py-1">
    <summary class="min-h-9 cursor-pointer content-center text-[15px]">
      <b>What is proved.</b> <RichText :text="proof.headline" />
    </summary>
    <ul class="my-2 grid max-w-[60em] gap-1.5">
      <li v-for="claim in proof.claims" :key="claim.what" class="grid grid-cols-[20px_9em_1fr] gap-2 text-[14px]">
        <component
          :is="signs[claim.says].icon"
          :size="17"
          :class="signs[claim.says].colour"
          class="mt-0.5"
          aria-hidden="true"
        />
        <span
          ><span class="sr-only">{{ signs[claim.says].word }}: </span><RichText :text="claim.what"
        /></span>
        <RichText :text="claim.text" />
      </li>
    </ul>
    <p v-for="line in proof.against" :key="line" class="mb-2 text-[14px] text-amber">
      <RichText :text="line" />
    </p>
  </details>
</template>
