import { molarMass, sameStuff, type Formula } from '#core/formula'
import { exposureLimits, solvents as solventRows } from '#core/reference'
import { heatOf, type ReadStage, type StageSheet } from '#core/sheet'
import { findCurve, saturationAt, type Curve } from '#core/solution'
import {
  atRest,
  dissolvedParts,
  dissolvesMetals,
  metalOf,
  dryOf,
  netOf,
  operate,
  standsAs,
  WATER,
  type Operation,
  type Out,
  type Setting,
  type Vessel,
} from '#core/vessel'
import { chargesOf, inOrder, type Charge } from './charges'
import { isFlat, type ChosenWay } from './way'

export interface Step {
  readonly id: string
  readonly operation: Operation
  readonly words: string
  /** What of the sheet enters here: a species in g, and solvents in g by name. */
  readonly charge?: {
    readonly species?: string
    readonly mass?: number
    readonly solvents?: Readonly<Record<string, number>>
  }
  readonly out: readonly Out[]
  readonly after: Vessel
  /** False where the model does not know what stands. */
  readonly isKnown: boolean
  readonly cautions: readonly string[]
}
export interface StageProcedure {
  readonly way: ChosenWay
  readonly steps: readonly Step[]
  readonly end: Vessel
  readonly isKnown: boolean
  readonly warnings: readonly { readonly code: string; readonly message: string }[]
  readonly named: readonly Formula[]
}

const HOT = 80
const COLD = 5
const ROOM = 25
/** Liquor that a sucked-off cake of crystals keeps, and a precipitate, as a share of the solids’ mass; common practice, no source. */
const RETAINED = 0.2
const RETAINED_FINE = 1
/** Water put on where a plan says none, in g to the g of solids; common practice, no source. */
const WATER_TO_SOLID = 10
/** A wash of crystals, and one of a precipitate, mL to the g; common practice, no source. */
const WASH = 0.3
const WASH_FINE = 10
const FINE_WASHES = 3
const CALCINE = 500

/** Does the operations of a stage one after the other, and keeps what each left. */
class Course {
  readonly steps: Step[] = []
  readonly warnings: { code: string; message: string }[] = []
  private readonly counts = new Map<string, number>()
  isKnown = true
  /** True where the crop is what stays dissolved or not: a precipitate is there whatever the rest does. */
  hangsOnRest = true
  constructor(
    public vessel: Vessel,
    readonly setting: Setting,
  ) {}

  do(operation: Operation, words: string, charge?: Step['charge'], cautions: readonly string[] = []): void {
    const done = operate(this.vessel, operation, this.setting)
    const count = (this.counts.get(operation.do) ?? 0) + 1
    this.counts.set(operation.do, count)
    this.vessel = done.vessel
    if (done.unknown && this.hangsOnRest && isIsolating(operation)) this.isKnown = false
    this.steps.push({
      id: `${operation.do.replaceAll(' ', '-')}-${count}`,
      operation,
      words,
      ...(charge && { charge }),
      // Where it is not known what stands, it is not known what leaves.
      out: this.isKnown ? done.out : [],
      after: done.vessel,
      isKnown: this.isKnown,
      cautions: [...new Set([...cautions, ...gasCautions(done.out)])],
    })
  }
  warn(code: string, message: string): void {
    this.warnings.push({ code, message })
  }
}
/** Operations whose result hangs on how much of a salt stands. */
const isIsolating = (operation: Operation): boolean =>
  operation.do === 'cool' ||
  operation.do === 'boil off' ||
  (operation.do === 'filter off' && operation.keep === 'solid')

/** Gases that leave, by what they do to people: toxic where the tables have a limit for them, hydrogen, and all others by their room. */
function gasCautions(out: readonly Out[]): string[] {
  const gases = out
    .filter(({ to }) => to === 'gas')
    .flatMap(({ matter }) => matter.filter(({ form }) => form !== 'H2O').map(({ form }) => form))
  if (gases.length === 0) return []
  return [
    'gas',
    ...(gases.includes('H2') ? ['hydrogen'] : []),
    ...(gases.includes('CO2') ? ['foaming'] : []),
    ...(gases.some(isToxic) ? ['toxic-gas'] : []),
  ]
}

