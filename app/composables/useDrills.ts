import { computed, ref, shallowRef } from 'vue'
import type { Answered, Outcome, Question } from '#core/drill'
import { dropFromDevice, keepOnDevice, readFromDevice } from '~/utils/device'
import { ofLab } from '~/utils/whose'
import type { Address, Stand, Told } from '../workers/drills'
import { send } from './useAsked'
import { useDrillWorker } from './useDrillWorker'

interface Given extends Address {
  readonly id: string
  readonly typed: string
  readonly at: string
}
const MOST_SEED = 1_000_000
const OUTCOMES: readonly string[] = ['right', 'too short', 'slip', 'wrong'] satisfies Outcome[]

/** One’s own practice: the question at hand, what is said of the answer, and how one stands. What the server has not heard yet waits on the device. */
export function useDrills(person: () => string) {
  const { ask } = useDrillWorker()
  const answers = shallowRef<readonly Answered[]>([])
  const stands = shallowRef<readonly Stand[]>([])
  const question = shallowRef<Question>()
  const told = shallowRef<Told>()
  const after = ref<string>()
  const state = ref<'loading' | 'asking' | 'judged' | 'failed'>('loading')
  const isAway = ref(false)
  const only = ref<readonly string[]>([])
  /** Only the first answer to a question counts; trying again after the verdict is practice. */
  let hasCounted = false

  const place = (): string => ofLab(`drills.${person()}`)
  const pending = (): Given[] => readFromDevice<Given[]>(place()) ?? []
  const keep = (all: readonly Given[]): void =>
    void (all.length > 0 ? keepOnDevice(place(), all) : dropFromDevice(place()))

  /** Sends what waits, in its order; what the server refuses for good is let go. */
  async function flush(): Promise<void> {
    for (const one of pending()) {
      try {
        await send('/api/drills', { method: 'POST', body: one })
      } catch (error) {
        const { statusCode = 0 } = error as { statusCode?: number }
        if (statusCode < 400 || statusCode >= 500 || statusCode === 401 || statusCode === 429) {
          isAway.value = true
          return
        }
      }
      keep(pending().filter(({ id }) => id !== one.id))
    }
    isAway.value = false
  }

  async function load(first?: Address): Promise<void> {
    await flush()
    try {
      const told = await send<{ answers: Answered[] }>('/api/drills')
      if (Array.isArray(told?.answers)) answers.value = told.answers
    } catch {
      isAway.value = true
    }
    await (first ? take(first) : next())
  }

  function show(asked: Question | undefined, slip?: string): void {
    if (!asked) {
      state.value = 'failed'
      return
    }
    question.value = asked
    told.value = undefined
    after.value = slip
    hasCounted = false
    state.value = 'asking'
  }

  async function next(): Promise<void> {
    const before = question.value
    try {
      const {
        question: asked,
        stands: now,
        after: slip,
      } = await ask<'next'>({
        is: 'next',
        answers: answers.value,
        now: Date.now(),
        only: only.value,
        seed: Math.floor(Math.random() * MOST_SEED),
        ...(before && { before: { family: before.family, level: before.level, seed: before.seed } }),
      })
      stands.value = now
      show(asked, slip)
    } catch {
      state.value = 'failed'
    }
  }

  /** One question by its address: the same for everybody. */
  async function take(of: Address): Promise<void> {
    try {
      const [{ questions }, { stands: now }] = await Promise.all([
        ask<'make'>({ is: 'make', of: [of] }),
        ask<'stand'>({ is: 'stand', answers: answers.value }),
      ])
      stands.value = now
      show(questions[0])
    } catch {
      state.value = 'failed'
    }
  }

  async function check(typed: string): Promise<void> {
    const asked = question.value
    if (!asked) return
    const of = { family: asked.family, level: asked.level, seed: asked.seed }
    const { told: verdict } = await ask<'judge'>({ is: 'judge', of, typed })
    if (question.value !== asked) return
    told.value = verdict
    if (verdict.is === 'unread') return
    state.value = 'judged'
    if (hasCounted || !OUTCOMES.includes(verdict.is)) return
    hasCounted = true
    const at = new Date()
    const slips = verdict.is === 'slip' ? verdict.slips.map(({ id }) => id) : []
    answers.value = [...answers.value, { ...of, outcome: verdict.is, slips, at: at.getTime() }]
    keep([...pending(), { ...of, id: crypto.randomUUID(), typed, at: at.toISOString() }])
    stands.value = (await ask<'stand'>({ is: 'stand', answers: answers.value })).stands
    void flush()
  }

  const waiting = computed(() => isAway.value)
  return { stands, question, told, after, state, waiting, only, load, next, take, check }
}
