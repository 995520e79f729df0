import { parseFormula, sameStuff } from '#core/formula'
import type { Need } from '#core/overview'
import { parseQuantity } from '#core/quantity'
import type { BottleRow } from './kept'
import { amountOutOf, type BatchNeed } from './reserved'
import { runningOf } from './warnings'

/** Something to buy or to make, and why. */
export interface ToBuy {
  /** The form; of a solution, what is dissolved. */
  readonly formula: string
  readonly kind: Need['kind']
  readonly concentration?: string
  readonly unit: 'g' | 'mL'
  /** What open batches have yet to take, what the shelf has of it that is not expired, and what is missing. */
  readonly needed: number
  readonly there: number
  readonly missing: number
  readonly batches: readonly string[]
  /** Bottles of it that are low by their own mark. */
  readonly low: readonly string[]
  /** Some bottle's content is not known, or not in this unit: it may be enough. */
  readonly isUnsure: boolean
}

const sameForm = (a: string, b: string): boolean => {
  if (a === b) return true
  const [first, second] = [parseFormula(a), parseFormula(b)]
  return first.ok && second.ok && sameStuff(first.value, second.value)
}
/** Two strengths that say the same in other digits: 2 mol/L and 2.00 mol/L. */
const sameStrength = (a: string | undefined, b: string | undefined): boolean => {
  if (a === b) return true
  const read = [a, b].map(text =>
    text === undefined
      ? undefined
      : parseQuantity(text, {
          kinds: ['concentration', 'mass fraction', 'mass per volume'],
          name: 'strength',
          source: 'strength',
        }),
  )
  return (
    read[0]?.ok === true &&
    read[1]?.ok === true &&
    read[0].value.kind === read[1].value.kind &&
    Math.abs(read[0].value.value / read[1].value.value - 1) < 0.01
  )
}

/**
 * What the planned batches lack: of each form and strength what they have yet to take, less what the shelf has of just that. Bottles that a batch names are counted like any other of the
 * same content. What is low by its own mark is on the list even where nothing needs it. Other forms and strengths are not counted: whether they do is the sheet's question.
 */
export function shoppingList(needs: readonly BatchNeed[], bottles: readonly BottleRow[], today: string): ToBuy[] {
  const groups: { of: Need; needs: BatchNeed[] }[] = []
  for (const need of needs) {
    const group = groups.find(
      ({ of }) =>
        of.kind === need.kind && sameForm(of.form, need.form) && sameStrength(of.concentration, need.concentration),
    )
    if (group) group.needs.push(need)
    else groups.push({ of: need, needs: [need] })
  }
  const usable = bottles.filter(bottle => !bottle.isEmpty && !runningOf(bottle, today).isExpired)
  const listed = groups.map(({ of, needs: mine }): ToBuy => {
    const same = usable.filter(bottle => isOf(bottle, of))
    const unit = mine.every(({ grams }) => grams !== undefined) && of.kind !== 'solution' ? 'g' : unitOf(mine)
    const needed = mine.reduce((sum, need) => sum + (inUnit(need, unit) ?? 0), 0)
    const amounts = same.map(bottle => contentOf(bottle, unit))
    const there = amounts.reduce<number>((sum, amount) => sum + (amount ?? 0), 0)
    return {
      formula: of.form,
      kind: of.kind,
      ...(of.concentration !== undefined && { concentration: of.concentration }),
      unit,
      needed,
      there,
      missing: Math.max(0, needed - there),
      batches: [...new Set(mine.map(({ batch }) => batch))],
      low: same.filter(bottle => runningOf(bottle, today).isLow).map(({ code }) => code),
      isUnsure: amounts.includes(undefined),
    }
  })
  const low = usable.filter(
    bottle => runningOf(bottle, today).isLow && !listed.some(one => one.low.includes(bottle.code)),
  )
  return [...listed.filter(one => one.missing > 0 || one.low.length > 0), ...low.map(lowOne)]
}

function lowOne({ code, label, comes, unit, amount = 0 }: BottleRow): ToBuy {
  return {
    formula: label.formula,
    kind: comes.kind === 'gas' ? 'liquid' : comes.kind,
    ...(comes.kind === 'solution' && { concentration: comes.concentration }),
    unit,
    needed: 0,
    there: amount,
    missing: 0,
    batches: [],
    low: [code],
    isUnsure: false,
  }
}

const isOf = ({ label, comes }: BottleRow, need: Need): boolean =>
  comes.kind === need.kind &&
  sameForm(label.formula, need.form) &&
  (comes.kind !== 'solution' || sameStrength(comes.concentration, need.concentration))

const unitOf = (needs: readonly Need[]): 'g' | 'mL' =>
  needs.every(({ millilitres }) => millilitres !== undefined) ? 'mL' : 'g'
const inUnit = ({ grams, millilitres }: Need, unit: 'g' | 'mL'): number | undefined =>
  unit === 'g' ? grams : millilitres

/** What is in a bottle, in a unit that need not be its own. */
function contentOf(bottle: BottleRow, unit: 'g' | 'mL'): number | undefined {
  const { amount } = bottle
  if (amount === undefined || bottle.unit === unit) return amount
  const need = bottle.unit === 'g' ? { grams: amount } : { millilitres: amount }
  return amountOutOf({ unit, comes: bottle.comes }, { stage: '', species: '', form: '', kind: 'liquid', ...need })
}
