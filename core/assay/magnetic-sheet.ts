import { molarMass, molarMassFigure, parseFormula, type Formula } from '#core/formula'
import { CELSIUS_ZERO, diamagnetic, elements, magneticStandards, usualMoments, type UsualMoment } from '#core/reference'
import { applied, difference, exact, given, product, sum, type Figure } from '#core/quantity'
import { roman } from '#core/species'
import { partsHeld, type Part } from './carrier'
import { NOT_YET, type Choices, type Finding, type Method, type Outcome, type SheetKind } from './worksheet-kind'

const standardNames = magneticStandards.map(({ formula }) => formula)

/**
 * The effective magnetic moment by weighing in a field (Gouy's method): the pull on the compound against that on a standard in the same tube, filled to the
 * same mark; the molar susceptibility less what its closed shells take off; and the unpaired electrons that this means.
 */
export const magneticSheet: SheetKind = {
  shape: {
    name: 'Magnetic moment',
    about:
      'One tube, weighed without and with the field: empty, filled with a standard, and filled to the same mark with the compound. The pulls give the susceptibility, the closed shells are put right by tables, and the moment tells the unpaired electrons.',
    asked: [
      { key: 'salt', label: 'Compound', what: 'formula', example: 'K3[Fe(C2O4)3]·3H2O' },
      {
        key: 'temperature',
        label: 'Temperature of the sample',
        what: 'quantity',
        kinds: ['temperature'],
        example: '20.0 °C',
      },
      { key: 'standard', label: 'Standard', what: 'choice', options: standardNames, optional: true, example: '' },
      ...weighedTwice('tube', 'Empty tube', '12.3456 g', '12.3441 g'),
      ...weighedTwice('filled', 'Tube with the standard', '13.1204 g', '13.1561 g'),
      {
        key: 'diamagnetic',
        label: 'Diamagnetic correction, 10⁻⁶ cm³/mol, if not from tables',
        what: 'text',
        optional: true,
        example: '−177',
      },
    ],
    columns: [
      { key: 'off', label: 'With the compound, field off', kinds: ['mass'], nonZero: true },
      { key: 'on', label: 'field on', kinds: ['mass'], nonZero: true },
    ],
    result: 'Effective moment',
    unit: { scale: 1, text: 'µB' },
    rows: 'replicates',
  },
  method({ formulas: { salt }, figures, texts }): Method {
    if (!salt) return NOT_YET
    const { temperature, tubeOff, tubeOn, filledOff, filledOn } = figures
    const own = readOwn(texts.diamagnetic)
    if (own === null) return problem('diamagnetic', 'This is no number.', 'Give −177 for −177 × 10⁻⁶ cm³/mol.')
    const metal = openMetal(salt)
    if ('why' in metal) return problem('salt', metal.why, metal.fix)
    if (!temperature || !tubeOff || !tubeOn || !filledOff || !filledOn) return NOT_YET
    const standard = magneticStandards.find(({ formula }) => formula === texts.standard) ?? magneticStandards[0]
    const filled = difference('standard in the tube', filledOff, tubeOff)
    if (!(filled.value > 0))
      return problem('filledOff', 'This is no more than the empty tube.', 'Check whether the two are swapped.')
    const tubePull = difference('pull on the empty tube', tubeOn, tubeOff)
    const standardPull = pullOf('standard', filledOn, filledOff, tubePull)
    if (!(standardPull.value > 0))
      return problem('filledOn', 'The field does not pull the standard in.', 'Check whether on and off are swapped.')
    const kelvins = sum('temperature in kelvins', [
      [1, temperature],
      [1, exact(CELSIUS_ZERO, 'temperature', '', '273.15')],
    ])
    const correction = correctionOf(salt, own)
    return {
      problems: [],
      work({ off, on }) {
        if (!off || !on) return undefined
        const mass = difference('compound in the tube', off, tubeOff)
        if (!(mass.value > 0))
          return {
            problem: {
              key: 'off',
              why: 'This is no more than the empty tube.',
              fix: 'Check whether the two are swapped.',
            },
          }
        const pull = pullOf('compound', on, off, tubePull)
        const perGram = {
          ...product(
            'mass susceptibility',
            'number',
            [susceptibilityOf(standard, temperature.value), filled, pull],
            [standardPull, mass],
          ),
          unit: PER_GRAM,
        }
        const perMole = {
          ...product('molar susceptibility', 'number', [perGram, molarMassFigure(salt)]),
          unit: PER_MOLE,
        }
        const corrected = {
          ...sum('corrected for closed shells', [
            [1, perMole],
            [-1, correction.figure],
          ]),
          unit: PER_MOLE,
        }
        if (!(corrected.value > 0))
          return { problem: { key: 'on', why: 'It is not pulled in: the compound is diamagnetic.', fix: NO_MOMENT } }
        const squared = {
          ...product(
            'square of the moment',
            'number',
            [exact(MOMENTS, 'number', '', '7.9968'), corrected, { ...kelvins, unit: 'K' }],
            [exact(metal.count)],
          ),
          unit: '',
        }
        return { value: { ...applied('effective moment', 'number', 'sqrt', squared), unit: 'µB' } }
      },
      judge: outcome => ({
        findings: [...correction.findings, ...whatItSays(metal, outcome)],
        choices: [againstSpins(metal, outcome)],
      }),
    }
  },
}

