import { parseFormula, type FormulaProblem } from '#core/formula'
import { explainFormula } from '#core/formula'
import { fail, ok, type Advice, type Checked } from '#core/problem'
import { explainQuantity, parseQuantity, scaleText, type Kind, type QuantityProblem } from '#core/quantity'
import { solvents } from '#core/reference'
import { moveWords, readMoves, scaleMoves, type Move, type MovePlan } from '#core/solution'

/** What a step does to the vessel, as it is typed and kept: every measured value is a text with its unit. */
export type OperationPlan = (
  | MovePlan
  /** A reagent of the sheet goes in, by its species; in as many portions as the step is repeated. */
  | { readonly charge: string }
  /** A solvent goes in; as much as the sheet says, where no amount stands. */
  | { readonly addSolvent: { readonly name: string; readonly volume?: string; readonly mass?: string } }
  /** More of a reagent, out of the bottle that the sheet names for it. */
  | { readonly addMore: { readonly species: string; readonly volume?: string; readonly mass?: string } }
  | { readonly stir: true }
  /** The solids leave, and the liquor stays. */
  | { readonly filterOff: true }
  | { readonly toDryness: 'boiled off' | 'distilled off' }
  | { readonly dry: true }
  | { readonly ignite: string }
  | { readonly nothing: true }
) & {
  /** The kept liquor that it is done to; what was in the vessel is set aside as a crop. */
  readonly of?: string
}

/** The same read: numbers in g, mL, °C. */
export type ReadOperation =
  | Move
  | { readonly do: 'charge'; readonly species: string }
  | { readonly do: 'add solvent'; readonly name: string; readonly mass?: number }
  | { readonly do: 'add more'; readonly species: string; readonly mass?: number; readonly volume?: number }
  | { readonly do: 'stir' | 'filter off' | 'dry' | 'nothing' }
  | { readonly do: 'to dryness'; readonly by: 'boiled off' | 'distilled off' }
  | { readonly do: 'ignite'; readonly celsius: number }

export interface OperationProblem {
  readonly path: readonly (string | number)[]
  readonly problem: QuantityProblem | FormulaProblem
}
export const explainOperation = ({ problem }: OperationProblem): Advice =>
  problem.code.startsWith('formula.')
    ? explainFormula(problem as FormulaProblem)
    : explainQuantity(problem as QuantityProblem)

/** Reads the texts of an operation; refuses the first that does not read, with its place. */
export function readOperation(plan: OperationPlan): Checked<ReadOperation, OperationProblem> {
  if ('charge' in plan) return ok({ do: 'charge', species: plan.charge })
  if ('addSolvent' in plan) return readSolvent(plan.addSolvent)
  if ('addMore' in plan) return readMore(plan.addMore)
  if ('stir' in plan) return ok({ do: 'stir' })
  if ('filterOff' in plan) return ok({ do: 'filter off' })
  if ('toDryness' in plan) return ok({ do: 'to dryness', by: plan.toDryness })
  if ('dry' in plan) return ok({ do: 'dry' })
  if ('nothing' in plan) return ok({ do: 'nothing' })
  if ('ignite' in plan) {
    const read = quantity(plan.ignite, ['ignite'], ['temperature'])
    return read.ok ? ok({ do: 'ignite', celsius: read.value }) : read
  }
  const read = readMoves([plan])
  if (!read.ok) return fail({ path: read.problem.path.slice(1), problem: read.problem.problem })
  const [move] = read.value
  return move ? ok(move) : ok({ do: 'nothing' })
}

function readSolvent({
  name,
  volume,
  mass,
}: Extract<OperationPlan, { addSolvent: unknown }>['addSolvent']): Checked<ReadOperation, OperationProblem> {
  if (mass !== undefined) {
    const read = quantity(mass, ['addSolvent', 'mass'], ['mass'])
    return read.ok ? ok({ do: 'add solvent', name, mass: read.value }) : read
  }
  if (volume === undefined) return ok({ do: 'add solvent', name })
  const read = quantity(volume, ['addSolvent', 'volume'], ['volume'])
  const density = solvents.find(row => row.name === name)?.density ?? 1
  return read.ok ? ok({ do: 'add solvent', name, mass: read.value * density }) : read
}

