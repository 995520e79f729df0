<script setup lang="ts">
/** What changed from one saved state to another, place by place. */
const { changes } = defineProps<{
  changes: readonly {
    readonly path: readonly string[]
    readonly before?: string | undefined
    readonly after?: string | undefined
  }[]
}>()
const placeText = (keys: readonly string[]): string =>
  keys.map(key => (/^\d+$/.test(key) ? String(Number(key) + 1) : key)).join(' · ') || 'all of it'
</script>

<template>
  <div class="max-h-[400px] overflow-auto" tabindex="0" role="region" aria-label="What changed">
    <table v-if="changes.length > 0" class="w-full border-collapse text-[14px]">
      <thead>
        <tr class="border-b-2 border-ink text-left text-soft">
          <th class="font-normal">Where</th>
          <th class="font-normal">Before</th>
          <th class="font-normal">After</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="change in changes" :key="change.path.join('.')" class="border-b border-rule align-top">
          <td class="py-1 pr-3">{{ placeText(change.path) }}</td>
          <td class="figure py-1 pr-3 text-red"><del v-if="change.before !== undefined" v-text="change.before" /></td>
          <td class="figure py-1">
            <ins v-if="change.after !== undefined" class="no-underline" v-text="change.after" />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="text-soft">Nothing differs.</p>
  </div>
</template>