function weighedTwice(key: string, label: string, off: string, on: string) {
  return [
    { key: `${key}Off`, label: `${label}, field off`, what: 'quantity', kinds: ['mass'], example: off, nonZero: true },
    { key: `${key}On`, label: `${label}, field on`, what: 'quantity', kinds: ['mass'], example: on, nonZero: true },
  ] as const
}

const problem = (key: string, why: string, fix: string): Method => ({ problems: [{ key, why, fix }] })
const PER_GRAM = 'cm³/g'
const PER_MOLE = 'cm³/mol'
const NO_MOMENT = 'No unpaired electrons, or a pull too weak for this balance: there is no moment to tell.'
/** 3k/(N µB²) in cgs units, mol K/cm³: from the constants of the SI (SI Brochure, 9th ed.) and CODATA 2018’s Bohr magneton. */
const MOMENTS = (3 * 1.380649e-16) / (6.02214076e23 * 9.2740100783e-21 ** 2)

const pullOf = (what: string, on: Figure, off: Figure, tube: Figure): Figure =>
  difference(`pull on the ${what}`, difference('pull with the tube', on, off), tube)

type Standard = (typeof magneticStandards)[number]
/** At the temperature of the sample, by the standard’s Curie and Weiss law from its value at 20 °C. */
function susceptibilityOf({ formula, susceptibility, uncertainty, weiss }: Standard, celsius: number): Figure {
  const scale = (1e-6 * (20 + CELSIUS_ZERO + weiss)) / (celsius + CELSIUS_ZERO + weiss)
  const name = `mass susceptibility of {${formula}}`
  const value = susceptibility * scale
  return { ...given(value, 'number', name, { source: name, uncertainty: uncertainty * scale }), unit: PER_GRAM }
}

/** Nothing typed is undefined; what is no number is null. */
function readOwn(text: string | undefined): number | undefined | null {
  const typed = text?.trim().replace('−', '-')
  if (!typed) return undefined
  return /^[-+]?\d+(\.\d+)?$/.test(typed) ? Number(typed) : null
}

/** Tables of these constants differ by about so much; a judgement, no source. */
const TABLE_SPREAD = 0.1
/** A closed shell of about half a molar mass’s number, 10⁻⁶ cm³/mol (G. A. Bain and J. F. Berry, 2008, from memory), good to a third. */
const BY_MASS = -0.5
const BY_MASS_SPREAD = 0.33

/** What the closed shells of a compound take off, cm³/mol: summed over its ions and ligands, by its molar mass where one is in no table. */
function correctionOf(salt: Formula, own: number | undefined): { figure: Figure; findings: Finding[] } {
  const name = `diamagnetic correction of {${salt.text}}`
  const asFigure = (value: number, spread: number): Figure => ({
    ...given(value * 1e-6, 'number', name, { source: name, uncertainty: Math.abs(value * 1e-6 * spread) }),
    unit: PER_MOLE,
  })
  if (own !== undefined) return { figure: asFigure(own, 0), findings: [] }
  const parts = partsHeld(salt).filter(({ complex }) => !complex)
  const missing = parts.filter(part => rowOf(part) === undefined)
  if (missing.length > 0) {
    const value = BY_MASS * molarMass(salt)
    const text = `No constant for ${missing.map(({ text }) => `{${text}}`).join(', ')}: half the molar mass is taken, ${value.toFixed(0).replace('-', '−')} × 10⁻⁶ cm³/mol, good to a third.`
    return { figure: asFigure(value, BY_MASS_SPREAD), findings: [{ tone: 'caution', tag: 'Closed shells', text }] }
  }
  const value = parts.reduce((total, part) => total + part.count * (rowOf(part) ?? 0), 0)
  const summed = parts.map(part => `${part.count === 1 ? '' : `${part.count} × `}{${part.text}}`).join(', ')
  return {
    figure: asFigure(value, TABLE_SPREAD),
    findings: [
      {
        tone: 'info',
        tag: 'Closed shells',
        text: `${value.toFixed(0).replace('-', '−')} × 10⁻⁶ cm³/mol from ${summed}, good to a tenth.`,
      },
    ],
  }
}

const keyOf = (text: string): string | undefined => {
  const read = parseFormula(text)
  return read.ok ? [...read.value.composition].toSorted(([a], [b]) => (a < b ? -1 : 1)).join(' ') : undefined
}
const table = diamagnetic.map(row => ({ ...row, key: keyOf(row.formula) }))
/** An ion by its charge; a ligand by its atoms alone, since `Cl` on a metal is chloride too. */
const rowOf = (part: Part): number | undefined =>
  table.find(
    row => row.key === keyOf(part.text) && (part.kind !== 'ion' || ('charge' in row && row.charge === part.charge)),
  )?.susceptibility

