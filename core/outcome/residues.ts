import { chargeText, molarMassFigure, relate, type Formula } from '#core/formula'
import type { StageProcedure } from '#core/procedure'
import { difference, exact, product, type Figure } from '#core/quantity'
import { metalsLeft, neverTreated, neverTreatedIons, oxidantsLeft } from '#core/reference'
import { ionsOf } from '#core/species'
import { acidOf, allDissolved, baseOf, dissolvedOf, formulaOf, type Portion, type Protons } from '#core/vessel'
import { isProductForm, whenReacted } from './account'
import type { Tape } from './tape'

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

/**
 * What this stage's liquor and washings hold by the vessel's account, and what treats it: oxidants first, then acid or base, then the metal as a solid to be collected. All that dissolves
 * and was not weighed as crystals counts as being in the liquor: an upper bound. Usual practice, no source; local rules come first.
 */
export function residuesOf(tape: Tape, weighed: Figure | undefined): Residues {
  const left = leftIn(tape, weighed)
  const [safe, ask] = apart(left)
  return { treatments: [...oxidants(oxidantsIn(tape)), ...acidOrBase(safe), ...metals(safe)], ask }
}

/** What the liquor and the washings of a stage hold, mol; what was weighed of the product is not in them. */
export function leftIn(tape: Tape, weighed: Figure | undefined): Left[] {
  const { account, told } = tape
  const { form } = told.folding.stage.product
  const dissolved = (one: StageProcedure): Portion[] => {
    const reacted = whenReacted(one)
    return reacted ? dissolvedOf(allDissolved(reacted), one.named) : []
  }
  return dissolved(account)
    .map(({ form: text }): Left => {
      const formula = formulaOf(text)
      const moles = tape.amount(`{${text}} that was dissolved`, one =>
        dissolved(one).reduce((all, portion) => all + (portion.form === text ? portion.amount : 0), 0),
      )
      return isProductForm({ form: text, amount: 0, mass: 0 }, form)
        ? { formula: form, moles: less(form, moles, weighed) }
        : { formula, moles }
    })
    .filter(({ moles }) => moles.value > LEAST)
}

function less(form: Formula, moles: Figure, weighed: Figure | undefined): Figure {
  if (!weighed || weighed.value === 0) return moles
  return difference(
    `amount of {${form.text}} in the liquor`,
    moles,
    product(`{${form.text}} that was weighed`, 'amount', [weighed], [molarMassFigure(form)]),
  )
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

/** Ammonia itself, its salts, or bound in a complex that a base or an acid sets free. */
const bringsAmmonia = (formula: Formula): boolean =>
  relate(formula, formulaOf('NH3'))?.waters === 0 ||
  (ionsOf(formula) ?? []).some(
    ({ text, complex }) => text === 'NH4' || complex?.ligands.some(ligand => ligand.text === 'NH3'),
  )

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

interface Oxidant extends Left {
  readonly row: (typeof oxidantsLeft)[number]
}
/** Oxidising ions and molecules that are dissolved, whatever salt they are told with. */
function oxidantsIn(tape: Tape): Oxidant[] {
  const { account } = tape
  return oxidantsLeft.flatMap((row): Oxidant[] => {
    const key = row.of + chargeText(row.charge)
    const there = (one: StageProcedure): number => {
      const reacted = whenReacted(one)
      return (reacted && allDissolved(reacted).ions.get(key)) ?? 0
    }
    if (there(account) <= LEAST || neverTreatedIons.some(([ion]) => ion === row.of)) return []
    return [{ row, formula: formulaOf(key), moles: tape.amount(`{${key}} that is left`, there) }]
  })
}

function oxidants(left: readonly Oxidant[]): Treatment[] {
  return left.map((one): Treatment => {
    const { row } = one
    const isChromium = one.formula.composition.has('Cr')
    const told = { of: one.formula.text, left: one.moles }
    if (row.medium === 'alkali')
      return {
        ...told,
        reagent: 'Na2SO3',
        mass: dose(one, row.count, 'Na2SO3', 2),
        how: 'Keep it alkaline; add the sulfite in small portions, stirring, in the hood.',
        sign: 'Potassium iodide and starch paper no longer turns blue.',
        cautions: ['Never acidify it before this: acid sets chlorine, bromine or iodine free.'],
      }
    return {
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
    }
  })
}

/** An acid that is stronger than this, pKa, is neutralised before it goes anywhere, and so is what takes protons more strongly than this; a judgement. */
const SOUR = 6
const acidRow = (formula: Formula): Protons | undefined => {
  const acid = acidOf(formula)
  return acid && acid.pKa < SOUR ? acid : undefined
}
const baseRow = (formula: Formula): Protons | undefined => {
  const base = baseOf(formula)
  return base && base.pKa > SOUR && !acidRow(formula) ? base : undefined
}

function acidOrBase(left: readonly Left[]): Treatment[] {
  const treat = (
    of: (formula: Formula) => Protons | undefined,
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
          cautions: told.cautions.filter(text => !text.startsWith('Ammonia') || bringsAmmonia(one.formula)),
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
