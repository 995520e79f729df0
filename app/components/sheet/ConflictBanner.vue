<script setup lang="ts">
import type { Change } from '#core/document'

/** Another tab or person saved this batch meanwhile: what differs, and whose to keep. */
const { changes } = defineProps<{ changes: readonly Change[] }>()
const emit = defineEmits<{ theirs: []; mine: [] }>()
const place = (path: readonly string[]): string => path.filter(key => !/^\d+$|^plan$|^stages$/.test(key)).join(' ')
</script>

<template>
  <section class="mb-4 rounded-lg border border-amber-edge bg-amber-soft p-3" role="alert">
    <p>
      <b>This batch was saved from somewhere else since you opened it.</b> Nothing of yours is lost; choose which
      stands.
    </p>
    <table v-if="changes.length > 0" class="my-2 w-full text-[13.5px]">
      <thead>
        <tr class="text-left text-soft">
          <th class="font-normal">What differs</th>
          <th class="font-normal">There</th>
          <th class="font-normal">Here</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="change in changes.slice(0, 6)" :key="change.path.join('.')">
          <td>{{ place(change.path) }}</td>
          <td class="figure">{{ change.before ?? 'nothing' }}</td>
          <td class="figure">{{ change.after ?? 'nothing' }}</td>
        </tr>
      </tbody>
    </table>
    <div class="flex gap-2">
      <button type="button" class="button button-quiet" @click="emit('theirs')">Take theirs</button
      ><button type="button" class="button button-quiet" @click="emit('mine')">Keep mine</button>
    </div>
  </section>
</template>
