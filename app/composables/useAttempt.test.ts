import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { useAttempt } from './useAttempt'

describe('useAttempt', () => {
  it('is the value while there is one', () => {
    const water = ref(10)
    const doubled = useAttempt('twice the water', () => water.value * 2)
    expect(doubled.value.value).toBe(20)
    expect(doubled.failed.value).toBeUndefined()
    water.value = 12
    expect(doubled.value.value).toBe(24)
  })

  it('keeps a failure to itself, comes back when what it hangs on changes, and when it is tried again', () => {
    const log = vi.spyOn(console, 'error').mockImplementation(() => {})
    const text = ref('no number')
    let isBroken = true
    const read = useAttempt('the reading', () => {
      if (isBroken || text.value === 'no number') throw new Error('broken')
      return text.value
    })
    expect(read.value.value).toBeUndefined()
    expect(read.failed.value).toBe('broken')
    text.value = '5 g'
    expect(read.failed.value).toBe('broken')
    isBroken = false
    expect(read.failed.value).toBe('broken')
    read.retry()
    expect(read.value.value).toBe('5 g')
    expect(read.failed.value).toBeUndefined()
    log.mockRestore()
  })
})
