import { it } from 'vitest'
import { parseFormula } from '#core/formula'
import { potOfSolutes, restOf, arrivals } from '.'
const f = (t: string) => {
  const r = parseFormula(t)
  if (!r.ok) throw new Error(t)
  return r.value
}
const pots: [string, number, [string, number][], number, number][] = [
  [
    'KNO3 from NaNO3+KCl hot NaCl',
    100,
    [
      ['NaNO3', 170],
      ['KCl', 149],
    ],
    100,
    100,
  ],
  [
    'then cooled (after filtering NaCl) KNO3',
    100,
    [
      ['NaNO3', 60],
      ['KCl', 52],
    ],
    80,
    5,
  ],
  [
    'KClO3 from NaClO3+KCl',
    100,
    [
      ['NaClO3', 60],
      ['KCl', 42],
    ],
    90,
    5,
  ],
  [
    'K2Cr2O7 from Na2Cr2O7+KCl',
    100,
    [
      ['Na2Cr2O7', 60],
      ['KCl', 34],
    ],
    90,
    5,
  ],
  [
    'Solvay NaHCO3',
    100,
    [
      ['NaCl', 30],
      ['NH4HCO3', 40],
    ],
    30,
    30,
  ],
  [
    'Mohr',
    60,
    [
      ['FeSO4', 20],
      ['(NH4)2SO4', 17.4],
    ],
    70,
    5,
  ],
  [
    'alum',
    100,
    [
      ['Al2(SO4)3', 20],
      ['K2SO4', 10.2],
    ],
    80,
    10,
  ],
  ['chrome alum? K2SO4+Cr2(SO4)3', 100, [['KCr(SO4)2.12H2O', 60]], 40, 10],
  [
    'NH4Ni',
    100,
    [
      ['NiSO4', 15],
      ['(NH4)2SO4', 13],
    ],
    80,
    10,
  ],
  [
    'winter: NaCl+MgSO4 at 0',
    100,
    [
      ['NaCl', 30],
      ['MgSO4', 20],
    ],
    30,
    0,
  ],
  [
    'MgSO4+KCl 25 -> schoenite/KCl',
    100,
    [
      ['MgSO4', 30],
      ['KCl', 40],
    ],
    60,
    10,
  ],
  [
    'carnallite',
    60,
    [
      ['MgCl2', 40],
      ['KCl', 15],
    ],
    100,
    10,
  ],
  [
    'BaCl2+2NaNO3 -> Ba(NO3)2',
    100,
    [
      ['BaCl2', 30],
      ['NaNO3', 25],
    ],
    90,
    10,
  ],
  [
    'Pb(NO3)2+NaCl',
    100,
    [
      ['Pb(NO3)2', 30],
      ['NaCl', 11],
    ],
    90,
    10,
  ],
  [
    'NH4NO3+KCl -> KNO3',
    60,
    [
      ['NH4NO3', 60],
      ['KCl', 56],
    ],
    90,
    5,
  ],
  [
    'NaNO3+NH4Cl -> NaCl hot',
    60,
    [
      ['NaNO3', 70],
      ['NH4Cl', 44],
    ],
    100,
    0,
  ],
  [
    'Na2SO4+KCl -> glaserite/K2SO4',
    100,
    [
      ['Na2SO4', 35],
      ['KCl', 37],
    ],
    80,
    10,
  ],
  [
    'K2CO3+NaCl',
    100,
    [
      ['K2CO3', 69],
      ['NaCl', 58],
    ],
    80,
    10,
  ],
  [
    'Ca(NO3)2+K2SO4 gypsum',
    100,
    [
      ['Ca(NO3)2', 16],
      ['K2SO4', 17],
    ],
    60,
    20,
  ],
  [
    'CuSO4+KCl',
    60,
    [
      ['CuSO4', 16],
      ['KCl', 15],
    ],
    80,
    5,
  ],
  [
    'CuSO4+2NaCl',
    60,
    [
      ['CuSO4', 30],
      ['NaCl', 22],
    ],
    80,
    5,
  ],
  [
    'MgSO4+2NaNO3',
    60,
    [
      ['MgSO4', 36],
      ['NaNO3', 51],
    ],
    80,
    0,
  ],
  [
    'ZnSO4+NaCl',
    60,
    [
      ['ZnSO4', 40],
      ['NaCl', 29],
    ],
    80,
    0,
  ],
  [
    'NaCl+Na2SO4 50C',
    60,
    [
      ['NaCl', 22],
      ['Na2SO4', 15],
    ],
    80,
    20,
  ],
  [
    'NaOH+Na2CO3',
    60,
    [
      ['NaOH', 20],
      ['Na2CO3', 20],
    ],
    80,
    20,
  ],
  [
    'KBr+NaNO3',
    60,
    [
      ['KBr', 60],
      ['NaNO3', 43],
    ],
    90,
    5,
  ],
  [
    'KI+NaNO3',
    60,
    [
      ['KI', 83],
      ['NaNO3', 43],
    ],
    90,
    5,
  ],
  [
    'NH4Cl+CuSO4',
    60,
    [
      ['NH4Cl', 11],
      ['CuSO4', 16],
    ],
    80,
    5,
  ],
  [
    'KH2PO4+NaCl',
    100,
    [
      ['NaH2PO4', 60],
      ['KCl', 37],
    ],
    90,
    5,
  ],
  [
    'NaClO4+KCl->KClO4',
    200,
    [
      ['NaClO4', 25],
      ['KCl', 15],
    ],
    90,
    5,
  ],
  [
    'KMnO4+NaCl',
    100,
    [
      ['KMnO4', 10],
      ['NaCl', 10],
    ],
    60,
    5,
  ],
  [
    'K2SO4+NiSO4',
    100,
    [
      ['NiSO4', 15.5],
      ['K2SO4', 17.4],
    ],
    80,
    5,
  ],
  [
    'CoCl2 + NaCl',
    60,
    [
      ['CoCl2', 30],
      ['NaCl', 15],
    ],
    80,
    5,
  ],
  [
    'SrCl2+Na2SO4',
    100,
    [
      ['SrCl2', 10],
      ['Na2SO4', 9],
    ],
    80,
    5,
  ],
  [
    'NaNO2+KCl',
    60,
    [
      ['NaNO2', 40],
      ['KCl', 43],
    ],
    90,
    5,
  ],
  [
    'K2C2O4+NaCl',
    100,
    [
      ['K2C2O4', 30],
      ['NaCl', 21],
    ],
    90,
    5,
  ],
  [
    'MgCl2+Na2SO4 20',
    60,
    [
      ['MgCl2', 24],
      ['Na2SO4', 35],
    ],
    60,
    10,
  ],
]
it('L', () => {
  const out: string[] = []
  for (const [name, w, salts, hi, lo] of pots) {
    const p = potOfSolutes(
      w,
      salts.map(([s, m]) => ({ form: f(s), mass: m })),
      hi,
    )
    if (!p.ok) {
      out.push(name + ' ' + JSON.stringify(p))
      continue
    }
    const a = arrivals(p.value, hi, lo)
    const r = restOf({ ...p.value, celsius: lo })
    out.push(
      name +
        ' => ' +
        a.map(x => `${x.form}@${x.celsius.toFixed(0)} ${x.mass.toFixed(1)}g`).join(', ') +
        (r.ok
          ? ' notknown ' + r.value.leftOut.join(',') + (r.value.isUnsettled ? ' UNSETTLED' : '')
          : JSON.stringify(r.problem)),
    )
  }
  console.log(out.join('\n'))
})
