<script setup lang="ts">
/** What a chart shows, as a table in the order of the work: for ears, and for who would rather read numbers. */
const { caption, head, rows } = defineProps<{
  caption: string
  head: readonly string[]
  rows: readonly (readonly string[])[]
}>()
</script>

<template>
  <details class="mt-1 text-[13.5px]">
    <summary class="inline-flex min-h-9 cursor-pointer items-center text-verdigris underline">
      The chart as a table
    </summary>
    <div class="overflow-x-auto" tabindex="0">
      <table class="mt-1">
        <caption class="sr-only">
          {{
            caption
          }}
        </caption>
        <thead>
          <tr class="text-soft">
            <th v-for="one in head" :key="one" scope="col" class="pr-5 text-left font-normal">{{ one }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in rows" :key="i" class="border-t border-rule">
            <td v-for="(cell, j) in row" :key="j" class="py-0.5 pr-5" :class="{ figure: j > 0 }">
              <RichText :text="cell" />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>
