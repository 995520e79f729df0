import { describe, expect, it } from 'vitest'
import type { Event } from '#core/procedure'
import { emptyVessel, type Operation, type Vessel } from '#core/vessel'
import { beforeWinning, whenReacted } from './account'

/** Vessels told apart by their temperature. */
const vesselAt = (celsius: number): Vessel => emptyVessel(celsius)
const event = (operation: Operation, celsius: number, species?: string): Event =>
  ({
    id: `${celsius}`,
    step: `${celsius}`,
    operation,
    words: '',
    out: [],
    after: vesselAt(celsius),
    beside: [],
    isKnown: true,
    cautions: [],
    ...(species && { charge: { species } }),
  }) as Event
const observe: Operation = { do: 'observe' }
const stir: Operation = { do: 'stir' } as Operation

describe('what stands before the product is won', () => {
  it.each<[string, Operation]>([
    ['cooling', { do: 'cool', celsius: 5 } as Operation],
    ['boiling off', { do: 'boil off', water: 5 } as Operation],
    ['boiling down', { do: 'boil down' } as Operation],
    ['taking to dryness', { do: 'take to dryness' } as Operation],
    ['distilling', { do: 'distil off' } as Operation],
    ['filtering off the solid', { do: 'filter off', keep: 'solid', retained: 0.2 } as Operation],
  ])('is the vessel before the first %s', (_, operation) => {
    const events = [event(observe, 20, 'Zn'), event(stir, 30), event(operation, 40), event(operation, 50)]
    expect(beforeWinning({ events })!.celsius).toBe(30)
  })
  it('is the last where nothing wins it, and a hot filtration that keeps the liquor is not winning', () => {
    const hot = { do: 'filter off', keep: 'liquor', retained: 0.2 } as Operation
    const events = [event(observe, 20, 'Zn'), event(hot, 60), event(stir, 70)]
    expect(beforeWinning({ events })!.celsius).toBe(70)
    expect(beforeWinning({ events: [] })).toBeUndefined()
  })
  it('is after the last charge once it was stirred, or right after it', () => {
    const charged = [event(observe, 20, 'Zn'), event(observe, 25, 'H2SO4')]
    expect(whenReacted({ events: [...charged, event(stir, 40), event(stir, 60)] })!.celsius).toBe(40)
    expect(whenReacted({ events: [...charged, event(observe, 50)] })!.celsius).toBe(25)
    expect(whenReacted({ events: [event(observe, 20)] })).toBeUndefined()
  })
})
