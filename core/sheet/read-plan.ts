import { balance, parseEquation, printReaction, type Reaction, type Term } from '#core/equation'
import { canBeWeighed, parseFormula, relate, type Formula, type Relation } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { exact, parseQuantity, type Figure, type Kind } from '#core/quantity'
import { ROOM } from '#core/reference'
import type { ChargePlan, Plan, ReagentPlan, StagePlan, SupplyPlan } from './plan'
import type { Path, PlanProblem, SheetProblem } from './problems'
import { findDensityTable, strengthOf } from './strength'
import { amountFromMass, amountFromVolume, idealMolarVolume, type Supply } from './supply'

/** How much of a reagent goes in: a fixed amount, a share of what the reaction needs, or all that an earlier stage made. */
export type Charge =
  | { readonly by: 'amount'; readonly amount: Figure; readonly mass?: Figure; readonly volume?: Figure }
  | { readonly by: 'equivalents'; readonly equivalents: Figure }
  | { readonly by: 'all' }

export interface Reagent {
  readonly term: Term
  readonly supply: Supply
  readonly charge: Charge
  /** The stage it comes from. */
  readonly from?: string
  /** False for a reactant the plan does not mention, water mostly. */
  readonly planned: boolean
}

export interface ReadStage {
  readonly id: string
  readonly reaction: Reaction
  /** One for each reactant, in the equation's order. */
  readonly reagents: readonly Reagent[]
  readonly product: { readonly term: Term; readonly form: Formula; readonly relation: Relation }
  /** Extent that the target asks for, mol. */
  readonly target?: Figure
  readonly targetMass?: Figure
  readonly yield: Figure
  readonly molarVolume: Figure
}

export interface ReadPlan {
  readonly stages: readonly ReadStage[]
}

class Refused extends Error {
  constructor(readonly refused: PlanProblem) {
    super(refused.problem.code)
  }
}

function refuse(path: Path, problem: PlanProblem['problem']): never {
  throw new Refused({ path, problem })
}

const need = <T>(path: Path, read: Checked<T, PlanProblem['problem']>): T =>
  read.ok ? read.value : refuse(path, read.problem)

/** Reads every text of a plan and matches supplies and forms to the equation; the first problem comes with its place in the plan. */
export function readPlan(plan: Plan): Checked<ReadPlan, PlanProblem> {
  try {
    if (plan.stages.length === 0) refuse(['stages'], { code: 'sheet.no-stages' })
    const molarVolume = readAmbient(plan)
    const stages: ReadStage[] = []
    plan.stages.forEach((stage, i) => {
      if (stages.some(({ id }) => id === stage.id))
        refuse(['stages', i, 'id'], { code: 'sheet.repeated-stage', id: stage.id })
      stages.push(readStage(stage, ['stages', i], stages, molarVolume))
    })
    return ok({ stages })
  } catch (error) {
    if (error instanceof Refused) return fail(error.refused)
    throw error
  }
}

function readAmbient({ ambient }: Plan): Figure {
  const of = (key: 'temperature' | 'pressure', kind: Kind): number =>
    ambient?.[key] === undefined ? ROOM[key] : quantity(ambient[key], ['ambient', key], [kind], key).value
  return idealMolarVolume(of('temperature', 'temperature'), of('pressure', 'pressure'))
}

function quantity(
  text: string,
  path: Path,
  kinds: readonly Kind[],
  name: string,
  more: { zero?: boolean; aboveWhole?: boolean } = {},
): Figure {
  const source = path[0] === 'stages' ? `${name}, stage ${Number(path[1]) + 1}` : name
  return need(path, parseQuantity(text, { kinds, name, source, ...more }))
}

/** A decision rather than a measurement: its digits carry no error. */
const decided = (figure: Figure): Figure =>
  exact(figure.value, figure.kind, figure.name, figure.made.how === 'given' ? figure.made.written : undefined)

/** The reaction of one stage, or why there is none. */
export function readReaction(equation: string): Checked<Reaction, PlanProblem['problem']> {
  const read = parseEquation(equation)
  if (!read.ok) return read
  const balanced = balance(read.value)
  if (!balanced.ok) return balanced
  if (balanced.value.unique) return ok(balanced.value.reaction)
  const reactions = balanced.value.basis.map(printReaction)
  return fail<SheetProblem>({ code: 'sheet.several-reactions', reactions })
}

