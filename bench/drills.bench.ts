import { bench, describe } from 'vitest'
import { demoBatches } from '#demo'
import { judge, makeQuestion } from '#core/drill'
import { expertRun, practiceOf, shownCrop } from '#core/practice'

// A question is made beside the page, and judged once more at the server: the slowest asks the model of solutions.
describe('drills', () => {
  let seed = 0
  for (const family of ['weigh', 'titration', 'curve', 'first', 'route'])
    bench(`a question of “${family}”, judged`, () => {
      judge(makeQuestion(family, (seed += 1), 2)!, '1')
    })
})

describe('the practice bench', () => {
  const { document } = demoBatches(new Date()).find(({ code }) => code === 'ZN-021')!
  const practice = practiceOf(document, 7)
  if (!practice.ok) throw new Error(practice.why)
  let id = 0
  const entries = expertRun(practice.value, Date.now(), 'me', () => String((id += 1)))
  bench('what the balance shows of the crop', () => {
    shownCrop(practice.value, entries)
  })
})
