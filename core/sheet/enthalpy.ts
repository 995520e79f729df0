import { chargeText, findSubstance, type Formula } from '#core/formula'
import { given, type Figure } from '#core/quantity'
import {
  enthalpies,
  enthalpySources,
  heatOfSolutionSource,
  heatsOfSolution,
  standardElements,
  type EnthalpyPhase,
  type SubstanceRow,
} from '#core/reference'
import { ionsOf, partsOf } from '#core/species'

/** Standard uncertainties of the two tables, kJ/mol; a judgement. */
const SPREAD = { C: 0.3, N: 1 } as const

const table: ReadonlyMap<string, Figure> = new Map([
  ...enthalpies.map(([formula, phase, kilojoule, source]): [string, Figure] => [
    `${formula} ${phase}`,
    given(kilojoule, 'molar energy', `formation enthalpy of {${formula}}(${phase})`, {
      source: `formation enthalpy of ${formula}`,
      uncertainty: SPREAD[source],
      written: `${kilojoule} kJ/mol`,
    }),
  ]),
  ...Object.entries(standardElements).flatMap(([phase, symbols]) =>
    symbols.map((symbol): [string, Figure] => [
      `${symbol} ${phase}`,
      given(0, 'molar energy', `formation enthalpy of {${symbol}}`, {
        source: 'exact',
        uncertainty: 0,
        written: '0 kJ/mol',
      }),
    ]),
  ),
])

export const enthalpySourceOf = (formula: string, phase: EnthalpyPhase): string | undefined => {
  const row = enthalpies.find(one => one[0] === formula && one[1] === phase)
  return row && enthalpySources[row[3]]
}

/** Formation enthalpy of a formula in a phase; undefined where the table lacks it. */
export const formationEnthalpy = (formula: Formula, phase: EnthalpyPhase): Figure | undefined =>
  table.get(`${formula.text} ${phase}`)

/** One part of a substance's enthalpy: so many of an entry of the table. */
export type EnthalpyPart = readonly [count: number, of: Figure]

/** A dissolved substance at infinite dilution: by itself where the table has it, else as its ions, and its crystal water as water. */
export function dissolvedEnthalpy(formula: Formula): EnthalpyPart[] | undefined {
  const whole = table.get(`${formula.text} aq`)
  if (whole) return [[1, whole]]
  const ions = ionsOf(formula)
  if (!ions) return undefined
  const parts: EnthalpyPart[] = []
  for (const { text, charge, count } of ions) {
    const ion = table.get(`${text.replace(/^\[(.*)\]$/, '$1')}${chargeText(charge)} aq`)
    if (!ion) return undefined
    parts.push([count, ion])
  }
  const { waters } = partsOf(formula.text)
  if (waters === 0) return parts
  const water = waterEnthalpy('l')
  return water && [...parts, [waters, water]]
}

/** Heat set free by dissolving a mole of the pure reagent in `waters` moles of water, kJ; linear in 1/n. Undefined off the table. */
export function heatOfSolution(reagent: string, waters: number): Figure | undefined {
  const rows = heatsOfSolution.find(one => one.reagent === reagent)?.rows
  if (!rows) return undefined
  for (let i = 1; i < rows.length; i++) {
    const [low, below] = rows[i - 1]!
    const [high, above] = rows[i]!
    if (waters < low || waters > high) continue
    const share = (1 / low - 1 / waters) / (1 / low - 1 / high)
    const value = below + (above - below) * share
    return given(
      value,
      'molar energy',
      `heat of solution of {${reagent}} in ${Number(waters.toPrecision(3))} of water`,
      {
        source: heatOfSolutionSource,
        uncertainty: 2,
        written: `${value.toFixed(1)} kJ/mol`,
      },
    )
  }
  return undefined
}

const PURE: Readonly<Record<string, EnthalpyPhase>> = { H2SO4: 'l', HNO3: 'l', NaOH: 's', KOH: 's', HCl: 'g' }

/** A strong solution: the pure reagent less its heat of solution in the water it has. Undefined where that is not tabulated. */
export function solutionEnthalpy(formula: Formula, waters: number): EnthalpyPart[] | undefined {
  const phase = PURE[formula.text]
  const pure = phase && formationEnthalpy(formula, phase)
  const heat = heatOfSolution(formula.text, waters)
  return (
    pure &&
    heat && [
      [1, pure],
      [-1, heat],
    ]
  )
}

/** Whether a substance is dissolved in the pot: true for what is soluble, a strong acid or a gas held in water. */
export function isDissolved(formula: Formula, own?: readonly SubstanceRow[]): boolean | undefined {
  const row = findSubstance(formula, own)?.row
  if (!row) return undefined
  return row.water === 'soluble' || row.water === 'reacts'
}

export const waterEnthalpy = (phase: 'l' | 'g'): Figure | undefined => table.get(`H2O ${phase}`)
