import { termText, type Term } from '#core/equation'
import { molarMassFigure, parseFormula, type Formula } from '#core/formula'
import { exact, product, renamed, sum, type Figure } from '#core/quantity'
import type { ReadStage, Reagent } from './read-plan'
import { leftoverMass, massFor, volumeFor, waterWith } from './supply'
import { isGas, wayOutOfExcess, wayOutOfProduct, type WayOut } from './ways-out'

export interface ReagentLine {
  readonly species: string
  readonly weighAs: string
  readonly planned: boolean
  readonly amount: Figure
  /** What goes on the balance; undefined where the strength by mass is not known. */
  readonly mass?: Figure
  /** Undefined where it is not measured by volume. */
  readonly volume?: Figure
  readonly equivalents: Figure
  readonly limits: boolean
  readonly consumed: Figure
  readonly leftover: { readonly amount: Figure; readonly mass: Figure; readonly wayOut: WayOut }
}

export interface ProductLine {
  readonly species: string
  readonly form: string
  readonly wanted: boolean
  readonly amount: Figure
  readonly theoretical: Figure
  readonly wayOut: WayOut
}

export interface Gas {
  readonly formula: string
  readonly amount: Figure
  readonly volume: Figure
}

export interface Water {
  readonly fromReagents: Figure
  readonly fromReaction: Figure
  readonly intoProduct: Figure
  readonly total: Figure
  readonly estimated: boolean
}

export interface SheetWarning {
  readonly code: string
  readonly message: string
}

export interface StageSheet {
  readonly id: string
  readonly limiting: readonly string[]
  readonly extent: Figure
  readonly reagents: readonly ReagentLine[]
  /** The wanted product first. */
  readonly products: readonly ProductLine[]
  readonly water: Water
  readonly gases: readonly Gas[]
  readonly warnings: readonly SheetWarning[]
}

const TIE = 1e-9

export const waterFormula: Formula = (() => {
  const read = parseFormula('H2O')
  if (!read.ok) throw new Error('Water does not read.')
  return read.value
})()

const coefficientOf = (term: Term): Figure[] =>
  term.coefficient === 1 ? [] : [exact(term.coefficient, 'number', `coefficient of {${term.species.formula.text}}`)]

/** Extent that uses an amount up: amount over coefficient. */
export const extentFrom = (amount: Figure, term: Term): Figure =>
  term.coefficient === 1
    ? renamed(amount, 'extent of the reaction')
    : product('extent of the reaction', 'amount', [amount], coefficientOf(term))

/** Extent at which a mass of the wanted form is made. */
export const extentForProduct = (
  { product: { term, form, relation } }: ReadStage,
  mass: Figure,
  fraction: Figure,
): Figure =>
  product(
    'extent of the reaction',
    'amount',
    [mass, ...(relation.units === 1 ? [] : [exact(relation.units)])],
    [fraction, molarMassFigure(form), ...coefficientOf(term)],
  )

/**
 * The charge sheet of one stage at the extent its fixed charges or its target set (`scale`): what each reagent amounts to,
 * which limits, what is left, and what is made at full conversion of the limiting reagent.
 */
export function computeStage(stage: ReadStage, scale: Figure): StageSheet {
  const charged = stage.reagents.map(reagent => ({ reagent, amount: amountOf(reagent, scale) }))
  const least = Math.min(...charged.map(({ reagent, amount }) => amount.value / reagent.term.coefficient))
  const tied = charged.filter(({ reagent, amount }) => amount.value / reagent.term.coefficient <= least * (1 + TIE))
  const first = tied.find(({ reagent }) => reagent.charge.by !== 'equivalents') ?? tied[0]!
  const extent =
    first.reagent.charge.by === 'equivalents' && first.reagent.charge.equivalents.value === 1
      ? scale
      : extentFrom(first.amount, first.reagent.term)

  const reagents = charged.map(({ reagent, amount }) =>
    reagentLine(
      reagent,
      amount,
      extent,
      tied.some(one => one.reagent === reagent),
    ),
  )
  const water = waterOf(stage, charged, extent)
  return {
    id: stage.id,
    limiting: tied.map(({ reagent }) => reagent.term.species.formula.text),
    extent,
    reagents,
    products: productLines(stage, extent),
    water,
    gases: gasesOf(stage, extent),
    warnings: warningsOf(stage, water),
  }
}

function amountOf({ charge, term }: Reagent, scale: Figure): Figure {
  const name = `amount of {${term.species.formula.text}}`
  if (charge.by === 'amount') return charge.amount
  const equivalents = charge.by === 'equivalents' && charge.equivalents.value !== 1 ? [charge.equivalents] : []
  return product(name, 'amount', [scale, ...coefficientOf(term), ...equivalents])
}

