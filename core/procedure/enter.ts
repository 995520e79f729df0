import { molarMass } from '#core/formula'
import type { Step } from '#core/journal'
import { formatFigure, type Figure } from '#core/quantity'
import { gasFacts, type ReadStage, type ReagentLine, type Room, type StageSheet } from '#core/sheet'
import { dryOf, formulaOf, WATER } from '#core/vessel'
import { bottleOf } from './amount'
import { inOrder, withoutSideGas, type Charge } from './charges'
import type { Course } from './course'
import { targetOf } from './follow-sheet'
import { outcomeOf, wordsOfEntering } from './entering'
import { kept, shown } from './operation-step'

/** A stage as its steps are proposed from: as read, its sheet, and the room. */
export interface Proposing {
  readonly stage: ReadStage
  readonly sheet: StageSheet
  readonly room: Room
  readonly charges: readonly Charge[]
  /** The product goes on to the next stage wet, as it lies on the filter. */
  readonly isWetOn: boolean
}

/** Water put on where a plan says none, in g to the g of solids; common practice, no source. */
const WATER_TO_SOLID = 10
/** How close a charge should come: what limits sets the yield. */
const toleranceFor = ({ limits }: ReagentLine): string => (limits ? '1 %' : '2 %')

/** Every charge is weighed or measured out; nothing enters the vessel yet. */
export function weighOut(course: Course, { stage, sheet, charges }: Proposing): void {
  for (const { species, weighed, comes, volume, mass } of charges) {
    const line = sheet.reagents.find(one => one.species === species)
    if (!line || comes === 'from a stage' || (mass === undefined && volume === undefined)) continue
    const target = targetOf(line)
    course.take({
      do: volume !== undefined ? 'measure' : 'weigh',
      words: `${volume !== undefined ? 'Measure' : 'Weigh'} {${weighed || species}}${bottleOf(stage, species)}`,
      about: { what: 'charge', species },
      ...(target !== undefined && { target, tolerance: toleranceFor(line) }),
    })
  }
}

/** All that the sheet charges goes into the vessel, each once and in its order, until nothing changes any more. */
export function enter(course: Course, proposing: Proposing): void {
  const { stage, sheet, room, charges } = proposing
  weighOut(course, proposing)
  putSolvents(course, proposing)
  const gases = gasFacts(stage, sheet, room)
  const trap = gases.find(({ trap: wanted }) => wanted)?.trap
  const needs: Step['needs'] = gases.some(({ verdict }) => verdict !== 'harmless') ? ['hood', 'hotplate'] : ['hotplate']
  if (trap)
    course.take({
      do: 'observe',
      words: `Set up the trap: at least ${formatFigure(trap.wants, 2)} of 2 mol/L {${trap.reagent}}`,
      why: `It has to hold the {${gases[0]!.formula}}; without it this step may not begin.`,
      needs: ['hood'],
      hands: '10 min',
      does: { nothing: true },
    })
  const at = stage.bench.celsius
  const isHot = at !== undefined && Math.abs(at - course.vessel.celsius) > WARM_FROM
  const ordered = withoutSideGas(
    inOrder(charges, gases.length > 0),
    course.vessel,
    course.setting,
    stage.reaction.products.map(({ species }) => dryOf(species.formula).dry.text),
  )
  ordered.forEach((one, i) => {
    // Liquids first: what is warmed has to be there.
    if (isHot && (i === ordered.length - 1 || one.comes !== 'liquid') && course.vessel.celsius !== at)
      if (course.vessel.solvents.size > 0) warm(course, at)
    addOne(course, one, { gases, isLast: i === ordered.length - 1, needs })
  })
  if (at !== undefined && course.vessel.celsius !== at) warm(course, at)
  course.take(
    gases.length > 0
      ? { do: 'stir', words: 'Stir and watch', wait: '15 min', until: 'no more gas comes', needs, does: { stir: true } }
      : {
          do: 'stir',
          words: course.vessel.lumps.length > 0 ? 'Stir on' : 'Stir to one liquor',
          wait: '15 min',
          until: 'nothing changes any more',
          does: { stir: true },
        },
  )
}
/** Farther off than this, K, the pot is brought to its temperature before what reacts goes in; a judgement. */
const WARM_FROM = 5
function warm(course: Course, celsius: number): void {
  course.take({
    do: celsius < course.vessel.celsius ? 'cool' : 'heat',
    words: celsius < course.vessel.celsius ? `Cool the pot to ${celsius} °C` : `Warm the pot to ${celsius} °C`,
    target: `${celsius} °C`,
    tolerance: '3 °C',
    about: { what: 'pot' },
    does: celsius < course.vessel.celsius ? { coolTo: `${celsius} °C` } : { heatTo: `${celsius} °C` },
  })
}

