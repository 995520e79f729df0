import { molarMass, parseFormula, type Formula } from '#core/formula'
import { substances } from '#core/reference'
import { ionsOf, ionText } from '#core/species'
import { componentsOf, mostOf } from './components'
import type { Curve } from './curve'
import { findCurve } from './curve'
import type { PotState } from './pot'
import { addSolute, restOf } from './pot-state'
import { arrivals, type Arrival } from './questions'
import { findProduct } from './solids'
import type { Doubts } from './together'

export interface Verdict {
  readonly order: readonly Arrival[]
  /** The wanted salt comes first, comes but later, or does not come. */
  readonly wanted: 'first' | 'later' | 'never'
  /** What comes down instead, where it is not the first. */
  readonly instead?: string
  readonly exchanges: readonly Exchange[]
  /** At the cold end: salts that the ions could make whose solubility is not known there, and why the model is less sure than usual. */
  readonly notKnown: readonly string[]
  readonly doubts?: Doubts
}
/** Another way to the wanted salt, and why it would work. */
export interface Exchange {
  readonly kind: 'cation' | 'anion' | 'detour'
  readonly words: string
}

/** What comes down on cooling, in what order, and, where it is not the salt that is wanted, which exchange would give it. */
export function whichFirst(
  pot: PotState,
  wanted: Formula,
  from: number,
  to: number,
  own: readonly Curve[] = [],
): Verdict {
  const order = arrivals(pot, from, to, own)
  const cold = restOf({ ...pot, celsius: to }, own)
  const salt = findCurve(wanted, own)?.curve.salt.text ?? wanted.text
  const isWanted = ({ form }: Arrival): boolean => {
    const read = parseFormula(form)
    return read.ok && (findCurve(read.value, own)?.curve.salt.text ?? form) === salt
  }
  const at = order.findIndex(isWanted)
  const place = at === 0 ? 'first' : at > 0 ? 'later' : 'never'
  return {
    order,
    wanted: place,
    ...(at !== 0 && order[0] && { instead: order[0].form }),
    notKnown: cold.ok ? cold.value.leftOut : [],
    ...(cold.ok && cold.value.doubts && { doubts: cold.value.doubts }),
    exchanges: place === 'first' ? [] : exchangesFor(pot, wanted, salt, from, to, own),
  }
}

const CATIONS = ['Na', 'K', 'NH4', 'Li'] as const
const ANIONS = ['Cl', 'NO3', 'SO4', 'CH3COO'] as const

/** Swaps the counter-ions of the solutes, one at a time, and keeps the swaps after which the wanted salt comes first. */
function exchangesFor(
  pot: PotState,
  wanted: Formula,
  salt: string,
  from: number,
  to: number,
  own: readonly Curve[],
): Exchange[] {
  const found: Exchange[] = []
  const wantedKeys = new Set(componentsOf(wanted).map(({ key }) => key.replace(/\^.*$/, '')))
  for (const solute of pot.solutes) {
    for (const ion of ionsOf(solute.salt) ?? []) {
      if (wantedKeys.has(ion.text)) continue
      const others = ion.charge > 0 ? CATIONS : ANIONS
      for (const other of others) {
        if (other === ion.text) continue
        const swapped = swap(pot, solute.salt, ion.text, other, own)
        if (!swapped) continue
        const order = arrivals(swapped.pot, from, to, own)
        const first = order[0] && parseFormula(order[0].form)
        if (!first?.ok || (findCurve(first.value, own)?.curve.salt.text ?? '') !== salt) continue
        const kind = ion.charge > 0 ? 'cation' : 'anion'
        found.push({
          kind,
          words: `Take {${swapped.salt}} in place of {${solute.salt.text}}: then {${order[0]!.form}} comes first, from ${order[0]!.celsius.toFixed(0)} °C.`,
        })
      }
    }
  }
  return [...found.slice(0, 3), ...metatheses(pot, wanted, own), ...detours(wanted)]
}

function swap(
  pot: PotState,
  salt: Formula,
  ion: string,
  other: string,
  own: readonly Curve[],
): { pot: PotState; salt: string } | undefined {
  const text = swappedFormula(salt, ion, other)
  const formula = text === undefined ? undefined : parseFormula(text)
  if (!formula?.ok || !findCurve(formula.value, own)) return undefined
  const keep = pot.solutes.filter(one => one.salt.text !== salt.text)
  let next: PotState = { ...pot, totals: new Map(), solutes: [] }
  for (const one of keep) {
    const added = addSolute(next, one.salt, mostOf(one.salt, pot.totals) * molarMass(one.salt), own)
    if (!added.ok) return undefined
    next = added.value
  }
  const shared = componentsOf(salt).find(({ key }) => !key.startsWith(ion))
  const count = componentsOf(formula.value).find(({ key }) => key === shared?.key)?.count
  if (!shared || !count) return undefined
  const amount = (mostOf(salt, pot.totals) * shared.count) / count
  const added = addSolute(next, formula.value, amount * molarMass(formula.value), own)
  return added.ok ? { pot: { ...added.value, water: pot.water }, salt: formula.value.text } : undefined
}

