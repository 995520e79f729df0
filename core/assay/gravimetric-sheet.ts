import { formsOf, molarMass, parseFormula, type Formula } from '#core/formula'
import { substances } from '#core/reference'
import { difference, formatValue, type Figure } from '#core/quantity'
import { washLoss } from '#core/solution'
import { ionsOf } from '#core/species'
import { balanceNoise, constancy, driedOn } from './constant-mass'
import { carriersOf, type Carrier } from './carrier'
import { analyteShare, gravimetricFactor, shareHeld } from './gravimetric'
import { explainAssay } from './problems'
import { PERCENT, NOT_YET, type Choices, type Finding, type Outcome, type SheetKind } from './worksheet-kind'

/** An analyte weighed as something pure: vessel by difference, to constant mass, less a blank. */
export const gravimetricSheet: SheetKind = {
  shape: {
    name: 'Gravimetric',
    about: 'A weighed sample, thrown down as something pure, dried and weighed.',
    asked: [
      { key: 'analyte', label: 'Analyte', what: 'formula', example: 'Ni' },
      { key: 'weighedAs', label: 'Weighed as', what: 'formula', example: 'Ni(C4H7N2O2)2' },
      {
        key: 'by',
        label: 'Counted by (optional)',
        what: 'text',
        optional: true,
        example: 'Ca, where carbon could count as well',
      },
      {
        key: 'blank',
        label: 'Blank (optional)',
        what: 'quantity',
        kinds: ['mass'],
        optional: true,
        example: '0.3 mg from the same reagents, without a sample',
      },
      {
        key: 'liquor',
        label: 'Filtrate and washings (optional)',
        what: 'quantity',
        kinds: ['volume'],
        optional: true,
        example: '150 mL: what the precipitate lost to them',
      },
      balanceNoise,
      {
        key: 'unknown',
        label: 'The sample is',
        what: 'choice',
        options: ['known', 'an unknown salt of this anion'],
        optional: true,
        example: 'known',
      },
    ],
    columns: [
      { key: 'sample', label: 'Sample', kinds: ['mass'], nonZero: true },
      { key: 'tare', label: 'Crucible or paper', kinds: ['mass'] },
      { key: 'gross', label: 'with the precipitate', kinds: ['mass'] },
      ...driedOn('dried on, again'),
    ],
    result: 'Analyte in the sample',
    unit: PERCENT,
    rows: 'replicates',
  },
  method({ formulas: { analyte, weighedAs }, figures: { blank, liquor, noise }, texts: { unknown, by } }) {
    if (!analyte || !weighedAs) return NOT_YET
    const factor = gravimetricFactor(analyte, weighedAs, by)
    if (!factor.ok) return { problems: [{ key: by ? 'by' : 'weighedAs', ...explainAssay(factor.problem) }] }
    return {
      problems: [],
      factor: factor.value,
      work({ sample, tare, gross, again }) {
        const last = again ?? gross
        if (!sample || !tare || !last || sample.value <= 0) return undefined
        if (last.value < tare.value)
          return {
            problem: {
              key: again ? 'again' : 'gross',
              why: 'This is below the empty vessel.',
              fix: 'Check whether the two are swapped or a digit was misread.',
            },
          }
        const weighed = difference('precipitate', last, tare)
        if (blank && blank.value > weighed.value)
          return {
            problem: {
              key: 'gross',
              why: 'The blank is more than this.',
              fix: 'Check the blank and the two weighings.',
            },
          }
        return {
          value: analyteShare(
            factor.value,
            blank ? difference('precipitate less the blank', weighed, blank) : weighed,
            sample,
          ),
        }
      },
      judge: outcome => ({
        findings: [
          ...whatCounts(analyte, weighedAs, by),
          ...constancy(outcome, 'gross', noise),
          ...solubilityLoss(weighedAs, liquor, outcome),
        ],
        choices: unknown?.startsWith('an unknown') ? [candidates(analyte, outcome)] : [],
      }),
    }
  },
}

