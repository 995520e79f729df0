import { ref } from 'vue'

const said = ref('')
let pending: ReturnType<typeof setTimeout> | undefined

/** ms: what follows at once is said with it, as one. */
const TOGETHER = 250

/** One polite line that a screen reader hears: the new step, a reading taken, saved or not, offline and back. */
export function useAnnounce() {
  let waiting: string[] = []
  function announce(text: string): void {
    waiting = [...waiting, text]
    clearTimeout(pending)
    pending = setTimeout(() => {
      const all = waiting.join('. ')
      waiting = []
      // The same words twice are heard twice only where they change between.
      said.value = said.value === all ? `${all}\u00a0` : all
    }, TOGETHER)
  }
  return { said, announce }
}
