import { protonAcceptors, protonDonors, substances } from '#core/reference'
import { ionText } from '#core/species'
import { mustBe, stuffOf, type Stuff } from './stuff'

/** An ion by what is written of it, and its charge. */
export interface Part {
  readonly text: string
  readonly charge: number
}

const part = (text: string, charge: number): Part => ({ text, charge })
export const SODIUM = part('Na', 1)
export const POTASSIUM = part('K', 1)
export const AMMONIUM = part('NH4', 1)
export const OXIDE = part('O', -2)
export const HYDROXIDE = part('OH', -1)
export const CARBONATE = part('CO3', -2)
export const SULFATE = part('SO4', -2)
export const CHLORIDE = part('Cl', -1)
export const NITRATE = part('NO3', -1)
export const ACETATE = part('CH3COO', -1)

/** Anions of the salts that a metal is usually had as, the commonest first. */
export const USUAL_ANIONS: readonly Part[] = [SULFATE, CHLORIDE, NITRATE, ACETATE]
/** Cations of the salts that an anion is usually had as. */
export const USUAL_CATIONS: readonly Part[] = [SODIUM, POTASSIUM, AMMONIUM]

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b))

/** The salt of two ions with the smallest whole numbers, as the tables write it. */
export function saltOf(cation: Part, anion: Part): Stuff {
  const common = divisor(cation.charge, -anion.charge)
  const text = ionText(cation.text, -anion.charge / common) + ionText(anion.text, cation.charge / common)
  return mustBe(text)
}

/** The acid whose protons, all or some, leave this anion; undefined where none is had as such. */
export function acidOf(anion: Part): Stuff | undefined {
  return acids().get(`${anion.text} ${anion.charge}`)
}

let made: ReadonlyMap<string, Stuff> | undefined
/** Acids by each of the anions that they leave: as the table of protons says, and acid anions by what they hold. */
const acids = (): ReadonlyMap<string, Stuff> => (made ??= new Map([...acidsByAnion()]))

function* acidsByAnion(): Iterable<[string, Stuff]> {
  for (const { of, charge, leaves, leavesCharge } of protonDonors) {
    if (charge !== 0) continue
    const acid = mustBe(of)
    yield [`${leaves} ${leavesCharge}`, acid]
  }
  for (const { of, charge, leaves, leavesCharge } of protonDonors) {
    const whole = protonDonors.find(row => row.charge === 0 && (row.leaves === leaves || row.leaves === of))
    if (charge < 0 && whole) yield [`${of} ${charge}`, mustBe(whole.of)]
    if (charge < 0 && whole && leavesCharge === charge - 1) yield [`${leaves} ${leavesCharge}`, mustBe(whole.of)]
  }
  for (const { of, charge, becomes } of protonAcceptors) {
    const whole = protonDonors.find(row => row.charge === 0 && becomes.some(({ text }) => text === row.leaves))
    if (charge < 0 && whole) yield [`${of} ${charge}`, mustBe(whole.of)]
  }
}

/** Substances of the tables that are a metal in one state with oxygen, hydrogen and carbonate only: its oxides, hydroxides, carbonates and basic carbonates. */
export function basesOf({ text, charge }: Part): Stuff[] {
  if (text === 'NH4') return ['NH3', '(NH4)2CO3', 'NH4HCO3'].map(mustBe)
  const made = [OXIDE, HYDROXIDE, CARBONATE, ...(charge === 1 ? [part('HCO3', -1)] : [])].map(anion =>
    saltOf({ text, charge }, anion),
  )
  const tabled = oxygenRows().filter(
    ({ cations, anions }) =>
      cations.length === 1 &&
      cations[0]!.text === text &&
      cations[0]!.charge === charge &&
      anions.every(anion => ['O', 'OH', 'CO3', 'HCO3'].includes(anion.text)),
  )
  const keys = new Set<string>()
  return [...made.filter(stuff => stuff.row !== undefined), ...tabled].filter(({ key }) => {
    const isNew = !keys.has(key)
    keys.add(key)
    return isNew
  })
}

let oxygen: readonly Stuff[] | undefined
/** Rows that hold nothing but a metal, oxygen, hydrogen and carbon. */
const oxygenRows = (): readonly Stuff[] =>
  (oxygen ??= substances.flatMap(({ formula }) => {
    const stuff = stuffOf(formula)
    const others = [...(stuff?.elements ?? [])].filter(symbol => !['O', 'H', 'C'].includes(symbol))
    return stuff && others.length === 1 && stuff.cations.length === 1 ? [stuff] : []
  }))

/** Oxides of a metal in the tables, whatever its state. */
export const oxidesOf = (metal: string): Stuff[] =>
  substances.flatMap(({ formula }) => {
    const stuff = stuffOf(formula)
    return stuff && stuff.elements.size === 2 && stuff.elements.has('O') && stuff.elements.has(metal) ? [stuff] : []
  })
