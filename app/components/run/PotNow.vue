<script setup lang="ts">
import { vesselWords } from '#core/procedure'
import type { PotNow } from '#core/outcome'

/** What the vessel holds now by the account of the run, and how it should look; what was seen against it. */
const { pot } = defineProps<{ pot: PotNow }>()
const look = computed(() => {
  const { liquor, solid, litmus } = pot.look
  return [
    liquor.length > 0 ? `liquor ${liquor.join(', ')}` : pot.after.volume > 1 ? 'liquor colourless' : '',
    solid.length > 0 ? `solid ${solid.join(', ')}` : pot.after.solid.length > 0 ? 'some solid' : 'no solid',
    litmus ? `litmus ${litmus === 'acid' ? 'red' : 'blue'}` : '',
  ]
    .filter(Boolean)
    .join('; ')
})
</script>

<template>
  <section class="card max-sm:px-3 max-sm:py-2" aria-label="In the pot now">
    <div class="flex items-baseline justify-between gap-2">
      <h2>In the pot now</h2>
      <span class="small"
        >by the account<template v-if="pot.isPlanned">, planned amounts where nothing was read</template
        ><template v-if="pot.after.estimated">, an estimate</template></span
      >
    </div>
    <p class="mt-1 text-[16px]"><RichText :text="vesselWords(pot.after)" /></p>
    <p class="small">Look for: {{ look }}.</p>
    <p v-for="one in pot.beside" :key="one.name" class="mt-1 text-[14px]">
      <b>{{ one.name }}</b>, {{ one.is === 'liquor' ? 'kept' : 'set aside' }}:
      <RichText :text="vesselWords(one.holds)" />
    </p>
    <p v-for="words in pot.contradicts" :key="words" class="mt-1 text-[15px] font-semibold text-amber" role="status">
      <RichText :text="words" />
    </p>
  </section>
</template>
