import { useIdle } from '@vueuse/core'
import { watch } from 'vue'
import { useOutboxStore } from '~/stores/outbox'
import { useWhoStore } from '~/stores/who'

/** ms without a touch or a key after which the bench's tablet counts as left. The server ends its session after ten minutes without a request. */
const LEFT = 5 * 60_000

/**
 * Locks the bench's tablet when it is left. Not while the server is away: nobody could open it again, and the bench would stand still; nor while something recorded
 * is not sent yet.
 */
export function useTabletLock(): void {
  const who = useWhoStore()
  const outbox = useOutboxStore()
  const { idle } = useIdle(LEFT)
  watch([idle, () => outbox.waiting.length], ([isLeft, waiting]) => {
    if (isLeft && waiting === 0 && who.me?.via === 'tablet' && !who.isOut) void who.leave().catch(() => {})
  })
}
