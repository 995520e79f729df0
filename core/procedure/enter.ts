import { molarMass } from '#core/formula'
import { solvents as solventRows } from '#core/reference'
import { heatOf, type ReadStage, type StageSheet } from '#core/sheet'
import { dissolvedParts, dissolvesMetals, metalOf, WATER, type Vessel } from '#core/vessel'
import { inOrder, type Charge } from './charges'
import { grams, type Course } from './course'

/** Water put on where a plan says none, in g to the g of solids; common practice, no source. */
const WATER_TO_SOLID = 10
const weighWords = ({ weighed, mass, volume }: Charge): string =>
  volume !== undefined
    ? `Measure {${weighed}}: ${Number(volume.toPrecision(3))} mL`
    : `Weigh {${weighed}}: ${grams(mass ?? 0)}`

/** All that the sheet charges goes in, each once and in its order, until nothing changes any more. */
export function enter(
  course: Course,
  stage: ReadStage,
  sheet: StageSheet,
  charges: readonly Charge[],
  isDry: boolean,
): void {
  for (const one of charges)
    if (one.comes !== 'from a stage' && (one.mass !== undefined || one.volume !== undefined))
      course.do({ do: one.volume !== undefined ? 'measure' : 'weigh' }, weighWords(one))
  if (!isDry) enterSolvents(course, stage, charges)
  const makesGas = sheet.gases.length > 0
  const heat = heatOf(stage, sheet)
  const warms = heat.known && (heat.rise?.value ?? 0) > EXOTHERM
  const wet = isDry ? charges.filter(({ comes }) => comes !== 'gas') : inOrder(charges, makesGas)
  wet.forEach((one, i) => {
    const isLast = i === wet.length - 1
    const portions = !isDry && isLast && makesGas && one.comes === 'solid' ? portionsOf(sheet) : 1
    for (let k = 0; k < portions; k++)
      chargeOne(course, one, 1 / portions, wordsOf(one, k, portions), [
        ...(one.isStrong ? ['acid-into-water'] : []),
        ...(isLast && warms ? ['exotherm'] : []),
        ...(chlorine(course.vessel, wet.slice(0, i), one) ? ['chlorine'] : []),
        ...(carriedMetal(course.vessel, one) ? ['hydrogen-from-carried-metal'] : []),
      ])
  })
  if (!isDry) {
    if (stage.bench.celsius !== undefined && stage.bench.celsius !== course.vessel.celsius)
      course.do({ do: 'heat to', celsius: stage.bench.celsius }, `Bring it to ${stage.bench.celsius} °C`)
    course.do({ do: 'stir' }, 'Stir until nothing changes any more')
  }
}
/** A rise by more than this, K, wants cooling; common practice, no source. */
const EXOTHERM = 15
/** Portions of about a quarter litre of gas, four to twelve; common practice, no source. */
const portionsOf = ({ gases }: StageSheet): number =>
  Math.min(12, Math.max(4, Math.ceil(gases.reduce((sum, { volume }) => sum + volume.value, 0) / 250)))

const wordsOf = ({ weighed, species, comes }: Charge, k: number, of: number): string => {
  const name = `{${weighed || species}}`
  if (comes === 'gas') return `Pass in ${name}`
  return of > 1 ? `Add ${name}, portion ${k + 1} of ${of}; wait until it is calm` : `Add ${name}, stirring`
}

/** A charge, or a share of it, with the solvent that it brings. */
export function chargeOne(
  course: Course,
  one: Charge,
  share: number,
  words: string,
  cautions: readonly string[],
): void {
  const solvents = new Map([...one.solvents].map(([name, mass]) => [name, mass * share] as const))
  const brought = solvents.size > 0 ? { solvents: Object.fromEntries(solvents) } : {}
  if (one.moles === 0) {
    if (solvents.size > 0) course.do({ do: 'add solvent', solvents }, 'Add the water that the reaction takes', brought)
    return
  }
  const moles = one.moles * share
  course.do(
    { do: 'charge', formula: one.formula, moles, solvents },
    words,
    { species: one.species, mass: moles * molarMass(one.formula), ...brought },
    cautions,
  )
}

/** An oxidant and acid chloride set chlorine free, whichever goes in first. */
function chlorine({ ions }: Vessel, before: readonly Charge[], now: Charge): boolean {
  const brings = dissolvedParts(now.formula).map(({ key }) => key)
  const isThere = (key: string): boolean => (ions.get(key) ?? 0) > 0 || brings.includes(key)
  const meets =
    now.isOxidant || (before.some(({ isOxidant }) => isOxidant) && brings.some(key => key === 'H^+' || key === 'Cl^-'))
  return meets && isThere('H^+') && isThere('Cl^-')
}
/** A metal that came along, and an acid onto it. */
const carriedMetal = ({ lumps }: Vessel, { formula }: Charge): boolean =>
  dissolvesMetals(formula) && lumps.some(({ form }) => metalOf(form) !== undefined)

function enterSolvents(course: Course, stage: ReadStage, charges: readonly Charge[]): void {
  const wanted = new Map(stage.otherSolvents.map(({ name, mass }) => [name, mass.value] as const))
  if (stage.bench.solvent) wanted.set(WATER, stage.bench.solvent.value)
  const brings = charges.some(({ solvents }) => (solvents.get(WATER) ?? 0) > 0)
  const isWet = (course.vessel.solvents.get(WATER) ?? 0) > 0
  if (
    wanted.size === 0 &&
    !brings &&
    !isWet &&
    charges.some(({ comes }) => comes === 'solid' || comes === 'from a stage')
  ) {
    const solids = charges.reduce((sum, { formula, moles }) => sum + moles * molarMass(formula), 0)
    wanted.set(WATER, WATER_TO_SOLID * solids)
    course.warn(
      'water.assumed',
      `The plan says no water: ${grams(WATER_TO_SOLID * solids)} are taken, ten times the solids. Say how much you use.`,
    )
  }
  for (const [name, mass] of wanted) {
    const flammable = solventRows.some(row => row.name === name && row.name !== WATER)
    course.do(
      { do: 'add solvent', solvents: new Map([[name, mass]]) },
      `Put ${grams(mass)} of ${name} into the vessel`,
      { solvents: { [name]: mass } },
      flammable ? ['flammable-solvent'] : [],
    )
  }
}
