import { aquaAcids, hazardStatements, ionCouples, metalCharges, neverKept, oxideFalls } from '#core/reference'
import { centreOf, notHeld } from './complex'
import { coupleOf, oxidisedAt, potentialOf, reducingAt, simple, volts } from './properties'
import type { Shelf } from './shelf'
import type { Stuff } from './stuff'

/** Closer than this, V, concentrations decide. */
const CLEAR = 0.1
const CARBONIC = 6.35

/** Why a product cannot be had by preparation at a bench like this, whatever is taken; undefined where nothing is known against it. */
export function whyImpossible(target: Stuff): string | undefined {
  return (
    gas(target) ??
    unknownState(target) ??
    partsItself(target) ??
    hydrolysed(target) ??
    losesWater(target) ??
    unheld(target)
  )
}

/** Gases and acids are bought or made where they are used: they are weighed by nobody. */
function gas({ row, text }: Stuff): string | undefined {
  if (row?.state !== 'gas') return undefined
  const statement = hazardStatements.find(({ code }) => POISONS.includes(code) && row.hazards?.includes(code))
  return statement
    ? `{${text}} is not planned as a product: it ${statement.text}.`
    : `{${text}} is a gas: routes here end in something that can be weighed.`
}

/** A metal in a state in which no salt of it is known. */
function unknownState({ cations, anions, text }: Stuff): string | undefined {
  // Oxides reach states that no salt does.
  if (anions.every(one => one.text === 'O')) return undefined
  const odd = cations.find(
    one => !one.complex && metalCharges[one.text] && !metalCharges[one.text]!.includes(one.charge),
  )
  return odd && `{${text}} would have {${odd.text}} in its state ${odd.charge}, in which the tables know no salt of it.`
}

const POISONS = ['H330', 'H331', 'H300', 'H310']

/** A salt whose cation takes electrons from its own anion. */
function partsItself(target: Stuff): string | undefined {
  const parts = simple(target)
  if (!parts) return undefined
  const gives = reducingAt(parts.anion)
  const potential =
    ionCouples.find(
      ({ metal, upper, with: anion }) =>
        metal === parts.metal.text && upper === parts.metal.charge && anion === parts.anion.text,
    )?.potential ?? coupleOf(parts.metal.text, parts.metal.charge)?.potential
  return gives !== undefined && potential !== undefined && potential > gives + CLEAR
    ? `{${target.text}} does not keep: its metal (${volts(potential)}) oxidises its own anion (${volts(gives)}), and goes to a lower state.`
    : undefined
}

/** The carbonate or sulfide of a cation that is an acid in water: its hydroxide comes instead. */
function hydrolysed(target: Stuff): string | undefined {
  const parts = simple(target)
  if (!parts || !['CO3', 'S', 'SO3'].includes(parts.anion.text) || parts.metal.charge < 3) return undefined
  const acid = aquaAcids.find(row => row.ion === parts.metal.text && row.charge === parts.metal.charge)
  return acid && acid.pKa < CARBONIC
    ? `{${target.text}} cannot be had from water: its cation is an acid there (pKa ${acid.pKa}), so that the hydroxide comes down and the anion goes as gas.`
    : undefined
}

/** A hydroxide that gives up its water as it falls. */
function losesWater(target: Stuff): string | undefined {
  const parts = simple(target)
  return parts?.anion.text === 'OH' &&
    oxideFalls.some(row => row.metal === parts.metal.text && row.charge === parts.metal.charge)
    ? `{${target.text}} gives up its water as it falls: the oxide is what comes.`
    : undefined
}

const unheld = (target: Stuff): string | undefined => {
  const centre = centreOf(target)
  const kept =
    centre &&
    neverKept.find(row => row.metal === centre.metal && centre.ligands.some(({ text }) => text === row.ligand))
  if (kept) return `{${target.text}} is not planned as a product: ${kept.why}.`
  return centre && notHeld(centre)
}

/** Why no route was found: what was looked at from the materials given and cannot be, or what is missing. */
export function whyNone(target: Stuff, { from, may }: Shelf, refusals: readonly string[]): string {
  if (refusals.length > 0) return refusals.slice(0, 2).join(' ')
  const sources = new Set(from.flatMap(({ elements }) => [...elements]))
  const metals = target.cations
    .map(({ text, complex }) => complex?.metal ?? text)
    .filter(text => potentialOf(text) !== undefined || oxidisedAt({ text, charge: 2 }) !== undefined)
  const missing = metals.find(metal => !sources.has(metal))
  if (from.length > 0 && missing) return `Nothing of what is given brings {${missing}}, and no common reagent does.`
  if (from.length > 0)
    return `No way from ${from.map(({ text }) => `{${text}}`).join(' and ')} to {${target.text}} is known here in four stages${may.size < FEW ? ' with what may join' : ''}.`
  return `No way to {${target.text}} is known here.`
}
/** A list of what may join that is shorter than the usual reagents. */
const FEW = 60
