import { molarMass } from '#core/formula'
import type { Step } from '#core/journal'
import { solvents as solventRows } from '#core/reference'
import { vesselMass, waterBeyond, WATER, type Operation, type ReadOperation } from '#core/vessel'
import type { Charge } from './charges'
import type { AtWork, Done, Entering, Real } from './event'

interface Untold {
  readonly why: string
  readonly fix: string
}

/** 96 % spirit by volume: g/mL and mass fraction of ethanol at 20 °C (OIML R 22, from memory). */
const SPIRIT_DENSITY = 0.8074
const SPIRIT_STRENGTH = 0.938
const densityOf = (name: string): number => solventRows.find(row => row.name === name)?.density ?? 1
/** A wash of water, g/mL. */
const WATER_IN_WASH = 1

/**
 * The operations that a read step stands for, in order: a charge in as many portions as the step is repeated, a wash as often. What was read at the step replaces what was planned. Where
 * it cannot be told what happens, why.
 */
export function portionsIn(read: ReadOperation, step: Step, real: Real, course: AtWork): readonly Done[] | Untold {
  const times = step.repeat?.times ?? 1
  switch (read.do) {
    case 'charge':
      return charged(read.species, times, step, course)
    case 'add more':
      return more({ ...read, ...real.added }, course)
    case 'add solvent':
      return [solventDone(new Map([[read.name, read.mass ?? course.sheet.solvents.get(read.name) ?? 0]]))]
    case 'add water':
      return [solventDone(new Map([[WATER, real.added?.mass ?? real.added?.volume ?? read.water]]))]
    case 'add ethanol': {
      const mass = read.volume * SPIRIT_DENSITY
      return [
        solventDone(
          new Map([
            ['ethanol', mass * SPIRIT_STRENGTH],
            [WATER, mass * (1 - SPIRIT_STRENGTH)],
          ]),
        ),
      ]
    }
    case 'add solute':
    case 'seed':
      return [solute(read)]
    case 'wash':
      return Array.from({ length: times }, () => washDone(read, course))
    default:
      return [{ operation: plain(read, step, real, course) }]
  }
}

type Plain = Exclude<
  ReadOperation,
  { do: 'charge' | 'add more' | 'add solvent' | 'add water' | 'add ethanol' | 'add solute' | 'seed' | 'wash' }
>
function plain(read: Plain, step: Step, real: Real, course: AtWork): Operation {
  switch (read.do) {
    case 'heat':
      return { do: 'heat to', celsius: real.celsius ?? read.celsius }
    case 'cool':
      return { do: 'cool', celsius: real.celsius ?? read.celsius }
    case 'evaporate':
      return asRead(real, course) ?? { do: 'boil off', water: read.water }
    case 'evaporate to':
      return asRead(real, course) ?? { do: 'boil off', water: waterBeyond(course.vessel, read.water, course.setting) }
    case 'evaporate to volume':
      return asRead(real, course) ?? { do: 'boil down', volume: read.volume }
    case 'filter':
      return {
        do: 'filter off',
        keep: 'solid',
        retained: read.retained,
        ...(read.liquor !== undefined && { liquor: read.liquor }),
      }
    case 'filter off':
      return { do: 'filter off', keep: 'liquor', retained: 0 }
    case 'to dryness':
      return { do: read.by === 'boiled off' ? 'take to dryness' : 'distil off' }
    case 'ignite':
      return { do: 'ignite', celsius: real.celsius ?? read.celsius }
    case 'hold':
      return { do: 'stand' }
    case 'stir':
      return { do: 'stir' }
    case 'dry':
      return { do: 'dry', celsius: course.sheet.room }
    case 'nothing':
      return { do: weighing(step, course) }
  }
}
/** How far a pot was boiled by its reading: its mass, which is the surer, or its volume. */
function asRead({ mass, volume }: Real, { vessel }: AtWork): Operation | undefined {
  if (mass !== undefined) return { do: 'boil off', water: Math.max(0, vesselMass(vessel) - mass) }
  return volume === undefined ? undefined : { do: 'boil down', volume }
}

