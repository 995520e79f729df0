import { computed } from 'vue'
import { useBatchStore } from '~/stores/batch'
import { useWhoStore } from '~/stores/who'

/** What of the app's own judgement is shown on the open batch: all of it, but to a student of a class that leaves it out. */
export function useShows() {
  const [batch, who] = [useBatchStore(), useWhoStore()]
  const isHeld = computed(() => batch.classId !== undefined && who.me?.role === 'student')
  return {
    predictions: computed(() => !isHeld.value || (batch.shows?.predictions ?? false)),
    explanations: computed(() => !isHeld.value || (batch.shows?.explanations ?? false)),
  }
}