function readStage(stage: StagePlan, path: Path, earlier: readonly ReadStage[], molarVolume: Figure): ReadStage {
  const reaction = need([...path, 'equation'], readReaction(stage.equation))
  for (const { species } of [...reaction.reactants, ...reaction.products]) {
    if (species.formula.composition.size === 0)
      refuse([...path, 'equation'], { code: 'sheet.electron', species: species.formula.text })
    if (!canBeWeighed(species.formula)) need([...path, 'equation'], parseFormula(species.formula.text))
  }
  const term = findTerm(stage.product.species, reaction.products, 'product', [...path, 'product', 'species'])
  const form =
    stage.product.form === undefined
      ? term.species.formula
      : need([...path, 'product', 'form'], parseFormula(stage.product.form))
  const relation =
    relate(form, term.species.formula) ??
    refuse([...path, 'product', 'form'], {
      code: 'sheet.form-mismatch',
      weighed: form.text,
      species: term.species.formula.text,
    })

  const stageYield =
    stage.yield === undefined
      ? exact(1)
      : decided(quantity(stage.yield, [...path, 'yield'], ['mass fraction'], 'expected yield'))
  const target = stage.target && readTarget(stage.target, [...path, 'target'], stageYield)
  return {
    id: stage.id,
    reaction,
    molarVolume,
    reagents: readReagents(stage, reaction, path, earlier, molarVolume),
    product: { term, form, relation },
    yield: target?.yield ?? stageYield,
    ...(target && { targetMass: target.mass }),
  }
}

function readTarget(
  target: NonNullable<StagePlan['target']>,
  path: Path,
  stageYield: Figure,
): { mass: Figure; yield: Figure } {
  return {
    mass: decided(quantity(target.mass, [...path, 'mass'], ['mass'], 'target')),
    yield:
      target.yield === undefined
        ? stageYield
        : decided(quantity(target.yield, [...path, 'yield'], ['mass fraction'], 'expected yield')),
  }
}

function findTerm(species: string, terms: readonly Term[], side: 'reactant' | 'product', path: Path): Term {
  const { text } = need(path, parseFormula(species))
  return (
    terms.find(term => term.species.formula.text === text) ??
    refuse(path, {
      code: 'sheet.unknown-species',
      species: text,
      side,
      among: terms.map(term => term.species.formula.text),
    })
  )
}

function readReagents(
  stage: StagePlan,
  reaction: Reaction,
  path: Path,
  earlier: readonly ReadStage[],
  molarVolume: Figure,
): Reagent[] {
  const planned = new Map<string, Reagent>()
  stage.reagents.forEach((reagent, i) => {
    const at = [...path, 'reagents', i]
    const term = findTerm(reagent.species, reaction.reactants, 'reactant', [...at, 'species'])
    const key = term.species.formula.text
    if (planned.has(key)) refuse([...at, 'species'], { code: 'sheet.repeated-reagent', species: key })
    planned.set(key, readReagent(reagent, term, at, earlier, molarVolume))
  })
  return reaction.reactants.map(term => planned.get(term.species.formula.text) ?? unplanned(term))
}

const unplanned = (term: Term): Reagent => {
  const formula = term.species.formula
  return {
    term,
    planned: false,
    charge: { by: 'equivalents', equivalents: exact(1) },
    supply: { kind: 'solid', species: formula, weighed: formula, relation: { units: 1, waters: 0 } },
  }
}

function readReagent(
  reagent: ReagentPlan,
  term: Term,
  path: Path,
  earlier: readonly ReadStage[],
  molarVolume: Figure,
): Reagent {
  const supply = readSupply(reagent.supply, term.species.formula, [...path, 'supply'], earlier, molarVolume)
  const from = reagent.supply.kind === 'stage' ? { from: reagent.supply.from } : {}
  const charge: Charge = reagent.charge
    ? readCharge(reagent.charge, supply, [...path, 'charge'])
    : 'from' in from
      ? { by: 'all' }
      : { by: 'equivalents', equivalents: exact(1) }
  return { term, supply, charge, planned: true, ...from }
}

