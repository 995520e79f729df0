import { breakPeroxide } from '#core/reference'
import { acidOf, basesOf } from '../compose'
import type { Draft, Family } from '../family'
import {
  dissolves,
  isCovered,
  isInert,
  isOxidising,
  isSlow,
  oxidisedAt,
  passivity,
  potentialOf,
  reducingAt,
  simple,
  volts,
} from '../properties'
import type { Stuff } from '../stuff'
import { NITRIC, PEROXIDE } from './potentials'

/** What a metal, an oxide or a carbonate gives with an acid: a salt that dissolves as it is made. */
interface Taken {
  readonly metal: { readonly text: string; readonly charge: number }
  readonly acid: Stuff
  readonly anion: { readonly text: string; readonly charge: number }
}

function taken(target: Stuff): Taken | undefined {
  const parts = simple(target)
  const acid = parts && acidOf(parts.anion)
  return parts && acid && !['O', 'OH'].includes(parts.anion.text) ? { ...parts, acid } : undefined
}

/** Its own salt covers the solid that makes it, and the reaction stops. */
const coats = (target: Stuff, solid: string): string | undefined =>
  dissolves(target)
    ? undefined
    : `{${target.text}} hardly dissolves: it covers the {${solid}}, and the acid no longer reaches it.`

/** The metal and the acid of each salt that a metal might give, judged by what stands against it. */
const metalDrafts = (
  target: Stuff,
  with_: (one: Taken & { readonly potential: number }) => Draft | undefined,
): readonly Draft[] => {
  const one = taken(target)
  const potential = one && potentialOf(one.metal.text)
  const draft = one && potential !== undefined ? with_({ ...one, potential }) : undefined
  return draft ? [draft] : []
}

/** Below this, V, acid takes a metal fast; above it hours are needed, or warmth: nickel and cobalt stand just above. A judgement. */
const BRISK = -0.35
/** Between these potentials, V, an oxidant beside the acid is worth its trouble: slow metals, and those above hydrogen that a bench dissolves so. */
const [SLOW, TOO_NOBLE] = [-0.3, 0.6]

export const metalInAcid: Family = {
  id: 'metal in acid',
  name: 'a metal in an acid that does not oxidise',
  medium: 'water',
  isRedox: true,
  cost: 0,
  minutes: 120,
  drafts: target =>
    metalDrafts(target, ({ metal, acid, anion, potential }) => {
      if (isOxidising(anion)) return undefined
      const state = potentialOf(metal.text, metal.charge)
      const refused =
        potential > 0
          ? `{${metal.text}} is above hydrogen (${volts(potential)}): acid alone does not dissolve it. Add an oxidant such as peroxide, or begin with the oxide or the carbonate.`
          : state === undefined
            ? `Acid takes {${metal.text}} to a lower state than that of {${target.text}}: oxidise what comes, in a step of its own.`
            : (passivity(metal.text, acid.text) ??
              coats(target, metal.text) ??
              (isCovered(metal.text)
                ? `Dilute acid hardly takes {${metal.text}}: its own salts cover it. Nitric acid does, or begin with the oxide.`
                : undefined))
      return {
        left: [metal.text, acid.text],
        right: ['H2'],
        why: `{${metal.text}} is below hydrogen (${volts(potential)}): the acid takes it, and hydrogen goes.`,
        ...(refused && { refused }),
        ...(potential > BRISK && {
          mind: `{${metal.text}} dissolves slowly: warm, fine and with some excess of acid.`,
        }),
      }
    }),
}

export const metalWithPeroxide: Family = {
  id: 'metal, acid and peroxide',
  name: 'a metal in acid with peroxide',
  medium: 'water',
  isRedox: true,
  cost: 1,
  minutes: 90,
  drafts: target =>
    metalDrafts(target, ({ metal, acid, anion, potential }) => {
      const gives = reducingAt(anion)
      if (
        isOxidising(anion) ||
        potential < SLOW ||
        potential > TOO_NOBLE ||
        potentialOf(metal.text, metal.charge) === undefined
      )
        return undefined
      const refused =
        gives !== undefined && gives < 1.2
          ? `Peroxide would oxidise the anion of {${target.text}} first.`
          : breakPeroxide.includes(metal.text)
            ? `Peroxide only falls apart on {${metal.text}}.`
            : coats(target, metal.text)
      return {
        left: [metal.text, 'H2O2', acid.text],
        right: ['H2O'],
        why: `Peroxide (${volts(PEROXIDE)}) takes what hydrogen ion leaves: {${metal.text}} (${volts(potential)}) dissolves, and only water comes beside it.`,
        mind: 'Add the peroxide in small portions below 50 °C; what is left of it is boiled away.',
        ...(refused && { refused }),
      }
    }),
}

