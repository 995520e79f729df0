import { describe, expect, it } from 'vitest'
import { clear, display, load, makeBalance, noise, tare } from '.'

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