/** Limits in ppm below which a gas is told as toxic; a judgement: carbon dioxide at 5000 crowds air out rather. */
const TOXIC = 1000
const isToxic = (form: string): boolean =>
  exposureLimits.some(row => row.formula === form && (row.eightHours ?? row.short ?? Infinity) < TOXIC)

/**
 * The procedure of a stage: what goes into the vessel in which order, what its way asks for then, and what stands after each operation. `start` is what an earlier pot
 * brought.
 */
export function proposeStage(
  stage: ReadStage,
  sheet: StageSheet,
  way: ChosenWay,
  start: Vessel,
  own: readonly Curve[] = [],
): StageProcedure {
  const isDry = way.way === 'heat dry'
  const named = namedSalts(stage)
  const setting: Setting = {
    net: way.way === 'own' ? undefined : netOf(stage.reaction, isDry),
    named,
    product: stage.product.form,
    own,
  }
  const course = new Course(start, setting)
  const charges = chargesOf(stage, sheet, isDry)
  if (way.way === 'own') course.isKnown = false
  enter(course, stage, sheet, charges, isDry)
  const product = stage.product.form
  const isolate: Record<ChosenWay['way'], () => void> = {
    'leave in the pot': () => undefined,
    own: () => undefined,
    'heat dry': () => heatDry(course, stage, charges),
    'throw down': () => throwDown(course, product),
    crystallise: () => crystallise(course, stage, product, own),
    'take to dryness': () => toDryness(course, product, 'take to dryness'),
    'distil to dryness': () => toDryness(course, product, 'distil off'),
    'salt out': () => saltOut(course, product, sheet.products[0]?.theoretical.value ?? 0),
  }
  isolate[way.way]()
  tellForm(course, product)
  return {
    way,
    steps: course.steps,
    end: course.vessel,
    isKnown: course.isKnown,
    warnings: course.warnings,
    named,
  }
}

/** The form that is wanted is not the one that comes: said at once, with what would have to be done. */
function tellForm(course: Course, product: Formula): void {
  const other = course.vessel.lumps.find(
    ({ form, is }) => is === 'crystals' && isProduct(form, product) && !sameStuff(form, product),
  )
  if (other && course.isKnown)
    course.warn(
      'form.comes-as',
      `${product.text} does not come this way: ${other.form.text} does. Isolate that, and take its water off in a stage of its own, or say ${other.form.text} as the form.`,
    )
}

/** The product first, then what the equation makes and takes, dry: how what is dissolved is told. */
function namedSalts({ product, reaction }: ReadStage): Formula[] {
  const all = [product.term, ...reaction.products, ...reaction.reactants].map(
    ({ species }) => dryOf(species.formula).dry,
  )
  return all.filter(
    (one, i) =>
      standsAs(one) === 'dissolved' && one.text !== 'H2O' && all.findIndex(other => other.text === one.text) === i,
  )
}

const grams = (value: number): string => `${Number(value.toPrecision(3))} g`
const weighWords = ({ weighed, mass, volume }: Charge): string =>
  volume !== undefined
    ? `Measure {${weighed}}: ${Number(volume.toPrecision(3))} mL`
    : `Weigh {${weighed}}: ${grams(mass ?? 0)}`