/** Where several things could carry the analyte, which one was taken, and what the others would give. */
function whatCounts(analyte: Formula, weighed: Formula, by: string | undefined): Finding[] {
  const [first, ...others] = carriersOf(analyte, weighed)
  if (by || !first || others.length === 0) return []
  const factor = (units: number): string => ((units * molarMass(analyte)) / molarMass(weighed)).toFixed(5)
  const name = ({ by, kind }: Carrier): string => `{${by}}${kind === 'ligand' ? ' as a ligand' : ''}`
  return [
    {
      tone: 'caution',
      tag: 'What counts',
      text: `Counted by ${name(first)}: ${factor(first.units)}. By ${others.map(one => `${name(one)} it would be ${factor(one.units)}`).join(', by ')}. Name it at “Counted by” if the precipitate was made for another.`,
    },
  ]
}

function solubilityLoss(weighed: Formula, liquor: Figure | undefined, { whole }: Outcome): Finding[] {
  if (!liquor) return []
  const lost = washLoss(weighed, molarMass(weighed), liquor.value)
  if (lost === undefined)
    return [
      {
        tone: 'info',
        tag: 'Solubility loss',
        text: `The tables have no solubility product of {${weighed.text}}: what ${formatValue(liquor.value, 'volume', 3)} took is not known.`,
      },
    ]
  const masses = whole.flatMap(({ cells: { gross, again, tare } }) => {
    const last = again ?? gross
    return last && tare ? [last.value - tare.value] : []
  })
  const share = lost / (masses.reduce((sum, mass) => sum + mass, 0) / masses.length + lost)
  return [
    {
      tone: share > 0.002 ? 'caution' : 'info',
      tag: 'Solubility loss',
      text: `Pure water of that volume would hold ${formatValue(lost, 'mass', 2)} (${(share * 100).toPrecision(2)} % of the precipitate) at 25 °C; an excess of the precipitant keeps it far lower. It is not added to the result.`,
    },
  ]
}

/** How many candidates that do not fit are shown beside those that do. */
const NEAREST = 4

/** The same ion, in whatever notation: with or without its charge, its atoms in any order. */
function isIon(text: string, ion: Formula): boolean {
  const read = parseFormula(text)
  return (
    read.ok &&
    read.value.composition.size === ion.composition.size &&
    [...read.value.composition].every(([symbol, count]) => ion.composition.get(symbol) === count)
  )
}

interface SaltShare {
  readonly text: string
  readonly percent: number
}
/** What was worked out for an anion before: typing changes the masses, and not the tables. */
const before = new Map<string, readonly SaltShare[]>()
const MOST_KEPT = 20

/** Every salt of the tables with this anion, in every form, and its percent of it. */
function saltsOf(anion: Formula): readonly SaltShare[] {
  const known = before.get(anion.text)
  if (known) return known
  const all = substances.flatMap(({ formula, forms }) => {
    const read = parseFormula(formula)
    if (!read.ok || !ionsOf(read.value)?.some(({ text, charge }) => charge < 0 && isIon(text, anion))) return []
    return (forms ? formsOf(read.value) : [formula]).flatMap(text => {
      const form = parseFormula(text)
      const share = form.ok ? shareHeld(anion, form.value) : undefined
      return share === undefined ? [] : [{ text, percent: 100 * share }]
    })
  })
  if (before.size >= MOST_KEPT) before.clear()
  before.set(anion.text, all)
  return all
}

/** Salts of the tables with this anion, in every form, whose share of it agrees with the one found. */
function candidates(anion: Formula, { mean, uncertainty }: Outcome): Choices {
  const reach = Math.max(2 * uncertainty, 0.002 * mean)
  const all = saltsOf(anion)
  const sorted = all.toSorted((a, b) => Math.abs(a.percent - mean) - Math.abs(b.percent - mean))
  const fits = sorted.filter(({ percent }) => Math.abs(percent - mean) <= reach)
  return {
    title: `Salts of the tables that would give it, within ${reach.toFixed(2)} percentage points`,
    head: ['Salt', `% {${anion.text}}`, 'off by'],
    rows: sorted.slice(0, fits.length + NEAREST).map(({ text, percent }) => ({
      cells: [`{${text}}`, percent.toFixed(2), (percent - mean).toFixed(2).replace('-', '−')],
      fits: Math.abs(percent - mean) <= reach,
    })),
  }
}
