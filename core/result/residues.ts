import { molarMassFigure, parseFormula, relate, type Formula } from '#core/formula'
import { exact, given, product, type Figure } from '#core/quantity'
import { metalsLeft, neverTreated, neverTreatedIons, oxidantsLeft, type TreatedRow } from '#core/reference'
import type { StageSheet } from '#core/sheet'
import { ionsOf } from '#core/species'
import { acidRow, baseRow, neutralise } from './neutral'

/** One treatment of what a stage leaves: how much of which reagent, and how to know that it is done. */
export interface Treatment {
  readonly of: string
  /** mol of it that are taken to be left. */
  readonly left: Figure
  readonly reagent: string
  /** g of the reagent, the margin in it. */
  readonly mass: Figure
  readonly how: string
  readonly sign: string
  readonly cautions: readonly string[]
}
export interface Residues {
  /** In the order of the work. */
  readonly treatments: readonly Treatment[]
  /** What no rule here treats. */
  readonly ask: readonly { readonly of: string; readonly why: string }[]
}

export interface Left {
  readonly formula: Formula
  readonly moles: Figure
}
/** More than the stoichiometry asks; common practice, no source. */
const MARGIN = 1.1
const LEAST = 1e-5
const IN_LIQUOR = new Set(['stays in the liquor', 'washed out', 'quenched', 'not known'])

const formulaOf = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(`${text} does not read.`)
  return read.value
}

/**
 * What this stage's liquor and washings hold by the sheet, and what treats it: oxidants first, then acid or base, then the metal as a solid to be collected.
 * The product that did not come as crystals counts as being in the liquor: an upper bound. Usual practice, no source; local rules come first.
 */
export function residuesOf(sheet: StageSheet, weighed: Figure | undefined): Residues {
  const left = leftIn(sheet, weighed)
  const [safe, ask] = apart(left)
  return { treatments: [...oxidants(safe), ...acidOrBase(safe), ...metals(safe)], ask }
}

/** What the liquor and the washings of a stage hold, mol; what was weighed of the product is not in them. */
export function leftIn(sheet: StageSheet, weighed: Figure | undefined): Left[] {
  const reagents = sheet.reagents
    .filter(({ planned, limits, leftover }) => planned && !limits && IN_LIQUOR.has(leftover.wayOut))
    .map(({ species, leftover }) => ({ formula: formulaOf(species), moles: leftover.amount }))
  const products = sheet.products
    .slice(1)
    .filter(({ species, wayOut }) => species !== 'H2O' && IN_LIQUOR.has(wayOut))
    .map(({ species, amount }) => ({ formula: formulaOf(species), moles: amount }))
  return [...reagents, ...products, ...uncrystallised(sheet, weighed)].filter(({ moles }) => moles.value > LEAST)
}

function uncrystallised({ products }: StageSheet, weighed: Figure | undefined): Left[] {
  const wanted = products[0]!
  const form = formulaOf(wanted.form)
  const missing = Math.max(0, wanted.theoretical.value - (weighed?.value ?? 0))
  const mass = given(missing, 'mass', `{${form.text}} that did not come as crystals`, {
    source: 'theoretical yield less what was weighed, all of it taken to be in the liquor',
    uncertainty: 0.02 * wanted.theoretical.value,
  })
  return [
    {
      formula: form,
      moles: product(`amount of {${form.text}} in the liquor`, 'amount', [mass], [molarMassFigure(form)]),
    },
  ]
}

function apart(left: readonly Left[]): [Left[], Residues['ask']] {
  const told = left.map(one => ({ one, why: neverFor(one.formula) }))
  return [
    told.filter(({ why }) => why === undefined).map(({ one }) => one),
    told.flatMap(({ one, why }) => (why === undefined ? [] : [{ of: one.formula.text, why }])),
  ]
}

/** Why no rule treats it; cyanide counts in a complex as well. */
function neverFor(formula: Formula): string | undefined {
  const element = neverTreated.find(([symbol]) => formula.composition.has(symbol))
  if (element) return element[1]
  const anions = (ionsOf(formula) ?? []).filter(({ charge }) => charge < 0)
  const holds = (ion: string): boolean =>
    anions.some(
      ({ text, complex }) => text === ion || (complex !== undefined && complex.ligands.some(one => one.text === ion)),
    )
  return neverTreatedIons.find(([ion]) => holds(ion))?.[1]
}

/** Ammonia itself, or bound in a complex that a base or an acid sets free. */
const bringsAmmonia = (formula: Formula): boolean =>
  relate(formula, formulaOf('NH3'))?.waters === 0 ||
  (ionsOf(formula) ?? []).some(({ complex }) => complex?.ligands.some(({ text }) => text === 'NH3'))

const rowFor = <Row extends TreatedRow>(rows: readonly Row[], { formula }: Left): Row | undefined =>
  rows.find(({ of }) => relate(formula, formulaOf(of))?.units === 1)

/** Grams of a reagent that gives `gives` equivalents, for so many equivalents of what is left. */
function dose({ formula, moles }: Left, count: number, reagent: string, gives: number): Figure {
  return product(
    `{${reagent}} for the {${formula.text}}`,
    'mass',
    [
      moles,
      exact(count, 'number', `equivalents of {${formula.text}}`),
      molarMassFigure(formulaOf(reagent)),
      exact(MARGIN, 'number', 'margin'),
    ],
    gives === 1 ? [] : [exact(gives, 'number', `equivalents of {${reagent}}`)],
  )
}

