import { findSubstance, type Formula } from '#core/formula'
import { doubleRise, findCurve, findProduct, saturationAt, type Curve } from '#core/solution'
import { isGas, type ReadStage, type Way } from '#core/sheet'
import { donorOf, dryOf, standsAs } from '#core/vessel'

export interface ChosenWay {
  readonly way: Way
  readonly proposed: boolean
  readonly why: string
}

/** How the product of a stage is won: as the chemist chose, or as the chemistry asks for. */
export function wayOf(stage: ReadStage, own: readonly Curve[] = []): ChosenWay {
  const { way: chosen } = stage
  if (chosen) return { way: chosen, proposed: false, why: 'As the plan says.' }
  const found = proposed(stage, own)
  return { ...found, proposed: true }
}

function proposed(stage: ReadStage, own: readonly Curve[]): { way: Way; why: string } {
  const product = stage.product.term.species.formula
  const { dry } = dryOf(product)
  if (stage.inPot) return { way: 'leave in the pot', why: 'The whole pot goes on to the next stage.' }
  if (isDry(stage))
    return {
      way: 'heat dry',
      why: 'Nothing here brings a solvent: it is solids, or a solid and a gas, that react when hot.',
    }
  if (organicOnly(stage))
    return { way: 'own', why: 'Nothing is known here about solubilities in these solvents: the steps are your own.' }
  if (standsAs(dry) === 'solid')
    return { way: 'throw down', why: `{${product.text}} is sparingly soluble: it comes down as it is made.` }
  const curve = findCurve(dry, own)?.curve ?? findCurve(stage.product.form, own)?.curve
  const row = findSubstance(product, stage.own)?.row
  const rise = curve ? undefined : doubleRise(dry, COLD, WARM)
  if (rise !== undefined && rise > FLAT)
    return {
      way: 'crystallise',
      why: `{${product.text}} is about ${rise.toFixed(1)} times as soluble at ${WARM} °C as at ${COLD} °C, as its kin are.`,
    }
  if (!curve)
    return row && row.water === 'soluble' && row.ethanol === 'insoluble'
      ? {
          way: 'salt out',
          why: `{${product.text}} dissolves in water and not in alcohol, and its solubility curve is not in the tables.`,
        }
      : { way: 'own', why: `The solubility of {${product.text}} is not in the tables: nothing is predicted.` }
  if (row?.air === 'deliquesces' && onlyVolatileBeside(stage))
    return { way: 'take to dryness', why: `{${product.text}} deliquesces, and nothing else in the pot stays behind.` }
  if (isFlat(curve))
    return onlyVolatileBeside(stage)
      ? {
          way: 'take to dryness',
          why: `{${product.text}} is hardly more soluble hot than cold, and nothing else in the pot stays behind.`,
        }
      : {
          way: 'crystallise',
          why: `{${product.text}} is hardly more soluble hot than cold: it comes as water is boiled off.`,
        }
  return { way: 'crystallise', why: `{${product.text}} is much more soluble hot than cold.` }
}

/** Cold and warm between which the rise of a double salt is judged, °C: its kin’s curves reach so far. */
const [COLD, WARM] = [5, 60]
/** How many times as soluble a salt is at the hot end of its curve as in the cold must be over this for cooling to bring a crop: at 1.5 a third of it comes. A judgement, no source. */
const FLAT = 1.5
function slopeOf(curve: Curve): number | undefined {
  const from = Math.max(5, Math.min(...curve.phases.map(one => one.from)))
  const to = Math.min(80, Math.max(...curve.phases.map(one => one.to)))
  const [cold, hot] = [saturationAt(curve, from), saturationAt(curve, to)]
  return cold.ok && hot.ok && to > from ? hot.value.grams / cold.value.grams : undefined
}

/** Hardly more soluble hot than cold, or less. */
export function isFlat(curve: Curve): boolean {
  const slope = slopeOf(curve)
  return slope !== undefined && slope <= FLAT
}

const formulaIn = (reagent: ReadStage['reagents'][number]): Formula => reagent.term.species.formula

/** Nothing brings a liquid, and what is there does not react by dissolving: one solid alone, a solid and a gas, or solids that do not dissolve. */
function isDry({ reagents, bench, otherSolvents, reaction }: ReadStage): boolean {
  const planned = reagents.filter(one => one.planned)
  if (
    bench.solvent ||
    otherSolvents.length > 0 ||
    planned.some(({ supply }) => supply.kind === 'solution' || supply.kind === 'liquid' || supply.inPot)
  )
    return false
  if (planned.some(one => formulaIn(one).text === 'H2O')) return false
  const solids = planned.filter(one => !isGas(formulaIn(one), one.term.species.phase))
  if (solids.length === 0) return false
  if (solids.length === 1) return true
  if (solids.some(one => isElement(formulaIn(one))) && !solids.some(one => isAcid(formulaIn(one))))
    return !makesElement(reaction)
  return solids.every(one => standsAs(dryOf(formulaIn(one)).dry) === 'solid' && !isAcid(formulaIn(one)))
}
const isElement = ({ composition }: Formula): boolean => composition.size === 1
/** A metal takes the place of another in water; with salts that it cannot displace it reacts only in the melt. */
const makesElement = ({ products }: ReadStage['reaction']): boolean =>
  products.some(({ species }) => isElement(species.formula) && standsAs(species.formula) === 'solid')
const isAcid = (formula: Formula): boolean => donorOf(formula) !== undefined

/** Solvents are named, and water is none of them. */
function organicOnly({ bench, reagents, otherSolvents }: ReadStage): boolean {
  if (otherSolvents.length === 0 || bench.solvent) return false
  return !reagents.some(({ supply }) => supply.kind === 'solution')
}

/** Beside the product only water, gases and acids that boil off: no co-product and no planned excess that stays. */
function onlyVolatileBeside({ reaction, product, reagents }: ReadStage): boolean {
  const beside = reaction.products.filter(term => term !== product.term).map(({ species }) => species.formula)
  const excess = reagents
    .filter(({ charge }) => charge.by === 'equivalents' && charge.equivalents.value > 1.001)
    .map(({ term }) => term.species.formula)
  return [...beside, ...excess].every(formula => {
    const row = findSubstance(formula)?.row
    if (formula.text === 'H2O' || row?.state === 'gas' || row?.volatile === true) return true
    return standsAs(formula) === 'solid' && !findProduct(formula)
  })
}
