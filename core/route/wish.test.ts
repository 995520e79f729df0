import { describe, expect, it } from 'vitest'
import { readWish } from '.'

const told = (line: string) => {
  const { mass, product, from } = readWish(line) ?? { product: undefined, from: [] }
  return [mass, product?.found?.formula.text, ...from.map(one => one.found?.formula.text)]
}

describe('one line', () => {
  it.each([
    ['15 g nickel ammonium sulfate from nickel turnings', ['15 g', '(NH4)2Ni(SO4)2', 'Ni']],
    ['make about 20 g of blue vitriol from copper wire', ['20 g', 'CuSO4·5H2O', 'Cu']],
    ['potash alum, 12.5 g, from aluminium foil', ['12.5 g', 'KAl(SO4)2·12H2O', 'Al']],
    ['CuSO4.5H2O from CuO', [undefined, 'CuSO4·5H2O', 'CuO']],
    ['1,5 kg zinc sulfate heptahydrate using zinc', ['1.5 kg', 'ZnSO4·7H2O', 'Zn']],
    ['saltpetre from chile saltpetre and potassium chloride', [undefined, 'KNO3', 'NaNO3', 'KCl']],
    ['10 grams of [Co(NH3)6]Cl3 from cobalt chloride', ['10 g', '[Co(NH3)6]Cl3', 'CoCl2']],
    ['cobalt chloride hexahydrate', [undefined, 'CoCl2·6H2O']],
    ['15 g nikel amonium sulphate from nickel', ['15 g', '(NH4)2Ni(SO4)2', 'Ni']],
    ['20 g moonlight from Zn', ['20 g', undefined, 'Zn']],
    ['20 g ZnO from stardust', ['20 g', 'ZnO', undefined]],
  ])('%s', (line, expected) => expect(told(line)).toEqual(expected))

  it('takes moles as grams of the form that is meant: 0.1 mol of CuSO4·5H2O is 24.97 g', () => {
    expect(told('0.1 mol blue vitriol from copper')[0]).toBe('25 g')
    // Named without its form: as it comes from water, 395.0 g/mol and not 286.9 of the dry salt.
    expect(told('0.10 mol nickel ammonium sulfate')[0]).toBe('39.5 g')
  })
  it('says why an amount cannot be used, and keeps the rest', () =>
    expect(readWish('0 g ZnO from Zn')).toMatchObject({ amountProblem: expect.any(String), from: [{ text: 'Zn' }] }))
  it('is nothing of an empty line', () => expect(readWish('  ')).toBeUndefined())
})
