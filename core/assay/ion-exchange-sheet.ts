import { molarMass, molarMassFigure } from '#core/formula'
import { difference, exact, product, statedWords } from '#core/quantity'
import { ionsOf } from '#core/species'
import { ofWhole } from './titration'
import { aliquotAsked, aliquotOf, at, byVolume, sample } from './titration-parts'
import { NOT_YET, PERCENT, refuse, type Finding, type Outcome, type SheetKind } from './worksheet-kind'

/** A salt run through a cation exchanger in its hydrogen form: every positive charge sets one H+ free, which is titrated with base. */
export const ionExchangeSheet: SheetKind = {
  shape: {
    name: 'Charge by ion exchange',
    about:
      'A weighed salt, dissolved and run through a cation exchanger in its hydrogen form: each positive charge sets one acid free, and the base it takes counts the charges. What is inside a complex’s brackets does not exchange.',
    asked: [
      { key: 'salt', label: 'Salt, as weighed', what: 'formula', example: '[Co(NH3)5Cl]Cl2' },
      {
        key: 'concentration',
        label: 'Strength of the base',
        what: 'quantity',
        kinds: ['concentration'],
        example: '0.1000 mol/L',
        nonZero: true,
      },
      ...aliquotAsked,
    ],
    columns: [
      sample,
      { key: 'volume', label: 'Base used', kinds: ['volume'], nonZero: true },
      { key: 'blank', label: 'Blank', kinds: ['volume'], optional: true },
    ],
    result: 'Purity by its charge',
    unit: PERCENT,
    rows: 'replicates',
  },
  method({ formulas: { salt }, figures }) {
    const { concentration } = figures
    if (!salt || !concentration) return NOT_YET
    const charges = ionsOf(salt)?.reduce((sum, { charge, count }) => sum + Math.max(0, charge) * count, 0)
    if (!charges)
      return refuse(
        'salt',
        `{${salt.text}} does not read as ions.`,
        'Give a salt with its ions, such as K3[Fe(C2O4)3]·3H2O.',
      )
    const divided = aliquotOf(figures)
    if ('refused' in divided) return divided.refused
    return {
      problems: [],
      work({ sample, volume, blank }) {
        if (!sample || !volume) return undefined
        if (blank && blank.value >= volume.value)
          return { problem: at('blank', { code: 'titrate.blank-over', species: 'base' }) }
        const used = blank ? difference('base for the sample', volume, blank) : volume
        const acid = ofWhole(product('acid set free', 'amount', [used, concentration], [], 1e-3), divided.aliquot)
        if (!acid.ok) return { problem: at('volume', acid.problem) }
        const amount = product(
          `amount of {${salt.text}}`,
          'amount',
          [acid.value],
          [exact(charges, 'number', 'charges')],
        )
        return {
          value: product(`{${salt.text}} in the sample`, 'mass fraction', [amount, molarMassFigure(salt)], [sample]),
        }
      },
      judge: outcome => ({
        findings: [...byVolume(outcome), ...chargesFound(charges, molarMass(salt), salt.text, outcome)],
      }),
    }
  },
}

/** How near to a whole number the charges must come to count as one; a judgement, no source. */
const NEAR = 0.1

/** Were the salt pure, how many charges one formula unit would have. */
function chargesFound(written: number, molar: number, text: string, { mean, expanded, whole }: Outcome): Finding[] {
  if (whole.some(({ cells }) => cells.sample?.kind === 'volume')) return []
  const found = (written * mean) / 100
  const half = (written * expanded) / 100
  const nearest = Math.round(found)
  const told = statedWords(found, half)
  const equivalent = `One equivalent is ${((100 * molar) / (written * mean)).toFixed(2)} g.`
  if (nearest === written || Math.abs(found - nearest) > Math.max(NEAR, half))
    return [
      {
        tone: Math.abs(found - written) <= Math.max(NEAR, half) ? 'info' : 'caution',
        tag: 'Charges',
        text: `${told} acids to a formula unit, where {${text}} as it is written gives ${written}. ${equivalent}`,
      },
    ]
  return [
    {
      tone: 'caution',
      tag: 'Charges',
      text: `${told} acids to a formula unit: ${nearest}, where {${text}} as it is written gives ${written}. An ion stands inside the brackets that is written outside, or the other way. ${equivalent}`,
    },
  ]
}
