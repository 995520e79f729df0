import { isPaused, remaining, type Timer } from '#core/journal'
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
    /** So much more from now on, where it is over already. */
    add(code: string, timer: Timer, seconds: number): void {
      const left = remaining(timer, Date.now()) ?? 0
      turn(code, timer, 'add', Math.round(seconds + Math.max(0, -left)))
    },
    stop: (code: string, timer: Timer): void => turn(code, timer, 'stop'),
  }
}
