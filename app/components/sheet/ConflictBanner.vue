<script setup lang="ts">
import { fieldText, type Clash } from '#core/document'

/** Fields that were changed here and by another tab or person, to different ends: which stands, field by field or for all. */
const { clashes } = defineProps<{ clashes: readonly Clash[] }>()
const emit = defineEmits<{ settle: [whose: 'mine' | 'theirs', clash?: Clash] }>()
const place = (path: readonly string[]): string => path.filter(key => !/^\d+$|^plan$|^stages$/.test(key)).join(' ')
</script>

<template>
  <section class="mb-4 rounded-lg border border-amber-edge bg-amber-soft p-3" role="alert">
    <p>
      <b
        >{{ clashes.length === 1 ? 'One field was' : `${clashes.length} fields were` }} changed from somewhere else
        too.</b
      >
      Everything else of both is kept; say which stands here.
    </p>
    <table class="my-2 w-full text-[13.5px]">
      <thead>
        <tr class="text-left text-soft">
          <th class="font-normal">Field</th>
          <th class="font-normal">There</th>
          <th class="font-normal">Here</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="clash in clashes" :key="clash.path.join('.')">
          <td class="py-1">{{ place(clash.path) }}</td>
          <td v-for="whose in ['theirs', 'mine'] as const" :key="whose" class="figure py-1">
            <button
              type="button"
              class="button button-quiet px-2 font-mono"
              :aria-label="`${whose === 'mine' ? 'Keep mine' : 'Take theirs'}: ${fieldText(clash[whose]) ?? 'nothing'}`"
              @click="emit('settle', whose, clash)"
            >
              {{ fieldText(clash[whose]) ?? 'nothing' }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="flex gap-2">
      <button type="button" class="button button-quiet" @click="emit('settle', 'theirs')">
        {{ clashes.length > 1 ? 'Take all of theirs' : 'Take theirs' }}</button><button
        type="button"
        class="button button-quiet"
        @click="emit('settle', 'mine')"
      >
        {{ clashes.length > 1 ? 'Keep all of mine' : 'Keep mine' }}
      </button>
    </div>
  </section>
</template>