export const metalInNitric: Family = {
  id: 'metal in nitric acid',
  name: 'a metal in nitric acid',
  medium: 'water',
  isRedox: true,
  cost: 2,
  minutes: 90,
  drafts: target => {
    const one = taken(target)
    const potential = one && potentialOf(one.metal.text)
    if (!one || potential === undefined || one.anion.text !== 'NO3') return []
    const higher = oxidisedAt(one.metal)
    const refused =
      potential > NITRIC
        ? `{${one.metal.text}} (${volts(potential)}) is too noble for nitric acid (${volts(NITRIC)}).`
        : (passivity(one.metal.text, 'HNO3') ??
          (higher !== undefined && higher < NITRIC
            ? `Nitric acid takes the metal on to its next state (${volts(higher)} is below its own ${volts(NITRIC)}).`
            : undefined))
    const judged = {
      ...(refused && { refused }),
      ...(potential < MIXED && {
        mind: 'A metal as base as this takes nitric acid down to several gases: the equation is a nearness, and excess acid is kept small.',
      }),
    }
    return [
      {
        left: [one.metal.text, 'HNO3'],
        right: ['NO', 'H2O'],
        why: 'Nitric acid of about a third oxidises it and goes to nitrogen monoxide.',
        ...judged,
      },
      {
        left: [one.metal.text, 'HNO3'],
        right: ['NO2', 'H2O'],
        why: 'Concentrated nitric acid oxidises it and goes to nitrogen dioxide: twice the acid.',
        ...judged,
      },
    ]
  },
}
/** Metals below this, V, give hydrogen, ammonium and nitrous oxide too. Texts, from memory. */
const MIXED = -0.7

export const metalWithNitric: Family = {
  id: 'metal, acid and nitric acid',
  name: 'a metal in acid with a little nitric acid',
  medium: 'water',
  isRedox: true,
  cost: 3,
  minutes: 90,
  drafts: target =>
    metalDrafts(target, ({ metal, acid, anion, potential }) => {
      if (
        isOxidising(anion) ||
        potential < SLOW ||
        potential > NITRIC ||
        potentialOf(metal.text, metal.charge) === undefined
      )
        return undefined
      const gives = reducingAt(anion)
      const refused =
        gives !== undefined && gives < 1.2
          ? `Nitric acid would oxidise the anion of {${target.text}}.`
          : (passivity(metal.text, 'HNO3') ?? coats(target, metal.text))
      return {
        left: [metal.text, acid.text, 'HNO3'],
        right: ['NO', 'H2O'],
        why: `Just enough nitric acid oxidises {${metal.text}}, and the other acid gives the salt its anion.`,
        mind: 'Nitrogen oxides: in a hood. What is left of the nitric acid is fumed off, or nitrate comes with the crystals.',
        ...(refused && { refused }),
      }
    }),
}

export const metalInHotSulfuric: Family = {
  id: 'metal in hot sulfuric acid',
  name: 'a metal in hot concentrated sulfuric acid',
  medium: 'water',
  isRedox: true,
  cost: 6,
  minutes: 120,
  drafts: target =>
    metalDrafts(target, ({ metal, anion, potential }) =>
      anion.text === 'SO4' && potential > 0 && potential < NITRIC && potentialOf(metal.text, metal.charge) !== undefined
        ? {
            left: [metal.text, 'H2SO4'],
            right: ['SO2', 'H2O'],
            why: `Hot concentrated sulfuric acid oxidises {${metal.text}}; half of it goes as sulfur dioxide.`,
            mind: 'Sulfur dioxide and acid near its boiling point: a hood, and someone who has done it.',
          }
        : undefined,
    ),
}

/** An afternoon at the boil in place of minutes: a judgement. */
const SLOW_OXIDE = 3

export const baseInAcid: Family = {
  id: 'base in acid',
  name: 'an oxide, hydroxide or carbonate in an acid',
  medium: 'water',
  isRedox: false,
  cost: 0,
  minutes: 60,
  drafts: target => {
    const one = taken(target)
    if (!one) return []
    return basesOf(one.metal).map(base => {
      const nitric = oxidisedAt(one.metal)
      const refused = isInert(base)
        ? `{${base.text}} as it is sold has been too hot: acid hardly touches it.`
        : base.standing === 'solid'
          ? coats(target, base.text)
          : undefined
      const oxidised =
        one.anion.text === 'NO3' && nitric !== undefined && nitric < NITRIC
          ? `Nitric acid would take the metal on to its next state.`
          : undefined
      return {
        left: [base.text, one.acid.text],
        right: [],
        may: ['H2O', 'CO2'],
        why: `The acid takes {${base.text}}, and only ${base.elements.has('C') ? 'water and carbon dioxide come' : 'water comes'} beside the salt.`,
        ...((refused ?? oxidised) && { refused: refused ?? oxidised! }),
        ...(isSlow(base) && {
          cost: SLOW_OXIDE,
          mind: `{${base.text}} as it is sold takes hours in hot, strong acid; the hydroxide or the carbonate takes minutes.`,
        }),
        ...(base.elements.has('C') && { mind: 'It foams: in portions, in a vessel twice as large.' }),
      }
    })
  },
}

export const dissolvingFamilies: readonly Family[] = [
  metalInAcid,
  metalWithPeroxide,
  metalInNitric,
  metalWithNitric,
  metalInHotSulfuric,
  baseInAcid,
]