function reagentLine(reagent: Reagent, amount: Figure, extent: Figure, limits: boolean): ReagentLine {
  const { supply, term, charge, planned } = reagent
  const species = term.species.formula.text
  const needed = product(`{${species}} that reacts`, 'amount', [extent, ...coefficientOf(term)])
  const left = limits
    ? exact(0, 'amount', `{${species}} left over`)
    : sum(`{${species}} left over`, [
        [1, amount],
        [-1, needed],
      ])
  const mass = charge.by === 'amount' && charge.mass ? charge.mass : massFor(supply, amount)
  const volume = charge.by === 'amount' && charge.volume ? charge.volume : volumeFor(supply, amount)
  return {
    species,
    planned,
    amount,
    limits,
    weighAs: supply.weighed.text,
    ...(mass && { mass }),
    ...(volume && { volume }),
    equivalents: limits
      ? exact(1, 'number', `equivalents of {${species}}`)
      : product(`equivalents of {${species}}`, 'number', [amount], [needed]),
    consumed: needed,
    leftover: {
      amount: left,
      mass: leftoverMass(supply, left),
      wayOut: limits ? 'used up' : wayOutOfExcess(supply.species),
    },
  }
}

function productLines({ reaction, product: wanted }: ReadStage, extent: Figure): ProductLine[] {
  const line = (term: Term): ProductLine => {
    const isWanted = term === wanted.term
    const { formula, phase } = term.species
    const form = isWanted ? wanted.form : formula
    const units =
      isWanted && wanted.relation.units !== 1
        ? [exact(wanted.relation.units, 'number', `{${formula.text}} in {${form.text}}`)]
        : []
    const amount = product(`amount of {${formula.text}}`, 'amount', [extent, ...coefficientOf(term)])
    return {
      species: formula.text,
      form: form.text,
      wanted: isWanted,
      amount,
      theoretical: product(`theoretical yield of {${form.text}}`, 'mass', [amount, molarMassFigure(form)], units),
      wayOut: wayOutOfProduct(formula, phase, isWanted),
    }
  }
  return [wanted.term, ...reaction.products.filter(term => term !== wanted.term)].map(line)
}

const isWater = ({ species }: Term): boolean => species.formula.text === waterFormula.text && species.phase !== 'g'

function waterOf(stage: ReadStage, charged: readonly { reagent: Reagent; amount: Figure }[], extent: Figure): Water {
  const molar = molarMassFigure(waterFormula)
  let estimated = false
  const brought = charged.flatMap(({ reagent, amount }): [number, Figure][] => {
    if (isWater(reagent.term))
      return [[1, massFor(reagent.supply, amount) ?? product('water charged', 'mass', [amount, molar])]]
    if (reagent.supply.kind !== 'solution' && reagent.supply.relation.waters === 0) return []
    const with_ = waterWith(reagent.supply, amount, waterFormula)
    estimated ||= with_.estimated
    return [[1, with_.water]]
  })
  const made = stage.reaction.products.find(isWater)?.coefficient ?? 0
  const eaten = stage.reaction.reactants.find(isWater)?.coefficient ?? 0
  const { term, form, relation } = stage.product

  const none = exact(0, 'mass', 'no water')
  const fromReagents = brought.length > 0 ? sum('water with the reagents', brought) : none
  const fromReaction =
    made === eaten
      ? none
      : product('water from the reaction', 'mass', [extent, exact(made - eaten, 'number', 'waters made'), molar])
  const perSpecies = relation.waters / relation.units
  const intoProduct =
    perSpecies === 0
      ? none
      : product(`water taken into {${form.text}}`, 'mass', [
          extent,
          ...coefficientOf(term),
          exact(perSpecies, 'number', 'waters of crystallisation'),
          molar,
        ])
  const total = sum('water in the pot', [
    [1, fromReagents],
    [1, fromReaction],
    [-1, intoProduct],
  ])
  return { fromReagents, fromReaction, intoProduct, total, estimated }
}

const gasesOf = ({ reaction, molarVolume }: ReadStage, extent: Figure): Gas[] =>
  reaction.products
    .filter(({ species }) => isGas(species.formula, species.phase))
    .map(term => {
      const formula = term.species.formula.text
      const amount = product(`amount of {${formula}}`, 'amount', [extent, ...coefficientOf(term)])
      return { formula, amount, volume: product(`volume of {${formula}}`, 'volume', [amount, molarVolume]) }
    })

function warningsOf(stage: ReadStage, water: Water): SheetWarning[] {
  const warnings: SheetWarning[] = []
  if (water.estimated) {
    warnings.push({
      code: 'water.estimated',
      message: 'The density of a solution is not known; its water is counted as if the solute took no room.',
    })
  }
  if (water.total.value < -1e-9) {
    warnings.push({
      code: 'water.short',
      message: `The reagents bring less water than the reaction and ${stage.product.form.text} take: add at least ${(-water.total.value).toPrecision(3)} g.`,
    })
  }
  for (const { term, supply, planned } of stage.reagents) {
    if (
      planned &&
      !isWater(term) &&
      supply.kind === 'solution' &&
      !supply.strength?.density &&
      !supply.strength?.molarity
    ) {
      warnings.push({
        code: 'density.unknown',
        message: `The density of this ${termText({ ...term, coefficient: 1 })} solution is not known, so it can only be weighed.`,
      })
    }
  }
  return warnings
}