function enter(course: Course, stage: ReadStage, sheet: StageSheet, charges: readonly Charge[], isDry: boolean): void {
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

function chargeOne(course: Course, one: Charge, share: number, words: string, cautions: readonly string[]): void {
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

const hasSolids = ({ lumps }: Vessel): boolean => lumps.length > 0
const isProduct = (form: Formula, product: Formula): boolean => sameStuff(dryOf(form).dry, dryOf(product).dry)

/** Solids that are not the product leave before the product is won from the liquor. */
function clear(course: Course, product: Formula, celsius: number): void {
  if (!course.vessel.lumps.some(({ form }) => !isProduct(form, product))) return
  if (celsius !== course.vessel.celsius)
    course.do({ do: 'heat to', celsius }, `Heat to ${celsius} °C, so that the product is all dissolved`)
  if (course.vessel.lumps.some(({ form }) => isProduct(form, product))) return
  if (hasSolids(course.vessel))
    course.do({ do: 'filter off', keep: 'liquor', retained: 0 }, 'Filter hot from what did not dissolve, and rinse')
}

function dryAndWeigh(course: Course): void {
  course.do({ do: 'dry' }, 'Dry it, and weigh until constant')
  course.do({ do: 'weigh crop' }, 'Weigh the crop')
}

function crystallise(course: Course, stage: ReadStage, product: Formula, own: readonly Curve[]): void {
  const curve = findCurve(dryOf(product).dry, own)?.curve
  const most = curve ? Math.max(...curve.phases.map(({ to }) => to)) : HOT
  const least = curve ? Math.min(...curve.phases.map(({ from }) => from)) : COLD
  const hot = Math.min(HOT, most)
  const cold = Math.max(COLD, least)
  clear(course, product, hot)
  if (course.vessel.celsius !== hot) course.do({ do: 'heat to', celsius: hot }, `Heat to ${hot} °C`)
  const planned = stage.bench.evaporate?.value
  const water = planned ?? boilFor(course.vessel, course.setting, curve !== undefined && isFlat(curve))
  if (water > 0) course.do({ do: 'boil off', water }, `Boil off ${grams(water)} of water`)
  course.do({ do: 'cool', celsius: cold }, `Cool slowly to ${cold} °C`)
  const crystals = course.vessel.lumps.reduce((sum, { form, moles }) => sum + moles * molarMass(form), 0)
  course.do({ do: 'filter off', keep: 'solid', retained: RETAINED }, 'Filter the crystals off and suck them dry')
  if (crystals > 0) {
    const wash = washFor(course, product) * crystals
    course.do(
      { do: 'wash', solvents: new Map([[WATER, wash]]), celsius: Math.max(0, least), retained: RETAINED },
      `Wash with ${grams(wash)} of ice-cold water`,
      { solvents: { [WATER]: wash } },
    )
  }
  dryAndWeigh(course)
}

/** A salt that dissolves well in the cold bears only a little water; the line is a judgement. */
const VERY_SOLUBLE = 30
const WASH_SOLUBLE = 0.1
function washFor({ setting: { own }, vessel }: Course, product: Formula): number {
  const curve = findCurve(dryOf(product).dry, own)?.curve
  const cold = curve && saturationAt(curve, vessel.celsius)
  return cold?.ok && cold.value.grams > VERY_SOLUBLE ? WASH_SOLUBLE : WASH
}

/** So much water may go that the first crystals are about to come at the temperature that the pot has; where none come, most of it. */
function boilFor(vessel: Vessel, setting: Setting, flat: boolean): number {
  const water = vessel.solvents.get(WATER) ?? 0
  const crystalsAt = (left: number): number => {
    const rest = atRest(
      { ...vessel, solvents: new Map([...vessel.solvents, [WATER, left]]) },
      setting.named,
      setting.own,
    )
    if (rest.unknown) return Infinity
    return rest.vessel.lumps.filter(({ is }) => is === 'crystals').reduce((sum, { moles }) => sum + moles, 0)
  }
  if (!(water > 0) || crystalsAt(water) > 0) return 0
  const steps = Array.from({ length: SCAN }, (_, k) => water * SCAN_BY ** (k + 1))
  const first = steps.findIndex(left => crystalsAt(left) > 0)
  if (first < 0) return water * MOST_BOILED
  let [low, high] = [steps[first] ?? 0, first === 0 ? water : (steps[first - 1] ?? water)]
  for (let i = 0; i < 26; i++) {
    const middle = (low + high) / 2
    if (crystalsAt(middle) > 0) low = middle
    else high = middle
  }
  // What cooling does not bring, boiling must: most of it comes down hot.
  return Math.max(0, water - high * (flat ? LEFT_OF_FLAT : SHORT))
}
/** From all of the water to a fiftieth of it, by a fifth each. */
const SCAN = 17
const SCAN_BY = 0.8
/** Of the water that just holds a salt as soluble cold as hot, so much is left; common practice, no source. */
const LEFT_OF_FLAT = 0.3
/** No pot is boiled further down than this; a judgement. */
const MOST_BOILED = 0.95
/** A little before it begins; common practice, no source. */
const SHORT = 1.02

function throwDown(course: Course, product: Formula): void {
  course.hangsOnRest = false
  course.do({ do: 'stand' }, 'Let it settle, and digest it warm if it is fine')
  const solids = course.vessel.lumps.filter(({ form }) => standsAs(dryOf(form).dry) === 'solid')
  const strangers = solids.filter(({ form }) => !isProduct(form, product))
  if (strangers.length > 0)
    course.warn(
      'solid.beside',
      `${strangers.map(({ form }) => form.text).join(', ')} stays solid beside ${product.text}: it will be in the crop.`,
    )
  const mass = solids.reduce((sum, { form, moles }) => sum + moles * molarMass(form), 0)
  course.do({ do: 'filter off', keep: 'solid', retained: RETAINED_FINE }, 'Filter the precipitate off')
  const wash = WASH_FINE * mass
  for (let k = 0; k < FINE_WASHES && mass > 0; k++)
    course.do(
      { do: 'wash', solvents: new Map([[WATER, wash]]), celsius: ROOM, retained: RETAINED_FINE },
      `Wash with ${grams(wash)} of water, ${k + 1} of ${FINE_WASHES}, until a drop test is silent`,
      { solvents: { [WATER]: wash } },
    )
  dryAndWeigh(course)
}

function toDryness(course: Course, product: Formula, by: 'take to dryness' | 'distil off'): void {
  clear(course, product, HOT)
  course.do(
    { do: by },
    by === 'distil off' ? 'Distil the solvent off under dry gas' : 'Evaporate gently, and finish in a dish',
  )
  dryAndWeigh(course)
}

function saltOut(course: Course, product: Formula, theory: number): void {
  clear(course, product, HOT)
  course.do({ do: 'cool', celsius: ROOM }, `Cool to ${ROOM} °C`)
  const water = course.vessel.solvents.get(WATER) ?? 0
  const ethanol = ETHANOL_TO_WATER * water
  course.do(
    { do: 'add solvent', solvents: new Map([['ethanol', ethanol]]) },
    `Add ${grams(ethanol)} of ethanol slowly`,
    { solvents: { ethanol } },
    ['flammable-solvent'],
  )
  course.do({ do: 'cool', celsius: COLD }, `Cool to ${COLD} °C`)
  course.do({ do: 'filter off', keep: 'solid', retained: RETAINED }, 'Filter the crystals off')
  const crystals = course.vessel.lumps.reduce((sum, { form, moles }) => sum + moles * molarMass(form), 0)
  const wash = WASH * (course.isKnown ? crystals : theory)
  course.do(
    { do: 'wash', solvents: new Map([['ethanol', wash]]), celsius: COLD, retained: RETAINED },
    `Wash with ${grams(wash)} of ethanol`,
    { solvents: { ethanol: wash } },
    ['flammable-solvent'],
  )
  dryAndWeigh(course)
}
/** As much ethanol as water by volume; common practice, no source. */
const ETHANOL_TO_WATER = 0.79

function heatDry(course: Course, stage: ReadStage, charges: readonly Charge[]): void {
  for (const one of charges.filter(({ comes }) => comes === 'gas'))
    chargeOne(
      course,
      one,
      1,
      one.species === 'O2' ? 'Let air to it while it is heated' : `Pass {${one.species}} over it`,
      [],
    )
  const celsius = stage.bench.celsius ?? CALCINE
  course.do({ do: 'ignite', celsius }, `Heat it dry to ${celsius} °C, by stages, to constant mass`, undefined, [
    'hot-vessel',
  ])
  course.do({ do: 'cool', celsius: ROOM }, 'Let it cool in a desiccator')
  course.do({ do: 'weigh crop' }, 'Weigh it')
}