const CHARGES: Readonly<Record<string, number>> = { Na: 1, K: 1, NH4: 1, Li: 1, Cl: -1, NO3: -1, SO4: -2, CH3COO: -1 }

/** `K2SO4` with Na for K is Na2SO4; undefined for double salts. */
function swappedFormula(salt: Formula, ion: string, other: string): string | undefined {
  const ions = ionsOf(salt)
  if (!ions || ions.length !== 2) return undefined
  const kept = ions.find(({ text }) => text !== ion)
  const charge = CHARGES[other]
  if (!kept || charge === undefined) return undefined
  const a = Math.abs(kept.charge)
  const b = Math.abs(charge)
  const common = a % b === 0 ? b : b % a === 0 ? a : 1
  const [keptText, otherText] = [ionText(kept.text, b / common), ionText(other, a / common)]
  if (other === 'CH3COO') return otherText.startsWith('(') ? keptText + otherText : `CH3COO${kept.text}`
  return charge > 0 ? otherText + keptText : keptText + otherText
}

const PRECIPITANTS = ['Ba', 'Ca', 'Pb', 'Ag'] as const

/** A salt of the wanted anion whose metal takes the other anion down with it: barium chloride for a chloride from a sulfate. */
function metatheses(pot: PotState, wanted: Formula, own: readonly Curve[]): Exchange[] {
  const ions = ionsOf(wanted) ?? []
  const metal = ions.find(({ charge }) => charge > 0)
  const anion = ions.find(({ charge }) => charge < 0)
  const others = pot.solutes
    .flatMap(({ salt }) => ionsOf(salt) ?? [])
    .filter(({ charge, text }) => charge < 0 && text !== anion?.text)
  if (!metal || !anion) return []
  return others
    .flatMap(other =>
      PRECIPITANTS.flatMap((precipitant): Exchange[] => {
        const charge = precipitant === 'Ag' ? 1 : 2
        const solid = parseFormula(saltOf(precipitant, charge, other.text, -other.charge))
        const salt = parseFormula(saltOf(precipitant, charge, anion.text, -anion.charge))
        if (!solid.ok || !salt.ok || !findProduct(solid.value) || !findCurve(salt.value, own)) return []
        const from = saltOf(metal.text, metal.charge, other.text, -other.charge)
        return [
          {
            kind: 'detour',
            words: `Bring {${from}} together with just enough {${salt.value.text}}: {${solid.value.text}} hardly dissolves and is filtered off, and the liquor holds {${wanted.text}} alone.`,
          },
        ]
      }),
    )
    .slice(0, 1)
}

function saltOf(metal: string, up: number, anion: string, down: number): string {
  const common = up % down === 0 ? down : down % up === 0 ? up : 1
  return ionText(metal, down / common) + ionText(anion, up / common)
}

/** By way of a solid that hardly dissolves: precipitate the metal, wash it, and take it up in the acid of the wanted anion. */
function detours(wanted: Formula): Exchange[] {
  const ions = ionsOf(wanted) ?? []
  const metal = ions.find(({ charge, text }) => charge > 1 && /^[A-Z][a-z]?$/.test(text))
  const anion = ions.find(({ charge }) => charge < 0)
  if (!metal || !anion) return []
  const solid = substances.find(
    ({ formula, water }) =>
      water === 'insoluble' &&
      (formula === `${metal.text}CO3` || formula === `${metal.text}(OH)2` || formula.startsWith(`${metal.text}CO3·`)),
  )
  if (!solid) return []
  const acid = ACIDS[anion.text]
  return acid
    ? [
        {
          kind: 'detour',
          words: `Precipitate {${solid.formula}} first, wash it free of the other ions, then dissolve it in just enough ${acid}: nothing else is left that could come down.`,
        },
      ]
    : []
}
const ACIDS: Readonly<Record<string, string>> = {
  SO4: 'sulfuric acid', Cl: 'hydrochloric acid', NO3: 'nitric acid', CH3COO: 'acetic acid', Br: 'hydrobromic acid',
} // prettier-ignore