interface OpenMetal {
  readonly symbol: string
  readonly state: number
  readonly count: number
  readonly electrons: number
}
/** Rows of the d block, by the number of the first element less one third column. */
const BLOCKS = [
  { from: 21, to: 30, core: 18 },
  { from: 39, to: 48, core: 36 },
  { from: 72, to: 80, core: 68 },
] as const
const numbers = new Map(elements.map(({ symbol, number }) => [symbol as string, number as number]))

/** d electrons of a metal in a state; undefined outside the d block. */
function electronsOf(symbol: string, state: number): number | undefined {
  const number = numbers.get(symbol)
  const block = BLOCKS.find(({ from, to }) => number !== undefined && number >= from && number <= to)
  return block && number !== undefined ? number - block.core - state : undefined
}

/** The metal whose d shell is neither empty nor full. */
function openMetal(salt: Formula): OpenMetal | { readonly why: string; readonly fix: string } {
  const metals = partsHeld(salt).flatMap(({ kind, text, charge, count, complex }): OpenMetal[] => {
    const electrons = kind === 'ion' && !complex ? electronsOf(text, charge) : undefined
    return electrons !== undefined && electrons > 0 && electrons < 10
      ? [{ symbol: text, state: charge, count, electrons }]
      : []
  })
  const [first, ...more] = metals
  if (!first)
    return {
      why: `{${salt.text}} has no ion with an open d shell that is known here.`,
      fix: 'Nothing is known about f elements, radicals and metals whose oxidation state does not follow from the formula.',
    }
  if (more.some(({ symbol, state }) => symbol !== first.symbol || state !== first.state))
    return {
      why: `{${salt.text}} holds more than one kind of open d shell; one moment cannot tell them apart.`,
      fix: 'Take a compound with one of them.',
    }
  return { ...first, count: metals.reduce((total, { count }) => total + count, 0) }
}

/** The most and the fewest unpaired electrons that so many d electrons allow. */
function spinsOf(electrons: number): number[] {
  const most = electrons <= 5 ? electrons : 10 - electrons
  return Array.from({ length: most + 1 }, (_, n) => n).filter(n => (most - n) % 2 === 0)
}
const spinOnly = (unpaired: number): number => Math.sqrt(unpaired * (unpaired + 2))
const usualOf = ({ symbol, state }: OpenMetal, unpaired: number): UsualMoment | undefined =>
  usualMoments.find(row => row.metal === symbol && row.state === state && row.unpaired === unpaired)

/** Where no range is known a moment is taken to lie within so much of its spin alone, µB; a judgement, no source. */
const NEAR_SPIN = 0.35
function fits(metal: OpenMetal, unpaired: number, { mean, expanded }: Outcome): boolean {
  const usual = usualOf(metal, unpaired)
  const [from, to] = usual ? [usual.from, usual.to] : [spinOnly(unpaired) - NEAR_SPIN, spinOnly(unpaired) + NEAR_SPIN]
  return mean + expanded >= from && mean - expanded <= to
}
const nameOf = ({ symbol, state }: OpenMetal): string => `${symbol}(${state > 0 ? roman(state) : state})`

function whatItSays(metal: OpenMetal, outcome: Outcome): Finding[] {
  const found = spinsOf(metal.electrons).filter(unpaired => fits(metal, unpaired, outcome))
  const ion = `${nameOf(metal)}, d${metal.electrons}`
  const [only] = found
  if (only === undefined)
    return [
      {
        tone: 'caution',
        tag: 'Unpaired electrons',
        text: `${outcome.mean.toFixed(2)} µB is no usual moment of ${ion}: a mixture of spin states, metals that see each other, another oxidation state, or iron in the sample.`,
      },
    ]
  const words = found.map(unpaired => {
    const called = usualOf(metal, unpaired)?.called
    return `${unpaired} unpaired${called ? ` (${called})` : ''}`
  })
  return [
    {
      tone: found.length === 1 ? 'info' : 'caution',
      tag: 'Unpaired electrons',
      text: `${ion}: ${words.join(', or ')}.${
        found.length === 1 && outcome.mean - outcome.expanded > spinOnly(only)
          ? ' It lies above the spin alone: orbital motion counts.'
          : ''
      }`,
    },
  ]
}

const againstSpins = (metal: OpenMetal, outcome: Outcome): Choices => ({
  title: `Against ${nameOf(metal)}, d${metal.electrons}, near room temperature`,
  head: ['Unpaired', 'spin alone, µB', 'usual, µB'],
  rows: spinsOf(metal.electrons).map(unpaired => {
    const usual = usualOf(metal, unpaired)
    return {
      cells: [
        `${unpaired}${usual?.called ? `, ${usual.called}` : ''}`,
        spinOnly(unpaired).toFixed(2),
        usual ? `${usual.from.toFixed(2)} to ${usual.to.toFixed(2)}` : 'not in the tables',
      ],
      fits: fits(metal, unpaired, outcome),
    }
  }),
})
