import { expect, it } from 'vitest'
import { spoken } from './spoken'

it.each([
  ['Weigh {ZnSO4·7H2O}: 5.21 g', 'Weigh zinc sulfate heptahydrate: 5.21 grams'],
  ['Measure {H2SO4}, 2.00 mol/L: 66.0\u202fmL', 'Measure sulfuric acid, 2.00 moles per litre: 66.0 millilitres'],
  ['Heat to 60 °C', 'Heat to 60 degrees Celsius'],
  ['Boil off 5 g of water', 'Boil off 5 grams of water'],
  ['Add {CuCO3·Cu(OH)2}, 96 %', 'Add basic copper(II) carbonate, 96 percent'],
  ['in 12 portions, then wait 10 min', 'in 12 portions, then wait 10 minutes'],
  ['{Xx2}', 'Xx2'],
])('%s is said: %s', (text, said) => expect(spoken(text)).toBe(said))
