import { parseFormula, sameStuff, type Formula } from '#core/formula'
import { parseQuantity } from '#core/quantity'
import { solvents } from '#core/reference'
import { clashesOf } from '#core/species'
import type { BottleRow } from './kept'
import { runningOf } from './warnings'

/** The most of a substance that a lab lets stand on its shelf. */
export interface ShelfLimit {
  readonly formula: string
  /** `500 g`, `2.5 L`. */
  readonly most: string
}
export interface OverLimit {
  readonly formula: string
  readonly unit: 'g' | 'mL'
  readonly there: number
  readonly most: number
  readonly bottles: readonly string[]
}
/** Two bottles of one place that must not meet. */
export interface Clashing {
  readonly place: string
  readonly one: readonly string[]
  readonly other: readonly string[]
  readonly makes: string
}
export interface PeroxideDue {
  readonly code: string
  readonly name: string
  /** The day by which it is to be tested; undefined where nobody said when it came or was opened. */
  readonly by?: string
  readonly isDue: boolean
}
/** What on a shelf is worth a look. */
export interface LookAt {
  readonly over: readonly OverLimit[]
  readonly clashes: readonly Clashing[]
  readonly peroxides: readonly PeroxideDue[]
  readonly expired: readonly string[]
  readonly soon: readonly string[]
  readonly low: readonly string[]
  readonly missing: readonly string[]
}

/** Goes through all bottles that are not empty. */
export function lookAt(bottles: readonly BottleRow[], limits: readonly ShelfLimit[], today: string): LookAt {
  const read = reader()
  const full = bottles.filter(({ isEmpty }) => !isEmpty)
  const warned = full.map(bottle => ({ code: bottle.code, ...runningOf(bottle, today) }))
  return {
    over: limits.flatMap(limit => overLimit(full, limit, read)),
    clashes: clashing(full, read),
    peroxides: full.flatMap(bottle => peroxideOf(bottle, today, read) ?? []),
    expired: warned.filter(({ isExpired }) => isExpired).map(({ code }) => code),
    soon: warned.filter(({ expiresIn }) => expiresIn !== undefined).map(({ code }) => code),
    low: warned.filter(({ isLow }) => isLow).map(({ code }) => code),
    missing: full.filter(({ missing }) => missing !== undefined).map(({ code }) => code),
  }
}

type Read = (text: string) => Formula | undefined
/** A shelf of thousands holds some hundred substances: each formula is read once. */
function reader(): Read {
  const known = new Map<string, Formula | undefined>()
  return text => {
    if (known.has(text)) return known.get(text)
    const formula = parseFormula(text)
    known.set(text, formula.ok ? formula.value : undefined)
    return known.get(text)
  }
}

/** What there is of a substance in all bottles of it, in the unit of its limit; a bottle whose content is not known in that unit is not counted. */
function overLimit(bottles: readonly BottleRow[], { formula, most }: ShelfLimit, read: Read): OverLimit[] {
  const wanted = read(formula)
  const limit = parseQuantity(most, { kinds: ['mass', 'volume'], name: 'limit', source: 'limit' })
  if (!wanted || !limit.ok) return []
  const unit = limit.value.kind === 'mass' ? 'g' : 'mL'
  const mine = bottles.filter(bottle => {
    const own = bottle.unit === unit && bottle.amount !== undefined ? read(bottle.label.formula) : undefined
    return own !== undefined && sameStuff(own, wanted)
  })
  const there = mine.reduce((sum, { amount = 0 }) => sum + amount, 0)
  return there > limit.value.value
    ? [{ formula, unit, there, most: limit.value.value, bottles: mine.map(({ code }) => code) }]
    : []
}

/** More substances than these in one place are not held against each other: such a place is no place. A judgement that keeps the work small. */
const MOST_IN_A_PLACE = 60

function clashing(bottles: readonly BottleRow[], read: Read): Clashing[] {
  const places = new Map<string, Map<string, string[]>>()
  for (const { code, place, label } of bottles) {
    if (place === '') continue
    const forms = places.get(place) ?? new Map<string, string[]>()
    forms.set(label.formula, [...(forms.get(label.formula) ?? []), code])
    places.set(place, forms)
  }
  return [...places].flatMap(([place, forms]) => {
    const all = [...forms].slice(0, MOST_IN_A_PLACE).flatMap(([text, codes]) => {
      const formula = read(text)
      return formula ? [{ formula, codes }] : []
    })
    return all.flatMap((one, i) =>
      all.slice(i + 1).flatMap((other): Clashing[] => {
        const [clash] = clashesOf([one.formula, other.formula])
        return clash ? [{ place, one: one.codes, other: other.codes, makes: clash.makes }] : []
      }),
    )
  })
}

/** When what forms peroxides is to be tested: months after it was opened, else after it came. The formula alone may stand for another liquid: the name says which is meant. */
function peroxideOf({ code, label, opened, comes }: BottleRow, today: string, read: Read): PeroxideDue | undefined {
  const formula = read(label.formula)
  if (!formula || comes.kind !== 'liquid') return undefined
  const row = solvents.find(({ formula: of, peroxides }) => {
    const solvent = peroxides && read(of)
    return solvent !== undefined && sameStuff(solvent, formula)
  })
  if (!row?.peroxides) return undefined
  const from = opened ?? label.received
  if (from === undefined) return { code, name: row.name, isDue: true }
  const by = monthsAfter(from, opened === undefined ? row.peroxides.closed : row.peroxides.open)
  return { code, name: row.name, by, isDue: by < today }
}

function monthsAfter(day: string, months: number): string {
  const date = new Date(`${day}T00:00:00Z`)
  const at = date.getUTCDate()
  date.setUTCDate(1)
  date.setUTCMonth(date.getUTCMonth() + months)
  const last = new Date(Date.UTC(date.getUTCFullYear(), date.getUTCMonth() + 1, 0)).getUTCDate()
  date.setUTCDate(Math.min(at, last))
  return date.toISOString().slice(0, 10)
}
