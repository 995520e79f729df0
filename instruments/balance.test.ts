import { describe, expect, it } from 'vitest'
import { clear, display, load, makeBalance, makeProbe, noise, probeSays, putInto, surroundings, tare } from '.'

const shown = (text: string): number => Number(text.replace(' g', ''))

describe('the simulated balance', () => {
  it('settles on the load, within a step or two of its resolution', () => {
    const loaded = load(makeBalance(0.01, 5), 31.184, 100)
    expect(display(loaded, 100.2).steady).toBe(false)
    expect(shown(display(loaded, 100.2).text)).toBeLessThan(20)
    const settled = display(loaded, 110)
    expect(settled.steady).toBe(true)
    expect(Math.abs(shown(settled.text) - 31.184)).toBeLessThan(0.02)
    expect(settled.text).toMatch(/^\d+\.\d\d g$/)
  })

  it('shows the same for as long as it says that it is steady, load after load', () => {
    for (const seed of [1, 5, 12, 77])
      for (const grams of [0.0049, 31.184, 31.185, 12.3456]) {
        const loaded = load(makeBalance(0.01, seed), grams, 0)
        const shown = Array.from({ length: 60 }, (_, i) => display(loaded, 2 + i / 5))
        const steady = shown.filter(one => one.steady).map(({ text }) => text)
        expect(new Set(steady).size).toBe(1)
        expect(steady.length).toBeGreaterThan(40)
      }
  })

  it('shows as many digits as its resolution', () => {
    expect(display(load(makeBalance(0.0001, 5), 1, 0), 60).text).toMatch(/^\d\.\d{4} g$/)
  })

  it('counts from its tare, and goes below zero when the vessel is gone', () => {
    const tared = tare(load(makeBalance(0.01, 5), 40, 0), 20)
    expect(Math.abs(shown(display(tared, 30).text))).toBeLessThan(0.02)
    const filled = load(tared, 5, 40)
    expect(Math.abs(shown(display(filled, 60).text) - 5)).toBeLessThan(0.03)
    expect(shown(display(clear(filled, 70), 90).text)).toBeCloseTo(-40, 0)
  })

  it('creeps with the hours', () => {
    const loaded = load(makeBalance(0.0001, 11), 50, 0)
    const readings = [10, 3600, 7200].map(at => shown(display(loaded, at).text))
    expect(new Set(readings).size).toBeGreaterThan(1)
    expect(Math.abs(readings[2]! - readings[0]!)).toBeLessThan(0.001)
  })

  it('shows the same at the same time, and other noise for another seed', () => {
    const loaded = load(makeBalance(0.01, 5), 12.345, 0)
    expect(display(loaded, 3)).toEqual(display(loaded, 3))
    const values = Array.from({ length: 200 }, (_, i) => noise(3, i))
    expect(Math.min(...values)).toBeGreaterThanOrEqual(0)
    expect(Math.max(...values)).toBeLessThan(1)
    expect(new Set(values).size).toBe(200)
  })
})

describe('a simulated probe', () => {
  it.each(['temperature', 'pH', 'absorbance', 'conductivity'] as const)(
    '%s holds still once it says that it is steady, and says so in the end',
    quantity => {
      const [first, last] = [surroundings[quantity][0].value, surroundings[quantity].at(-1)!.value]
      const put = putInto(putInto(makeProbe(quantity, 3), first, 0), last, 0)
      const said = Array.from({ length: 400 }, (_, i) => probeSays(put, i / 4))
      const from = said.findIndex(({ steady }) => steady)
      expect(from).toBeGreaterThan(0)
      expect(new Set(said.slice(from).map(({ value, steady }) => `${value} ${steady}`)).size).toBe(1)
      expect(Number(said.at(-1)!.value)).toBeCloseTo(last, 2)
    },
  )
})
