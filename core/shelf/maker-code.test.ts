import { describe, expect, it } from 'vitest'
import { readMakerCode } from '#core/shelf'

/** The article number 09506000134352 is the example of the GS1 General Specifications; its check digit by hand: 3·(9+0+0+0+1+4+5) … = 10·n. Dates and lots are ours. */
const GTIN = '09506000134352'

describe('readMakerCode', () => {
  it('reads element strings, with a separator where a value has no fixed length', () => {
    expect(readMakerCode(`]d201${GTIN}17270531` + `10Z-118\u001d310300025021S7`)).toEqual({
      article: GTIN,
      lot: 'Z-118',
      expires: '2027-05-31',
      amount: '250 g',
      serial: 'S7',
    })
  })
  it('reads them with brackets, as they are printed under the code', () => {
    expect(readMakerCode(`(01)${GTIN}(10)CO-7 (17)280200`)).toEqual({
      article: GTIN,
      lot: 'CO-7',
      // Day 00: the last of the month, of a leap year here.
      expires: '2028-02-29',
    })
  })
  it('takes a bare article number, and none whose check digit is wrong', () => {
    expect(readMakerCode('9506000134352')).toEqual({ article: '9506000134352' })
    expect(readMakerCode('9506000134353')).toBeUndefined()
    expect(readMakerCode(`01${'09506000134353'}10X`)).toBeUndefined()
  })
  it('takes nothing else for one', () => {
    for (const text of ['', 'B-014', 'http://127.0.0.1:3000/shelf/B-014', '17991332', 'hello', '(10)'])
      expect(readMakerCode(text)).toBeUndefined()
  })
})