/** Weighing out, or weighing a crop that stands dry; what else changes nothing is looked at. */
const weighing = ({ do: name, about }: Step, { vessel }: AtWork): 'weigh' | 'measure' | 'weigh crop' | 'observe' => {
  if (name === 'measure') return 'measure'
  if (name !== 'weigh') return 'observe'
  if (about?.what === 'charge') return 'weigh'
  return about?.what === 'product' && vessel.lumps.length > 0 && vessel.solvents.size === 0 ? 'weigh crop' : 'observe'
}

const solventDone = (solvents: ReadonlyMap<string, number>): Done => ({
  operation: { do: 'add solvent', solvents },
  charge: { solvents: Object.fromEntries(solvents) },
})

function charged(species: string, times: number, step: Step, course: AtWork): readonly Done[] | Untold {
  const charge = course.chargeOf(species)
  if (!charge)
    return { why: `${species} is no reagent of the sheet that goes in here`, fix: 'choose one that the sheet charges' }
  return Array.from({ length: times }, (_, k) => ({
    ...share(charge, 1 / times),
    ...(times > 1 && {
      words: `Add {${charge.weighed || species}}, portion ${k + 1} of ${times}; wait until it is calm`,
    }),
    ...(times === 1 && { words: step.words }),
  }))
}

/** A share of a charge, with the solvent that it brings. */
function share(charge: Charge, of: number): Done {
  const solvents = new Map([...charge.solvents].map(([name, mass]) => [name, mass * of] as const))
  if (charge.moles === 0) return { ...solventDone(solvents) }
  const moles = charge.moles * of
  return {
    operation: { do: 'charge', formula: charge.formula, moles, solvents },
    charge: {
      species: charge.species,
      mass: moles * molarMass(charge.formula) + charge.crystalWater * of,
      ...besides(solvents, charge.crystalWater * of),
    },
  }
}

/** Solvents that come with a charge; the water that the species holds itself is in its own mass. */
function besides(solvents: ReadonlyMap<string, number>, own: number): Pick<Entering, 'solvents'> {
  const left = new Map(solvents)
  left.set(WATER, (left.get(WATER) ?? 0) - own)
  const told = [...left].filter(([, grams]) => grams > 1e-9)
  return told.length > 0 ? { solvents: Object.fromEntries(told) } : {}
}

function more(
  { species, mass, volume }: { species: string; mass?: number; volume?: number },
  course: AtWork,
): readonly Done[] | Untold {
  const charge = course.chargeOf(species)
  if (!charge) return { why: `${species} is no reagent of the sheet`, fix: 'name one that is, or add it to the sheet' }
  const of =
    mass !== undefined && charge.mass
      ? mass / charge.mass
      : volume !== undefined && charge.volume
        ? volume / charge.volume
        : undefined
  return of === undefined
    ? {
        why: `how much {${species}} is added is not said`,
        fix: 'give it as the sheet measures it, by mass or by volume',
      }
    : [share(charge, of)]
}

function solute({ form, mass }: Extract<ReadOperation, { do: 'add solute' | 'seed' }>): Done {
  return {
    operation: { do: 'charge', formula: form, moles: mass / molarMass(form), solvents: new Map() },
    charge: { species: form.text, mass },
  }
}

function washDone(
  { solvent, volume, celsius, retained, ethanol = 1, through }: Extract<ReadOperation, { do: 'wash' }>,
  course: AtWork,
): Done {
  const strength = solvent === 'ethanol' ? ethanol : 1
  const solvents =
    solvent === 'water'
      ? new Map([[WATER, volume * WATER_IN_WASH]])
      : new Map([
          [solvent, volume * strength * densityOf(solvent)],
          ...(strength < 1 ? [[WATER, volume * (1 - strength)] as const] : []),
        ])
  return {
    operation: {
      do: 'wash',
      solvents,
      celsius,
      retained: retained > 0 ? retained : course.lastRetained,
      ...(through && { through }),
    },
    charge: { solvents: Object.fromEntries(solvents) },
  }
}
