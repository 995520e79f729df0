import Fraction from 'fraction.js'
import { bench, describe } from 'vitest'
import { balance, parseEquation } from '#core/equation'

const equations = [
  'KMnO4 + HCl -> KCl + MnCl2 + H2O + Cl2',
  'Cu + HNO3 -> Cu(NO3)2 + NO + H2O',
  'K4Fe(CN)6 + KMnO4 + H2SO4 -> KHSO4 + Fe2(SO4)3 + MnSO4 + HNO3 + CO2 + H2O',
  'CoCO3 + HCl -> CoCl2 + H2O + CO2',
  'Zn + H2SO4 -> ZnSO4 + H2',
  'CuCO3·Cu(OH)2 + H2SO4 -> CuSO4 + CO2 + H2O',
  'MoO3 + NaOH -> Na2MoO4 + H2O',
  'K2Cr2O7 + FeSO4 + H2SO4 -> Cr2(SO4)3 + Fe2(SO4)3 + K2SO4 + H2O',
  'MnO4- + Fe2+ + H+ -> Mn2+ + Fe3+ + H2O',
  'Cr2O7^2- + C2H5OH + H+ -> Cr^3+ + CH3COOH + H2O',
  'P4 + Ba(OH)2 + H2O -> PH3 + Ba(H2PO2)2',
  'Ca3(PO4)2 + SiO2 + C -> CaSiO3 + CO + P4',
  'FeS2 + O2 -> Fe2O3 + SO2',
  'Al + KOH + H2SO4 -> KAl(SO4)2 + H2 + H2O',
  'NH4VO3 + HCl + Zn -> VCl2 + ZnCl2 + NH4Cl + H2O',
  'K2S2O8 + MnSO4 + H2O -> KMnO4 + K2SO4 + H2SO4',
  'H2C2O4 + KMnO4 + H2SO4 -> CO2 + MnSO4 + K2SO4 + H2O',
  'Ni2+ + C4H8N2O2 + NH3 -> Ni(C4H7N2O2)2 + NH4+',
  'As2S3 + HNO3 + H2O -> H3AsO4 + H2SO4 + NO',
  'LiCl + NaBr + KI + RbF + AgNO3 + MgSO4 + CaCO3 + SrCrO4 + BaSeO4 + ZnMoO4 -> LiBr + NaI + KF + RbNO3 + Ag2SO4 + MgCO3 + CaCrO4 + SrSeO4 + BaMoO4 + ZnCl2',
]

/** The same matrices, read beforehand: the peer is timed on the elimination alone. */
const matrices = equations.map(text => {
  const read = parseEquation(text)
  if (!read.ok) throw new Error(`${text}: ${read.problem.code}`)
  const { species } = read.value
  const symbols = [...new Set(species.flatMap(({ formula }) => [...formula.composition.keys()]))]
  const sign = (side: string) => (side === 'reactant' ? 1 : -1)
  return [
    ...symbols.map(symbol => species.map(({ formula, side }) => sign(side) * (formula.composition.get(symbol) ?? 0))),
    species.map(({ formula, side }) => sign(side) * formula.charge),
  ]
})

function eliminate(matrix: readonly (readonly number[])[]): number {
  const rows = matrix.map(row => row.map(entry => new Fraction(entry)))
  const columns = rows[0]!.length
  let rank = 0
  for (let column = 0; column < columns && rank < rows.length; column++) {
    const found = rows.findIndex((row, i) => i >= rank && !row[column]!.equals(0))
    if (found < 0) continue
    ;[rows[rank], rows[found]] = [rows[found]!, rows[rank]!]
    const lead = rows[rank]![column]!
    rows[rank] = rows[rank]!.map(entry => entry.div(lead))
    for (let i = 0; i < rows.length; i++) {
      const factor = rows[i]![column]!
      if (i !== rank && !factor.equals(0)) rows[i] = rows[i]!.map((entry, j) => entry.sub(factor.mul(rows[rank]![j]!)))
    }
    rank++
  }
  return rank
}

describe('20 equations', () => {
  bench('core/equation: reading and balancing', () => {
    for (const text of equations) {
      const read = parseEquation(text)
      if (!read.ok || !balance(read.value).ok) throw new Error(text)
    }
  })
  bench('fraction.js: elimination alone', () => {
    for (const matrix of matrices) if (eliminate(matrix) === 0) throw new Error('rank')
  })
})
