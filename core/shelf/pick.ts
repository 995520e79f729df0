import { parseFormula, relate, sameStuff, type Formula } from '#core/formula'
import type { SupplyPlan } from '#core/sheet'
import { carbonateOf, solvateOf } from '#core/species'
import { agedOf } from './ageing'
import type { Comes, Label } from './label'
import { strengthText } from './warnings'

/** A bottle as far as a plan asks for it. */
export interface Pickable {
  readonly code: string
  readonly label: Label
  readonly comes: Comes
  readonly opened?: string
  readonly strengthAt?: string
}
export interface Picked {
  readonly supply: SupplyPlan
  /** The strength is today's estimate, and not what the label says. */
  readonly isEstimate: boolean
}

const readText = (text: string): Formula | undefined => {
  const read = parseFormula(text)
  return read.ok ? read.value : undefined
}
/** Whether what is in a bottle can stand for a species: it itself, a hydrate or solvate of it, a basic carbonate for a carbonate. */
const standsFor = (form: Formula, species: Formula): boolean =>
  (relate(form, species) ?? solvateOf(form, species) ?? carbonateOf(form, species)) !== undefined

/** A reagent's supply out of a bottle, with today's strength where it ages; undefined where what is in it cannot be that reagent. */
export function supplyFrom(bottle: Pickable, species: string, today: string): Picked | undefined {
  const { code, label } = bottle
  const [form, wanted] = [readText(label.formula), readText(species)]
  if (!form || !wanted || !standsFor(form, wanted)) return undefined
  const aged = agedOf(
    label.formula,
    bottle.comes,
    { since: bottle.strengthAt ?? label.received, opened: bottle.opened },
    today,
  )
  const comes = aged?.comes ?? bottle.comes
  const named = { bottle: code, ...(label.lot !== undefined && { lot: label.lot }) }
  const isEstimate = aged !== undefined
  switch (comes.kind) {
    case 'solid':
      return {
        isEstimate,
        supply: { ...comes, ...named, ...(form.text !== wanted.text && { formula: form.text }) },
      }
    case 'solution':
    case 'liquid':
      return sameStuff(form, wanted) ? { isEstimate, supply: { ...comes, ...named } } : undefined
    case 'gas':
      return { isEstimate, supply: { ...comes, ...named } }
  }
}

/** Why a bottle that is about to be used is not the one that is meant; undefined where it is. */
export function notMeant(bottle: Pickable, species: string, supply: SupplyPlan): string | undefined {
  const { code, label, comes } = bottle
  const [form, wanted] = [readText(label.formula), readText(species)]
  if (!form || !wanted) return `What ${code} holds does not read.`
  const meant = (supply.kind === 'solid' && supply.formula !== undefined && readText(supply.formula)) || wanted
  if (!standsFor(form, wanted)) return `${code} holds {${form.text}}; the plan means {${meant.text}}.`
  if (form.text !== meant.text)
    return `${code} holds {${form.text}}; the plan means {${meant.text}}, another form of it.`
  if (comes.kind !== supply.kind)
    return `${code} is a ${comes.kind}; the plan counts on ${supply.kind === 'stage' ? 'what an earlier stage made' : `a ${supply.kind}`}.`
  if (
    comes.kind === 'solution' &&
    supply.kind === 'solution' &&
    comes.concentration !== supply.concentration &&
    supply.bottle !== code
  )
    return `${code} is ${strengthText(comes)}; the plan counts on ${supply.concentration}.`
  return undefined
}
