import { molarMass, molarMassFigure, parseFormula, relate, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { difference, exact, parseQuantity, product, type Figure } from '#core/quantity'
import type { Dilution, DilutionPlan, DilutionRefused } from './dilute'
import { readSolution } from './dilute'
import { heatOfSolution } from './enthalpy'

/** A solution to be made from a solid: what is weighed, the solute it holds, the strength and volume wanted. */
export interface FromSolidPlan {
  readonly form: string
  readonly solute: string
  readonly concentration: string
  readonly volume: string
  readonly density?: string
}
export interface FromSolid {
  readonly weigh: Figure
  /** Water to add, g; undefined where the density of the solution is not known: make up to the mark. */
  readonly water?: Figure
  readonly order: string
}

/** Mass of solid for a volume of solution; by mass balance its water too, where the density is known. */
export function makeUpFromSolid(plan: FromSolidPlan): Checked<FromSolid, DilutionRefused> {
  const form = parseFormula(plan.form)
  if (!form.ok) return fail({ path: ['form'], problem: form.problem })
  const solute = parseFormula(plan.solute)
  if (!solute.ok) return fail({ path: ['solute'], problem: solute.problem })
  const relation = relate(form.value, solute.value)
  if (!relation)
    return fail({
      path: ['form'],
      problem: { code: 'sheet.form-mismatch', weighed: form.value.text, species: solute.value.text },
    })
  const wanted = readSolution(
    solute.value,
    { concentration: plan.concentration, ...(plan.density !== undefined && { density: plan.density }) },
    'to',
  )
  if (!wanted.ok) return wanted
  const volume = parseQuantity(plan.volume, { kinds: ['volume'], name: 'volume wanted', source: 'volume wanted' })
  if (!volume.ok) return fail({ path: ['to', 'volume'], problem: volume.problem })
  const { molarity, density } = wanted.value
  if (!molarity)
    return fail({
      path: ['to', 'density'],
      problem: { code: 'dilute.no-density', which: 'solution', reagent: solute.value.text },
    })
  const amount = product(`amount of {${solute.value.text}}`, 'amount', [volume.value, molarity], [], 1e-3)
  const units =
    relation.units === 1 ? [] : [exact(relation.units, 'number', `{${solute.value.text}} in {${form.value.text}}`)]
  const weigh = product(`{${form.value.text}} to weigh`, 'mass', [amount, molarMassFigure(form.value)], units)
  const whole = density && product('mass of the solution', 'mass', [volume.value, density])
  return ok({
    weigh,
    ...(whole && { water: difference('water to add', whole, weigh) }),
    order: orderForSolid(solute.value),
  })
}

function orderForSolid({ text }: Formula): string {
  if (text === 'NaOH' || text === 'KOH')
    return 'Solid into water, in portions, stirring, in a vessel that stands the heat; never water onto the solid. Let it cool before you make up to the mark.'
  return 'Dissolve the solid in about three quarters of the water, let it come to room temperature, then make up.'
}

export interface Warmth {
  /** Heat set free, kJ. */
  readonly heat: Figure
  /** K, were none of it lost; an estimate. */
  readonly rise: Figure
  readonly boils: boolean
  readonly source: string
}

/**
 * How warm a solution gets when it is made up from a stronger one, from the integral heats of solution of the two strengths:
 * Q = n (q at the end − q in the stock). Undefined where the table has no heat for the reagent or reaches no further.
 */
export function warmthOfDilution(plan: DilutionPlan, dilution: Dilution): Warmth | undefined {
  const solute = parseFormula(plan.from.reagent)
  if (!solute.ok) return undefined
  const stock = readSolution(solute.value, plan.from, 'from')
  const weak = readSolution(solute.value, plan.to, 'to')
  const fractions = [stock, weak].map(one => (one.ok ? one.value.massFraction : undefined))
  const [strong, thin] = fractions
  if (!strong || !thin) return undefined
  const before =
    strong.value > 0.999
      ? exact(0, 'molar energy', 'heat of solution of the pure reagent')
      : heatAt(solute.value, strong.value)
  const after = heatAt(solute.value, thin.value)
  if (!before || !after) return undefined
  const amount = product(
    `amount of {${solute.value.text}}`,
    'amount',
    [dilution.takeMass, strong],
    [molarMassFigure(solute.value)],
  )
  const heat = product('heat of dilution', 'energy', [amount, difference('heat set free a mole', after, before)])
  const water = (dilution.takeMass.value * (1 - strong.value) + dilution.water.value) * 4.18
  const solid = dilution.takeMass.value * strong.value
  const capacity = exact(water + solid, 'number', 'heat capacity of the solution, J/K')
  const rise = product('temperature rise', 'warming', [heat], [capacity], 1000)
  return { heat, rise, boils: rise.value > 75, source: 'integral heats of solution, NBS tables 1982 (from memory)' }
}

const heatAt = (solute: Formula, fraction: number): Figure | undefined =>
  heatOfSolution(solute.text, ((1 - fraction) / 18.015) * (molarMass(solute) / fraction))

/** Standard sizes of beakers and bottles, mL. */
const VESSELS = [25, 50, 100, 150, 250, 400, 600, 800, 1000, 2000, 3000, 5000] as const

/** The smallest usual vessel that the volume fills to two thirds at most; undefined where it is larger than them all. */
export const vesselFor = (volume: number): number | undefined => VESSELS.find(size => volume <= (size * 2) / 3)
