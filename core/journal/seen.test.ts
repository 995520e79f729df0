import { describe, expect, it } from 'vitest'
import { entrySchema } from '#core/document'
import { chipsFor, colourSeen, operationNames, saw, seenIn, signs, type Seen } from '.'
import { chips } from './seen'

describe('coded observations', () => {
  it('every sign has a chip, every chip its own label, and cloudy and clear can be seen at every step', () => {
    expect(new Set(chips.map(({ seen }) => seen.sign))).toEqual(new Set(signs))
    expect(new Set(chips.map(({ label }) => label)).size).toBe(chips.length)
    for (const name of operationNames) {
      const labels = chipsFor(name).map(({ label }) => label)
      expect(labels).toEqual(expect.arrayContaining(['cloudy', 'clear']))
      expect(new Set(labels).size).toBe(labels.length)
    }
  })
  it('say what they say: the last of one sign counts, and a denial is no sign of the thing', () => {
    const gas: Seen = { sign: 'gas', is: true, place: 'pot' }
    const stopped: Seen = { ...gas, is: false }
    expect(saw([gas], 'gas')).toBe(true)
    expect(saw([gas, stopped], 'gas')).toBe(false)
    expect(saw([gas, stopped], 'gas', { is: false })).toBe(true)
    expect(saw([stopped, gas], 'gas', { is: false })).toBe(false)
    expect(saw([{ sign: 'smell', is: false, of: 'ammonia' }], 'smell', { of: 'ammonia' })).toBe(false)
    // A cloud in the filtrate is none in the liquor.
    expect(saw([{ sign: 'cloud', is: true, place: 'filtrate' }], 'cloud', { place: 'liquor' })).toBe(false)
  })
  it('of before codes are told by the label that was pressed, and words of one’s own say nothing', () => {
    const seen = (text: string) => seenIn({ kind: 'observation', text })
    expect(seen('filtrate cloudy')).toEqual({ sign: 'cloud', is: true, place: 'filtrate' })
    expect(seen('The filtrate was cloudy at first')).toBeUndefined()
    expect(seenIn({ kind: 'note', text: 'filtrate cloudy' })).toBeUndefined()
    expect(seenIn({ kind: 'observation', text: 'a bit milky', seen: { sign: 'cloud', is: true } })).toEqual({
      sign: 'cloud',
      is: true,
    })
  })
  it('of a colour are of what the step shows', () => {
    expect(colourSeen('blue', 'wash')).toEqual({ sign: 'colour', is: true, place: 'wash', of: 'blue' })
    expect(colourSeen('colourless', 'filter')).toEqual({ sign: 'colour', is: false, place: 'filtrate' })
    expect(colourSeen('green', 'dry').place).toBe('crystals')
  })
  it('are kept as they are by the format', () => {
    const entry = {
      kind: 'observation',
      id: '0b7f7bb4-5f0e-4b57-9c9b-0f8f4e1c0001',
      at: '2026-05-04T09:00:00Z',
      by: '0b7f7bb4-5f0e-4b57-9c9b-0f8f4e1c0002',
      stage: 's1',
      text: 'damp',
      seen: { sign: 'damp', is: true, place: 'crystals' },
    }
    expect(entrySchema.parse(entry)).toEqual(entry)
    expect(entrySchema.safeParse({ ...entry, seen: { sign: 'magic', is: true } }).success).toBe(false)
  })
})
