import { molarMass, molarMassFigure } from '#core/formula'
import { difference, product, statedWords, toSignificant } from '#core/quantity'
import { ionsOf } from '#core/species'
import { errorAt, fitCurve, slopeAt, valueAt } from './least-squares'
import { studentT } from './student'
import { NOT_YET, type Choices, type Finding, type Outcome, type SheetKind } from './worksheet-kind'

/**
 * Molar conductance in water at 25 °C, about a thousandth molar, by the number of ions that a complex gives, S cm²/mol: the ranges of textbooks of coordination
 * chemistry (W. J. Geary, Coord. Chem. Rev. 7 (1971) 81, and A. Werner's series, from memory).
 */
const TYPES = [
  { ions: 1, name: 'no electrolyte', from: 0, to: 60 },
  { ions: 2, name: '1:1', from: 96, to: 150 },
  { ions: 3, name: '1:2 or 2:1', from: 225, to: 285 },
  { ions: 4, name: '1:3 or 3:1', from: 380, to: 445 },
  { ions: 5, name: '1:4 or 4:1', from: 500, to: 570 },
] as const
/** Beyond this strength ions hold each other back too much for the ranges, mol/L. */
const DILUTE = 0.003

/** A solution of a weighed complex and its conductivity: how many ions it gives. */
export const conductanceSheet: SheetKind = {
  shape: {
    name: 'Molar conductance',
    about:
      'A weighed complex made up with water, about a thousandth molar, and its conductivity at 25 °C: the molar conductance tells how many ions it gives, and so what is inside the brackets.',
    asked: [{ key: 'salt', label: 'Complex, as weighed', what: 'formula', example: '[Co(NH3)6]Cl3' }],
    columns: [
      { key: 'sample', label: 'Weighed', kinds: ['mass'], nonZero: true },
      { key: 'madeUp', label: 'made up to', kinds: ['volume'], nonZero: true },
      { key: 'conductivity', label: 'Conductivity', kinds: ['conductivity'], instrument: 'conductivity' },
      { key: 'water', label: 'of the water', kinds: ['conductivity'], optional: true, instrument: 'conductivity' },
    ],
    result: 'Molar conductance',
    unit: { scale: 1, text: 'S cm²/mol' },
    rows: 'replicates',
  },
  method({ formulas: { salt } }) {
    if (!salt) return NOT_YET
    return {
      problems: [],
      work({ sample, madeUp, conductivity, water }) {
        if (!sample || !madeUp || !conductivity) return undefined
        if (water && water.value >= conductivity.value)
          return {
            problem: {
              key: 'water',
              why: 'The water conducts as well as the solution.',
              fix: 'Check whether the two are swapped, and the water.',
            },
          }
        const own = water ? difference('conductivity of the salt', conductivity, water) : conductivity
        const strength = product(
          `concentration of {${salt.text}}`,
          'concentration',
          [sample],
          [molarMassFigure(salt), madeUp],
          1000,
        )
        return { value: product('molar conductance', 'molar conductance', [own], [strength]) }
      },
      judge: outcome => ({
        findings: [
          ...atInfiniteDilution(molarMass(salt), outcome),
          ...tooStrong(molarMass(salt), outcome),
          ...whatItGives(
            outcome,
            ionsOf(salt)?.reduce((sum, { count }) => sum + count, 0),
            salt.text,
          ),
        ],
        choices: [againstTypes(outcome)],
      }),
    }
  },
}

/** The strongest solution should be at least so many times the weakest for a line to be carried to none; a judgement, no source. */
const SPAN = 2

/** Kohlrausch’s square-root law: the molar conductance carried to infinite dilution, where three strengths or more are there. */
function atInfiniteDilution(molar: number, { whole, values }: Outcome): Finding[] {
  const points = whole.flatMap(({ cells: { sample, madeUp } }, i) => {
    const value = values[i]
    return sample && madeUp && value !== undefined
      ? [{ x: Math.sqrt((1000 * sample.value) / molar / madeUp.value), y: value }]
      : []
  })
  const strengths = points.map(({ x }) => x ** 2)
  if (points.length < 3 || Math.max(...strengths) < SPAN * Math.min(...strengths)) return []
  const fit = fitCurve(points, 1)
  if (!fit) return []
  const half = studentT(0.95, fit.freedom) * errorAt(fit, 0)
  const rises = slopeAt(fit, 0) > 0
  return [
    {
      tone: rises ? 'caution' : 'info',
      tag: 'Infinite dilution',
      text: rises
        ? 'The molar conductance rises with the strength: check the dilutions, and the water.'
        : `${statedWords(valueAt(fit, 0), half, 'S cm²/mol')} (95 %), by the line of the molar conductance against the root of the strength, ${points.length} points.`,
    },
  ]
}

const tooStrong = (molar: number, { whole }: Outcome): Finding[] =>
  whole.flatMap(({ row, cells: { sample, madeUp } }) =>
    sample && madeUp && (1000 * sample.value) / molar / madeUp.value > DILUTE
      ? [
          {
            tone: 'caution' as const,
            tag: 'Strong for it',
            text: `Replicate ${row} is ${toSignificant((1e6 * sample.value) / molar / madeUp.value, 2)} mmol/L, where ions hold each other back: dilute it to about 1 mmol/L, and the molar conductance rises.`,
          },
        ]
      : [],
  )

const typeOf = (value: number) => TYPES.find(({ from, to }) => value >= from && value <= to)

function whatItGives({ mean }: Outcome, written: number | undefined, text: string): Finding[] {
  const type = typeOf(mean)
  const asWritten = written === undefined ? '' : ` {${text}} as it is written would give ${written}.`
  if (!type)
    return [
      {
        tone: 'caution',
        tag: 'Ions',
        text: `${toSignificant(mean, 3)} S cm²/mol lies between the types: a mixture, a complex that takes up water, or not 25 °C.${asWritten}`,
      },
    ]
  const agrees = written === undefined || written === type.ions
  return [
    {
      tone: agrees ? 'info' : 'caution',
      tag: 'Ions',
      text: `${type.ions === 1 ? 'No ions' : `${type.ions} ions`} to a formula (${type.name}).${agrees ? (written === undefined ? '' : ' That is what its formula says.') : `${asWritten} What is inside the brackets may be outside, or the other way.`}`,
    },
  ]
}

const againstTypes = ({ mean }: Outcome): Choices => ({
  title: 'Against the types, in water at 25 °C, about 0.001 mol/L',
  head: ['Type', 'ions', 'S cm²/mol'],
  rows: TYPES.map(({ name, ions, from, to }) => ({
    cells: [name, ions === 1 ? 'none' : String(ions), `${from} to ${to}`],
    fits: mean >= from && mean <= to,
  })),
})