/** Portions of about a quarter litre of gas, four to twelve; common practice, no source. */
const portionsOf = (millilitres: number): number => Math.min(12, Math.max(4, Math.ceil(millilitres / 250)))

interface Adding {
  readonly gases: ReturnType<typeof gasFacts>
  readonly isLast: boolean
  readonly needs: Step['needs']
}
function addOne(course: Course, charge: Charge, { gases, isLast, needs }: Adding): void {
  const { species, weighed, comes } = charge
  const name = `{${weighed || species}}`
  const does = { charge: species } as const
  const isHot = course.sheet.isWarm && isLast
  if (comes === 'from a stage') {
    course.take({ do: 'add', words: `Take the ${name} of the stage before`, hands: '3 min', does })
    return
  }
  if (charge.moles === 0) {
    course.take({ do: 'add', words: 'Add the water that the reaction takes', does })
    return
  }
  if (comes === 'gas') {
    course.take({
      do: 'add',
      words: `Pass in ${name}`,
      until: 'no more is taken up',
      needs: ['hood'],
      does,
    })
    return
  }
  const [gas] = gases
  const outcome = outcomeOf(course.vessel, charge, course.setting)
  if (isLast && gas && (outcome.gas > 0 || !outcome.isKnown || fumes(course, charge, gases))) {
    const portions = portionsOf(gases.reduce((sum, { volume }) => sum + volume.value, 0))
    course.take({
      do: 'add',
      words:
        comes === 'solid' ? `Add ${name} in ${portions} portions` : `Add ${name} slowly, in about ${portions} portions`,
      why: `${formatFigure(gas.volume, 2)} of {${gas.formula}} comes off in all: each portion has to calm down before the next.`,
      repeat: { times: portions, every: '3 min' },
      until: 'it no longer fizzes',
      hands: `${portions * 3} min`,
      ...(needs && { needs }),
      does,
    })
    return
  }
  const { words, ...rest } = wordsOfEntering(
    {
      name,
      comes,
      isStrong: charge.isStrong,
      isWet: course.vessel.solvents.size > 0,
      isFirstSolid: !course.steps.some(step => step.do === 'dissolve'),
      isEmpty: course.vessel.lumps.length === 0,
    },
    outcome,
  )
  course.take({
    ...rest,
    words: isHot ? `${words}, in an ice bath` : words,
    ...(isHot && { needs: ['ice bath'] as const, hands: '15 min' }),
    does,
  })
}

/** A gas that water holds stays in it up to about this share of the liquor’s mass: constant-boiling hydrochloric acid is 20 % (handbooks, from memory), and stronger acid fumes. */
const HELD = 0.2
const fumes = ({ vessel }: Course, charge: Charge, gases: Adding['gases']): boolean => {
  const water = (vessel.solvents.get(WATER) ?? 0) + (charge.solvents.get(WATER) ?? 0)
  return gases.some(({ formula, amount }) => {
    const mass = amount.value * molarMass(formulaOf(formula))
    return mass / (mass + water) > HELD
  })
}

/** Water that was typed as a volume is measured as one. */
const asTyped = (water: Figure): Figure =>
  (water.made.how === 'product' ? water.made.over.find(({ kind }) => kind === 'volume') : undefined) ?? water
const plain = (figure: Figure): string => formatFigure(figure, 4).replaceAll('\u202f', ' ')

function putSolvents(course: Course, { stage, charges }: Proposing): void {
  for (const { name } of stage.otherSolvents)
    course.take({
      do: 'add',
      words: `Put the ${name} into the vessel`,
      needs: ['hood'],
      does: { addSolvent: { name } },
    })
  if (stage.bench.solvent) {
    course.take({
      do: 'measure',
      words: 'Measure the water into the vessel',
      target: plain(asTyped(stage.bench.solvent)),
      why: 'The sheet’s water: enough to keep everything dissolved while it reacts.',
      does: { addSolvent: { name: WATER } },
    })
    return
  }
  const brings = charges.some(({ solvents }) => (solvents.get(WATER) ?? 0) > 0)
  const isWet = (course.vessel.solvents.get(WATER) ?? 0) > 0
  const hasSolids = charges.some(({ comes }) => comes === 'solid' || comes === 'from a stage')
  if (stage.otherSolvents.length > 0 || brings || isWet || !hasSolids) return
  const mass = kept(
    WATER_TO_SOLID * charges.reduce((sum, { formula, moles }) => sum + moles * molarMass(formula), 0),
    'g',
  )
  const water = shown(mass)
  course.take({
    do: 'measure',
    words: `Measure ${water} of water into the vessel`,
    target: water,
    why: 'The plan says no water: ten times the solids are taken. Say how much you use.',
    does: { addSolvent: { name: WATER, mass } },
  })
  course.warn(
    'water.assumed',
    `The plan says no water: ${water} are taken, ten times the solids. Say how much you use.`,
  )
}
