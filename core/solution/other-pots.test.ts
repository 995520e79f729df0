import { expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { arrivals, potOfSolutes } from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}

/*
 * What comes first from pots of preparations and works that tuned nothing in the model: texts of inorganic preparation and of industrial chemistry, from memory. Water g, salts g, cooled from one temperature to another;
 * what stands at the start comes first. Masses are those of the equation’s amounts.
 */
it.each([
  ['soda from brine and ammonia', 100, [['NaCl', 30], ['NH4HCO3', 25]], 40, 15, ['NaHCO3']],
  ['dichromate of potash from that of soda', 100, [['Na2Cr2O7', 52], ['KCl', 30]], 95, 5, ['K2Cr2O7']],
  ['chlorate of potash from that of soda', 100, [['NaClO3', 30], ['KCl', 21]], 80, 5, ['KClO3']],
  ['ammonium vanadate', 100, [['NaVO3', 10], ['NH4Cl', 10]], 60, 20, ['NH4VO3']],
  ['baryta nitrate from the chloride', 100, [['BaCl2', 20], ['NaNO3', 17]], 80, 5, ['Ba(NO3)2']],
  ['Mohr’s salt', 100, [['FeSO4', 20], ['(NH4)2SO4', 17.4]], 60, 5, ['(NH4)2Fe(SO4)2·6H2O']],
  ['its nickel and potassium kin', 100, [['NiSO4', 15.5], ['K2SO4', 17.4]], 80, 5, ['K2Ni(SO4)2·6H2O']],
  ['its manganese kin', 100, [['MnSO4', 45], ['(NH4)2SO4', 40]], 60, 5, ['(NH4)2Mn(SO4)2·6H2O']],
  ['alum', 100, [['Al2(SO4)3', 10], ['K2SO4', 5.1]], 80, 5, ['KAl(SO4)2·12H2O']],
  ['ammonium alum beside Glauber’s salt', 100, [['Al2(SO4)3', 10], ['(NH4)2SO4', 4], ['Na2SO4', 6]], 80, 5, ['NH4Al(SO4)2·12H2O']],
  ['chrome alum', 100, [['Cr2(SO4)3', 19.6], ['K2SO4', 8.7]], 45, 5, ['KCr(SO4)2·12H2O']],
  ['blödite from Epsom and Glauber’s salts', 100, [['MgSO4', 36], ['Na2SO4', 36]], 50, 25, ['Na2Mg(SO4)2·4H2O']],
  ['carnallite from much magnesium chloride', 100, [['MgCl2', 50], ['KCl', 8]], 80, 15, ['KMgCl3·6H2O']],
  ['sylvine from little', 100, [['MgCl2', 10], ['KCl', 35]], 80, 15, ['KCl']],
  ['dihydrogenphosphate of potassium', 100, [['NaH2PO4', 36], ['KCl', 22.4]], 80, 5, ['KH2PO4']],
  ['Glauber’s salt from zinc vitriol and salt', 100, [['ZnSO4', 40], ['NaCl', 29]], 60, 0, ['Na2SO4·10H2O']],
  ['sal ammoniac beside salt', 100, [['NaCl', 20], ['NH4Cl', 35]], 80, 5, ['NH4Cl']],
  ['glaserite from Glauber’s salt and potash muriate', 100, [['Na2SO4', 14.2], ['KCl', 22.4]], 80, 5, ['K3Na(SO4)2']],
  ['saltpetre, after salt that stands hot', 60, [['NaNO3', 51], ['KCl', 44.7]], 100, 5, ['NaCl', 'KNO3']],
  ['lithia from soda', 100, [['LiCl', 20], ['Na2CO3', 25]], 90, 80, ['Li2CO3']],
  ['bicarbonate of potash', 100, [['K2CO3', 60], ['KHCO3', 35]], 70, 5, ['KHCO3']],
  ['salt from strong lye', 100, [['NaOH', 60], ['NaCl', 20]], 80, 20, ['NaCl']],
  ['horn lead', 100, [['Pb(NO3)2', 15], ['KCl', 7]], 90, 10, ['PbCl2']],
  ['gypsum', 100, [['Ca(NO3)2', 10], ['K2SO4', 10]], 60, 10, ['CaSO4·2H2O']],
] as const)('%s', (_, water, salts, from, to, first) => {
  const pot = potOfSolutes(
    water,
    salts.map(([text, mass]) => ({ form: f(text), mass })),
    from,
  )
  if (!pot.ok) throw new Error(pot.problem.code)
  const order = arrivals(pot.value, from, to)
  expect(order.slice(0, first.length).map(({ form }) => form)).toEqual(first)
}) // prettier-ignore
