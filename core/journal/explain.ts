import { explainQuantity } from '#core/quantity'
import type { Advice } from '#core/problem'
import type { EntryProblem } from './journal'

export function explainEntry(problem: EntryProblem): Advice {
  switch (problem.code) {
    case 'journal.value':
      return explainQuantity(problem.problem)
    case 'journal.nothing-to-correct':
      return {
        why: 'The entry this would correct is not in the journal.',
        fix: 'Reload the run and correct the entry from the tape.',
      }
    case 'journal.no-reason':
      return { why: 'A correction says why.', fix: 'Give the reason, such as “digits swapped”.' }
    case 'journal.no-reason-skipped':
      return { why: 'A step that is skipped says why.', fix: 'Give the reason in a few words.' }
    case 'journal.empty':
      return { why: 'There is nothing written.', fix: 'Say what you saw or did.' }
  }
}
