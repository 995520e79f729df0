import {
  difference,
  exact,
  parseQuantity,
  product,
  standardUncertainty,
  sum,
  type Figure,
  type Kind,
} from '#core/quantity'
import type { BottleFact } from './facts'
import type { Comes, KnownBy, Label } from './label'

/** What a batch took out of a bottle, by its journal. */
export interface Taken {
  readonly batch: string
  readonly stage: string
  readonly species: string
  readonly at: string
  readonly amount: Figure
}

/** A line of a bottle's ledger, with what it holds after it. */
export interface LedgerLine {
  readonly at: string
  readonly of: { readonly fact: Exclude<BottleFact, { kind: 'correction' }> } | { readonly taken: Taken }
  /** The amount that counts for it; undefined for what changes none, what was struck out, and what does not read. */
  readonly amount?: Figure
  readonly corrections: readonly Extract<BottleFact, { kind: 'correction' }>[]
  readonly isStruck: boolean
  /** Undefined while nobody said how much there is. */
  readonly after?: Figure
  /** Why it changes nothing that it should. */
  readonly problem?: 'unreadable' | 'no-density' | 'no-empty-mass' | 'below-empty'
}

/** What a bottle holds, and how it stands, after everything that happened to it. */
export interface Holding {
  readonly unit: 'g' | 'mL'
  readonly amount?: Figure
  readonly comes: Comes
  readonly known: KnownBy
  /** When its strength was last found, where that was not on its label. */
  readonly strengthAt?: string
  readonly place: string
  readonly opened?: string
  readonly isEmpty: boolean
  readonly seen?: string
  readonly missing?: string
  readonly lines: readonly LedgerLine[]
}

type Counted = Exclude<BottleFact, { kind: 'correction' }>
interface Event {
  readonly at: string
  readonly fact?: Counted
  readonly taken?: Taken
}

/**
 * Folds a bottle's facts and what batches took into what it holds, in g, or in mL where it is a liquid that was told by volume. What came is added, what went is taken off, a weighing or
 * a count sets it anew, each with its own uncertainty: after a weighing only the weighing's counts. An amount in the other unit is brought over by the density, and counts for nothing where that is
 * not known.
 */
export function holdingOf(label: Label, facts: readonly BottleFact[], taken: readonly Taken[] = []): Holding {
  const corrections = facts.filter(one => one.kind === 'correction')
  const events: Event[] = [
    ...facts.flatMap(fact => (fact.kind === 'correction' ? [] : [{ at: fact.at, fact }])),
    ...taken.map(one => ({ at: one.at, taken: one })),
  ]
  // What happened at one moment stays in the order in which it was told.
  const inOrder = events
    .map((event, i) => ({ event, i }))
    .sort((a, b) => Date.parse(a.event.at) - Date.parse(b.event.at) || a.i - b.i)
    .map(({ event }) => event)
  const unit = unitOf(label, facts)
  let state: Standing = {
    amount: undefined,
    comes: label.comes,
    known: label.known,
    place: label.place ?? '',
    isEmpty: false,
    ...(label.opened !== undefined && { opened: label.opened }),
  }
  const lines: LedgerLine[] = []
  for (const { at, fact, taken: out } of inOrder) {
    if (out) {
      const told = brought(out.amount, unit, state.comes)
      if (told.amount) state = { ...state, amount: less(state.amount, told.amount) }
      lines.push({ at, of: { taken: out }, ...told, corrections: [], isStruck: false, ...after(state) })
      continue
    }
    if (!fact) continue
    const mine = corrections.filter(({ corrects }) => corrects === fact.id)
    const last = mine.at(-1)
    const isStruck = last !== undefined && last.instead === undefined
    const read = isStruck ? {} : readFact(fact, last?.instead, { unit, empty: label.empty, comes: state.comes })
    if (!isStruck) state = stepped(state, fact, read.amount)
    lines.push({ at, of: { fact }, ...read, corrections: mine, isStruck, ...after(state) })
  }
  const { amount, ...rest } = state
  return { unit, ...(amount && { amount }), ...rest, lines }
}

interface Standing {
  readonly amount: Figure | undefined
  readonly comes: Comes
  readonly known: KnownBy
  readonly strengthAt?: string
  readonly place: string
  readonly opened?: string
  readonly isEmpty: boolean
  readonly seen?: string
  readonly missing?: string
}
const after = ({ amount }: Standing): { after?: Figure } => (amount ? { after: amount } : {})

