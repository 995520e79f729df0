import { isPaused, type Timer } from '#core/journal'
import { useOutboxStore, type NewEntry } from '~/stores/outbox'

/** Turns a clock of any batch; each turn is an entry of that batch's journal. */
export function useTimers() {
  const outbox = useOutboxStore()
  const turn = (code: string, timer: Timer, what: 'pause' | 'resume' | 'add' | 'stop', seconds?: number): void => {
    outbox.record(code, {
      kind: 'timer',
      stage: timer.stage,
      ...(timer.step && { step: timer.step }),
      timer: timer.id,
      what,
      name: timer.name,
      ...(seconds !== undefined && { seconds }),
    } as NewEntry)
  }
  return {
    start(code: string, stage: string, name: string, more: { step?: string; seconds?: number; every?: number }): void {
      outbox.record(code, {
        kind: 'timer',
        stage,
        timer: crypto.randomUUID(),
        what: 'start',
        name,
        ...more,
      } as NewEntry)
    },
    toggle: (code: string, timer: Timer): void => turn(code, timer, isPaused(timer) ? 'resume' : 'pause'),
    add: (code: string, timer: Timer, seconds: number): void => turn(code, timer, 'add', seconds),
    stop: (code: string, timer: Timer): void => turn(code, timer, 'stop'),
  }
}
