import { describe, expect, it } from 'vitest'
import { toSignificant } from '#core/quantity'
import { families } from './families'
import { judge } from './judge'
import { makeQuestion } from './make'
import { levels, type Answer, type Question } from './question'
import { slipAllowance } from './tolerance'
import { slips } from './slips'

/** Every family, a hundred seeds at each of its three steps: 300 questions. */
const SEEDS = Array.from({ length: 100 }, (_, i) => i + 1)

const made = new Map<string, readonly Question[]>()
function questionsOf(family: string): readonly Question[] {
  const known = made.get(family) ?? levels.flatMap(level => SEEDS.map(seed => makeQuestion(family, seed, level)!))
  made.set(family, known)
  return known
}

/** An answer as somebody types it who does not know how many digits are wanted beyond those asked. */
const asTyped = ({ unit, size, digits, within }: Extract<Answer, { is: 'number' }>, value: number): string =>
  `${toSignificant(value / size, within === undefined ? digits : 5)} ${unit}`.trim()

/** The right answer, typed. */
function rightOf(answer: Answer): string {
  switch (answer.is) {
    case 'number':
      return asTyped(answer, answer.value)
    case 'formula':
    case 'name':
      return answer.text
    case 'choice':
    case 'teeth':
      return answer.right.join(' ')
  }
}

/** What each slip would make somebody type; of numbers only those that lie further than the tolerance from the right one and from all others. */
function* slipsOf({ answer }: Question): Generator<{ typed: string; ids: readonly string[]; fair: boolean }> {
  if (answer.is === 'number') {
    const { digits, within, slipped, value } = answer
    for (const one of slipped) {
      const far = (other: number): boolean =>
        Math.abs(one.answer - other) > slipAllowance(one.answer, digits, within) + slipAllowance(other, digits, within)
      const fair = far(value) && slipped.every(other => other === one || far(other.answer))
      yield { typed: asTyped(answer, one.answer), ids: one.of.map(({ id }) => id), fair }
    }
    return
  }
  for (const { of, answer: wrong } of answer.slipped)
    yield { typed: typeof wrong === 'string' ? wrong : wrong.join(' '), ids: of.map(({ id }) => id), fair: true }
}

describe.each(families.map(({ id, name }) => ({ id, name })))('$name', ({ id }) => {
  it('is made of 300 seeds, each time the same, and its right answer is taken for right', () => {
    let count = 0
    for (const question of questionsOf(id)) {
      count += 1
      expect(
        judge(question, rightOf(question.answer)),
        `${id} ${question.level}/${question.seed}: ${question.ask}`,
      ).toMatchObject({ is: 'right' })
    }
    expect(count).toBe(300)
    expect(makeQuestion(id, 7, 2)).toEqual(makeQuestion(id, 7, 2))
  })

  it('names every slip that can be told from the right answer and from the others', () => {
    let [fair, named] = [0, 0]
    for (const question of questionsOf(id)) {
      for (const { typed, ids, fair: isFair } of slipsOf(question)) {
        const verdict = judge(question, typed)
        expect(verdict.is, `${id} ${question.level}/${question.seed}: ${typed}`).not.toBe('right')
        if (!isFair) continue
        fair += 1
        if (verdict.is === 'slip' && verdict.slips.map(one => one.id).join() === ids.join()) named += 1
      }
    }
    expect(fair).toBeGreaterThan(100)
    expect(named / fair).toBeGreaterThanOrEqual(0.95)
  })

  it('says of every slip what it did with these numbers, and how to keep from it', () => {
    for (const question of questionsOf(id))
      for (const { of } of question.answer.slipped)
        for (const { id: slip, says } of of) {
          expect(says.length).toBeGreaterThan(10)
          expect(says).not.toMatch(/\bNaN\b|undefined|Infinity/)
          expect(slips[slip].keep).toMatch(/[.?]$/)
        }
  })

  it('has a working, or says why', () => {
    for (const { working, why, ask, facts, level, seed } of questionsOf(id)) {
      expect(working.length + why.length, `${level}/${seed}`).toBeGreaterThan(0)
      expect([ask, ...facts, ...why, ...working.flatMap(Object.values)].join(' ')).not.toMatch(
        /\bNaN\b|undefined|Infinity|\{\}/,
      )
    }
  })
})