function readSupply(
  plan: SupplyPlan,
  species: Formula,
  path: Path,
  earlier: readonly ReadStage[],
  molarVolume: Figure,
): Supply {
  const pure: Relation = { units: 1, waters: 0 }
  const matched = (weighed: Formula, at: Path): Relation =>
    relate(weighed, species) ??
    refuse(at, { code: 'sheet.form-mismatch', weighed: weighed.text, species: species.text })
  switch (plan.kind) {
    case 'solid': {
      const weighed = plan.formula === undefined ? species : need([...path, 'formula'], parseFormula(plan.formula))
      return {
        kind: 'solid',
        species,
        weighed,
        relation: matched(weighed, [...path, 'formula']),
        ...readAssay(plan.assay, weighed, path),
      }
    }
    case 'solution': {
      const concentration = quantity(
        plan.concentration,
        [...path, 'concentration'],
        ['concentration', 'mass fraction', 'mass per volume'],
        `concentration of {${species.text}}`,
      )
      const density =
        plan.density === undefined
          ? undefined
          : quantity(plan.density, [...path, 'density'], ['density'], `density of {${species.text}}`)
      const strength = strengthOf(species, concentration, density)
      const table = findDensityTable(species)
      const beyond = !strength.density && concentration.kind !== 'mass fraction' && table?.rows.at(-1)![0] === 100
      if (beyond || (strength.massFraction?.value ?? 0) > 1)
        refuse([...path, 'concentration'], { code: 'sheet.too-strong', species: species.text })
      return { kind: 'solution', species, weighed: species, relation: pure, strength }
    }
    case 'liquid': {
      const density =
        plan.density === undefined
          ? {}
          : { density: quantity(plan.density, [...path, 'density'], ['density'], `density of {${species.text}}`) }
      return {
        kind: 'liquid',
        species,
        weighed: species,
        relation: pure,
        ...density,
        ...readAssay(plan.assay, species, path),
      }
    }
    case 'gas':
      return { kind: 'gas', species, weighed: species, relation: pure, molarVolume }
    case 'stage': {
      const source =
        earlier.find(({ id }) => id === plan.from) ??
        refuse([...path, 'from'], { code: 'sheet.unknown-stage', from: plan.from })
      return {
        kind: 'stage',
        species,
        weighed: source.product.form,
        relation: matched(source.product.form, [...path, 'from']),
      }
    }
  }
}

/** An assay of exactly 100 % is a statement, not a reading. */
function readAssay(text: string | undefined, weighed: Formula, path: Path): { assay?: Figure } {
  if (text === undefined) return {}
  const assay = quantity(text, [...path, 'assay'], ['mass fraction'], `assay of {${weighed.text}}`)
  return assay.value === 1 ? {} : { assay }
}

function readCharge(plan: ChargePlan, supply: Supply, path: Path): Charge {
  const name = `{${supply.weighed.text}}`
  if ('mass' in plan) {
    const mass = quantity(plan.mass, [...path, 'mass'], ['mass'], `mass of ${name}`)
    const amount =
      amountFromMass(supply, mass) ??
      refuse([...path, 'mass'], { code: 'sheet.no-density', species: supply.species.text })
    return { by: 'amount', amount, mass }
  }
  if ('volume' in plan) {
    const volume = quantity(plan.volume, [...path, 'volume'], ['volume'], `volume of ${name}`)
    const byVolume = amountFromVolume(supply, volume)
    const code = supply.kind === 'solid' || supply.kind === 'stage' ? 'sheet.not-by-volume' : 'sheet.no-density'
    return {
      by: 'amount',
      amount: byVolume ?? refuse([...path, 'volume'], { code, species: supply.species.text }),
      volume,
    }
  }
  if ('amount' in plan)
    return {
      by: 'amount',
      amount: quantity(plan.amount, [...path, 'amount'], ['amount'], `amount of {${supply.species.text}}`),
    }
  if ('excess' in plan) {
    const excess = quantity(plan.excess, [...path, 'excess'], ['mass fraction'], 'excess', {
      zero: true,
      aboveWhole: true,
    })
    return { by: 'equivalents', equivalents: exact(1 + excess.value, 'number', 'equivalents') }
  }
  const { equivalents } = plan
  if (!Number.isFinite(equivalents) || equivalents <= 0 || equivalents > 1e6)
    refuse([...path, 'equivalents'], { code: 'sheet.bad-equivalents', value: equivalents })
  return { by: 'equivalents', equivalents: exact(equivalents, 'number', 'equivalents') }
}

/** A reagent charged with what was really weighed or measured, in place of what was planned. */
export function withReading(reagent: Reagent, reading: { mass: Figure } | { volume: Figure }): Reagent {
  const amount =
    'mass' in reading ? amountFromMass(reagent.supply, reading.mass) : amountFromVolume(reagent.supply, reading.volume)
  return amount ? { ...reagent, charge: { by: 'amount', amount, ...reading } } : reagent
}
