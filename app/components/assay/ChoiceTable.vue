<script setup lang="ts">
import { Check } from '@lucide/vue'
import type { Choices } from '#core/assay'

/** Possibilities set against what was measured; those that fit are marked by a word as well. */
const { choices } = defineProps<{ choices: Choices }>()
</script>

<template>
  <section class="mt-4" :aria-label="choices.title">
    <h2 class="mb-1 text-[15px] text-ink">{{ choices.title }}</h2>
    <div class="overflow-x-auto" tabindex="0">
      <table class="text-[14px]">
        <thead>
          <tr class="text-soft">
            <th
              v-for="(head, i) in choices.head"
              :key="head"
              class="px-3 pb-1 font-normal first:pl-0"
              :class="i === 0 ? 'text-left' : 'text-right'"
            >
              <RichText :text="head" />
            </th>
            <th><span class="sr-only">Fits</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(row, i) in choices.rows"
            :key="i"
            class="border-t border-rule"
            :class="{ 'text-soft': !row.fits }"
          >
            <td
              v-for="(cell, j) in row.cells"
              :key="j"
              class="px-3 py-1 first:pl-0"
              :class="j === 0 ? 'text-left' : 'figure text-right'"
            >
              <RichText :text="cell" />
            </td>
            <td class="whitespace-nowrap pl-3">
              <span
                v-if="row.fits && choices.mark !== ''"
                class="tag inline-flex items-center gap-1 bg-verdigris-soft text-verdigris"
                ><Check :size="13" />{{ choices.mark ?? 'fits' }}</span
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
