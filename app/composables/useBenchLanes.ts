import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { clashesOf, layOut, usualHours, type Clash, type LaneSpan } from '#core/procedure'
import { useBenchStore, type BenchBatch } from '~/stores/bench'
import { useLabStore } from '~/stores/lab'
import { localCalendar } from '~/utils/calendar'

export interface Lane {
  readonly batch: BenchBatch
  readonly spans: readonly LaneSpan[]
}
export interface Wanted {
  readonly batch: BenchBatch
  readonly span: LaneSpan
}

/** The lanes of all batches under way as they stand now, what wants hands next, and what two of them want at once. */
export function useBenchLanes() {
  const bench = useBenchStore()
  const lab = useLabStore()
  const clock = useNow({ interval: 20_000 })
  const now = computed(() => clock.value.getTime())
  const hours = computed(() => lab.lab?.settings?.hours ?? usualHours)
  const have = computed(() => lab.lab?.settings?.have ?? {})

  /** A batch whose lane cannot be laid out has none, and takes no other with it. */
  const lanes = computed((): Lane[] =>
    (bench.bench?.batches ?? [])
      .filter(({ brief }) => !brief.isUnreadable)
      .map(batch => ({ batch, spans: spansOf(batch) })),
  )
  function spansOf({ code, lane }: BenchBatch): readonly LaneSpan[] {
    try {
      return layOut(lane, now.value, hours.value, localCalendar)
    } catch (error) {
      console.error(`The lane of ${code}:`, error)
      return []
    }
  }
  /** One a batch: what is late or due, and the next thing for hands. */
  const wanted = computed((): Wanted[] =>
    lanes.value
      .flatMap(({ batch, spans }) => {
        const span = spans.find(({ kind, to }) => kind !== 'done' && kind !== 'wait' && to >= now.value)
        return span ? [{ batch, span }] : []
      })
      .sort((a, b) => a.span.from - b.span.from),
  )
  const clashes = computed((): Clash[] =>
    clashesOf(
      lanes.value.map(({ batch, spans }) => ({ batch: batch.code, spans })),
      have.value,
    ).filter(({ to }) => to > now.value),
  )
  return { now, hours, have, lanes, wanted, clashes }
}
