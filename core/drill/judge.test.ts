import { describe, expect, it } from 'vitest'
import { judge } from './judge'
import { askAgain, makeQuestion, slipsOf } from './make'
import type { Question } from './question'

const zinc: Question = {
  family: 'weigh',
  seed: 1,
  level: 1,
  ask: 'How much {Zn} do you weigh for 40.0 g of {ZnSO4·7H2O}?',
  facts: [],
  why: [],
  working: [],
  answer: {
    is: 'number',
    kind: 'mass',
    value: 9.095,
    onPaper: 9.095,
    unit: 'g',
    size: 1,
    digits: 3,
    slipped: [
      { of: [{ id: 'waters left out', says: 'Reckoned with {ZnSO4}.' }], answer: 16.2 },
      { of: [{ id: 'thousand', says: 'A thousandth.' }], answer: 0.009095 },
    ],
  },
}

describe('an answer in a number with its unit', () => {
  it.each([
    ['9.10 g', 'right'],
    ['9.09 g', 'right'],
    ['9095 mg', 'right'],
    ['0.00910 kg', 'right'],
    ['9.1 g', 'right'],
    ['9 g', 'too short'],
    ['16.2 g', 'slip'],
    ['9.10 mg', 'slip'],
    ['12.3 g', 'wrong'],
    ['9.10', 'unread'],
    ['9.10 mL', 'unread'],
    ['9,10 g', 'unread'],
    ['nine', 'unread'],
    ['', 'unread'],
    ['?', 'wrong'],
  ])('%s is %s', (typed, is) => expect(judge(zinc, typed).is).toBe(is))

  it('names the slip, on the learner’s own numbers', () =>
    expect(judge(zinc, '16.2 g')).toEqual({
      is: 'slip',
      slips: [{ id: 'waters left out', says: 'Reckoned with {ZnSO4}.' }],
    }))

  it('says that more digits are written than are known', () =>
    expect(judge(zinc, '9.09512 g')).toMatchObject({ is: 'right', note: expect.stringContaining('3 digits') }))
})

describe('an answer in a formula or a name', () => {
  const copper = makeQuestion('formula', 1, 2)!
  it('is right however its parts are ordered, and is told where it does not read', () => {
    const written: Question = {
      ...copper,
      answer: {
        is: 'formula',
        text: 'CuSO4·5H2O',
        slipped: [{ of: [{ id: 'waters left out', says: '' }], answer: 'CuSO4' }],
      },
    }
    expect(judge(written, 'CuSO4.5H2O').is).toBe('right')
    expect(judge(written, 'CuSO4').is).toBe('slip')
    expect(judge(written, 'CuSO3').is).toBe('wrong')
    expect(judge(written, 'CuSo4)').is).toBe('unread')
  })
  it('takes another name of the same substance, and asks for the numeral', () => {
    const name: Question = {
      ...copper,
      answer: {
        is: 'name',
        text: 'copper(II) sulfate pentahydrate',
        formula: 'CuSO4·5H2O',
        slipped: [{ of: [{ id: 'numeral left out', says: '' }], answer: 'copper sulfate pentahydrate' }],
      },
    }
    expect(judge(name, 'Copper(II)  sulphate pentahydrate').is).toBe('right')
    expect(judge(name, 'copper sulfate pentahydrate').is).toBe('slip')
    expect(judge(name, 'copper(II) sulfate').is).toBe('wrong')
    expect(judge(name, 'blue stuff').is).toBe('wrong')
  })
})

it('teeth that stay open are told by what does not count the same', () => {
  const question = makeQuestion('balance', 3, 2)!
  if (question.answer.is !== 'teeth') throw new Error('No teeth.')
  expect(judge(question, question.answer.right.map(one => one + 1).join(' '))).toMatchObject({
    is: 'wrong',
    says: expect.stringContaining('Still open'),
  })
})

it('a slip is asked for again in another dress', () => {
  const question = makeQuestion('weigh', 5, 2)!
  const again = askAgain(question, 'assay multiplied')!
  expect(again.ask).not.toBe(question.ask)
  expect(slipsOf(again)).toContain('assay multiplied')
})

it('no question of a family that there is not', () => expect(makeQuestion('alchemy', 1, 1)).toBeUndefined())
