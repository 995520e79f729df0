import { termText, type Term } from '#core/equation'
import { molarMassFigure } from '#core/formula'
import { difference, exact, product, renamed, sum, type Figure, toSignificant } from '#core/quantity'
import { madeByShare, NO_SHARE, sharesOf, within, type CarriedPot, type Share } from './carried'
import type { ReadStage, Reagent } from './read-stage'
import { leftoverMass, massFor, volumeFor } from '#core/supply'
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
  /** What the reaction and what came along in the pot use up. */
  readonly consumed: Figure
  /** Of this very species, in the pot from an earlier stage. */
  readonly there?: Figure
  /** What matter that came along in the pot uses up of it, and which. */
  readonly eaten?: Figure
  readonly eatenBy: readonly { readonly formula: string; readonly from: string }[]
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
 * which limits, what is left, and what is made at full conversion of the limiting reagent. `pot` is what came along from the stage before: its
 * water, and matter that a reagent need not bring or that uses it up.
 */
export function computeStage(stage: ReadStage, scale: Figure, pot?: CarriedPot): StageSheet {
  const shares = sharesOf(stage, pot)
  const charged = stage.reagents.map((reagent, i) => {
    const whole = shares[i] ?? NO_SHARE
    const amount = amountOf(reagent, scale, whole)
    const share = within(whole, amount)
    return { reagent, share, amount, acts: actingOf(reagent, amount, share) }
  })
  const least = Math.min(...charged.map(({ reagent, acts }) => acts.value / reagent.term.coefficient))
  const tied = charged.filter(({ reagent, acts }) => acts.value / reagent.term.coefficient <= least * (1 + TIE) + TINY)
  const first = tied.find(({ reagent }) => reagent.charge.by !== 'equivalents') ?? tied[0]!
  const extent =
    first.reagent.charge.by === 'equivalents' && first.reagent.charge.equivalents.value === 1
      ? scale
      : extentFrom(first.acts, first.reagent.term)

  const reagents = charged.map(one =>
    reagentLine(
      one,
      extent,
      tied.some(({ reagent }) => reagent === one.reagent),
      stage.own,
    ),
  )
  const water = waterOf(stage, charged, extent, pot?.water, beside(charged))
  return {
    id: stage.id,
    limiting: tied.map(({ reagent }) => reagent.term.species.formula.text),
    extent,
    reagents,
    products: productLines(stage, extent),
    water,
    gases: gasesOf(stage, extent, beside(charged)),
    warnings: warningsOf(stage, water),
  }
}

/** Below this, in moles of an extent, two limits are one. */
const TINY = 1e-15

interface Charged {
  readonly reagent: Reagent
  readonly amount: Figure
  /** What of it and of its like in the pot is there for the reaction. */
  readonly acts: Figure
  readonly share: Share
}

/** By equivalents: of what the reaction needs and the pot's matter uses up, less what is there already. */
function amountOf({ charge, term }: Reagent, scale: Figure, share: Share): Figure {
  const name = `amount of {${term.species.formula.text}}`
  if (charge.by === 'amount') return charge.amount
  const equivalents = charge.by === 'equivalents' && charge.equivalents.value !== 1 ? [charge.equivalents] : []
  const { there, eaten } = share
  if (!there && !eaten) return product(name, 'amount', [scale, ...coefficientOf(term), ...equivalents])
  const need = needOf(term, scale, share)
  if (need.value <= 0) return exact(0, 'amount', name)
  return equivalents.length > 0 ? product(name, 'amount', [need, ...equivalents]) : renamed(need, name)
}

/** What has to be put in: for the reaction, for what came along in the pot, less what of it is there. */
function needOf(term: Term, extent: Figure, { there, eaten }: Share): Figure {
  const species = term.species.formula.text
  const reacts = product(`{${species}} that reacts`, 'amount', [extent, ...coefficientOf(term)])
  return there || eaten
    ? sum(`{${species}} needed`, [
        [1, reacts],
        ...(eaten ? [[1, eaten] as const] : []),
        ...(there ? [[-1, there] as const] : []),
      ])
    : reacts
}

/** What is left for the reaction once the pot's matter has had its part: it goes first. */
export function actingOf({ term }: Reagent, amount: Figure, { there, eaten }: Share): Figure {
  if (!there && !eaten) return amount
  const acts = sum(`{${term.species.formula.text}} for the reaction`, [
    [1, amount],
    ...(there ? [[1, there] as const] : []),
    ...(eaten ? [[-1, eaten] as const] : []),
  ])
  return acts.value > 0 ? acts : exact(0, 'amount', acts.name)
}

/** Gas and water that reagents make with what came along in the pot, beside the stage's own reaction. */
const beside = (charged: readonly Charged[]): Beside[] =>
  charged.flatMap(({ reagent, share }) => madeByShare(reagent, share))
type Beside = ReturnType<typeof madeByShare>[number]

function reagentLine(
  { reagent, amount, acts, share }: Charged,
  extent: Figure,
  limits: boolean,
  own: ReadStage['own'],
): ReagentLine {
  const { supply, term, charge, planned } = reagent
  const species = term.species.formula.text
  const needed = product(`{${species}} that reacts`, 'amount', [extent, ...coefficientOf(term)])
  const consumed = share.eaten
    ? sum(`{${species}} used up`, [
        [1, needed],
        [1, share.eaten],
      ])
    : needed
  const left = limits
    ? exact(0, 'amount', `{${species}} left over`)
    : sum(`{${species}} left over`, [
        [1, acts],
        [-1, needed],
      ])
  const wanted = needOf(term, extent, share)
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
      : product(`equivalents of {${species}}`, 'number', [amount], [wanted]),
    consumed,
    ...(share.there && { there: share.there }),
    ...(share.eaten && { eaten: share.eaten }),
    eatenBy: share.by.map(({ formula, from }) => ({ formula: formula.text, from })),
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

/** The reaction's gases, and those that a reagent and the pot's matter make with each other. */
function gasesOf(stage: ReadStage, extent: Figure, beside: readonly Beside[]): Gas[] {
  const amounts = new Map<string, Figure[]>()
  const add = (formula: string, amount: Figure): void => {
    amounts.set(formula, [...(amounts.get(formula) ?? []), amount])
  }
  for (const term of stage.reaction.products)
    if (isGas(term.species.formula, term.species.phase, stage.own))
      add(term.species.formula.text, madeOf(stage, term, extent))
  for (const { formula, amount, gas } of beside) if (gas) add(formula.text, amount)
  return [...amounts].map(([formula, parts]) => {
    const [only] = parts
    const amount =
      only && parts.length === 1
        ? only
        : sum(
            `amount of {${formula}} in all`,
            parts.map(part => [1, part] as const),
          )
    return { formula, amount, volume: product(`volume of {${formula}}`, 'volume', [amount, stage.molarVolume]) }
  })
}

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