function readMore({
  species,
  volume,
  mass,
}: Extract<OperationPlan, { addMore: unknown }>['addMore']): Checked<ReadOperation, OperationProblem> {
  const read = parseFormula(species)
  if (!read.ok) return fail({ path: ['addMore', 'species'], problem: read.problem })
  if (mass !== undefined) {
    const grams = quantity(mass, ['addMore', 'mass'], ['mass'])
    return grams.ok ? ok({ do: 'add more', species, mass: grams.value }) : grams
  }
  if (volume === undefined) return ok({ do: 'add more', species })
  const millilitres = quantity(volume, ['addMore', 'volume'], ['volume'])
  return millilitres.ok ? ok({ do: 'add more', species, volume: millilitres.value }) : millilitres
}

function quantity(
  text: string,
  path: OperationProblem['path'],
  kinds: readonly Kind[],
): Checked<number, OperationProblem> {
  const read = parseQuantity(text, { kinds, name: '', source: '', zero: true })
  return read.ok ? ok(read.value.value) : fail({ path, problem: read.problem })
}

type Own = Extract<
  OperationPlan,
  | { charge: unknown }
  | { addSolvent: unknown }
  | { addMore: unknown }
  | { stir: unknown }
  | { filterOff: unknown }
  | { toDryness: unknown }
  | { dry: unknown }
  | { ignite: unknown }
  | { nothing: unknown }
>
const isOwn = (plan: OperationPlan): plan is Own =>
  ['charge', 'addSolvent', 'addMore', 'stir', 'filterOff', 'toDryness', 'dry', 'ignite', 'nothing'].some(
    key => key in plan,
  )

/** An operation in words, as the procedure shows what a step does to the vessel; formulas in braces. */
export function planWords(plan: OperationPlan): string {
  if (!isOwn(plan)) return moveWords(plan)
  if ('charge' in plan) return `{${plan.charge}} of the sheet goes in`
  if ('addSolvent' in plan) {
    const { name, volume, mass } = plan.addSolvent
    return `${volume ?? mass ?? 'the sheet’s'} ${name} goes in`
  }
  if ('addMore' in plan) {
    const { species, volume, mass } = plan.addMore
    return `${volume ?? mass ?? 'more'} of {${species}} goes in besides`
  }
  if ('stir' in plan) return 'what happens at contact happens'
  if ('filterOff' in plan) return 'the solids are filtered off, the liquor stays'
  if ('toDryness' in plan) return `all that evaporates is ${plan.toDryness}`
  if ('dry' in plan) return 'what clings evaporates'
  if ('ignite' in plan) return `heated dry to ${plan.ignite}`
  return 'nothing in the vessel changes'
}

/** An operation for so many times as much: what goes in or off grows; temperatures and times do not. */
export function scaleOperation(plan: OperationPlan, factor: number): OperationPlan {
  const grown = ({ volume, mass }: { volume?: string; mass?: string }) => ({
    ...(volume !== undefined && { volume: scaleText(volume, factor) }),
    ...(mass !== undefined && { mass: scaleText(mass, factor) }),
  })
  if ('addSolvent' in plan) return { ...plan, addSolvent: { ...plan.addSolvent, ...grown(plan.addSolvent) } }
  if ('addMore' in plan) return { ...plan, addMore: { ...plan.addMore, ...grown(plan.addMore) } }
  if (isOwn(plan)) return plan
  const [scaled] = scaleMoves([plan], factor)
  return scaled ? { ...scaled, ...(plan.of !== undefined && { of: plan.of }) } : plan
}
