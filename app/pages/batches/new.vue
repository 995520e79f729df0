<script setup lang="ts">
import { onKeyStroke, useLocalStorage } from '@vueuse/core'
import { ofLab } from '~/utils/whose'

/** From a name to a plan; or, one key away, from an equation. */
useHead({ title: 'Plan a batch · Zip Ledger' })
const query = useRoute().query
const mode = useLocalStorage<'line' | 'equation'>(ofLab('plan-by'), 'line')
if (typeof query.wish === 'string') mode.value = 'line'
/** An equation that somebody began to type into the line. */
const carried = ref('')
function toEquation(typed = ''): void {
  carried.value = typed
  mode.value = 'equation'
}
onKeyStroke('e', event => {
  if (!event.altKey || event.ctrlKey || event.metaKey) return
  event.preventDefault()
  mode.value = mode.value === 'line' ? 'equation' : 'line'
})
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
      <h1>Plan a batch</h1>
      <button
        type="button"
        class="min-h-8 rounded text-[14px] text-verdigris underline"
        aria-keyshortcuts="Alt+E"
        @click="mode = mode === 'line' ? 'equation' : 'line'"
      >
        {{ mode === 'line' ? 'Type the equation instead' : 'Begin from a name instead' }}
        <kbd class="figure ml-1 rounded max-sm:hidden border border-rule px-1 text-[12px] text-soft no-underline"
          >Alt E</kbd
        >
      </button>
    </div>
    <PlanByLine
      v-if="mode === 'line'"
      :start="typeof query.wish === 'string' ? query.wish : ''"
      @equation="toEquation"
    />
    <PlanByEquation v-else :equation="carried" />
  </main>
</template>
