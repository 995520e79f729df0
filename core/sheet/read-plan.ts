import { balance, mixReactions, parseEquation, printReaction, type Reaction, type Term } from '#core/equation'
import { canBeWeighed, parseFormula, relate, type Formula, type Relation } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { exact, type Figure, type Kind } from '#core/quantity'
import { ROOM, type SubstanceRow } from '#core/reference'
import type { Plan, ReagentPlan, StagePlan } from './plan'
import type { Path, PlanProblem, SheetProblem } from './problems'
import { readBench, type Bench } from './read-bench'
import { readCharge, readSupply } from './read-supply'
import { decided, need, quantity, Refused, refuse } from './refuse'
import { amountFromMass, amountFromVolume, idealMolarVolume, type Supply } from './supply'
import type { WayOut } from './ways-out'

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
  /** Where the chemist says that its excess goes. */
  readonly wayOut?: WayOut
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
  /** True where the product is not isolated: the pot, its water with it, goes on to the next stage. */
  readonly inPot: boolean
  readonly bench: Bench
  /** The lab's own substances, which come before the shipped ones. */
  readonly own: readonly SubstanceRow[]
}

export interface ReadPlan {
  readonly stages: readonly ReadStage[]
  readonly room: Room
}
export interface Room {
  readonly celsius: number
  readonly kilopascal: number
  /** mL of air in the room, where the plan says. */
  readonly volume?: Figure
}

/** Reads every text of a plan and matches supplies and forms to the equation; the first problem comes with its place in the plan. */
export function readPlan(plan: Plan, own: readonly SubstanceRow[] = []): Checked<ReadPlan, PlanProblem> {
  try {
    if (plan.stages.length === 0) refuse(['stages'], { code: 'sheet.no-stages' })
    const room = readRoom(plan)
    const molarVolume = idealMolarVolume(room.celsius, room.kilopascal)
    const stages: ReadStage[] = []
    plan.stages.forEach((stage, i) => {
      if (stages.some(({ id }) => id === stage.id))
        refuse(['stages', i, 'id'], { code: 'sheet.repeated-stage', id: stage.id })
      stages.push({ ...readStage(stage, ['stages', i], stages, molarVolume), own })
    })
    return ok({ stages, room })
  } catch (error) {
    if (error instanceof Refused) return fail(error.refused)
    throw error
  }
}

function readRoom({ ambient, room }: Plan): Room {
  const of = (key: 'temperature' | 'pressure', kind: Kind): number =>
    ambient?.[key] === undefined ? ROOM[key] : quantity(ambient[key], ['ambient', key], [kind], key).value
  return {
    celsius: of('temperature', 'temperature'),
    kilopascal: of('pressure', 'pressure'),
    ...(room?.volume !== undefined && {
      volume: quantity(room.volume, ['room', 'volume'], ['volume'], 'volume of the room'),
    }),
  }
}

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

/** The reaction of a stage: the one its species allow, or the mix of several that the chemist chose. */
export function readStageReaction(stage: StagePlan, path: Path = []): Checked<Reaction, PlanProblem> {
  try {
    return ok(reactionOf(stage, path))
  } catch (error) {
    if (error instanceof Refused) return fail(error.refused)
    throw error
  }
}

function reactionOf(stage: StagePlan, path: Path): Reaction {
  const { mix } = stage
  if (!mix || mix.length === 0) return need([...path, 'equation'], readReaction(stage.equation))
  const whole = need([...path, 'equation'], parseEquation(stage.equation))
  const texts = whole.species.map(({ formula }) => formula.text)
  const parts = mix.map(({ equation, share }, i) => {
    const at = [...path, 'mix', i]
    const reaction = need([...at, 'equation'], readReaction(equation))
    const stranger = [...reaction.reactants, ...reaction.products].find(
      ({ species }) => !texts.includes(species.formula.text),
    )
    if (stranger) refuse([...at, 'equation'], { code: 'sheet.mix-stranger', species: stranger.species.formula.text })
    const part = quantity(share, [...at, 'share'], ['mass fraction', 'number'], 'share', {
      zero: true,
      aboveWhole: true,
    })
    return { reaction, share: part.value }
  })
  if (parts.every(({ share }) => share === 0)) refuse([...path, 'mix'], { code: 'sheet.mix-empty' })
  const taken = parts.filter(({ share }) => share > 0)
  return mixReactions(taken, stage.product.species, texts)
}

function readStage(
  stage: StagePlan,
  path: Path,
  earlier: readonly ReadStage[],
  molarVolume: Figure,
): Omit<ReadStage, 'own'> {
  const reaction = reactionOf(stage, path)
  for (const { species } of [...reaction.reactants, ...reaction.products]) {
    if (species.formula.composition.size === 0)
      refuse([...path, 'equation'], { code: 'sheet.electron', species: species.formula.text })
    if (!canBeWeighed(species.formula)) need([...path, 'equation'], parseFormula(species.formula.text))
  }
  const term = findTerm(stage.product.species, reaction.products, 'product', [...path, 'product', 'species'])
  const inPot = stage.inPot === true
  const form =
    stage.product.form === undefined || inPot
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
    inPot,
    bench: readBench(stage, path),
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
  return { term, supply, charge, planned: true, ...from, ...(reagent.wayOut && { wayOut: reagent.wayOut }) }
}

/** A reagent charged with what was really weighed or measured, in place of what was planned. */
export function withReading(reagent: Reagent, reading: { mass: Figure } | { volume: Figure }): Reagent {
  const amount =
    'mass' in reading ? amountFromMass(reagent.supply, reading.mass) : amountFromVolume(reagent.supply, reading.volume)
  return amount ? { ...reagent, charge: { by: 'amount', amount, ...reading } } : reagent
}
