import { parseFormula, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { difference, parseQuantity, product, type Figure, type Kind } from '#core/quantity'
import type { PlanProblem } from './problems'
import { strengthOf } from '#core/supply'

export interface DilutionPlan {
  readonly from: { readonly reagent: string; readonly concentration: string; readonly density?: string }
  readonly to: {
    readonly concentration: string
    readonly volume?: string
    readonly mass?: string
    readonly density?: string
  }
}

export interface Dilution {
  /** Undefined where the stock's density is not known. */
  readonly takeVolume?: Figure
  readonly takeMass: Figure
  /** Water to add, g. */
  readonly water: Figure
  /** What goes into what. */
  readonly order: string
}

export type DilutionProblem =
  | { code: 'dilute.volume-or-mass' }
  | { code: 'dilute.no-density'; which: 'stock' | 'solution'; reagent: string }
  | { code: 'dilute.stronger-than-stock'; stock: string; wanted: string }

export interface DilutionRefused {
  readonly path: PlanProblem['path']
  readonly problem: DilutionProblem | PlanProblem['problem']
}

const STRENGTHS: readonly Kind[] = ['concentration', 'mass fraction', 'mass per volume']

/**
 * How much stock and how much water make a weaker solution, by mass balance: solute in is solute out, and masses add where
 * volumes do not. Densities come from the plan or the core's table. Refuses a target stronger than the stock.
 */
export function dilute({ from, to }: DilutionPlan): Checked<Dilution, DilutionRefused> {
  const solute = parseFormula(from.reagent)
  if (!solute.ok) return fail({ path: ['from', 'reagent'], problem: solute.problem })
  if ((to.volume === undefined) === (to.mass === undefined))
    return fail({ path: ['to'], problem: { code: 'dilute.volume-or-mass' } })

  const stock = readSolution(solute.value, from, 'from')
  if (!stock.ok) return stock
  const wanted = readSolution(solute.value, to, 'to')
  if (!wanted.ok) return wanted
  const size = readSize(to)
  if (!size.ok) return size

  const weak = wanted.value.massFraction
  const strong = stock.value.massFraction
  if (!strong)
    return fail({
      path: ['from', 'density'],
      problem: { code: 'dilute.no-density', which: 'stock', reagent: solute.value.text },
    })
  if (!weak)
    return fail({
      path: ['to', 'density'],
      problem: { code: 'dilute.no-density', which: 'solution', reagent: solute.value.text },
    })
  if (weak.value > strong.value) {
    return fail({
      path: ['to', 'concentration'],
      problem: { code: 'dilute.stronger-than-stock', stock: from.concentration, wanted: to.concentration },
    })
  }

  const density = wanted.value.density
  if (size.value.kind === 'volume' && !density)
    return fail({
      path: ['to', 'density'],
      problem: { code: 'dilute.no-density', which: 'solution', reagent: solute.value.text },
    })
  const whole =
    size.value.kind === 'mass' ? size.value : product('mass of the solution', 'mass', [size.value, density!])
  const takeMass = product('mass of stock', 'mass', [whole, weak], [strong])
  return ok({
    takeMass,
    ...(stock.value.density && { takeVolume: product('volume of stock', 'volume', [takeMass], [stock.value.density]) }),
    water: difference('water to add', whole, takeMass),
    order: orderFor(solute.value),
  })
}

/** The strength of a stock or of the solution wanted, with its place for problems. */
export function readSolution(
  solute: Formula,
  { concentration, density }: { concentration: string; density?: string },
  key: 'from' | 'to',
) {
  const which = key === 'from' ? 'stock' : 'solution'
  const strength = parseQuantity(concentration, {
    kinds: STRENGTHS,
    name: `concentration of the ${which}`,
    source: `concentration of the ${which}`,
  })
  if (!strength.ok) return fail({ path: [key, 'concentration'], problem: strength.problem })
  const given =
    density === undefined
      ? undefined
      : parseQuantity(density, {
          kinds: ['density'],
          name: `density of the ${which}`,
          source: `density of the ${which}`,
        })
  if (given && !given.ok) return fail({ path: [key, 'density'], problem: given.problem })
  return ok(strengthOf(solute, strength.value, given?.value))
}

function readSize({ volume, mass }: DilutionPlan['to']) {
  const [text, kind] = volume === undefined ? ([mass!, 'mass'] as const) : ([volume, 'volume'] as const)
  const size = parseQuantity(text, { kinds: [kind], name: `${kind} wanted`, source: `${kind} wanted` })
  return size.ok ? size : fail({ path: ['to', kind], problem: size.problem })
}

const CAUSTIC = new Set(['NaOH', 'KOH'])

/** Common practice, no source: the denser, hotter partner goes into the water, never the other way. */
function orderFor({ text }: Formula): string {
  if (text === 'H2SO4')
    return 'Acid into water: pour the sulfuric acid slowly into most of the water, stirring and cooling, then make up. Never water into the acid.'
  if (CAUSTIC.has(text))
    return 'Caustic into water: pour the stock slowly into most of the water, stirring, and let it cool before making up.'
  if (text === 'HNO3' || text === 'HCl' || text === 'NH3')
    return 'Stock into water, in the hood: pour it into most of the water, then make up.'
  return 'Stock into water: pour it into most of the water, then make up.'
}

export function explainDilution(problem: DilutionProblem): { why: string; fix: string } {
  switch (problem.code) {
    case 'dilute.volume-or-mass':
      return {
        why: 'The solution wanted needs its volume or its mass, one of the two.',
        fix: 'Give "volume" or "mass".',
      }
    case 'dilute.no-density':
      return {
        why: `The density of the ${problem.which} of ${problem.reagent} is not known.`,
        fix: 'Give "density", or give both strengths as % w/w and the mass wanted.',
      }
    case 'dilute.stronger-than-stock':
      return {
        why: `${problem.wanted} is stronger than the stock of ${problem.stock}.`,
        fix: 'Dilution only weakens: take a stronger stock.',
      }
  }
}
