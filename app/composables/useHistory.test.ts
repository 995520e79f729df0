import { expect, it } from 'vitest'
import { useHistory } from './useHistory'

it('undoes by steps, where one field typed in quick succession is one step', () => {
  let clock = 0
  const { current, start, push, undo, redo, canUndo, canRedo } = useHistory<string>(() => clock)
  start('empty')
  push('8', 'charge')
  push('8.4', 'charge')
  push('8.40', 'charge')
  push('8.40 and acid', 'acid')
  clock = 5000
  push('8.40 and more acid', 'acid')

  expect(undo()).toBe(true)
  expect(current.value).toBe('8.40 and acid')
  undo()
  expect(current.value).toBe('8.40')
  undo()
  expect(current.value).toBe('empty')
  expect([undo(), canUndo.value, canRedo.value]).toEqual([false, false, true])

  redo()
  expect(current.value).toBe('8.40')
  push('other', 'charge')
  expect(canRedo.value).toBe(false)
  undo()
  expect(current.value).toBe('8.40')
})
