import { describe, expect, it } from 'vitest'
import * as fc from 'fast-check'
import { lineSplitter, makeProbe, probeSays, putInto, readLine, sayLine, textOf, type Said } from '.'

const units: Record<Said['quantity'], Said['unit']> = {
  mass: 'g',
  temperature: '°C',
  pH: '',
  absorbance: '',
  conductivity: 'mS/cm',
}

describe('the instruments’ lines', () => {
  it('read back as they were said, digits kept', () => {
    const said = fc
      .record({
        quantity: fc.constantFrom<Said['quantity']>('mass', 'temperature', 'pH', 'absorbance', 'conductivity'),
        whole: fc.integer({ min: -999, max: 99_999 }),
        places: fc.integer({ min: 0, max: 4 }),
        steady: fc.boolean(),
      })
      .map(({ quantity, whole, places, steady }): Said => ({
        quantity,
        value: whole.toFixed(places),
        unit: units[quantity],
        steady,
      }))
    fc.assert(
      fc.property(said, one => {
        expect(readLine(sayLine(one))).toEqual(one)
      }),
    )
    expect(textOf(readLine('mass 31.180 g steady')!)).toBe('31.180 g')
    expect(textOf(readLine('pH 5.60 - moving')!)).toBe('5.60')
  })
  it.each([
    'mass 31.180 kg steady',
    'mass 31,18 g steady',
    'temperature 20 g steady',
    'mass g steady',
    'hello',
    '',
    'mass 1 g',
  ])('takes %j for noise', line => expect(readLine(line)).toBeUndefined())
  it('come whole out of a port that delivers them in pieces', () => {
    const text = ['mass 1.00 g moving', 'mass 1.02 g steady', 'temperature 20.1 degC steady']
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 80, maxLength: 80 }), sizes => {
        const lines: string[] = []
        const take = lineSplitter(line => lines.push(line))
        let rest = `${text.join('\r\n')}\n`
        for (const size of sizes) {
          take(rest.slice(0, size))
          rest = rest.slice(size)
        }
        expect(lines).toEqual(text)
      }),
    )
  })
})

describe('a probe', () => {
  it('takes its time, then holds still where it was put', () => {
    const cold = makeProbe('temperature', 7)
    expect(probeSays(cold, 0)).toMatchObject({ steady: true, unit: '°C' })
    const hot = putInto(cold, 96.3, 10)
    expect(probeSays(hot, 10.5).steady).toBe(false)
    expect(Number(probeSays(hot, 14).value)).toBeLessThan(80)
    const late = probeSays(hot, 60)
    expect(late.steady).toBe(true)
    expect(Math.abs(Number(late.value) - 96.3)).toBeLessThanOrEqual(0.15)
    const cell = putInto(makeProbe('conductivity', 3), 1.413, 0)
    const said = readLine(sayLine(probeSays(cell, 60)))!
    expect(said).toMatchObject({ quantity: 'conductivity', unit: 'mS/cm', steady: true })
    expect(Math.abs(Number(textOf(said).replace(' mS/cm', '')) - 1.413)).toBeLessThan(0.0003)
  })
})