function oxidants(left: readonly Left[]): Treatment[] {
  return left.flatMap((one): Treatment[] => {
    const row = rowFor(oxidantsLeft, one)
    if (!row) return []
    const isChromium = one.formula.composition.has('Cr')
    const told = { of: one.formula.text, left: one.moles }
    if (row.medium === 'alkali')
      return [
        {
          ...told,
          reagent: 'Na2SO3',
          mass: dose(one, row.count, 'Na2SO3', 2),
          how: 'Keep it alkaline; add the sulfite in small portions, stirring, in the hood.',
          sign: 'Potassium iodide and starch paper no longer turns blue.',
          cautions: ['Never acidify it before this: acid sets chlorine, bromine or iodine free.'],
        },
      ]
    return [
      {
        ...told,
        reagent: 'NaHSO3',
        mass: dose(one, row.count, 'NaHSO3', 2),
        how: `Dilute it, bring it to about pH 2 with dilute sulfuric acid, then add the hydrogensulfite in small portions, stirring, in the hood${isChromium ? '; let it stand for an hour' : ''}.`,
        sign: isChromium
          ? 'The orange is gone and the liquor is green.'
          : one.formula.composition.has('Mn')
            ? 'The violet and then the brown are gone.'
            : 'Potassium iodide and starch paper no longer turns blue.',
        cautions: [
          'It warms up, and acid with hydrogensulfite gives off sulfur dioxide.',
          ...(isChromium ? ['Chromium(VI) causes cancer: gloves, no dust, no splash.'] : []),
        ],
      },
    ]
  })
}

function acidOrBase(all: readonly Left[]): Treatment[] {
  const left = netOf(all)
  const taken = all.some(({ formula }) => acidRow(formula)) && all.some(({ formula }) => baseRow(formula))
  const treat = (
    of: (formula: Formula) => TreatedRow | undefined,
    told: Pick<Treatment, 'reagent' | 'how' | 'sign' | 'cautions'>,
    gives: number,
  ) =>
    left.flatMap((one): Treatment[] => {
      const row = of(one.formula)
      if (!row) return []
      return [
        {
          ...told,
          of: one.formula.text,
          left: one.moles,
          mass: dose(one, row.count, told.reagent, gives),
          how: taken
            ? `${told.how} What the acid and the base of this liquor take of each other is taken off already.`
            : told.how,
          cautions: told.cautions.filter(text => !text.startsWith('Ammonia') || /NH3|NH4/.test(one.formula.text)),
        },
      ]
    })
  return [
    ...treat(
      acidRow,
      {
        reagent: 'NaHCO3',
        how: 'Dilute it into much water, then add the hydrogencarbonate in portions in a vessel three times as large.',
        sign: 'It no longer fizzes; pH 6 to 8 on paper.',
        cautions: ['It foams. Acid into water, never the other way round.'],
      },
      1,
    ),
    ...treat(
      baseRow,
      {
        reagent: 'C6H8O7·H2O',
        how: 'Dilute it, then add the citric acid in portions, stirring.',
        sign: 'pH 6 to 8 on paper.',
        cautions: ['It warms up, and carbonates foam.', 'Ammonia comes off as long as it is alkaline: hood.'],
      },
      3,
    ),
  ]
}

/** Acids and bases as one leaves them of the other. */
function netOf(left: readonly Left[]): Left[] {
  const net = neutralise(left.map(({ formula, moles }) => ({ formula, moles: moles.value }))).left
  return left.flatMap((one, i) => {
    const rest = net[i]!.moles
    if (rest <= LEAST) return []
    const share = rest / one.moles.value
    return [
      share > 1 - 1e-9
        ? one
        : {
            ...one,
            moles: product(`{${one.formula.text}} that is not neutralised`, 'amount', [
              one.moles,
              exact(share, 'number', 'share of it left'),
            ]),
          },
    ]
  })
}

const precipitants = {
  carbonate: { reagent: 'Na2CO3', gives: 2, sign: 'A drop of carbonate clouds the clear liquor no more; pH 8 to 9.' },
  hydroxide: { reagent: 'NaHCO3', gives: 1, sign: 'pH 7 to 8, and nothing more comes down.' },
  sulfate: { reagent: 'Na2SO4', gives: 2, sign: 'A drop of sulfate clouds the clear liquor no more.' },
  chloride: { reagent: 'NaCl', gives: 1, sign: 'A drop of salt water clouds the clear liquor no more.' },
} as const

function metals(left: readonly Left[]): Treatment[] {
  return left.flatMap((one): Treatment[] => {
    const row = metalsLeft.find(({ of }) => one.formula.composition.has(of))
    if (!row) return []
    const atoms = one.formula.composition.get(row.of) ?? 0
    const { reagent, gives, sign } = precipitants[row.as]
    const holdsAmmonia = left.some(({ formula }) => bringsAmmonia(formula))
    return [
      {
        of: one.formula.text,
        left: one.moles,
        reagent,
        mass: dose(one, row.count * atoms, reagent, gives),
        how: `Once it is neither acid nor oxidising, add the ${row.as === 'hydroxide' ? 'hydrogencarbonate' : row.as} dissolved in water; let it settle, filter, and collect the solid as metal waste.`,
        sign,
        cautions: holdsAmmonia
          ? ['Ammonia keeps the metal dissolved: make it neutral first, and look whether the liquor loses its colour.']
          : [],
      },
    ]
  })
}
