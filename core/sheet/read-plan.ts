import { balance, mixReactions, parseEquation, printReaction, type Reaction, type Term } from '#core/equation'
import { canBeWeighed, parseFormula, relate, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { exact, sum, type Figure } from '#core/quantity'
import { ROOM, type SubstanceRow } from '#core/reference'
import type { Plan, ReagentPlan, StagePlan } from './plan'
import type { Path, PlanProblem, SheetProblem } from './problems'
import { readBench, type SideField } from './read-bench'
import type { Charge, ReadPlan, ReadStage, Reagent, Room } from './read-stage'
import { readCharge, readSupply, type Earlier } from './read-supply'
import { attempt, Blocked, decided, need, quantity, Refused, refuse } from './refuse'
import { takerProblems } from './takers'
import { amountFromMass, amountFromVolume, idealMolarVolume, type Supply } from '#core/supply'

/** A plan as far as it reads, with every problem at its place. */
export interface PlanReading {
  /** The stages that read, and what they take from each other. */
  readonly plan: ReadPlan
  /** True where every stage is among them. */
  readonly whole: boolean
  readonly problems: readonly PlanProblem[]
}

/** Reads every text of a plan and matches supplies and forms to the equation; the first problem comes with its place in the plan. */
export function readPlan(plan: Plan, own: readonly SubstanceRow[] = []): Checked<ReadPlan, PlanProblem> {
  const { plan: read, problems } = readAsFar(plan, own)
  return problems[0] ? fail(problems[0]) : ok(read)
}

/** The same, but for every problem and for all that does not hang on one: a text that does not read leaves the others be. */
export function readAsFar(plan: Plan, own: readonly SubstanceRow[] = []): PlanReading {
  const problems: PlanProblem[] = []
  if (plan.stages.length === 0) problems.push({ path: ['stages'], problem: { code: 'sheet.no-stages' } })
  const room = readRoom(plan, problems)
  const molarVolume = idealMolarVolume(room.celsius, room.kilopascal)
  const isRoomUnread = room.unread.some(key => key !== 'volume')
  const stages: ReadStage[] = []
  plan.stages.forEach((stage, i) => {
    const ids = plan.stages.slice(0, i).map(({ id }) => id)
    if (ids.includes(stage.id)) {
      problems.push({ path: ['stages', i, 'id'], problem: { code: 'sheet.repeated-stage', id: stage.id } })
      return
    }
    const read = readStage(stage, ['stages', i], { read: stages, ids }, molarVolume, problems)
    const measuresGas = stage.reagents.some(({ supply }) => supply.kind === 'gas')
    if (read && !(measuresGas && isRoomUnread)) stages.push({ ...read, own })
  })
  problems.push(...takerProblems(plan, stages))
  return { plan: { stages, room }, whole: stages.length === plan.stages.length && stages.length > 0, problems }
}

function readRoom({ ambient, room }: Plan, problems: PlanProblem[]): Room {
  const unread: ('temperature' | 'pressure' | 'volume')[] = []
  const field = (
    key: 'temperature' | 'pressure' | 'volume',
    text: string | undefined,
    at: Path,
  ): Figure | undefined => {
    if (text === undefined) return undefined
    const name = key === 'volume' ? 'volume of the room' : key
    const read = attempt(problems, () => quantity(text, at, [key], name))
    if (!read) unread.push(key)
    return read
  }
  const temperature = field('temperature', ambient?.temperature, ['ambient', 'temperature'])
  const pressure = field('pressure', ambient?.pressure, ['ambient', 'pressure'])
  const volume = field('volume', room?.volume, ['room', 'volume'])
  return {
    celsius: temperature?.value ?? ROOM.temperature,
    kilopascal: pressure?.value ?? ROOM.pressure,
    ...(volume && { volume }),
    unread,
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

/** One of several reactions that share their species, as it was printed with its coefficients; they tell it from the others where it takes all the species itself. */
function readPart(equation: string): Checked<Reaction, PlanProblem['problem']> {
  const read = parseEquation(equation)
  const balanced = read.ok ? balance(read.value) : undefined
  if (!balanced?.ok || balanced.value.unique) return readReaction(equation)
  const printed = balanced.value.basis.find(one => printReaction(one) === equation.trim())
  return printed ? ok(printed) : readReaction(equation)
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
  const shares = readShares(mix, path)
  const parts = mix.map(({ equation }, i) => {
    const at = [...path, 'mix', i]
    const reaction = need([...at, 'equation'], readPart(equation))
    const stranger = [...reaction.reactants, ...reaction.products].find(
      ({ species }) => !texts.includes(species.formula.text),
    )
    if (stranger) refuse([...at, 'equation'], { code: 'sheet.mix-stranger', species: stranger.species.formula.text })
    return { reaction, share: shares[i] ?? 0 }
  })
  if (parts.every(({ share }) => share === 0)) refuse([...path, 'mix'], { code: 'sheet.mix-empty' })
  const taken = parts.filter(({ share }) => share > 0)
  return mixReactions(taken, stage.product.species, texts)
}

/** Shares in percent have to make a whole; plain numbers are a ratio. */
function readShares(mix: NonNullable<StagePlan['mix']>, path: Path): number[] {
  const read = mix.map(({ share }, i) =>
    quantity(share, [...path, 'mix', i, 'share'], ['mass fraction', 'number'], 'share', {
      zero: true,
      aboveWhole: true,
    }),
  )
  const percents = read.filter(({ kind }) => kind === 'mass fraction')
  const last = [...path, 'mix', mix.length - 1, 'share']
  if (percents.length > 0 && percents.length < read.length) refuse(last, { code: 'sheet.mix-mixed' })
  const total = percents.reduce((sum, { value }) => sum + value, 0)
  if (percents.length > 0 && total > 0 && Math.abs(total - 1) > WHOLE)
    refuse(last, { code: 'sheet.mix-not-whole', total })
  return read.map(({ value }) => value)
}

/** How far shares may be off a whole and still count as rounded: three thirds typed as 33.3 %. */
const WHOLE = 0.002

function readStage(
  stage: StagePlan,
  path: Path,
  earlier: Earlier,
  molarVolume: Figure,
  problems: PlanProblem[],
): Omit<ReadStage, 'own'> | undefined {
  const reaction = attempt(problems, () => weighable(reactionOf(stage, path), path))
  const inPot = stage.inPot === true
  const product = reaction && attempt(problems, () => readProduct(stage, reaction, path, inPot))
  const stageYield =
    stage.yield === undefined ? exact(1) : attempt(problems, () => readYield(stage.yield ?? '', [...path, 'yield']))
  const target = stage.target
  const read = target && attempt(problems, () => readTarget(target, [...path, 'target'], stageYield ?? exact(1)))
  const { bench, unread, otherSolvents } = readBench(stage, path, problems)
  const reagents = readReagents(stage, reaction, path, earlier, molarVolume, problems)
  if (!reaction || !product || !reagents || (target && !read)) return undefined
  return {
    id: stage.id,
    reaction,
    molarVolume,
    inPot,
    ...(stage.way !== undefined && { way: stage.way }),
    ...(stage.operations && { operations: stage.operations }),
    bench,
    otherSolvents,
    unread: stageYield || target?.yield !== undefined ? unread : [...unread, 'yield'],
    reagents,
    product,
    yield: read?.yield ?? stageYield ?? exact(1),
    ...(read && { targetMass: read.mass }),
  }
}

/** The reaction, if all of it can be put on a balance. */
function weighable(reaction: Reaction, path: Path): Reaction {
  for (const { species } of [...reaction.reactants, ...reaction.products]) {
    if (species.formula.composition.size === 0)
      refuse([...path, 'equation'], { code: 'sheet.electron', species: species.formula.text })
    if (!canBeWeighed(species.formula)) need([...path, 'equation'], parseFormula(species.formula.text))
  }
  return reaction
}

function readProduct(stage: StagePlan, reaction: Reaction, path: Path, inPot: boolean): ReadStage['product'] {
  const term = findTerm(stage.product.species, reaction.products, 'product', [...path, 'product', 'species'])
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
  return { term, form, relation }
}

const readYield = (text: string, path: Path): Figure =>
  decided(quantity(text, path, ['mass fraction'], 'expected yield'))

function readTarget(
  target: NonNullable<StagePlan['target']>,
  path: Path,
  stageYield: Figure,
): { mass: Figure; yield: Figure } {
  return {
    mass: decided(quantity(target.mass, [...path, 'mass'], ['mass'], 'target')),
    yield: target.yield === undefined ? stageYield : readYield(target.yield, [...path, 'yield']),
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

/** The reagents in the equation's order; undefined where one of them does not read. Without a reaction their own texts are still looked at. */
function readReagents(
  stage: StagePlan,
  reaction: Reaction | undefined,
  path: Path,
  earlier: Earlier,
  molarVolume: Figure,
  problems: PlanProblem[],
): Reagent[] | undefined {
  const planned = new Map<string, Reagent>()
  let isWhole = true
  stage.reagents.forEach((reagent, i) => {
    const at = [...path, 'reagents', i]
    const read = attempt(problems, () => {
      const term = reaction
        ? findTerm(reagent.species, reaction.reactants, 'reactant', [...at, 'species'])
        : bareTerm(reagent.species, [...at, 'species'])
      const key = term.species.formula.text
      if (planned.has(key)) refuse([...at, 'species'], { code: 'sheet.repeated-reagent', species: key })
      const givesCarbonDioxide = reaction?.products.some(({ species }) => species.formula.text === 'CO2') ?? false
      return readReagent(reagent, term, at, earlier, givesCarbonDioxide, molarVolume, problems)
    })
    if (read) planned.set(read.term.species.formula.text, read)
    else isWhole = false
  })
  if (!reaction || !isWhole) return undefined
  return reaction.reactants.map(term => planned.get(term.species.formula.text) ?? unplanned(term))
}

/** A reactant by its formula alone, while the equation does not read. */
const bareTerm = (species: string, path: Path): Term => ({
  coefficient: 1,
  species: { formula: need(path, parseFormula(species)), side: 'reactant', span: [0, species.length] },
})

const unplanned = (term: Term): Reagent => {
  const formula = term.species.formula
  return {
    term,
    planned: false,
    charge: { by: 'equivalents', equivalents: exact(1) },
    supply: asSolid(formula),
  }
}

const asSolid = (formula: Formula): Supply => ({
  kind: 'solid',
  species: formula,
  weighed: formula,
  relation: { units: 1, waters: 0 },
})

function readReagent(
  reagent: ReagentPlan,
  term: Term,
  path: Path,
  earlier: Earlier,
  givesCarbonDioxide: boolean,
  molarVolume: Figure,
  problems: PlanProblem[],
): Reagent {
  const supply = attempt(problems, () =>
    readSupply(reagent.supply, term.species.formula, givesCarbonDioxide, [...path, 'supply'], earlier, molarVolume),
  )
  const from = reagent.supply.kind === 'stage' ? { from: reagent.supply.from } : {}
  const { charge: planned } = reagent
  if (!supply) {
    // Without its supply a charge still has a text that reads or does not.
    if (planned) attempt(problems, () => readCharge(planned, asSolid(term.species.formula), [...path, 'charge']))
    throw new Blocked()
  }
  const charge: Charge = planned
    ? readCharge(planned, supply, [...path, 'charge'])
    : 'from' in from
      ? { by: 'all' }
      : { by: 'equivalents', equivalents: exact(1) }
  return { term, supply, charge, planned: true, ...from, ...(reagent.wayOut && { wayOut: reagent.wayOut }) }
}

/**
 * A reagent charged with the portions that were really weighed or measured, in place of what was planned; undefined where one of them
 * cannot be told in moles: a mass of a solution whose density is not known.
 */
export function withReadings(reagent: Reagent, portions: readonly Figure[]): Reagent | undefined {
  const amounts = portions.map(portion =>
    portion.kind === 'volume' ? amountFromVolume(reagent.supply, portion) : amountFromMass(reagent.supply, portion),
  )
  const known = amounts.filter(amount => amount !== undefined)
  const [first] = known
  if (!first || known.length < amounts.length) return undefined
  const name = `amount of {${reagent.term.species.formula.text}}`
  const amount =
    known.length === 1
      ? first
      : sum(
          name,
          known.map(one => [1, one]),
        )
  const only = (kind: Figure['kind'], of: string): Figure | undefined => {
    const [one, ...more] = portions
    if (!one || portions.some(portion => portion.kind !== kind)) return undefined
    return more.length === 0
      ? one
      : sum(
          of,
          portions.map(portion => [1, portion]),
        )
  }
  const mass = only('mass', `mass of {${reagent.supply.weighed.text}} weighed`)
  const volume = only('volume', `volume of {${reagent.supply.weighed.text}} measured`)
  return { ...reagent, charge: { by: 'amount', amount, ...(mass && { mass }), ...(volume && { volume }) } }
}

/** True where one of these fields of the stage, or the room's temperature or pressure, says something that does not read. */
export const hasUnread = ({ unread }: ReadStage, room: Room, ...fields: readonly SideField[]): boolean =>
  room.unread.some(key => key !== 'volume') || unread.some(key => fields.includes(key))
