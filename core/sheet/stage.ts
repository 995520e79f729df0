import { termText, type Term } from '#core/equation'
import { molarMassFigure } from '#core/formula'
import { difference, exact, product, renamed, sum, type Figure, toSignificant } from '#core/quantity'
import type { ReadStage, Reagent } from './read-stage'
import { leftoverMass, massFor, volumeFor } from './supply'
import { coefficientOf, isWater, waterOf, type Water } from './water'
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
  /** What a technical solid leaves behind: neither formula nor moisture, and not dissolved. */
  readonly residue?: Figure
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
 * which limits, what is left, and what is made at full conversion of the limiting reagent. `carried` is water that came along in
 * the pot from the stage before.
 */
export function computeStage(stage: ReadStage, scale: Figure, carried?: Figure): StageSheet {
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
      stage.own,
    ),
  )
  const water = waterOf(stage, charged, extent, carried)
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

function reagentLine(
  reagent: Reagent,
  amount: Figure,
  extent: Figure,
  limits: boolean,
  own: ReadStage['own'],
): ReagentLine {
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
    ...residueOf(reagent, mass),
    ...(mass && { mass }),
    ...(volume && { volume }),
    equivalents: limits
      ? exact(1, 'number', `equivalents of {${species}}`)
      : product(`equivalents of {${species}}`, 'number', [amount], [needed]),
    consumed: needed,
    leftover: {
      amount: left,
      mass: leftoverMass(supply, left),
      wayOut: limits ? 'used up' : (reagent.wayOut ?? wayOutOfExcess(supply.species, own)),
    },
  }
}

/** mass × (1 − assay − moisture), where the supply says that its rest does not dissolve. */
function residueOf({ supply }: Reagent, mass: Figure | undefined): { residue?: Figure } {
  if (supply.rest !== 'residue' || !supply.assay || !mass) return {}
  const whole = exact(1, 'mass fraction', 'whole', '100 %')
  const reacts = difference('rest of the solid', whole, supply.assay)
  const rest = supply.moisture ? difference('rest of the solid', reacts, supply.moisture) : reacts
  return { residue: product(`residue of {${supply.weighed.text}}`, 'mass', [mass, rest]) }
}

function productLines(stage: ReadStage, extent: Figure): ProductLine[] {
  const { reaction, product: wanted, inPot, own } = stage
  const line = (term: Term): ProductLine => {
    const isWanted = term === wanted.term
    const { formula, phase } = term.species
    const form = isWanted ? wanted.form : formula
    const units =
      isWanted && wanted.relation.units !== 1
        ? [exact(wanted.relation.units, 'number', `{${formula.text}} in {${form.text}}`)]
        : []
    const amount = madeOf(stage, term, extent)
    return {
      species: formula.text,
      form: form.text,
      wanted: isWanted,
      amount,
      theoretical: product(`theoretical yield of {${form.text}}`, 'mass', [amount, molarMassFigure(form)], units),
      wayOut: isWanted && inPot ? 'stays in the pot' : wayOutOfProduct(formula, phase, isWanted, own),
    }
  }
  return [wanted.term, ...reaction.products.filter(term => term !== wanted.term)].map(line)
}

/** What the equation gives, and the carbon dioxide that a basic or acid carbonate weighed in place of the plain one brings less or more. */
function madeOf({ reagents }: ReadStage, term: Term, extent: Figure): Figure {
  const { text } = term.species.formula
  const plain = product(`amount of {${text}}`, 'amount', [extent, ...coefficientOf(term)])
  const beyond = text === 'CO2' ? reagents.filter(({ supply }) => supply.relation.gas) : []
  if (beyond.length === 0) return plain
  return sum(`amount of {${text}}`, [
    [1, plain],
    ...beyond.map(({ supply: { relation }, term: of }): [number, Figure] => [
      (of.coefficient * (relation.gas ?? 0)) / relation.units,
      extent,
    ]),
  ])
}

const gasesOf = (stage: ReadStage, extent: Figure): Gas[] =>
  stage.reaction.products
    .filter(({ species }) => isGas(species.formula, species.phase, stage.own))
    .map(term => {
      const formula = term.species.formula.text
      const amount = madeOf(stage, term, extent)
      return { formula, amount, volume: product(`volume of {${formula}}`, 'volume', [amount, stage.molarVolume]) }
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
      message: `The reagents bring less water than the reaction and ${stage.product.form.text} take: add at least ${toSignificant(-water.total.value, 3)} g.`,
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
