import { describe, expect, it } from 'vitest'
import { nextTick, shallowRef } from 'vue'
import { exact, type Figure } from '#core/quantity'
import { useWorking } from './useWorking'

const mass = (value: number, name = 'mass'): Figure => exact(value, 'mass', name)

describe('an open working', () => {
  it('follows its figure, also one of several with a name', async () => {
    const sheet = shallowRef({ zinc: mass(5), acids: [mass(1), mass(2)], water: { total: mass(9, 'water') } })
    const { shown, show } = useWorking(() => sheet.value)
    show(sheet.value.acids[1]!)
    sheet.value = { zinc: mass(50), acids: [mass(10), mass(20)], water: { total: mass(90, 'water') } }
    await nextTick()
    expect(shown.value?.value).toBe(20)
  })

  it('closes when there is no such figure any more, rather than tell an old number', async () => {
    const sheet = shallowRef<object>({ water: mass(9, 'water') })
    const { shown, show } = useWorking(() => sheet.value)
    show((sheet.value as { water: Figure }).water)
    sheet.value = { gas: mass(1, 'gas') }
    await nextTick()
    expect(shown.value).toBeUndefined()
  })

  it('is not touched while nothing is computed anew', async () => {
    const sheet = shallowRef({ water: mass(9, 'water') })
    const { shown, show, close } = useWorking(() => sheet.value)
    show(sheet.value.water)
    await nextTick()
    expect(shown.value?.value).toBe(9)
    close()
    expect(shown.value).toBeUndefined()
  })
})