/** By mass, but for a liquid of which the first thing that was told is a volume. */
function unitOf({ comes }: Label, facts: readonly BottleFact[]): 'g' | 'mL' {
  if (comes.kind === 'solid') return 'g'
  const first = facts.find(fact => fact.kind === 'came' || fact.kind === 'counted')
  if (!first) return 'mL'
  const read = amountIn(first.amount, first.id)
  return read?.kind === 'mass' ? 'g' : 'mL'
}

const amountIn = (text: string, id: string): Figure | undefined => {
  const read = parseQuantity(text, { kinds: ['mass', 'volume'], name: 'amount', source: id, zero: true })
  return read.ok ? read.value : undefined
}

interface Reading {
  readonly unit: 'g' | 'mL'
  readonly empty: string | undefined
  readonly comes: Comes
}
function readFact(
  fact: Counted,
  instead: string | undefined,
  { unit, empty, comes }: Reading,
): Pick<LedgerLine, 'amount' | 'problem'> {
  switch (fact.kind) {
    case 'came':
    case 'drawn':
    case 'counted': {
      const read = amountIn(instead ?? fact.amount, fact.id)
      return read ? brought(read, unit, comes) : { problem: 'unreadable' }
    }
    case 'weighed': {
      const gross = parseQuantity(instead ?? fact.gross, { kinds: ['mass'], name: 'bottle, full', source: fact.id })
      if (!gross.ok) return { problem: 'unreadable' }
      const tare =
        empty === undefined
          ? undefined
          : parseQuantity(empty, { kinds: ['mass'], name: 'bottle, empty', source: 'empty bottle' })
      if (!tare?.ok) return { problem: 'no-empty-mass' }
      const net = difference('in the bottle', gross.value, tare.value)
      return net.value < 0 ? { problem: 'below-empty' } : brought(net, unit, comes)
    }
    default:
      return {}
  }
}

/** Brings an amount into the unit of the bottle, by the density of what is in it. */
function brought(amount: Figure, unit: 'g' | 'mL', comes: Comes): Pick<LedgerLine, 'amount' | 'problem'> {
  const wanted: Kind = unit === 'g' ? 'mass' : 'volume'
  if (amount.kind === wanted) return { amount }
  const text = comes.kind === 'solution' || comes.kind === 'liquid' ? comes.density : undefined
  const density =
    text === undefined ? undefined : parseQuantity(text, { kinds: ['density'], name: 'density', source: 'density' })
  if (!density?.ok) return { problem: 'no-density' }
  return {
    amount:
      wanted === 'mass'
        ? product(amount.name, 'mass', [amount, density.value])
        : product(amount.name, 'volume', [amount], [density.value]),
  }
}

function less(amount: Figure | undefined, out: Figure): Figure | undefined {
  if (!amount || amount.kind !== out.kind) return amount
  return difference('in the bottle', amount, out)
}

function stepped(state: Standing, fact: Counted, amount: Figure | undefined): Standing {
  switch (fact.kind) {
    case 'came':
      if (!amount) return state
      return {
        ...state,
        isEmpty: false,
        amount: state.amount
          ? sum('in the bottle', [
              [1, state.amount],
              [1, amount],
            ])
          : amount,
      }
    case 'drawn':
      return amount ? { ...state, amount: less(state.amount, amount) } : state
    case 'weighed':
    case 'counted':
      return amount ? { ...here(state, fact.at), amount, isEmpty: amount.value === 0 } : state
    case 'opened':
      return { ...state, opened: state.opened ?? fact.at.slice(0, 10) }
    case 'emptied':
      return {
        ...state,
        isEmpty: true,
        amount: exact(0, state.amount?.kind ?? (state.comes.kind === 'solid' ? 'mass' : 'volume'), 'in the bottle'),
      }
    case 'moved':
      return { ...here(state, fact.at), place: fact.place }
    case 'seen':
      return here(state, fact.at)
    case 'missing':
      return { ...state, missing: fact.at.slice(0, 10) }
    case 'strength':
      return { ...state, comes: fact.comes, known: fact.known, strengthAt: fact.at.slice(0, 10) }
  }
}

/** Somebody has it in hand: it is not missing. */
const here = ({ missing: _, ...state }: Standing, at: string): Standing => ({ ...state, seen: at.slice(0, 10) })

/** g or mL, with their standard uncertainty: what is stored beside the facts. */
export function balanceOf({ amount }: Holding): { readonly value: number; readonly uncertainty: number } | undefined {
  return amount && { value: amount.value, uncertainty: standardUncertainty(amount) }
}
